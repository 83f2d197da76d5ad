import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { spreadLabels } from '../../src/core/sweep/spread-labels.ts';

/** Labels at the ends of lines, moved apart so that each can be read. */

const room = { from: 0, to: 300 };

test('labels that are far enough apart stay where they are', () => {
	assert.deepEqual(spreadLabels([10, 40, 200], 14, room), [10, 40, 200]);
});

test('labels of lines that end together stand below each other', () => {
	assert.deepEqual(spreadLabels([50, 50, 50], 14, room), [50, 64, 78]);
});

test('at the lower end they move up', () => {
	assert.deepEqual(spreadLabels([290, 299, 299], 14, room), [272, 286, 300]);
});

test('they keep their order, their gap and the room there is', () => {
	fc.assert(
		fc.property(
			fc.array(fc.double({ min: -50, max: 400, noNaN: true }), { maxLength: 40 }),
			fc.double({ min: 1, max: 40, noNaN: true }),
			(some, gap) => {
				const wanted = some.toSorted((a, b) => a - b);
				const placed = spreadLabels(wanted, gap, room);
				const step = Math.min(gap, 300 / Math.max(1, wanted.length - 1));
				for (const [index, at] of placed.entries()) {
					assert.ok(at >= -1e-6 && at <= 300 + 1e-6);
					const before = placed[index - 1];
					if (before !== undefined) assert.ok(at - before >= step - 1e-6);
				}
			}
		)
	);
});
