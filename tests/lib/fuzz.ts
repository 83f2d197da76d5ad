import assert from 'node:assert/strict';
import { runFuzz } from '../../scripts/fuzz/run.ts';

/** A thousand mutated sites, from one on. They stand in two test files, so that both cores have some. */
export async function fuzzThousand(from: number): Promise<void> {
	const { failures, sound } = await runFuzz(1000, 1, from);
	assert.deepEqual(
		failures.map(
			({ run, says, change }) => `${run}: ${says} ${JSON.stringify(change).slice(0, 300)}`
		),
		[]
	);
	// Were none of them sound, or all, they would be no slips of the hand.
	assert.ok(sound > 100 && sound < 900);
}
