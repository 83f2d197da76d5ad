import assert from 'node:assert/strict';
import { test } from 'node:test';
import { runFuzz } from '../../scripts/fuzz/run.ts';

test('2,000 mutated sites go through everything that the core does', async () => {
	const { failures, sound } = await runFuzz(2000, 1);
	assert.deepEqual(
		failures.map(
			({ run, says, change }) => `${run}: ${says} ${JSON.stringify(change).slice(0, 300)}`
		),
		[]
	);
	// Were none of them sound, or all, they would be no slips of the hand.
	assert.ok(sound > 200 && sound < 1800);
});
