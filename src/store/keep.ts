import localforage from 'localforage';
import { z } from 'zod';
import { emptyHistory, historySchema } from './history.ts';
import { advanceAll, entrySchema, type Entry, type Work } from './journal.ts';

/**
 * What this browser keeps: for each site its name, its texts with their history, the entries since,
 * and its other files, each in a record of its own that is written when it changes.
 */
const place = (storeName: string): LocalForage =>
	localforage.createInstance({ name: 'long-eave', storeName, driver: localforage.INDEXEDDB });
const sites = place('sites');
const works = place('works');
const journal = place('journal');
const assets = place('assets');
const settings = place('settings');
/** Where an earlier version kept the history; it kept texts and files together in `sites`. */
const oldHistories = place('histories');

/** The way in which records are written; a record of a later one is left alone. */
const version = 2;

const listedSchema = z.object({
	id: z.string(),
	name: z.string(),
	changed: z.number(),
	version: z.number().optional(),
	/** The site may load things from other hosts. */
	outside: z.boolean().optional(),
	/** It was forgotten, and goes for good when the application starts the next time. */
	forgotten: z.boolean().optional()
});
export type ListedSite = z.infer<typeof listedSchema>;

const workSchema = z.object({
	texts: z.map(z.string(), z.string()),
	history: historySchema,
	number: z.number().int()
});
const assetsSchema = z.map(z.string(), z.instanceof(Uint8Array));
const oldSiteSchema = z.object({ texts: z.map(z.string(), z.string()), assets: assetsSchema });

export interface KeptSite extends Work {
	readonly listed: ListedSite;
	readonly assets: ReadonlyMap<string, Uint8Array>;
	/** What could not be read, as sentences; empty where all of it could. */
	readonly lost: readonly string[];
}

const entryKey = (id: string, number: number): string => `${id}/${String(number).padStart(9, '0')}`;

export async function keepListed(site: ListedSite): Promise<void> {
	await sites.setItem(site.id, { ...site, version });
}

/** Another tab has kept edits of the site meanwhile: this one's must not be written over them. */
export class KeptByAnother extends Error {
	override readonly name = 'KeptByAnother';
}

/** Keeps texts and history as a whole; the entries that are in it are no longer needed. */
export async function keepWork(id: string, { texts, history, number }: Work): Promise<void> {
	const there = workSchema.safeParse(await works.getItem(id)).data;
	if (there && there.number > number) throw new KeptByAnother();
	await works.setItem(id, { texts, history, number });
	for (const key of await entryKeys(id)) {
		if (key <= entryKey(id, number)) await journal.removeItem(key);
	}
}

/** Keeps an entry that follows the last whole record; with `check` only where no other tab has kept one there. */
export async function keepEntry(id: string, entry: Entry, check: boolean): Promise<void> {
	const key = entryKey(id, entry.number);
	if (check) {
		const there = entrySchema.safeParse(await journal.getItem(key)).data;
		// What is tried again may be there already; anything else there is another tab's.
		if (there && JSON.stringify(there) !== JSON.stringify(entry)) throw new KeptByAnother();
	}
	await journal.setItem(key, entry);
}

export async function keepAssets(
	id: string,
	files: ReadonlyMap<string, Uint8Array>
): Promise<void> {
	await assets.setItem(id, files);
}

async function entryKeys(id: string): Promise<string[]> {
	return (await journal.keys()).filter((key) => key.startsWith(`${id}/`)).sort();
}

/** A kept site, as far as it can be read; undefined where nothing of it can. */
export async function fetchSite(id: string): Promise<KeptSite | undefined> {
	const record: unknown = await sites.getItem(id);
	const listed = listedSchema.safeParse(record).data ?? { id, name: id, changed: Date.now() };
	if ((listed.version ?? 1) > version) {
		throw new Error(`${listed.name} was kept by a later version of the application`);
	}
	const old = oldSiteSchema.partial().safeParse(record).data;
	if (old?.texts) return fetchOld(listed, old.texts, old.assets);
	const lost: string[] = [];
	const base = await fetchWork(id, lost);
	const files = await rescue(assets.getItem(id), assetsSchema, readableFiles);
	if (!files.whole) lost.push('Some of its pictures and other files could not be read.');
	return base && { ...base, listed, assets: files.value ?? new Map(), lost };
}

