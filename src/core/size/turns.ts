/**
 * Comparisons on which a calculation goes one way or another, noted while it runs.
 *
 * Between two of them, what boxes are worked out with is added up and multiplied by numbers that
 * stand in the text: all of it lies on straight lines over the width of the screen. A straight line
 * that is on the same side of nothing at two widths is so at every width between them. So where a
 * calculation, done for two widths, goes the same way at each turn, it does so at every width between,
 * and each of its results is on the straight line between the two.
 *
 * That holds as long as everything that may depend on the width is compared by the functions below.
 */

/** px; by how much a result may be off the straight line: browsers count in 64ths, and sums of them. */
const hair = 0.005;
/** px; more than sums of floating-point numbers are off by. */
const grain = 1e-7;

/** What is noted of a turn, besides the value that decided it. */
type Kind = 0 | 1 | 2 | 3 | 4 | 5;
/** Both ways meet at 0, so that what lies on it goes with either. */
const bend: Kind = 0;
/** It goes one way above 0, and the other at 0 and below. */
const side: Kind = 1;
/** It goes one way at 0, and the other on both sides of it. */
const equal: Kind = 2;
/** It goes this way from one value to below another; the two come next. */
const step: Kind = 3;
const bound: Kind = 4;
/** What follows is on a straight line only while the value stays the same. */
const factor: Kind = 5;

/** The turns of one calculation, in their order. */
export class Turns {
	constructor(
		private readonly kinds: Uint8Array,
		private readonly values: Float64Array
	) {}

	/**
	 * Where on the way to the same calculation for another width the first turn changes: a share of the
	 * way, 0 to 1. Undefined where all turns are the same, and everything between lies on straight lines.
	 */
	firstChange(other: Turns): number | undefined {
		const { kinds, values } = this;
		for (let at = 0; at < kinds.length; at++) {
			const here = values[at] ?? 0;
			const there = other.values[at] ?? 0;
			if (here === there) continue;
			const kind = kinds[at];
			const change =
				kind === step
					? stepChange(here, there, values[at + 1] ?? 0, values[at + 2] ?? 0)
					: changeOf(kind, here, there);
			if (change !== undefined) return change;
		}
		return kinds.length === other.kinds.length ? undefined : 0.5;
	}
}

function changeOf(kind: number | undefined, here: number, there: number): number | undefined {
	switch (kind) {
		case bend: {
			const parts = (here < -hair && there > hair) || (here > hair && there < -hair);
			return parts ? here / (here - there) : undefined;
		}
		case side:
			return here >= grain === there >= grain ? undefined : (grain - here) / (there - here);
		case equal:
			if (here < -grain) return stepChange(here, there, -Infinity, -grain);
			if (here >= grain) return stepChange(here, there, grain, Infinity);
			return stepChange(here, there, -grain, grain);
		case bound:
			return undefined;
		default:
			return Math.abs(here - there) > grain ? 0.5 : undefined;
	}
}

function stepChange(here: number, there: number, low: number, high: number): number | undefined {
	if (there >= low && there < high) return undefined;
	return ((there < low ? low : high) - here) / (there - here);
}

/** Where turns are noted, one calculation after the other; it grows with the longest. */
let kinds = new Uint8Array(4096);
let values = new Float64Array(4096);
let count = 0;
let noting = false;

/** Runs a calculation, and notes its turns. */
export function noteTurns<T>(run: () => T): { readonly result: T; readonly turns: Turns } {
	const from = count;
	try {
		const result = withNotes(true, run);
		return { result, turns: new Turns(kinds.slice(from, count), values.slice(from, count)) };
	} finally {
		count = from;
	}
}

/** Runs a calculation that comes out the same at every width, and need not be noted. */
export function unnoted<T>(run: () => T): T {
	return withNotes(false, run);
}

function withNotes<T>(on: boolean, run: () => T): T {
	const before = noting;
	noting = on;
	try {
		return run();
	} finally {
		noting = before;
	}
}

function note(kind: Kind, value: number): void {
	if (count === kinds.length) grow();
	kinds[count] = kind;
	values[count++] = value;
}

function grow(): void {
	const [more, longer] = [new Uint8Array(count * 2), new Float64Array(count * 2)];
	more.set(kinds);
	longer.set(values);
	[kinds, values] = [more, longer];
}

/** The larger of two numbers. */
export function larger(a: number, b: number): number {
	if (noting) note(bend, a - b);
	return a > b ? a : b;
}

/** The smaller of two numbers. */
export function smaller(a: number, b: number): number {
	if (noting) note(bend, a - b);
	return a < b ? a : b;
}

/** Whether a number is above another by more than a rounding error. */
export function exceeds(a: number, b: number): boolean {
	if (noting) note(side, a - b);
	return a - b >= grain;
}

/** Whether two numbers are the same but for a rounding error. */
export function alike(a: number, b: number): boolean {
	if (noting) note(equal, a - b);
	return a - b >= -grain && a - b < grain;
}

/** Compares for sorting; what differs by a rounding error is alike. */
export function compared(a: number, b: number): number {
	if (exceeds(a, b)) return 1;
	return exceeds(b, a) ? -1 : 0;
}

/** Notes that something holds while a value is at least `low` and below `high`. */
export function noteStep(value: number, low: number, high: number): void {
	if (!noting) return;
	note(step, value);
	note(bound, low);
	note(bound, high);
}

/** Notes a factor or quotient: what it makes lies on straight lines only while it stays the same. */
export function noteFactor(value: number): void {
	if (noting) note(factor, value);
}
