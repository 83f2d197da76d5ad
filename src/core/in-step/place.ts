/** What tells one state of a file from the next without reading it: its size and when it was written. */
export type Stamp = string;

/** A folder could not be read or written; `message` is a sentence for the user. */
export class PlaceFailure extends Error {
	override readonly name = 'PlaceFailure';
	/** `closed`: it needs the user's permission; `gone`: it is not there; `empty`: no site is in it; `refused`: anything else. */
	constructor(
		readonly why: 'closed' | 'gone' | 'empty' | 'refused',
		message: string
	) {
		super(message);
	}
}

/**
 * A folder that a site is kept in, wherever it is. Paths are relative, with `/`; what is left out of a site
 * (`isLeftOut`) is not there. Each of its functions throws a PlaceFailure where the folder cannot be had.
 */
export interface Place {
	/** All files with their stamps. */
	list(): Promise<ReadonlyMap<string, Stamp>>;
	/** A file as it is; undefined where it is not there any more. */
	read(path: string): Promise<{ readonly bytes: Uint8Array; readonly stamp: Stamp } | undefined>;
	/**
	 * Writes a file whole or not at all, where it still is as `there` says (undefined: where there is none), and gives its new
	 * stamp; undefined where it is another by now, which is then left as it is.
	 */
	write(path: string, bytes: Uint8Array, there: ThereNow | undefined): Promise<Stamp | undefined>;
	/** Takes a file away, on the same condition; gives whether it did. */
	remove(path: string, there: ThereNow): Promise<boolean>;
}

/** A file as it was read last. */
export interface ThereNow {
	readonly bytes: Uint8Array;
	readonly stamp: Stamp;
}
