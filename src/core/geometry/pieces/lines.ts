import { noteStep } from '../../size/turns.ts';

/** A value from some place on: px, and by how much it changes for each px from there. */
export interface Line {
	readonly from: number;
	readonly value: number;
	readonly slope: number;
}

/** px; a sum of parts may come out a hair below the place where something changes. */
const hair = 1 / 128;

/** What lines say at a place, narrowest first; below the first of them, its own value. */
export function valueAt(lines: readonly Line[], at: number): number {
	let low = 0;
	let high = lines.length - 1;
	while (low < high) {
		const middle = (low + high + 1) >> 1;
		if ((lines[middle]?.from ?? 0) <= at + hair) low = middle;
		else high = middle - 1;
	}
	const line = lines[low];
	if (!line) return 0;
	const isBelow = low === 0 && at + hair < line.from;
	const next = lines[low + 1]?.from ?? Infinity;
	noteStep(at + hair, isBelow ? -Infinity : line.from, isBelow ? line.from : next);
	return isBelow ? line.value : line.value + line.slope * (at - line.from);
}
