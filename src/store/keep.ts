import localforage from 'localforage';
import { z } from 'zod';
import { emptyHistory, historySchema, type History } from './history.ts';

/** Sites kept in this browser, and which of them is open. */

const keptSiteSchema = z.object({
	id: z.string(),
	name: z.string(),
	changed: z.number(),
	texts: z.map(z.string(), z.string()),
	assets: z.map(z.string(), z.instanceof(Uint8Array))
});

const listedSchema = z.object({ id: z.string(), name: z.string(), changed: z.number() });

export interface KeptSite {
	readonly id: string;
	readonly name: string;
	/** When it was last changed, ms. */
	readonly changed: number;
	readonly texts: ReadonlyMap<string, string>;
	readonly assets: ReadonlyMap<string, Uint8Array>;
}
export type ListedSite = z.infer<typeof listedSchema>;

const sites = localforage.createInstance({ name: 'long-eave', storeName: 'sites' });
const histories = localforage.createInstance({ name: 'long-eave', storeName: 'histories' });
const settings = localforage.createInstance({ name: 'long-eave', storeName: 'settings' });

export async function keepSite(site: KeptSite): Promise<void> {
	await sites.setItem(site.id, site);
	const listed: ListedSite = { id: site.id, name: site.name, changed: site.changed };
	const others = (await listSites()).filter((other) => other.id !== site.id);
	await settings.setItem('list', [listed, ...others]);
	await settings.setItem('open', site.id);
}

export async function keepHistory(id: string, history: History): Promise<void> {
	await histories.setItem(id, history);
}

/** A kept site; undefined where there is none of that name or it cannot be read any more. */
export async function fetchSite(id: string): Promise<KeptSite | undefined> {
	return keptSiteSchema.safeParse(await sites.getItem(id)).data;
}

export async function fetchHistory(id: string): Promise<History> {
	return historySchema.safeParse(await histories.getItem(id)).data ?? emptyHistory;
}

export async function listSites(): Promise<ListedSite[]> {
	return z.array(listedSchema).safeParse(await settings.getItem('list')).data ?? [];
}

export async function openSiteId(): Promise<string | undefined> {
	return z.string().safeParse(await settings.getItem('open')).data;
}

export async function dropSite(id: string): Promise<void> {
	await sites.removeItem(id);
	await histories.removeItem(id);
	const others = (await listSites()).filter((other) => other.id !== id);
	await settings.setItem('list', others);
}
