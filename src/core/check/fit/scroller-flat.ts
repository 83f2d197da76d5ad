import { warning } from '../../messages/problem.ts';
import type { FitCheck } from '../check.ts';
import { seenWhere } from '../subject/fitted-page.ts';
import { boxWords } from './box-words.ts';

/** px: less than two lines of text can be seen in it, and more than that is hidden. */
const least = 40;

const page = (height: string): string =>
	`layout frame at / {
  description "Seed that is lent."
  ${height}
  region head as header { piece brand """<p>Seed library</p>""" }
  region main as main { scroll own; size fill; min auto 0; slot }
}
route / { title "Home"; piece text """<h1>Seed</h1><div style="height: 2000px"></div>""" }`;

export const scrollerFlat: FitCheck = {
	of: 'boxes',
	codes: ['scroller-flat'],
	what: 'What scrolls by itself is high enough to see something in it.',
	why: 'It is as high as what is around it lets it be: where that has no height, nothing of it is seen.',
	examples: {
		'scroller-flat': {
			wrong: page('arrange areas { "head" auto; "main" 0px }'),
			mended: page('height screen; arrange areas { "head" auto; "main" 1fr }')
		}
	},
	find({ stretches }) {
		return seenWhere(stretches, (boxes) =>
			boxes.map((box) => {
				const isFlat = box.scrolls && box.name.pieces.length === 0 ? least - box.height : -1;
				return { box, over: [isFlat, box.overflowY - least] };
			})
		).map(({ box, widths, worst }) => {
			const words = boxWords(box);
			const px = Math.max(0, Math.round(least - worst));
			return {
				box,
				widths,
				weight: worst,
				setting: 'scroll' as const,
				problem: (at) => warning('scroller-flat', at, words, px)
			};
		});
	}
};
