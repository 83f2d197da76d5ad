import * as z from 'zod/mini';
import { fingerprint } from '$core/lib/fingerprint.ts';
import type { SiteFiles } from '$core/model/files.ts';
import { places } from './places.ts';

/**
 * States of sites with a name and a time. A state's own files are in a record of their own, and what is no text is
 * kept once for all states of a site.
 */
const { states, stateFiles, stateBytes } = places;

/** So many that were kept by themselves stay; those that someone named always do. */
const mostByThemselves = 20;

const stateSchema = z.object({
	id: z.string(),
	/** The site that it is a state of. */
	site: z.string(),
	name: z.string(),
	/** ms */
	at: z.number(),
	/** Someone named it, or it was kept by itself before a large deed. */
	by: z.enum(['hand', 'itself'])
});
export type State = z.infer<typeof stateSchema>;

const filesSchema = z.object({
	texts: z.map(z.string(), z.string()),
	/** What bytes are known by, by the paths of files. */
	assets: z.map(z.string(), z.string())
});
const bytesSchema = z.instanceof(Uint8Array);

const marks = new WeakMap<Uint8Array, string>();

function markOf(bytes: Uint8Array): string {
	let mark = marks.get(bytes);
	if (mark === undefined) marks.set(bytes, (mark = fingerprint(bytes)));
	return mark;
}

/** The states of a site, the newest first. */
export async function listStates(site: string): Promise<State[]> {
	const found = await Promise.all((await states.keys()).map((id) => states.getItem<unknown>(id)));
	return found
		.flatMap((record) => stateSchema.safeParse(record).data ?? [])
		.filter((state) => state.site === site)
		.sort((a, b) => b.at - a.at);
}

/** Keeps a state. Its record comes last: what is listed can be had. */
export async function keepState(state: State, { texts, assets }: SiteFiles): Promise<void> {
	const there = new Set(await stateBytes.keys());
	for (const bytes of assets.values()) {
		const key = bytesKey(state.site, markOf(bytes));
		if (!there.has(key)) await stateBytes.setItem(key, bytes);
	}
	const known = new Map([...assets].map(([path, bytes]) => [path, markOf(bytes)]));
	await stateFiles.setItem(state.id, { texts: new Map(texts), assets: known });
	await states.setItem(state.id, state);
	if (state.by === 'itself') await dropOldest(state.site);
}

export async function renameState(state: State, name: string): Promise<void> {
	await states.setItem(state.id, { ...state, name, by: 'hand' });
}

/** The files of a state; undefined where not all of them can be read any more. */
export async function filesOfState({ id, site }: State): Promise<SiteFiles | undefined> {
	const read = filesSchema.safeParse(await stateFiles.getItem(id)).data;
	if (!read) return undefined;
	const assets = new Map<string, Uint8Array>();
	for (const [path, mark] of read.assets) {
		const bytes = bytesSchema.safeParse(await stateBytes.getItem(bytesKey(site, mark))).data;
		if (!bytes) return undefined;
		assets.set(path, bytes);
	}
	return { texts: read.texts, assets };
}

/** Forgets a state, for good. */
export async function dropState({ id, site }: State): Promise<void> {
	await states.removeItem(id);
	await stateFiles.removeItem(id);
	await dropUnused(site);
}

/** Forgets all states of a site. */
export async function dropStates(site: string): Promise<void> {
	for (const state of await listStates(site)) await dropState(state);
}

async function dropOldest(site: string): Promise<void> {
	const own = (await listStates(site)).filter(({ by }) => by === 'itself');
	for (const state of own.slice(mostByThemselves)) await dropState(state);
}

/** Bytes that no state of a site has any more go. */
async function dropUnused(site: string): Promise<void> {
	const used = new Set<string>();
	for (const { id } of await listStates(site)) {
		const read = filesSchema.safeParse(await stateFiles.getItem(id)).data;
		for (const mark of read?.assets.values() ?? []) used.add(bytesKey(site, mark));
	}
	for (const key of await stateBytes.keys()) {
		if (key.startsWith(`${site}/`) && !used.has(key)) await stateBytes.removeItem(key);
	}
}

function bytesKey(site: string, mark: string): string {
	return `${site}/${mark}`;
}
