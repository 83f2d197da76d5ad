import { hint } from '../../messages/problem.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { FitCheck } from '../check.ts';
import { joinedWidths, type Widths } from '../subject/occurrence.ts';
import { boxWord } from '../subject/fitted-page.ts';
import { siblingsIn } from '../subject/siblings.ts';
import { boxWords } from './box-words.ts';

/** px; what differs by less looks the same. */
const tolerance = 1.5;
const most = 2;

const row = (columns: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  arrange areas { "a . b c . d" auto; columns ${columns} }
  region a as div { piece a """<p>A</p>""" }
  region b as div { piece b """<p>B</p>""" }
  region c as div { piece c """<p>C</p>""" }
  region d as main { slot }
}
route / { title "Home"; piece text """<h1>Seed</h1>""" }`;

export const gapUneven: FitCheck = {
	of: 'boxes',
	codes: ['gap-uneven'],
	what: 'What stands beside each other in one box is equally far apart.',
	why: 'Three different gaps in a row look like a slip of the hand.',
	examples: {
		'gap-uneven': {
			wrong: row('40px 12px 40px 40px 20px 1fr'),
			mended: row('40px 12px 40px 40px 12px 1fr')
		}
	},
	find({ stretches }) {
		const found = new Map<string, { box: PlacedBox; gaps: readonly number[]; widths: Widths[] }>();
		for (const { from, to, first, last } of stretches) {
			const [a, b] = [unevenIn(first), unevenIn(last)];
			for (const [box, gaps] of a) {
				const also = [...b.keys()].some((other) => boxWord(other.name) === boxWord(box.name));
				const widths = { from, to: also ? to : from };
				const key = boxWord(box.name);
				const known = found.get(key);
				if (known) known.widths.push(widths);
				else found.set(key, { box, gaps, widths: [widths] });
			}
		}
		return [...found.values()].map(({ box, gaps, widths }) => {
			const words = boxWords(box.name);
			const text = gaps.map((px) => String(Math.round(px))).join(', ');
			return {
				box: box.name,
				widths: joinedWidths(widths),
				weight: gaps.length,
				problem: (at) => hint('gap-uneven', at, words, text)
			};
		});
	}
};

/** Boxes with three or more different gaps between what stands in one line of them, each with those gaps. */
function unevenIn(boxes: readonly PlacedBox[]): Map<PlacedBox, readonly number[]> {
	const inside = siblingsIn(boxes.filter(({ sticking, width }) => !sticking && width > 0));
	const uneven = new Map<PlacedBox, readonly number[]>();
	for (const [at, list] of inside) {
		const around = boxes[at];
		if (!around || list.length < 4) continue;
		const gaps = different(gapsIn(list));
		if (gaps.length > most) uneven.set(around, gaps);
	}
	return uneven;
}

function gapsIn(list: readonly PlacedBox[]): number[] {
	const sorted = [...list].sort((a, b) => a.x - b.x);
	return sorted.flatMap((box, index) => {
		const next = sorted
			.slice(index + 1)
			.find((other) => other.x >= box.x + box.width - 0.5 && isBeside(box, other));
		return next ? [next.x - box.x - box.width] : [];
	});
}

/** Whether two boxes share a line: they begin or end at the same height, or overlap by half of the lower one. */
function isBeside(a: PlacedBox, b: PlacedBox): boolean {
	const shared = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
	return shared > Math.min(a.height, b.height) / 2;
}

function different(values: readonly number[]): number[] {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted.filter(
		(value, index) => index === 0 || value - (sorted[index - 1] ?? 0) > tolerance
	);
}
