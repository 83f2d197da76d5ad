import type { Answers, Asked } from './asks.ts';
import type { Settling } from './settle.ts';

/** Measures what is asked; undefined where it was given up. */
export type Measure = (asked: readonly Asked[]) => Promise<Answers | undefined>;

/** Goes through a calculation, with a browser that measures; undefined where that was given up. */
export async function drive<T>(settling: Settling<T>, measure: Measure): Promise<T | undefined> {
	let step = settling.next([]);
	while (!step.done) {
		const answers = step.value.length === 0 ? [] : await measure(step.value);
		if (!answers) return undefined;
		step = settling.next(answers);
	}
	return step.value;
}
