import 'fake-indexeddb/auto';
import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import fc from 'fast-check';
import type { SiteFiles } from '../../src/core/model/files.ts';
import type { State } from '../../src/store/keep/states.ts';

/** States with a name: whatever is kept, renamed and forgotten, each that is listed can be had as it was. */

// The drivers of the storage are looked for when it is loaded, so it is loaded after there is one.
let states: typeof import('../../src/store/keep/states.ts');
let places: (typeof import('../../src/store/keep/places.ts'))['places'];
before(async () => {
	Object.assign(globalThis, { self: globalThis });
	states = await import('../../src/store/keep/states.ts');
	({ places } = await import('../../src/store/keep/places.ts'));
});

const picture = (of: number): Uint8Array => Uint8Array.from([1, 2, 3, of]);

const filesOf = (text: string, pictures: readonly number[] = []): SiteFiles => ({
	texts: new Map([['site.eave', text]]),
	assets: new Map(pictures.map((of, at) => [`images/${at}.png`, picture(of)]))
});

let ids = 0;
const stateOf = (site: string, at: number, by: State['by'] = 'hand'): State => ({
	id: `state${ids++}`,
	site,
	name: `State ${at}`,
	at,
	by
});

/** Bytes that are kept for a site, by how many pictures there are. */
async function kept(site: string): Promise<number> {
	return (await places.stateBytes.keys()).filter((key) => key.startsWith(`${site}/`)).length;
}

test('the newest state comes first, each with its own files, and those of another site are apart', async () => {
	const [first, second, other] = [stateOf('a', 1), stateOf('a', 2), stateOf('b', 3)];
	await states.keepState(first, filesOf('first'));
	await states.keepState(second, filesOf('second', [7]));
	await states.keepState(other, filesOf('other'));
	assert.deepEqual(await states.listStates('a'), [second, first]);
	assert.deepEqual(await states.listStates('b'), [other]);
	assert.deepEqual(await states.filesOfState(second), filesOf('second', [7]));
	assert.deepEqual(await states.filesOfState(first), filesOf('first'));
	assert.deepEqual(await states.listStates('c'), []);
});

test('a picture that several states have is kept once, and goes with the last of them', async () => {
	const [one, two] = [stateOf('shared', 1), stateOf('shared', 2)];
	await states.keepState(one, filesOf('one', [1, 2]));
	await states.keepState(two, filesOf('two', [2, 3]));
	assert.equal(await kept('shared'), 3);
	await states.dropState(one);
	assert.equal(await kept('shared'), 2);
	assert.deepEqual(await states.filesOfState(two), filesOf('two', [2, 3]));
	await states.dropState(two);
	assert.equal(await kept('shared'), 0);
	assert.equal(await states.filesOfState(two), undefined);
});

test('of those kept by themselves the 20 newest stay; one that gets a name stays for good', async () => {
	const named = stateOf('many', 0, 'itself');
	await states.keepState(named, filesOf('named'));
	await states.renameState(named, 'Before the fair');
	const own = Array.from({ length: 24 }, (_, at) => stateOf('many', at + 1, 'itself'));
	for (const one of own) await states.keepState(one, filesOf(`${one.at}`, [one.at]));
	const listed = await states.listStates('many');
	assert.deepEqual(
		listed.map(({ at }) => at),
		[...Array.from({ length: 20 }, (_, at) => 24 - at), 0]
	);
	assert.deepEqual(listed.at(-1), { ...named, name: 'Before the fair', by: 'hand' });
	assert.deepEqual(await states.filesOfState(named), filesOf('named'));
	// What only the dropped ones had is gone with them.
	assert.equal(await kept('many'), 20);
});

test('a state that cannot be read whole gives no files rather than some of them', async () => {
	const state = stateOf('damaged', 1);
	await states.keepState(state, filesOf('text', [5]));
	const [key] = (await places.stateBytes.keys()).filter((one) => one.startsWith('damaged/'));
	assert.ok(key);
	await places.stateBytes.setItem(key, 'no bytes');
	assert.equal(await states.filesOfState(state), undefined);
	await places.stateFiles.setItem(state.id, { texts: 'no map' });
	assert.equal(await states.filesOfState(state), undefined);
});

test('a record of another form is not listed, and keeps no other from being listed', async () => {
	const state = stateOf('forms', 1);
	await states.keepState(state, filesOf('text'));
	for (const record of ['words', 7, { id: 'x', site: 'forms' }, { ...state, by: 'nobody' }]) {
		await places.states.setItem('strange', record);
		assert.deepEqual(await states.listStates('forms'), [state], JSON.stringify(record));
	}
});

test('all states of a site go together, with what they had', async () => {
	const stays = stateOf('stays', 1);
	await states.keepState(stays, filesOf('stays', [9]));
	for (let at = 0; at < 3; at++) await states.keepState(stateOf('goes', at), filesOf('x', [at]));
	await states.dropStates('goes');
	assert.deepEqual(await states.listStates('goes'), []);
	assert.equal(await kept('goes'), 0);
	assert.deepEqual(await states.filesOfState(stays), filesOf('stays', [9]));
});

test('whatever is kept, renamed and forgotten, all that is listed is as it was, and nothing else is left (property)', async () => {
	const doing = fc.oneof(
		fc.record({
			do: fc.constant('keep' as const),
			text: fc.string({ maxLength: 4 }),
			pictures: fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 3 })
		}),
		fc.record({ do: fc.constant('rename' as const), at: fc.nat(5) }),
		fc.record({ do: fc.constant('forget' as const), at: fc.nat(5) })
	);
	let run = 0;
	await fc.assert(
		fc.asyncProperty(fc.array(doing, { maxLength: 12 }), async (doings) => {
			const site = `run${run++}`;
			const model = new Map<string, { state: State; files: SiteFiles }>();
			for (const [at, one] of doings.entries()) {
				const chosen = one.do === 'keep' ? undefined : [...model.values()][one.at];
				if (one.do === 'keep') {
					const state = stateOf(site, at);
					const files = filesOf(one.text, one.pictures);
					await states.keepState(state, files);
					model.set(state.id, { state, files });
				} else if (one.do === 'rename' && chosen) {
					await states.renameState(chosen.state, `Renamed ${at}`);
					chosen.state = { ...chosen.state, name: `Renamed ${at}` };
				} else if (chosen) {
					await states.dropState(chosen.state);
					model.delete(chosen.state.id);
				}
			}
			const newestFirst = [...model.values()].toSorted((a, b) => b.state.at - a.state.at);
			assert.deepEqual(
				await states.listStates(site),
				newestFirst.map(({ state }) => state)
			);
			for (const { state, files } of newestFirst) {
				assert.deepEqual(await states.filesOfState(state), files);
			}
			const used = new Set(
				newestFirst.flatMap(({ files }) => [...files.assets.values()].map(String))
			);
			assert.equal(await kept(site), used.size);
		}),
		{ numRuns: 30 }
	);
});
