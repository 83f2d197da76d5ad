import * as z from 'zod/mini';
import type { Agreed } from '$core/in-step/content.ts';
import { places } from '../keep/places.ts';

/** Which site is kept in step with which folder, and what both had when they last agreed. */

const { ties, agreements } = places;

const tieSchema = z.object({
	/** The site. */
	id: z.string(),
	/** What the folder is called. */
	name: z.string(),
	at: z.discriminatedUnion('kind', [
		z.object({
			kind: z.literal('handle'),
			handle: z.custom<FileSystemDirectoryHandle>(
				(value) => value instanceof FileSystemDirectoryHandle
			)
		}),
		/** One that the command line opens: what it is known by there. */
		z.object({ kind: z.literal('served'), folder: z.string() })
	])
});
export type Tie = z.infer<typeof tieSchema>;

const agreedSchema = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('text'), text: z.string() }),
	z.object({ kind: z.literal('bytes'), mark: z.string() })
]);

export async function tieOf(id: string): Promise<Tie | undefined> {
	return tieSchema.safeParse(await ties.getItem(id)).data;
}

export async function allTies(): Promise<Tie[]> {
	const found = await Promise.all((await ties.keys()).map((id) => ties.getItem<unknown>(id)));
	return found.flatMap((tie) => tieSchema.safeParse(tie).data ?? []);
}

export async function keepTie(tie: Tie): Promise<void> {
	await ties.setItem(tie.id, tie);
}

export async function agreedOf(id: string): Promise<ReadonlyMap<string, Agreed>> {
	const found = new Map<string, Agreed>();
	await agreements.iterate<unknown, void>((value, key) => {
		if (!key.startsWith(`${id}/`)) return;
		const agreed = agreedSchema.safeParse(value).data;
		if (agreed) found.set(key.slice(id.length + 1), agreed);
	});
	return found;
}

/** Keeps what both have of some files by now; undefined: neither has it. */
export async function keepAgreed(
	id: string,
	agreed: ReadonlyMap<string, Agreed | undefined>
): Promise<void> {
	await Promise.all(
		[...agreed].map(([path, one]) => {
			const key = `${id}/${path}`;
			return one ? agreements.setItem(key, one) : agreements.removeItem(key);
		})
	);
}

/** The site and the folder go their own ways. */
export async function dropTie(id: string): Promise<void> {
	await ties.removeItem(id);
	const keys = (await agreements.keys()).filter((key) => key.startsWith(`${id}/`));
	await Promise.all(keys.map((key) => agreements.removeItem(key)));
}
