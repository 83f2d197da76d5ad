/** Times of some runs, ms. */
export interface Measured {
	readonly median: number;
	readonly p95: number;
	readonly least: number;
	readonly most: number;
	readonly runs: number;
	/** ms of the processor in the median run, where that was measured: what else the machine does is not in it. */
	readonly processor: number | undefined;
}

/** Processor times of runs, by the list of their times by the clock. */
const processorTimes = new WeakMap<readonly number[], readonly number[]>();

export function summary(times: readonly number[], processor = processorTimes.get(times)): Measured {
	const of = (list: readonly number[], share: number): number => {
		const sorted = [...list].sort((a, b) => a - b);
		return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
	};
	return {
		median: of(times, 0.5),
		p95: of(times, 0.95),
		least: of(times, 0),
		most: of(times, 1),
		runs: times.length,
		processor: processor && of(processor, 0.5)
	};
}

/** Runs a task some times, after runs that do not count, and gives the times. */
export function timeRuns(task: () => void, runs: number, warmUp: number): number[] {
	const times: number[] = [];
	const processor: number[] = [];
	for (let run = -warmUp; run < runs; run++) {
		const [start, before] = [performance.now(), process.cpuUsage()];
		task();
		if (run < 0) continue;
		times.push(performance.now() - start);
		const { user, system } = process.cpuUsage(before);
		processor.push((user + system) / 1000);
	}
	processorTimes.set(times, processor);
	return times;
}

/** Whether an aim that a note names is met; undefined where it names none. One for 95 % is for those. */
export function isMet(
	{ median, p95, most, processor }: Measured,
	what: string,
	note: string
): boolean | undefined {
	const [, share, number = ''] = /aim:? (95 % )?(?:under )?([\d,]+) (?:ms|MB|kB)/.exec(note) ?? [];
	if (number === '') return undefined;
	const aim = Number(number.replaceAll(',', ''));
	if (note.includes('of processor') && processor !== undefined) return processor <= aim;
	if (what.includes('longest step')) return most <= aim;
	return (share === undefined ? median : p95) <= aim;
}
