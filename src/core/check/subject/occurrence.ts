import { sameness, type Problem } from '../../messages/problem.ts';

/** Widths of the screen, px, both inclusive. */
export interface Widths {
	readonly from: number;
	readonly to: number;
}

/** A box of a page by the names of the text; without a region the layout's own, without both the page. */
export interface BoxPlace {
	readonly layout: string | undefined;
	readonly region: string | undefined;
}

/** Something that was seen on a page. The same may be seen on many. */
export interface Occurrence {
	readonly problem: Problem;
	/** The page that it is about, where not just one is looked at. */
	readonly page?: string;
	readonly address?: string;
	/** Where on the page; undefined where it is about all of it. */
	readonly box?: BoxPlace | undefined;
	/** At which widths; undefined where at all of them. */
	readonly widths?: readonly Widths[];
	/** The same, told at the box of a frame that has it on several pages. */
	readonly shared?: Problem;
	/** What makes it one with others; where nothing is said, what the problem says and where. */
	readonly cause?: string;
	/** It rests on sizes that were guessed. */
	readonly estimated?: boolean;
	/** Of those of one cause, the greatest is shown. */
	readonly weight?: number;
}

/** The same for occurrences of one cause. */
export function causeOf({ problem, shared, cause }: Occurrence): string {
	if (shared) return `${shared.code} ${shared.span.file} ${shared.span.from} ${cause ?? ''}`;
	const { file, from } = problem.span;
	return `${problem.code} ${file} ${from} ${cause ?? sameness(problem)}`;
}

/** Widths without those of others. */
export function widthsWithout(widths: Widths, others: readonly Widths[]): Widths[] {
	return others
		.reduce<readonly Widths[]>(
			(left, other) =>
				left.flatMap(({ from, to }) =>
					[
						{ from, to: Math.min(to, other.from - 1) },
						{ from: Math.max(from, other.to + 1), to }
					].filter((one) => one.from <= one.to)
				),
			[widths]
		)
		.slice();
}

/** Widths in order, those that touch or overlap as one. */
export function joinedWidths(all: readonly Widths[]): Widths[] {
	const sorted = [...all].sort((a, b) => a.from - b.from);
	const joined: Widths[] = [];
	for (const { from, to } of sorted) {
		const last = joined.at(-1);
		if (last && from <= last.to + 1)
			joined[joined.length - 1] = { from: last.from, to: Math.max(last.to, to) };
		else joined.push({ from, to });
	}
	return joined;
}
