import { warning } from '../../messages/problem.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import { bandAt, settingsAt, type Bands } from '../../resolve/bands.ts';
import type { ResolvedPage } from '../../resolve/page.ts';
import { isOverlapped } from '../../settings/member/overlap.ts';
import type { FitCheck } from '../check.ts';
import { boxSaid } from '../subject/box-said.ts';
import { seenWhere, type Candidate } from '../subject/fitted-page.ts';
import { siblingsIn } from '../subject/siblings.ts';
import { boxWords } from './box-words.ts';

/** px; browsers round to less. */
const tolerance = 1;

const cover = (more: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  arrange areas { "cover" 60px; "main" auto }
  region cover as header { height 90px; ${more}piece name """<p>Seed library</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const covered: FitCheck = {
	of: 'boxes',
	codes: ['covered'],
	what: 'No box lies over another, unless it rides up over it or keeps to an edge.',
	why: 'What is below cannot be read or pressed.',
	examples: {
		covered: { wrong: cover(''), mended: cover('').replace('"cover" 60px', '"cover" auto') }
	},
	find: ({ stretches, page, resolved }) =>
		seenWhere(stretches, (boxes, width) => {
			const { bands } = resolved.site.settings;
			return pairs(boxes, (box) => overlapsAt(box, width, page, bands));
		}).flatMap(({ box, other, widths, worst }) => {
			if (!other) return [];
			const by = Math.round(worst + tolerance);
			const words = [boxWords(box), boxWords(other)] as const;
			return [
				{
					box,
					other,
					widths,
					weight: by,
					cause: words[1],
					problem: (at) => warning('covered', at, ...words, by)
				}
			];
		})
};

/** Boxes in one box, two by two; what sticks or rides up is over others because somebody said so. */
function pairs(boxes: readonly PlacedBox[], overlaps: (box: PlacedBox) => boolean): Candidate[] {
	const siblings = siblingsIn(
		boxes.filter(({ sticking, width, height }) => !sticking && width > 0 && height > 0)
	);
	return [...siblings.values()].flatMap((list) =>
		list.flatMap((box, index) => {
			if (index === list.length - 1 || overlaps(box)) return [];
			return list.slice(index + 1).map((other) => ({ box, other, over: overOf(box, other) }));
		})
	);
}

/** By how much two boxes lie over each other, px: down first, then how their sides stand to each other. */
function overOf(a: PlacedBox, b: PlacedBox): number[] {
	return [a.y + a.height - b.y, b.y + b.height - a.y, a.x + a.width - b.x, b.x + b.width - a.x].map(
		(px) => px - tolerance
	);
}

function overlapsAt({ name }: PlacedBox, width: number, page: ResolvedPage, bands: Bands): boolean {
	const said = boxSaid(name, page)?.settings ?? [];
	return isOverlapped(settingsAt(said, bands, bandAt(bands, width)));
}
