import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import fc from 'fast-check';
import { isLarge } from '../../src/core/edit/large.ts';
import { changesBetween } from '../../src/core/in-step/changes-between.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { SiteFiles } from '../../src/core/model/files.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import type { State } from '../../src/store/keep/states.ts';

/** States of a site: kept whole, gone back to, forgotten with what only they had. */

// The drivers of the storage are looked for when it is loaded, so it is loaded after there is one.
let keep: typeof import('../../src/store/keep/states.ts');
let stores: typeof import('../../src/store/keep/places.ts').places;
before(async () => {
	Object.assign(globalThis, { self: globalThis });
	keep = await import('../../src/store/keep/states.ts');
	({ places: stores } = await import('../../src/store/keep/places.ts'));
});

const files = (text: string, assets: Readonly<Record<string, string>> = {}): SiteFiles => ({
	texts: new Map([['site.eave', text]]),
	assets: new Map(Object.entries(assets).map(([path, one]) => [path, encodeUtf8(one)]))
});

let clock = 0;
const state = (site: string, name: string, by: State['by'] = 'hand'): State => ({
	id: `${site} ${name}`, site, name, by, at: clock++
}); // prettier-ignore

test('states are listed newest first, each of its own site, and have their files', async () => {
	const [first, second, other] = [state('a', 'first'), state('a', 'second'), state('b', 'other')];
	await keep.keepState(first, files('one', { 'x.png': 'x', 'y.png': 'y' }));
	await keep.keepState(second, files('two', { 'x.png': 'x', 'moved/x.png': 'x' }));
	await keep.keepState(other, files('three'));
	assert.deepEqual(await keep.listStates('a'), [second, first]);
	assert.deepEqual(await keep.filesOfState(first), files('one', { 'x.png': 'x', 'y.png': 'y' }));
	assert.deepEqual(await keep.filesOfState(second), files('two', { 'x.png': 'x', 'moved/x.png': 'x' })); // prettier-ignore
	await keep.renameState(first, 'begin');
	assert.deepEqual((await keep.listStates('a'))[1]?.name, 'begin');
});

test('what is no text is kept once, and goes with the last state that has it', async () => {
	const own = async (): Promise<number> =>
		(await stores.stateBytes.keys()).filter((key) => key.startsWith('c/')).length;
	const [first, second] = [state('c', 'first'), state('c', 'second')];
	await keep.keepState(first, files('one', { 'x.png': 'x', 'y.png': 'y' }));
	await keep.keepState(second, files('two', { 'x.png': 'x' }));
	assert.equal(await own(), 2);
	await keep.dropState(first);
	assert.equal(await own(), 1);
	assert.deepEqual(await keep.filesOfState(second), files('two', { 'x.png': 'x' }));
	await keep.dropStates('c');
	assert.equal(await own(), 0);
	assert.deepEqual(await keep.listStates('c'), []);
});

test('of those that were kept by themselves the newest stay, of those that someone named all', async () => {
	for (let index = 0; index < 25; index++) {
		await keep.keepState(state('d', `named ${index}`), files(String(index)));
		await keep.keepState(state('d', `before ${index}`, 'itself'), files(String(index)));
	}
	const found = await keep.listStates('d');
	const itself = found.filter(({ by }) => by === 'itself').map(({ name }) => name);
	assert.equal(found.length - itself.length, 25);
	assert.deepEqual(
		itself,
		Array.from({ length: 20 }, (_, index) => `before ${24 - index}`)
	);
});

test('a state of which something is missing or damaged is told from one that is whole', async () => {
	const one = state('e', 'one');
	await keep.keepState(one, files('one', { 'x.png': 'x' }));
	for (const key of await stores.stateBytes.keys()) {
		if (key.startsWith('e/')) await stores.stateBytes.removeItem(key);
	}
	assert.equal(await keep.filesOfState(one), undefined);
	const two = state('e', 'two');
	await keep.keepState(two, files('two'));
	await stores.stateFiles.setItem(two.id, { texts: 'two' });
	assert.equal(await keep.filesOfState(two), undefined);
});

test('the changes between two states make one of the other (property)', () => {
	const path = fc.constantFrom('site.eave', 'more.eave', 'a.css', 'b.css', 'c.png');
	const text = fc.array(fc.constantFrom('a', 'b', '\n', 'ä', '}'), { maxLength: 8 }).map((all) => all.join('')); // prettier-ignore
	const some = fc.dictionary(path, text, { noNullPrototype: true }).map((all): SiteFiles => {
		const entries = Object.entries(all);
		const isText = ([one]: [string, string]): boolean => one.endsWith('.eave');
		return {
			texts: new Map(entries.filter(isText)),
			assets: new Map(entries.filter((one) => !isText(one)).map(([one, words]) => [one, encodeUtf8(words)])) // prettier-ignore
		};
	});
	fc.assert(
		fc.property(some, some, (from, to) => {
			const changes = changesBetween(from, to);
			const made = applyChanges(from, changes);
			assert.deepEqual(new Map([...made.texts].sort()), new Map([...to.texts].sort()));
			assert.deepEqual(new Map([...made.assets].sort()), new Map([...to.assets].sort()));
			assert.deepEqual(changesBetween(to, to), []);
			const back = applyChanges(made, made.inverse);
			assert.deepEqual(new Map([...back.texts].sort()), new Map([...from.texts].sort()));
		}),
		{ numRuns: 500 }
	);
});

test('an edit of many places or files is a large one', () => {
	const edit = (file: string) => ({ kind: 'edit', file, from: 0, to: 0, insert: 'x' }) as const;
	assert.equal(isLarge([edit('a'), edit('a'), edit('b')]), false);
	assert.equal(isLarge([edit('a'), edit('b'), edit('c')]), true);
	assert.equal(isLarge(Array.from({ length: 8 }, () => edit('a'))), true);
});
