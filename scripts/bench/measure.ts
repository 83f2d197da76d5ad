/** Times of some runs, ms. */
export interface Measured {
	readonly median: number;
	readonly p95: number;
	readonly least: number;
	readonly most: number;
	readonly runs: number;
}

export function summary(times: readonly number[]): Measured {
	const sorted = [...times].sort((a, b) => a - b);
	const at = (share: number): number =>
		sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
	return { median: at(0.5), p95: at(0.95), least: at(0), most: at(1), runs: times.length };
}

/** Runs a task some times, after runs that do not count, and gives the times. */
export function timeRuns(task: () => void, runs: number, warmUp: number): number[] {
	const times: number[] = [];
	for (let run = -warmUp; run < runs; run++) {
		const start = performance.now();
		task();
		if (run >= 0) times.push(performance.now() - start);
	}
	return times;
}
