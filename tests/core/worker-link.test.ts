import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { WorkerLink } from '../../src/workers/link.ts';
import { runs } from '../lib/runs.ts';

/** The way to a worker that may stop: whoever waits is told, and what is asked next goes to a new one. */

/** A worker that does what a test says. */
class StandIn extends EventTarget implements Worker {
	readonly taken: unknown[] = [];
	isEnded = false;
	onmessage = null;
	onmessageerror = null;
	onerror = null;

	postMessage(message: unknown): void {
		this.taken.push(message);
	}

	terminate(): void {
		this.isEnded = true;
	}

	answers(id: string): void {
		this.dispatchEvent(new MessageEvent('message', { data: { id, value: 'done' } }));
	}

	fails(message: string): void {
		this.dispatchEvent(Object.assign(new Event('error'), { message }));
	}
}

interface Linked {
	readonly link: WorkerLink;
	readonly workers: readonly StandIn[];
	readonly counts: readonly number[];
	readonly restarts: readonly string[];
	/** What came back, by what it answers. */
	readonly heard: readonly string[];
}

function linked(): Linked {
	const [workers, counts, restarts, heard]: [StandIn[], number[], string[], string[]] = [
		[],
		[],
		[],
		[]
	];
	const link = new WorkerLink(
		() => {
			const worker = new StandIn();
			workers.push(worker);
			return worker;
		},
		(count) => void counts.push(count),
		(why) => void restarts.push(why)
	);
	link.addEventListener('message', (event) => {
		const data: unknown = 'data' in event ? event.data : undefined;
		heard.push(JSON.stringify(data));
	});
	return { link, workers, counts, restarts, heard };
}

test('questions that wait are counted, and an answer takes its own away', () => {
	const { link, workers, counts, heard } = linked();
	link.postMessage({ id: 'one' });
	link.postMessage({ id: 'two' });
	link.postMessage('no question');
	assert.deepEqual(counts, [1, 2]);
	workers[0]?.answers('two');
	workers[0]?.answers('two');
	assert.deepEqual(counts, [1, 2, 1]);
	assert.equal(heard.length, 2, 'what is heard is handed on, whatever it is');
	assert.equal(workers[0]?.taken.length, 3);
});

test('where the worker stops, everyone who waits is told so, and the next one is asked from then on', () => {
	const { link, workers, counts, restarts, heard } = linked();
	link.postMessage({ id: 'one' });
	link.postMessage({ id: 'two' });
	workers[0]?.fails('out of memory');
	assert.equal(workers.length, 2);
	assert.ok(workers[0]?.isEnded);
	assert.deepEqual(restarts, ['out of memory']);
	assert.equal(counts.at(-1), 0);
	for (const id of ['one', 'two']) {
		const told = heard.find((one) => one.includes(`"id":"${id}"`)) ?? '';
		assert.match(told, /"isError":true/);
		assert.match(told, /WorkerStopped.*out of memory/);
	}
	link.postMessage({ id: 'three' });
	assert.deepEqual([workers[0]?.taken.length, workers[1]?.taken.length], [2, 1]);
	// What the old one says late is nobody's answer.
	workers[0]?.answers('three');
	assert.ok(!heard.some((one) => one.includes('three')));
	workers[0]?.fails('late');
	assert.deepEqual(restarts, ['out of memory']);
	workers[1]?.fails('');
	assert.deepEqual(restarts, ['out of memory', 'it stopped by itself']);
});

test('who no longer listens hears nothing', () => {
	const { link, workers } = linked();
	let count = 0;
	const listener = { handleEvent: () => void count++ };
	link.addEventListener('message', listener);
	workers[0]?.answers('a');
	link.removeEventListener('message', listener);
	workers[0]?.answers('b');
	assert.equal(count, 1);
});

test('whatever happens, no question is left without an answer and none gets two', () => {
	const action = fc.oneof(
		{ weight: 4, arbitrary: fc.constant('ask' as const) },
		{ weight: 3, arbitrary: fc.nat(20) },
		{ weight: 1, arbitrary: fc.constant('stop' as const) }
	);
	fc.assert(
		fc.property(fc.array(action, { maxLength: 40 }), (actions) => {
			const { link, workers, counts, heard } = linked();
			let asked = 0;
			const waiting = new Set<string>();
			for (const one of actions) {
				if (one === 'ask') {
					const id = `q${asked++}.`;
					waiting.add(id);
					link.postMessage({ id });
				} else if (one === 'stop') {
					link.restart('it was told to');
					waiting.clear();
				} else {
					const [id] = [...waiting].slice(one % Math.max(1, waiting.size));
					if (id === undefined) continue;
					waiting.delete(id);
					workers.at(-1)?.answers(id);
				}
				assert.equal(counts.at(-1) ?? 0, waiting.size);
			}
			for (let index = 0; index < asked; index++) {
				const id = `"q${index}."`;
				const answers = heard.filter((said) => said.includes(id)).length;
				assert.equal(answers, waiting.has(`q${index}.`) ? 0 : 1);
			}
		}),
		runs(100, 3)
	);
});
