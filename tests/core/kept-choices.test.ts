import assert from 'node:assert/strict';
import { after, before, beforeEach, describe, test } from 'node:test';
import fc from 'fast-check';
import { tour as steps } from '../../src/core/view-models/words/tour.ts';

/** What a browser remembers of panes and of the tour: what can be read is taken, and what cannot is as if it had not been said. */

/** A browser's storage, which may be full or turned off. */
class Storage {
	readonly items = new Map<string, string>();
	refuses = false;

	getItem(key: string): string | null {
		if (this.refuses) throw new Error('The storage is turned off.');
		return this.items.get(key) ?? null;
	}

	setItem(key: string, value: string): void {
		if (this.refuses) throw new Error('The storage is full.');
		this.items.set(key, value);
	}
}

const storage = new Storage();

/** They read what is kept as they are loaded, so the storage is there first. */
interface Loaded {
	readonly panes: typeof import('../../src/store/ways/panes.svelte.ts');
	readonly tour: typeof import('../../src/store/ways/tour.svelte.ts');
}
let loaded: Loaded;

// Hooks are those of these tests alone: all core tests of a process have one root.
describe('what a browser remembers', () => {
	before(async () => {
		Object.assign(globalThis, { localStorage: storage });
		loaded = {
			panes: await import('../../src/store/ways/panes.svelte.ts'),
			tour: await import('../../src/store/ways/tour.svelte.ts')
		};
	});
	after(() => Reflect.deleteProperty(globalThis, 'localStorage'));
	beforeEach(() => {
		for (const name of loaded.panes.paneNames) loaded.panes.panes.reset(name);
		storage.items.clear();
		storage.refuses = false;
	});

	test('a pane has the size it was dragged to, within what the window has room for', () => {
		const { panes, paneNames } = loaded.panes;
		fc.assert(
			fc.property(
				fc.constantFrom(...paneNames),
				fc.integer({ min: -5000, max: 5000 }),
				(name, size) => {
					const { least, most } = panes.boundsOf(name);
					panes.resize(name, size);
					const wanted = Math.round(Math.min(most, Math.max(least, size)));
					assert.equal(panes.sizeOf(name), wanted);
					assert.equal(panes.isFolded(name), false);
				}
			)
		);
	});

	test('a folded pane is a strip, and has its size again when it is unfolded', () => {
		const { panes } = loaded.panes;
		panes.resize('side', 300);
		panes.fold('side', true);
		assert.ok(panes.isFolded('side') && panes.sizeOf('side') < 40);
		panes.fold('side', false);
		assert.equal(panes.sizeOf('side'), 300);
		panes.reset('side');
		assert.equal(panes.sizeOf('side'), panes.boundsOf('side').first);
	});

	test('each pane is kept by itself, and all of them in one place', () => {
		const { panes } = loaded.panes;
		panes.resize('roofline', 200);
		panes.fold('section', true);
		const [[, kept] = []] = [...storage.items];
		assert.equal(storage.items.size, 1);
		assert.match(kept ?? '', /"roofline":\{"size":200,"folded":false\}/);
		assert.match(kept ?? '', /"section":\{[^}]*"folded":true\}/);
	});

	test('a browser that keeps nothing has the sizes for as long as the page is open', () => {
		const { panes } = loaded.panes;
		storage.refuses = true;
		panes.resize('text', 250);
		assert.equal(panes.sizeOf('text'), 250);
		panes.fold('text', true);
		assert.equal(panes.isFolded('text'), true);
		assert.equal(storage.items.size, 0);
	});

	test('the tour is taken up where it was left, and begins anew once it is at its end', () => {
		const { tour } = loaded.tour;
		tour.take();
		assert.deepEqual([tour.shown, tour.at], [true, 0]);
		tour.goTo(3);
		tour.leave();
		assert.equal(tour.shown, false);
		tour.at = 0;
		tour.take();
		assert.deepEqual([tour.shown, tour.at, tour.step], [true, 3, steps[3]]);
		tour.goTo(99);
		assert.equal(tour.isLast, true);
		tour.goTo(-1);
		assert.equal(tour.at, 0);
		tour.goTo(2);
		tour.end();
		tour.take();
		assert.equal(tour.at, 0);
	});

	test('what is kept of the tour and cannot be a step begins it anew (property)', () => {
		const { tour } = loaded.tour;
		tour.goTo(1);
		const [key] = [...storage.items.keys()];
		assert.ok(key);
		const kept = fc.oneof(
			fc.string(),
			fc.json(),
			fc.oneof(fc.integer(), fc.double(), fc.string()).map((at) => JSON.stringify({ at }))
		);
		fc.assert(
			fc.property(kept, (text) => {
				storage.items.set(key, text);
				tour.take();
				assert.ok(Number.isInteger(tour.at) && tour.at >= 0 && tour.at < steps.length, text);
				assert.ok(tour.step);
			})
		);
		storage.items.set(key, '{"at":4}');
		tour.take();
		assert.equal(tour.at, 4);
		storage.refuses = true;
		tour.take();
		assert.equal(tour.at, 0);
	});
});
