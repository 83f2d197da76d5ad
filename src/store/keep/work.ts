import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import * as z from 'zod/mini';
import { historySchema } from './history.ts';
import { advanceAll, entrySchema, type Entry, type Work } from './journal.ts';
import { databaseName, places } from './places.ts';
import { readableEntries, rescue } from './rescue.ts';

/**
 * The files of sites with their history, and the entries since. They are written in transactions that
 * are committed at once (IndexedDB, section 5.5): a transaction that waits for the page to hear of its
 * success is given up when the page ends first, and what was typed last would be lost.
 */

/** Files that are no text are many and seldom change: they have a record of their own. */
const workSchema = z.object({
	texts: z.map(z.string(), z.string()),
	history: historySchema,
	number: z.int()
});
const assetsSchema = z.map(z.string(), z.instanceof(Uint8Array));
/** The other files that are kept of a site as they are here, by the object they are in. */
const keptAssets = new WeakMap<ReadonlyMap<string, Uint8Array>, string>();

/** What is kept may be of any form: it is read by the schemas. */
interface Stores extends DBSchema {
	works: { key: string; value: unknown };
	journal: { key: string; value: unknown };
	assets: { key: string; value: unknown };
}

let opening: Promise<IDBPDatabase<Stores>> | undefined;

/** The database, with its connection held open: an entry must be on its way before anything is waited for. */
function database(): Promise<IDBPDatabase<Stores>> {
	opening ??= open().catch((failure: unknown) => {
		opening = undefined;
		throw failure;
	});
	return opening;
}

/** Told when all that was kept is gone, as when someone clears what the browser keeps while a site is open. */
let onEmptied: () => void = () => undefined;

export function whenEmptied(told: () => void): void {
	onEmptied = told;
}

const storeNames = ['works', 'journal', 'assets'] as const;

async function open(): Promise<IDBPDatabase<Stores>> {
	// They make the stores where there are none yet.
	await Promise.all(storeNames.map((name) => places[name].ready()));
	const opened = await connect();
	if (storeNames.every((name) => opened.objectStoreNames.contains(name))) return opened;
	// The database was deleted under its open connections: whoever asks for its stores makes them anew.
	opened.close();
	for (const name of storeNames) await places[name].getItem('').catch(() => undefined);
	onEmptied();
	return connect();
}

async function connect(): Promise<IDBPDatabase<Stores>> {
	const forget = (): void => (opening = undefined);
	const opened = await openDB<Stores>(databaseName, undefined, {
		blocking() {
			// Another store is to be made, and waits for every connection to close.
			forget();
			opened.close();
		},
		terminated: forget
	});
	return opened;
}

const entryKey = (id: string, number: number): string => `${id}/${String(number).padStart(9, '0')}`;

/** The keys of a site's entries from one number to another, both included. */
const entryKeys = (id: string, from = 0, to = 999_999_999): IDBKeyRange =>
	IDBKeyRange.bound(entryKey(id, from), entryKey(id, to));

/** Another tab has kept edits of the site meanwhile: this one's must not be written over them. */
export class KeptByAnother extends Error {
	override readonly name = 'KeptByAnother';
}

/**
 * Keeps files and history as a whole, at one moment. The entries that are in it are no longer needed; the last one
 * stays, so that another tab that is behind finds it where it would write.
 */
export async function keepWork(
	id: string,
	{ texts, assets, history, number }: Work
): Promise<void> {
	const change = (await database()).transaction(['works', 'journal', 'assets'], 'readwrite');
	const works = change.objectStore('works');
	const there = workSchema.safeParse(await works.get(id)).data;
	if (there && there.number > number) {
		change.commit();
		throw new KeptByAnother();
	}
	const writing = [
		works.put({ texts, history, number }, id),
		...(keptAssets.get(assets) === id ? [] : [change.objectStore('assets').put(assets, id)]),
		...(number > 0 ? [change.objectStore('journal').delete(entryKeys(id, 0, number - 1))] : [])
	];
	change.commit();
	await Promise.all([...writing, change.done]);
	keptAssets.set(assets, id);
}

/**
 * Keeps an entry that follows the last whole record, unless another tab has kept one there, or later.
 * With `again` it was tried before: it may be there already, and later ones too.
 */
