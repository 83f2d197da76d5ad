import type { BoxName } from '../../geometry/layout-box.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { Stretch } from '../../geometry/widths/sweep.ts';
import type { LaidBoxes } from '../../laid/laid-boxes.ts';
import type { Problem } from '../../messages/problem.ts';
import type { SettingKind } from '../../model/setting.ts';
import type { Span } from '../../model/span.ts';
import type { ResolvedPage } from '../../resolve/page.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { joinedWidths, type Widths } from './occurrence.ts';

/** Text that runs in lines, in a box. */
export interface RunningText {
	/** Characters of its longest paragraph. */
	readonly characters: number;
	/** px: how wide one of them is, on the whole. */
	readonly character: number;
}

/** The boxes of a page at all widths. */
export interface FittedPage extends Omit<LaidBoxes, 'by'> {
	/** px, of the screen. */
	readonly height: number;
	readonly page: ResolvedPage;
	readonly resolved: ResolvedSite;
	/** The text of a content whose lines nothing but its box bounds; undefined where there is none. */
	text(name: BoxName): RunningText | undefined;
}

/**
 * Something about a box at some widths. Pages whose boxes are the same have the same, so the place in the text
 * is found for each page anew.
 */
export interface Fit {
	readonly box: BoxName;
	/** Another box that has a part in it. */
	readonly other?: BoxName;
	readonly widths: readonly Widths[];
	/** By how much, px or as many as there are; the greatest is shown. */
	readonly weight: number;
	/** Whose place in the text it is, where it is one of the box's settings. */
	readonly setting?: SettingKind;
	/** What tells it from others about the same box. */
	readonly cause?: string;
	problem(at: Span): Problem;
}

/** What might be so about a box of a screen: it is where all of these numbers are above zero. */
export interface Candidate {
	readonly box: PlacedBox;
	/** Another box that has a part in it. */
	readonly other?: PlacedBox;
	/** Numbers that change evenly as the boxes do. */
	readonly over: readonly number[];
}

/** Where candidates are so, and how far the first of their numbers gets above zero there. */
interface WidthsSeen {
	readonly box: BoxName;
	readonly other: BoxName | undefined;
	readonly widths: readonly Widths[];
	readonly worst: number;
}

/**
 * Looks at both ends of each stretch for the same candidates, and works out the widths between at which they
 * are so: everything in between lies on straight lines.
 */
export function seenWhere(
	stretches: readonly Stretch[],
	candidates: (boxes: readonly PlacedBox[], width: number) => readonly Candidate[]
): WidthsSeen[] {
	const found = new Map<
		string,
		{ box: BoxName; other: BoxName | undefined; widths: Widths[]; worst: number }
	>();
	for (const { from, to, first, last } of stretches) {
		const ends = candidates(last, to);
		for (const [index, one] of candidates(first, from).entries()) {
			const other = ends[index];
			const range = other && widthsAbove(one.over, other.over, from, to);
			if (!other || !range) continue;
			const key = `${boxWord(one.box.name)} ${one.other ? boxWord(one.other.name) : ''}`;
			const known = found.get(key);
			const worst = Math.max(one.over[0] ?? 0, other.over[0] ?? 0);
			if (known) {
				known.widths.push(range);
				known.worst = Math.max(known.worst, worst);
			} else {
				const names = { box: one.box.name, other: one.other?.name };
				found.set(key, { ...names, widths: [range], worst });
			}
		}
	}
	return [...found.values()].map((one) => ({ ...one, widths: joinedWidths(one.widths) }));
}

/** Whole widths between two at which numbers on straight lines are all above zero. */
export function widthsAbove(
	first: readonly number[],
	last: readonly number[],
	from: number,
	to: number
): Widths | undefined {
	let [begin, end] = [from, to];
	for (const [index, a] of first.entries()) {
		const b = last[index] ?? a;
		if (a <= 0 && b <= 0) return undefined;
		if (a > 0 && b > 0) continue;
		const at = from + (a / (a - b)) * (to - from);
		if (a <= 0) begin = Math.max(begin, Math.floor(at) + 1);
		else end = Math.min(end, Math.ceil(at) - 1);
	}
	return begin <= end ? { from: begin, to: end } : undefined;
}

export function boxWord({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const names = pieces.map(({ piece, owner }) => `${owner}:${piece}`).join(' ');
	return `${kind} ${layout ?? ''} ${region ?? ''} ${wrapper ?? ''} ${names}`;
}
