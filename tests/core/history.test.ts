import assert from 'node:assert/strict';
import { test } from 'node:test';
import {
	emptyHistory,
	historySchema,
	mostSteps,
	remember,
	type Step
} from '../../src/store/keep/history.ts';

function step(number: number, typing: boolean, at: number): Step {
	const edit = { kind: 'edit', file: 'a.eave', from: number, to: number, insert: 'x' } as const;
	const back = { ...edit, to: number + 1, insert: '' };
	return { label: `step ${number}`, changes: [edit], inverse: [back], at, typing };
}

test('at least 500 steps are remembered, and a history survives being kept', () => {
	let history = emptyHistory;
	for (let number = 0; number < 700; number++)
		history = remember(history, step(number, false, number));
	assert.equal(history.past.length, mostSteps);
	assert.ok(mostSteps >= 500);
	assert.equal(history.past.at(-1)?.label, 'step 699');
	assert.deepEqual(historySchema.parse(structuredClone(history)), history);
});

test('typing that goes on is one step; a pause, another file or another action starts the next', () => {
	let history = emptyHistory;
	history = remember(history, step(0, true, 1000));
	history = remember(history, step(1, true, 1400));
	assert.equal(history.past.length, 1);
	assert.deepEqual(
		history.past[0]?.inverse.map((change) => change.kind === 'edit' && change.from),
		[1, 0],
		'taken back in the other order'
	);
	history = remember(history, step(2, true, 9000));
	history = remember(history, step(3, false, 9100));
	history = remember(history, step(4, true, 9200));
	assert.equal(history.past.length, 4);
	const undone = { past: history.past.slice(0, 2), future: history.past.slice(2) };
	assert.deepEqual(remember(undone, step(5, false, 9300)).future, [], 'what was undone is gone');
});
