import { warning } from '../../messages/problem.ts';
import type { BoxName } from '../../geometry/layout-box.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { FitCheck } from '../check.ts';
import { joinedWidths, widthsWithout, type Widths } from '../subject/sighting.ts';
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
		for (const { from, to, first, last } of stretches) {
			const begin = outOf(first, endMargin);
			const end = outOf(last, endMargin);
			const ranges = first.map((_, index) =>
				widthsAbove([begin[index] ?? -1], [end[index] ?? -1], from, to)
			);
			for (const [index, range] of ranges.entries()) {
				const box = first[index];
				if (!range || !box) continue;
				// What sticks out of a box sticks out of those around it too; only the innermost is said.
				const inner = ranges.flatMap((one, at) =>
					one && at > index && isIn(at, index, first) && isAll(at, index, begin, end) ? one : []
				);
				const widths = widthsWithout(range, inner);
				if (widths.length === 0) continue;
				const worst = Math.max(begin[index] ?? 0, end[index] ?? 0);
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

/** By how much what is in each box sticks out of it below, px. */
function outOf(
	boxes: readonly PlacedBox[],
	endMargin: (name: BoxName) => number
): readonly number[] {
	const ends = endsOf(boxes, endMargin);
	return boxes.map((box, index) => {
		if (box.scrolls || box.inScroller || box.overflowY <= tolerance) return -tolerance;
		const { kind } = box.name;
		// Straight on below nothing, too: else what lies between two widths would be guessed.
		if (kind === 'piece') return box.overflowY - endMargin(box.name) - tolerance;
		return (ends[index] ?? 0) - box.y - box.height - tolerance;
	});
}

/** How far down each box and what is in it reach, px, but for the margin at the end of a content, which shows nothing. */
function endsOf(
	boxes: readonly PlacedBox[],
	endMargin: (name: BoxName) => number
): readonly number[] {
	const ends = boxes.map((box) => {
		const bottom = box.y + box.height;
		const { kind } = box.name;
		if (kind === 'run') return bottom + box.overflowY - endMargin(box.name);
		if (kind !== 'piece' || box.overflowY <= 0) return bottom;
		return Math.max(bottom, bottom + box.overflowY - endMargin(box.name));
	});
	for (let index = boxes.length - 1; index >= 0; index--) {
		const around = boxes[index]?.inside;
		if (around === undefined || boxes[around]?.scrolls) continue;
		ends[around] = Math.max(ends[around] ?? 0, ends[index] ?? 0);
	}
	return ends;
}

/** Whether all that sticks out of a box sticks out of one in it already. */
function isAll(inner: number, outer: number, ...all: readonly (readonly number[])[]): boolean {
	return all.every((out) => (out[inner] ?? 0) >= (out[outer] ?? 0) - 2);
}

function isIn(index: number, around: number, boxes: readonly PlacedBox[]): boolean {
	let at: number | undefined = index;
	while (at !== undefined && at > around) at = boxes[at]?.inside;
	return at === around;
}
