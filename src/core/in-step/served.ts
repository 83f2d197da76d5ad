import * as z from 'zod';

/**
 * How the command line and the application speak of a folder. `GET` of the path alone lists it; below it stand the files,
 * which are read with `GET`, written with `PUT` and taken away with `DELETE`. Both of these say what they expect to find
 * with `If-Match` or `If-None-Match: *`; the mark is `fingerprint` of the bytes. What is another by now is answered with 412.
 */
export const folderPath = '/.folder/';

/** The stamp of a file that was read or written. */
export const stampHeader = 'eave-stamp';

export const listingSchema = z.object({
	/** What the folder is called. */
	name: z.string(),
	/** The same whenever it is this folder. */
	id: z.string(),
	/** Paths and stamps. */
	files: z.array(z.tuple([z.string(), z.string()]))
});
export type Listing = z.infer<typeof listingSchema>;
