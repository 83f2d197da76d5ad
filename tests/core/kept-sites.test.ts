import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import { openDB } from 'idb';
import { emptyHistory } from '../../src/store/keep/history.ts';

/** Kept sites: listed, found again, of an older version taken over, of a later one left alone. */

let keep: typeof import('../../src/store/keep/listing.ts');
let works: typeof import('../../src/store/keep/work.ts');
before(async () => {
	Object.assign(globalThis, { self: globalThis });
	keep = await import('../../src/store/keep/listing.ts');
	works = await import('../../src/store/keep/work.ts');
});

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

async function keepSite(id: string, text: string, changed = 1): Promise<void> {
	const texts = new Map([['site.eave', text]]);
	const assets = new Map([['images/pod.svg', bytes(`<svg>${id}</svg>`)]]);
	await works.keepWork(id, { texts, assets, history: emptyHistory, number: 0 });
	await keep.keepListed({ id, name: `Site ${id}`, changed });
}

test('a site is found again as it was kept, with its other files', async () => {
	await keepSite('one', 'text of one');
	const kept = await keep.fetchSite('one');
	assert.deepEqual(kept?.lost, []);
	assert.equal(kept?.listed.name, 'Site one');
	assert.equal(kept?.texts.get('site.eave'), 'text of one');
	assert.deepEqual(kept?.assets.get('images/pod.svg'), bytes('<svg>one</svg>'));
	assert.equal(await keep.fetchSite('nothing'), undefined);
});

test('sites are listed with the one changed last first, also one that cannot be read', async () => {
	await keepSite('early', 'a', 10);
	await keepSite('late', 'b', 30);
	await keepSite('between', 'c', 20);
	const database = await openDB('long-eave');
	await database.put('sites', 'nothing that is a site', 'broken');
	database.close();
	const listed = (await keep.listSites()).filter(({ id }) => id !== 'one');
	assert.deepEqual(
		listed.map(({ id }) => id),
		['late', 'between', 'early', 'broken']
	);
	assert.equal(listed.at(-1)?.name, 'Site that cannot be read');
});

test('which site was opened last is known, and what is dropped is gone for good', async () => {
	assert.equal(await keep.openedLast(), undefined);
	await keep.noteOpened('late');
	assert.equal(await keep.openedLast(), 'late');
	await keep.dropSite('late');
	assert.equal(await keep.fetchSite('late'), undefined);
	assert.ok(!(await keep.listSites()).some(({ id }) => id === 'late'));
	assert.equal((await keep.fetchSite('early'))?.texts.get('site.eave'), 'a', 'others stay');
});

test('a site of the version before is taken over as it is; one of a later version is left alone', async () => {
	const database = await openDB('long-eave');
	const texts = new Map([['site.eave', 'old text']]);
	const assets = new Map([['pod.svg', bytes('old')]]);
	await database.put('sites', { id: 'old', name: 'Old', changed: 1, texts, assets }, 'old');
	const old = await keep.fetchSite('old');
	assert.deepEqual(
		[old?.texts.get('site.eave'), old?.number, old?.history, old?.lost],
		['old text', 0, emptyHistory, []]
	);
	assert.deepEqual(old?.assets, assets);

	await keepSite('later', 'from the future');
	await database.put('sites', { id: 'later', name: 'Later', changed: 1, version: 99 }, 'later');
	await assert.rejects(keep.fetchSite('later'), /Later was kept by a later version/);
	assert.equal((await works.fetchWork('later'))?.work.texts.get('site.eave'), 'from the future');
	database.close();
});

test('other files that cannot be read are said, and the text is there', async () => {
	await keepSite('damaged', 'its text');
	const database = await openDB('long-eave');
	const files = new Map<string, unknown>([
		['good.svg', bytes('good')],
		['bad.svg', 'not bytes']
	]);
	await database.put('assets', files, 'damaged');
	const kept = await keep.fetchSite('damaged');
	assert.deepEqual([...(kept?.assets.keys() ?? [])], ['good.svg']);
	assert.match(kept?.lost.join(' ') ?? '', /Some of its pictures and other files/);
	assert.equal(kept?.texts.get('site.eave'), 'its text');
	await database.delete('sites', 'damaged');
	assert.equal((await keep.fetchSite('damaged'))?.listed.name, 'damaged', 'a name that is lost');
	database.close();
});
