import assert from 'node:assert/strict';
import { afterEach, beforeEach, describe, mock, test } from 'node:test';
import { quiet, restTime } from '../../src/store/ways/quiet.ts';

/** Whoever works is waited for: what nobody waits for begins once pointer and keys have rested. The clock is ours. */

// Hooks are those of these tests alone: all core tests of a process have one root.
describe('rest', () => {
	let now = 0;
	let stop: () => void = () => undefined;
	/** What a window tells, without one. */
	const told = new EventTarget();

	beforeEach(() => {
		now = 1000;
		mock.timers.enable({ apis: ['setTimeout'] });
		mock.method(performance, 'now', () => now);
		Object.assign(globalThis, {
			addEventListener: told.addEventListener.bind(told),
			removeEventListener: told.removeEventListener.bind(told)
		});
		stop = quiet.follow();
	});
	afterEach(() => {
		stop();
		mock.timers.reset();
		mock.restoreAll();
		Reflect.deleteProperty(globalThis, 'addEventListener');
		Reflect.deleteProperty(globalThis, 'removeEventListener');
	});

	/** Lets time go by, ms. */
	async function later(ms: number): Promise<void> {
		now += ms;
		mock.timers.tick(ms);
		for (let turn = 0; turn < 5; turn++) await Promise.resolve();
	}

	/** Whether a wait for rest is over. */
	function waiting(ms: number): { isOver: boolean; readonly given: AbortController } {
		const given = new AbortController();
		const wait = { isOver: false, given };
		void quiet.rested(ms, given.signal).then(() => (wait.isOver = true));
		return wait;
	}

	const does = (kind: string): boolean => told.dispatchEvent(new Event(kind));

	test('a rest begins when one comes, and is over after its time', async () => {
		const wait = waiting(restTime);
		await later(restTime - 1);
		assert.equal(wait.isOver, false);
		await later(1);
		assert.equal(wait.isOver, true);
		// Whoever asks then does not wait.
		const next = waiting(restTime);
		await later(0);
		assert.equal(next.isOver, true);
	});

	for (const kind of ['pointerdown', 'pointermove', 'wheel', 'keydown', 'input']) {
		test(`with ${kind} the rest begins anew, as often as that happens`, async () => {
			const wait = waiting(100);
			for (let time = 0; time < 4; time++) {
				await later(80);
				does(kind);
			}
			await later(99);
			assert.equal(wait.isOver, false);
			await later(1);
			assert.equal(wait.isOver, true);
		});
	}

	test('what is there to be looked at begins the rest anew, and what happens elsewhere does not', async () => {
		const wait = waiting(100);
		await later(60);
		quiet.stirred();
		does('focus');
		does('scroll');
		await later(99);
		assert.equal(wait.isOver, false);
		await later(1);
		assert.equal(wait.isOver, true);
	});

	test('several who wait go on at once, each after its own time', async () => {
		const [short, long] = [waiting(100), waiting(300)];
		await later(50);
		does('keydown');
		await later(100);
		assert.deepEqual([short.isOver, long.isOver], [true, false]);
		await later(200);
		assert.equal(long.isOver, true);
	});

	test('who gives up waits no longer than to the end of the rest it waited for', async () => {
		const wait = waiting(100);
		wait.given.abort();
		await later(40);
		does('keydown');
		await later(60);
		assert.equal(wait.isOver, true);
	});

	test('when nobody follows, what is done is not noticed', async () => {
		stop();
		const wait = waiting(100);
		await later(60);
		does('keydown');
		await later(40);
		assert.equal(wait.isOver, true);
		stop = quiet.follow();
	});
});