export async function keepEntry(id: string, entry: Entry, again: boolean): Promise<void> {
	const key = entryKey(id, entry.number);
	const change = (await database()).transaction('journal', 'readwrite');
	const later = change.store.getKey(entryKeys(id, entry.number + 1));
	const added = change.store.add(entry, key);
	change.commit();
	try {
		const [found] = await Promise.all([later, added, change.done]);
		if (found === undefined || again) return;
	} catch (failure) {
		if (!isThere(failure)) throw failure;
		const there = await (await database()).get('journal', key);
		if (again && asRead(there) === asRead(entry)) return;
	}
	throw new KeptByAnother();
}

/** An entry in one order of its parts, so that two can be compared; undefined where it is none. */
function asRead(entry: unknown): string | undefined {
	const { success, data } = entrySchema.safeParse(entry);
	return success ? JSON.stringify(data) : undefined;
}

/** A record has the key already (IndexedDB, section 4.5, add). */
function isThere(failure: unknown): boolean {
	return failure instanceof DOMException && failure.name === 'ConstraintError';
}

/** The work of a site as far as it can be read, and as sentences what could not be; undefined where nothing can. */
export async function fetchWork(
	id: string
): Promise<{ work: Work; lost: readonly string[] } | undefined> {
	// Both are read as they are at one moment, whatever another tab writes.
	const reading = (await database()).transaction(['works', 'journal', 'assets']);
	const [{ value: work, whole }, records, files] = await Promise.all([
		rescue(reading.objectStore('works').get(id), workSchema, readableWork),
		reading.objectStore('journal').getAll(entryKeys(id)),
		rescue(reading.objectStore('assets').get(id), assetsSchema, readableFiles)
	]);
	if (!work) return undefined;
	const assets = files.value ?? new Map<string, Uint8Array>();
	if (files.whole) keptAssets.set(assets, id);
	const value: Work = { ...work, assets };
	const lost: string[] = [];
	if (!whole) lost.push('Some of its text or its history could not be read.');
	if (!files.whole) lost.push('Some of its pictures and other files could not be read.');
	const entries = records.flatMap((record) => entrySchema.safeParse(record).data ?? []);
	if (entries.length < records.length) lost.push('Some of the last edits could not be read.');
	try {
		const now = advanceAll(value, entries);
		const last = Math.max(...entries.map((entry) => entry.number));
		if (last > now.number && lost.length === 0) lost.push('Some of the last edits were not kept.');
		return { work: now, lost };
	} catch {
		return { work: value, lost: [...lost, 'The last edits do not fit its text.'] };
	}
}

/** The text of a site where more edits of it are kept than `number`; undefined where there are no more. */
export async function fetchNewer(id: string, number: number): Promise<Work | undefined> {
	const work = (await fetchWork(id))?.work;
	return work && work.number > number ? work : undefined;
}

/** Takes files, history and entries of a site away, for good. */
export async function dropWork(id: string): Promise<void> {
	const change = (await database()).transaction(['works', 'journal', 'assets'], 'readwrite');
	const dropping = [
		change.objectStore('works').delete(id),
		change.objectStore('assets').delete(id),
		change.objectStore('journal').delete(entryKeys(id))
	];
	await Promise.all([...dropping, change.done]);
}

function readableFiles(value: unknown): Map<string, Uint8Array<ArrayBuffer>> | undefined {
	return readableEntries(value, z.instanceof(Uint8Array));
}

/** Whatever of it is there. */
const looseWork = z.catch(
	z.partial(z.object({ texts: z.unknown(), history: z.unknown(), number: z.unknown() })),
	{}
);

function readableWork(value: unknown): z.infer<typeof workSchema> | undefined {
	const { texts, history, number } = looseWork.parse(value);
	const readable = readableEntries(texts, z.string());
	if (!readable) return undefined;
	// Steps of another text would do harm to this one.
	const whole = readable.size === (texts instanceof Map ? texts.size : 0);
	const known = whole ? historySchema.safeParse(history).data : undefined;
	return {
		texts: readable,
		history: known ?? { past: [], future: [] },
		number: z.catch(z.int(), 0).parse(number)
	};
}