async function fetchWork(id: string, lost: string[]): Promise<Work | undefined> {
	const { value, whole } = await rescue(works.getItem(id), workSchema, readableWork);
	if (!value) return undefined;
	if (!whole) lost.push('Some of its text or its history could not be read.');
	const entries: Entry[] = [];
	for (const key of await entryKeys(id)) {
		const entry = entrySchema.safeParse(await journal.getItem(key)).data;
		if (entry) entries.push(entry);
		else lost.push('Some of the last edits could not be read.');
	}
	try {
		return advanceAll(value, entries);
	} catch {
		lost.push('The last edits do not fit its text.');
		return value;
	}
}

/** The text of a site where more edits of it are kept than `number`; undefined where there are no more. */
export async function fetchNewer(id: string, number: number): Promise<Work | undefined> {
	const work = await fetchWork(id, []);
	return work && work.number > number ? work : undefined;
}

/** A site as the version before this one kept it. */
async function fetchOld(
	listed: ListedSite,
	texts: ReadonlyMap<string, string>,
	files: ReadonlyMap<string, Uint8Array> | undefined
): Promise<KeptSite> {
	const history = historySchema.safeParse(await oldHistories.getItem(listed.id)).data;
	const lost = files ? [] : ['Some of its pictures and other files could not be read.'];
	const work = { texts, history: history ?? emptyHistory, number: 0 };
	return { ...work, listed, assets: files ?? new Map(), lost };
}

/** A record as it should be, or what of it can be read. */
async function rescue<T>(
	record: Promise<unknown>,
	schema: z.ZodType<T>,
	readable: (value: unknown) => T | undefined
): Promise<{ value: T | undefined; whole: boolean }> {
	const value: unknown = await record.catch(() => undefined);
	const parsed = schema.safeParse(value);
	if (parsed.success) return { value: parsed.data, whole: true };
	return { value: readable(value), whole: value === null };
}

function readableFiles(value: unknown): Map<string, Uint8Array<ArrayBuffer>> | undefined {
	return readableEntries(value, z.instanceof(Uint8Array));
}

function readableWork(value: unknown): z.infer<typeof workSchema> | undefined {
	const { texts, history, number } = z
		.object({ texts: z.unknown(), history: z.unknown(), number: z.unknown() })
		.partial()
		.catch({})
		.parse(value);
	const readable = readableEntries(texts, z.string());
	if (!readable) return undefined;
	// Steps of another text would do harm to this one.
	const whole = readable.size === (texts instanceof Map ? texts.size : 0);
	const known = whole ? historySchema.safeParse(history).data : undefined;
	return {
		texts: readable,
		history: known ?? { past: [], future: [] },
		number: z.number().int().catch(0).parse(number)
	};
}

function readableEntries<T>(value: unknown, schema: z.ZodType<T>): Map<string, T> | undefined {
	if (!(value instanceof Map)) return undefined;
	const found = new Map<string, T>();
	for (const [path, content] of value) {
		const parsed = schema.safeParse(content);
		if (typeof path === 'string' && parsed.success) found.set(path, parsed.data);
	}
	return found.size > 0 ? found : undefined;
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
	for (const store of [sites, works, assets, oldHistories]) await store.removeItem(id);
	for (const key of await entryKeys(id)) await journal.removeItem(key);
}

/** The site that was opened last, in this browser. */
export async function openedLast(): Promise<string | undefined> {
	return z.string().safeParse(await settings.getItem('open')).data;
}

export async function noteOpened(id: string): Promise<void> {
	await settings.setItem('open', id);
}
