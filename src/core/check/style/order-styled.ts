import { hint, type Problem } from '../../messages/problem.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { stylesOf, withoutComments } from '../subject/styles-of.ts';

const styled = (css: string): string =>
	plainPage('<h1>Seed</h1><div class="two"><p>Beans</p><p>Peas</p></div>', `style """${css}"""`);

/** CSS Flexible Box Layout 1, section 5.4, and Grid Layout 2, section 4.3: what draws in another order than that of the text. */
const reordering =
	/(?<![\w-])(?:order\s*:\s*-?[1-9]\d*|flex-direction\s*:\s*(?:row|column)-reverse|flex-flow\s*:[^;}]*-reverse)/g;

export const orderStyled: WholeCheck = {
	of: 'whole',
	codes: ['order-styled'],
	what: 'What stands on the page is drawn in the order of the text.',
	why: 'The keyboard and those who listen go by the text, and jump over the page for all others.',
	examples: {
		'order-styled': {
			wrong: styled('.two { display: flex; flex-direction: row-reverse; }'),
			mended: styled('.two { display: flex; }')
		}
	},
	find: ({ site }) =>
		stylesOf(site).flatMap((style): Problem[] =>
			[...withoutComments(style.css).matchAll(reordering)].map(({ index, 0: words }) =>
				hint('order-styled', placeOfStyle(style, index, words.length), words)
			)
		)
};
