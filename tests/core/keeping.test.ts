import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import fc from 'fast-check';
import { openDB } from 'idb';
import { emptyHistory } from '../../src/store/keep/history.ts';
import { advance, entryFor, type Entry, type Work } from '../../src/store/keep/journal.ts';

/** What is kept is what was done, whoever writes, and whatever is missing or damaged is said. */

// The drivers of the storage are looked for when it is loaded, so it is loaded after there is one.
let keep: typeof import('../../src/store/keep/work.ts');
before(async () => {
	Object.assign(globalThis, { self: globalThis });
	keep = await import('../../src/store/keep/work.ts');
});

const start = (text = ''): Work => ({
	texts: new Map([['site.eave', text]]),
	assets: new Map(),
	history: emptyHistory,
	number: 0
});

/** The entry that writes something at the end of the text. */
function writes(work: Work, insert: string): Entry {
	const at = work.texts.get('site.eave')?.length ?? 0;
	const changes = [{ kind: 'edit' as const, file: 'site.eave', from: at, to: at, insert }];
	const entry = entryFor(work, { kind: 'do', label: insert, changes, at: 0, typing: false });
	assert.ok(entry);
	return entry;
}

let ids = 0;
async function newSite(text = ''): Promise<{ id: string; work: Work }> {
	const id = `site${ids++}`;
	const work = start(text);
	await keep.keepWork(id, work);
	return { id, work };
}

const textOf = (work: Work | undefined): string | undefined => work?.texts.get('site.eave');

test('after any series of edits, undo and redo, with the whole kept in between, all is there', async () => {
	const act = fc.constantFrom('write', 'undo', 'redo', 'whole', 'fetch');
	await fc.assert(
		fc.asyncProperty(fc.array(act, { maxLength: 25 }), async (acts) => {
			const site = await newSite('begin');
			const { id } = site;
			let { work } = site;
			for (const one of acts) {
				if (one === 'whole') await keep.keepWork(id, work);
				else if (one === 'fetch') work = (await keep.fetchWork(id))?.work ?? start('lost');
				else {
					const entry = one === 'write' ? writes(work, 'x') : entryFor(work, { kind: one });
					if (!entry) continue;
					work = advance(work, entry);
					await keep.keepEntry(id, entry, false);
				}
			}
			const kept = await keep.fetchWork(id);
			assert.deepEqual(kept, { work, lost: [] });
		}),
		{ numRuns: 40 }
	);
});

test('entries that are sent without waiting for each other all arrive', async () => {
	const site = await newSite();
	const { id } = site;
	let { work } = site;
	const sending: Promise<void>[] = [];
	for (let count = 0; count < 30; count++) {
		const entry = writes(work, String(count % 10));
		work = advance(work, entry);
		sending.push(keep.keepEntry(id, entry, false));
		if (count === 15) sending.push(keep.keepWork(id, work));
	}
	await Promise.all(sending);
	assert.equal(textOf((await keep.fetchWork(id))?.work), textOf(work));
});

test('what another tab has kept is never written over', async () => {
	const { id, work } = await newSite();
	const first = writes(work, 'a');
	await keep.keepEntry(id, first, false);
	// What is tried again is there already; anything else there is another tab's.
	await keep.keepEntry(id, first, true);
	await assert.rejects(keep.keepEntry(id, writes(work, 'b'), false), keep.KeptByAnother);
	await assert.rejects(keep.keepEntry(id, writes(work, 'b'), true), keep.KeptByAnother);
	assert.equal(textOf((await keep.fetchWork(id))?.work), 'a');

	const after = advance(work, first);
	const whole = advance(after, writes(after, 'c'));
	await keep.keepEntry(id, writes(after, 'c'), false);
	await keep.keepWork(id, whole);
	// A tab that is behind finds that it is, though its own place is free.
	await assert.rejects(keep.keepEntry(id, writes(work, 'd'), false), keep.KeptByAnother);
	await assert.rejects(keep.keepWork(id, after), keep.KeptByAnother);
	assert.equal(textOf((await keep.fetchWork(id))?.work), 'ac');
	assert.equal(await keep.fetchNewer(id, 2), undefined);
	assert.equal(textOf(await keep.fetchNewer(id, 1)), 'ac');
});

