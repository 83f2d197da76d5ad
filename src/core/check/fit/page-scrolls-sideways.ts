import { warning } from '../../messages/problem.ts';
import type { BoxName } from '../../geometry/layout-box.ts';
import { beyondScreen } from '../../geometry/sticking-out.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { Stretch } from '../../geometry/widths/sweep.ts';
import { plainPage } from '../example.ts';
import type { FitCheck } from '../check.ts';
import { joinedWidths, type Widths } from '../subject/occurrence.ts';
import { seenWhere, type Fit } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** px; browsers round to less. */
const tolerance = 1;

const picture = (width: number): string =>
	plainPage(`<h1>Seed</h1><img src="data:," alt="A pod" width="${width}" height="50">`);

export const pageScrollsSideways: FitCheck = {
	of: 'boxes',
	codes: ['page-scrolls-sideways'],
	what: 'Nothing reaches beyond the side of the screen.',
	why: 'The page can be pushed to and fro, and on a phone all of it gets smaller.',
	examples: {
		'page-scrolls-sideways': {
			wrong: picture(500),
			mended: picture(250)
		}
	},
	find({ stretches, resolved, leastWidths }) {
		const isMirrored = resolved.site.settings.dir === 'rtl';
		const seen = seenWhere(stretches, (boxes, width) =>
			boxes.map((box) => {
				const { left, right } = beyondScreen(box, width, isMirrored);
				return { box, over: [signed(box, width, isMirrored ? left : right, isMirrored)] };
			})
		);
		if (seen.length === 0) return [];
		const farthest = Math.max(...seen.map(({ worst }) => worst));
		// All around what sticks out sticks out with it, and what lies beside it is as wide.
		const culprit = seen.findLast(({ worst }) => worst >= farthest - tolerance);
		if (!culprit) return [];
		const [range] = culprit.widths;
		const box = (range && neediest(leastWidths(range.from), range.from)) ?? culprit.box;
		const all = joinedWidths(seen.flatMap(({ widths }) => widths));
		return [
			fitOf(box, all, culprit.worst),
			...othersIn(stretches, isMirrored, box).map((one) => fitOf(one.box, one.widths, one.worst))
		];
	}
};

function fitOf(box: BoxName, widths: readonly Widths[], worst: number): Fit {
	const by = Math.round(worst + tolerance);
	const words = boxWords(box);
	return {
		box,
		widths,
		weight: by,
		problem: (at) => warning('page-scrolls-sideways', at, words, by)
	};
}

/** What reaches beyond the screen by what is in it, in other regions than the one that is told already; one for each region. */
function othersIn(
	stretches: readonly Stretch[],
	isMirrored: boolean,
	told: BoxName
): { readonly box: BoxName; readonly widths: readonly Widths[]; readonly worst: number }[] {
	const seen = seenWhere(stretches, (boxes, width) =>
		boxes.map((box) => {
			const { left, right } = beyondScreen(box, width, isMirrored);
			const own = isContent(box.name) ? box.overflowX - tolerance : -tolerance;
			return { box, over: [signed(box, width, isMirrored ? left : right, isMirrored), own] };
		})
	);
	const byRegion = new Map<string, typeof seen>();
	for (const one of seen) {
		const key = `${one.box.layout} ${one.box.region}`;
		byRegion.set(key, [...(byRegion.get(key) ?? []), one]);
	}
	byRegion.delete(`${told.layout} ${told.region}`);
	return [...byRegion.values()].flatMap((all) => {
		const worst = Math.max(...all.map((one) => one.worst));
		const first = all.find((one) => one.worst === worst);
		return first ? [{ ...first, widths: joinedWidths(all.flatMap(({ widths }) => widths)) }] : [];
	});
}

function isContent({ kind }: BoxName): boolean {
	return kind === 'piece' || kind === 'run';
}

/** The innermost of the regions that need more than a screen has; undefined where none does. */
function neediest(
	regions: readonly { readonly name: BoxName; readonly px: number }[],
	width: number
): BoxName | undefined {
	const most = Math.max(...regions.map(({ px }) => px));
	if (most <= width + tolerance) return undefined;
	// Padding is all that parts a region from the one around it.
	return regions.findLast(({ px }) => px > most - paddingAtMost)?.name;
}

/** px */
const paddingAtMost = 60;

/** How far a box reaches beyond the edge, px, below zero where it does not, so that it changes evenly. */
function signed(box: PlacedBox, width: number, beyond: number, isMirrored: boolean): number {
	// What has no height is nowhere (CSS Overflow 3, section 2.2).
	const isFlat = box.height <= 0 || box.width <= 0;
	if (box.inScroller || (isFlat && (box.scrolls || box.overflowX <= 0))) return -tolerance;
	if (beyond > 0) return beyond - tolerance;
	const out = box.scrolls ? 0 : box.overflowX;
	return (isMirrored ? out - box.x : box.x + box.width + out - width) - tolerance;
}
