import { warning } from '../../messages/problem.ts';
import { isInside } from '../../geometry/inside.ts';
import type { BoxName } from '../../geometry/layout-box.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { Stretch } from '../../geometry/widths/sweep.ts';
import type { FitCheck } from '../check.ts';
import { joinedWidths, widthsWithout, type Widths } from '../subject/occurrence.ts';
import { boxWord, widthsAbove, type Fit } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** px; browsers round to less. */
const tolerance = 1;

const head = (height: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  region head as header { ${height}; piece brand """<img src="data:," alt="Seed library" width="60" height="90">""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const contentCut: FitCheck = {
	of: 'boxes',
	codes: ['content-cut'],
	what: 'What is in a box fits into its height, on every screen.',
	why: 'It lies over what follows, or is cut off.',
	examples: { 'content-cut': { wrong: head('height 60px'), mended: head('min auto 60px') } },
	find({ stretches, endMargin }) {
		const found = new Map<string, { box: BoxName; widths: Widths[]; worst: number }>();
		for (const stretch of stretches) {
			const { first, last } = stretch;
			const begin = outOf(first, endMargin);
			const end = outOf(last, endMargin);
			const ranges = first.map((_, index) => cutIn(index, stretch, begin, end, endMargin));
			for (const [index, range] of ranges.entries()) {
				const box = first[index];
				if (range.length === 0 || !box) continue;
				// What sticks out of a box sticks out of those around it too; only the innermost is said.
				const inner = ranges.flatMap((one, at) =>
					at > index && isInside(at, index, first) && isAll(at, index, begin, end) ? one : []
				);
				const widths = range.flatMap((one) => widthsWithout(one, inner));
				if (widths.length === 0) continue;
				const worst = Math.max(beyond(index, first, endMargin), beyond(index, last, endMargin));
				const known = found.get(boxWord(box.name));
				known?.widths.push(...widths);
				if (known) known.worst = Math.max(known.worst, worst);
				else found.set(boxWord(box.name), { box: box.name, widths, worst });
			}
		}
		return [...found.values()].map(({ box, widths, worst }): Fit => {
			const by = Math.round(worst + tolerance);
			const words = boxWords(box);
			return {
				box,
				widths: joinedWidths(widths),
				weight: by,
				setting: 'height',
				problem: (at) => warning('content-cut', at, words, by)
			};
		});
	}
};

/**
 * Widths of a stretch at which something sticks out of a box below. Each content in it is asked by itself: which
 * of them reaches the lowest may change from one width to the next.
 */
function cutIn(
	index: number,
	{ from, to, first, last }: Stretch,
	begin: readonly number[],
	end: readonly number[],
	endMargin: (name: BoxName) => number
): Widths[] {
	const [atFirst, atLast] = [begin[index] ?? -tolerance, end[index] ?? -tolerance];
	if (atFirst <= 0 && atLast <= 0) return [];
	if (first[index]?.name.kind === 'piece')
		return [widthsAbove([atFirst], [atLast], from, to) ?? []].flat();
	const out = (end: number, boxes: readonly PlacedBox[]): number => {
		const box = boxes[index];
		if (!box || isHeld(box)) return -tolerance;
		const room = roomBelow(index, boxes);
		return room === Infinity ? -tolerance : end - bottomOf(box) - room - tolerance;
	};
	const ranges = first.flatMap((inner, at) => {
		const then = last[at];
		if (!then || at < index || !reachesOut(at, index, first)) return [];
		const ends = ownEnds(then, endMargin);
		return ownEnds(inner, endMargin).flatMap((end, which) => {
			const [here, there] = [out(end, first), out(ends[which] ?? end, last)];
			return widthsAbove([here], [there], from, to) ?? [];
		});
	});
	return joinedWidths(ranges);
}

/** By how much what is in a box reaches below it, px, whatever is there. */
function beyond(
	index: number,
	boxes: readonly PlacedBox[],
	endMargin: (name: BoxName) => number
): number {
	const box = boxes[index];
	if (!box) return 0;
	if (box.name.kind === 'piece') return box.overflowY - endMargin(box.name) - tolerance;
	return (endsOf(boxes, endMargin)[index] ?? 0) - bottomOf(box) - tolerance;
}

/** By how much what is in each box lies over what is below it, or is cut off there, px. */
function outOf(
	boxes: readonly PlacedBox[],
	endMargin: (name: BoxName) => number
): readonly number[] {
	const ends = endsOf(boxes, endMargin);
	return boxes.map((box, index) => {
		if (isHeld(box) || box.overflowY <= tolerance) return -tolerance;
		const room = roomBelow(index, boxes);
		if (room === Infinity) return -tolerance;
		if (box.name.kind === 'piece') return box.overflowY - endMargin(box.name) - room - tolerance;
		return (ends[index] ?? 0) - bottomOf(box) - room - tolerance;
	});
}

/**
 * How far below itself a box may reach before it lies over something, px. Content that nothing follows in its region has
 * all the room there: what is too much is cut where the region ends.
 */
function roomBelow(index: number, boxes: readonly PlacedBox[]): number {
	const box = boxes[index];
	if (box?.name.kind !== 'run' && box?.name.kind !== 'piece') return 0;
	const below = boxes.filter((other, at) => {
		if (at <= index || other.inside !== box.inside) return false;
		return other.x < box.x + box.width && box.x < other.x + other.width;
	});
	return Math.max(0, Math.min(...below.map(({ y }) => y)) - bottomOf(box));
}

/** Whether what sticks out of a box can be scrolled to. */
function isHeld({ scrolls, inScroller }: PlacedBox): boolean {
	return scrolls || inScroller;
}

function bottomOf({ y, height }: PlacedBox): number {
	return y + height;
}

/** How far down a box and its own content reach, px; the margin at the end of the content shows nothing. */
function ownEnds(box: PlacedBox, endMargin: (name: BoxName) => number): readonly number[] {
	const bottom = bottomOf(box);
	const { kind } = box.name;
	if (kind !== 'run' && kind !== 'piece') return [bottom];
	const end = bottom + box.overflowY - endMargin(box.name);
	return kind === 'run' ? [end] : [bottom, end];
}

/** How far down each box and all that is in it reach, px. */
function endsOf(
	boxes: readonly PlacedBox[],
	endMargin: (name: BoxName) => number
): readonly number[] {
	const ends = boxes.map((box) => Math.max(...ownEnds(box, endMargin)));
	for (let index = boxes.length - 1; index >= 0; index--) {
		const around = boxes[index]?.inside;
		if (around === undefined || boxes[around]?.scrolls) continue;
		ends[around] = Math.max(ends[around] ?? 0, ends[index] ?? 0);
	}
	return ends;
}

/** Whether a box is another or lies in it, with nothing between that scrolls. */
function reachesOut(inner: number, outer: number, boxes: readonly PlacedBox[]): boolean {
	let at = inner;
	while (at > outer) {
		const around = boxes[at]?.inside;
		if (around === undefined || boxes[around]?.scrolls) return false;
		at = around;
	}
	return at === outer;
}

/** Whether all that sticks out of a box sticks out of one in it already. */
function isAll(inner: number, outer: number, ...all: readonly (readonly number[])[]): boolean {
	return all.every((out) => (out[inner] ?? 0) >= (out[outer] ?? 0) - 2);
}