test('an entry that is missing, damaged or of another text is said, and the rest is there', async () => {
	const { id, work } = await newSite('begin');
	const first = writes(work, '1');
	const second = writes(advance(work, first), '2');
	const third = writes(advance(advance(work, first), second), '3');
	await keep.keepEntry(id, first, false);
	await keep.keepEntry(id, third, true);
	const gap = await keep.fetchWork(id);
	assert.equal(textOf(gap?.work), 'begin1');
	assert.deepEqual(gap?.lost, ['Some of the last edits were not kept.']);

	const database = await openDB('long-eave');
	await database.put('journal', { kind: 'do', number: 'two' }, `${id}/000000002`);
	assert.match((await keep.fetchWork(id))?.lost[0] ?? '', /could not be read/);
	const elsewhere = { ...second, changes: [{ kind: 'edit', file: 'gone', from: 0, to: 0, insert: 'x' }] }; // prettier-ignore
	await database.put('journal', elsewhere, `${id}/000000002`);
	const strange = await keep.fetchWork(id);
	assert.equal(textOf(strange?.work), 'begin');
	assert.deepEqual(strange?.lost, ['The last edits do not fit its text.']);
	database.close();
});

test('of a damaged record what can be read is rescued; of one that is gone there is nothing', async () => {
	const { id } = await newSite('begin');
	const database = await openDB('long-eave');
	const texts = new Map<string, unknown>([
		['site.eave', 'begin'],
		['other.eave', 7]
	]);
	await database.put('works', { texts, history: emptyHistory, number: 0 }, id);
	const rescued = await keep.fetchWork(id);
	assert.deepEqual([...(rescued?.work.texts ?? [])], [['site.eave', 'begin']]);
	assert.match(rescued?.lost[0] ?? '', /Some of its text or its history/);
	await database.put('works', 'nothing that is a text', id);
	assert.equal(await keep.fetchWork(id), undefined);
	await keep.dropWork(id);
	assert.equal(await database.get('works', id), undefined);
	assert.deepEqual(await database.getAllKeys('journal', IDBKeyRange.bound(id, `${id}0`)), []);
	database.close();
});

test('files that are put, moved and taken away are kept with the text, and undone with it', async () => {
	const { id, work } = await newSite('a');
	const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
	const does = (now: Work, changes: Extract<Entry, { kind: 'do' }>['changes']): Entry => {
		const entry = entryFor(now, { kind: 'do', label: 'files', changes, at: 0, typing: false });
		assert.ok(entry);
		return entry;
	};
	const first = does(work, [{ kind: 'put', file: 'pod.svg', bytes: bytes('one') }]);
	const one = advance(work, first);
	const second = does(one, [
		{ kind: 'put', file: 'pod.svg', bytes: bytes('two') },
		{ kind: 'move', file: 'pod.svg', to: 'images/pod.svg' }
	]);
	const two = advance(one, second);
	for (const entry of [first, second]) await keep.keepEntry(id, entry, false);
	const files = async (): Promise<[string, string][]> =>
		[...((await keep.fetchWork(id))?.work.assets ?? [])].map(([path, content]) => {
			return [path, new TextDecoder().decode(content)];
		});
	assert.deepEqual(await files(), [['images/pod.svg', 'two']]);
	await keep.keepWork(id, two);
	assert.deepEqual(await files(), [['images/pod.svg', 'two']], 'kept as a whole');
	const undo = entryFor(two, { kind: 'undo' });
	assert.ok(undo);
	await keep.keepEntry(id, undo, false);
	assert.deepEqual(await files(), [['pod.svg', 'one']]);
	const back = advance(two, undo);
	const again = entryFor(back, { kind: 'undo' });
	assert.ok(again);
	await keep.keepEntry(id, again, false);
	assert.deepEqual(await files(), []);
	assert.equal(textOf((await keep.fetchWork(id))?.work), 'a');
});
