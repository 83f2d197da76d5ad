import assert from 'node:assert/strict';
import { runFuzz } from '../judge/fuzz/run.ts';

/** Sites in each of the two files; `npm run fuzz` goes through as many as one likes. */
export const fuzzed = 50;

/** Some hundred mutated sites, from one on. They stand in two test files, so that both cores have some. */
export async function fuzzSome(from: number): Promise<void> {
	const { failures, sound } = await runFuzz(fuzzed, 1, from);
	assert.deepEqual(
		failures.map(
			({ run, says, change }) => `${run}: ${says} ${JSON.stringify(change).slice(0, 300)}`
		),
		[]
	);
	// Were none of them sound, or all, they would be no slips of the hand.
	assert.ok(sound > fuzzed / 10 && sound < fuzzed * 0.9);
}
