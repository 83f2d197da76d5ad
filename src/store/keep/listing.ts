import * as z from 'zod/mini';
import { emptyHistory, historySchema } from './history.ts';
import type { Work } from './journal.ts';
import { dropWork, fetchWork } from './work.ts';
import { places } from './places.ts';

/**
 * What this browser keeps: for each site its name, and its files with their history and the entries since
 * (`work.ts`).
 */
const { sites, settings, oldHistories } = places;

/** The way in which records are written; a record of a later one is left alone. */
const version = 2;

const listedSchema = z.object({
	id: z.string(),
	name: z.string(),
	changed: z.number(),
	version: z.optional(z.number()),
	/** The site may load things from other hosts. */
	outside: z.optional(z.boolean()),
	/** The hue and the hatch of each layout, by its name: they stay with the site. */
	marks: z.optional(z.map(z.string(), z.object({ hue: z.number(), hatch: z.number() }))),
	/** It was forgotten, and goes for good when the application starts the next time. */
	forgotten: z.optional(z.boolean())
});
export type ListedSite = z.infer<typeof listedSchema>;

const assetsSchema = z.map(z.string(), z.instanceof(Uint8Array));
const oldSiteSchema = z.object({ texts: z.map(z.string(), z.string()), assets: assetsSchema });

export interface KeptSite extends Work {
	readonly listed: ListedSite;
	/** What could not be read, as sentences; empty where all of it could. */
	readonly lost: readonly string[];
}

export async function keepListed(site: ListedSite): Promise<void> {
	await sites.setItem(site.id, { ...site, version });
}

/** A kept site, as far as it can be read; undefined where nothing of it can. */
export async function fetchSite(id: string): Promise<KeptSite | undefined> {
	const record: unknown = await sites.getItem(id);
	const listed = listedSchema.safeParse(record).data ?? { id, name: id, changed: Date.now() };
	if ((listed.version ?? 1) > version) {
		throw new Error(`${listed.name} was kept by a later version of the application`);
	}
	const old = z.partial(oldSiteSchema).safeParse(record).data;
	if (old?.texts) return fetchOld(listed, old.texts, old.assets);
	const read = await fetchWork(id);
	return read && { ...read.work, listed, lost: read.lost };
}

/** A site as the version before this one kept it. */
async function fetchOld(
	listed: ListedSite,
	texts: ReadonlyMap<string, string>,
	files: ReadonlyMap<string, Uint8Array> | undefined
): Promise<KeptSite> {
	const history = historySchema.safeParse(await oldHistories.getItem(listed.id)).data;
	const lost = files ? [] : ['Some of its pictures and other files could not be read.'];
	const work = { texts, assets: files ?? new Map(), history: history ?? emptyHistory, number: 0 };
	return { ...work, listed, lost };
}

/** All kept sites, the one changed last first. */
export async function listSites(): Promise<ListedSite[]> {
	const found: ListedSite[] = [];
	for (const key of await sites.keys()) {
		const record: unknown = await sites.getItem(key).catch(() => undefined);
		const listed = listedSchema.safeParse(record).data;
		found.push(listed ?? { id: key, name: 'Site that cannot be read', changed: 0 });
	}
	return found.sort((a, b) => b.changed - a.changed);
}

/** Takes away everything of a site, for good. */
export async function dropSite(id: string): Promise<void> {
	await dropWork(id);
	for (const store of [sites, oldHistories]) await store.removeItem(id);
}

/** The site that was opened last, in this browser. */
export async function openedLast(): Promise<string | undefined> {
	return z.string().safeParse(await settings.getItem('open')).data;
}

export async function noteOpened(id: string): Promise<void> {
	await settings.setItem('open', id);
}
