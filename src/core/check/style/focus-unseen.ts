import { warning, type Problem } from '../../messages/problem.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { stylesOf, withoutComments } from '../subject/styles-of.ts';

const styled = (css: string): string =>
	plainPage('<h1>Seed</h1><p><a href="#main">To the seed</a></p>', `style """${css}"""`);

/** CSS Basic User Interface 4, section 3: what takes the outline away. */
const without =
	/\boutline(?:-style|-width)?\s*:\s*(?:none|0(?:px)?)\s*(?:!important\s*)?(?=[;}])/gi;
/** A rule for what has the focus that shows it in some way. */
const shows =
	/:focus(?:-visible|-within)?\b[^{}]*\{[^{}]*\b(?:outline|box-shadow|border|background|text-decoration)[\w-]*\s*:\s*(?!none|0\b)/i;

export const focusUnseen: WholeCheck = {
	of: 'whole',
	codes: ['focus-unseen'],
	what: 'One sees where the keyboard is.',
	why: 'Whoever goes through the page by keyboard does not know what the next key will press.',
	examples: {
		'focus-unseen': {
			wrong: styled('a { outline: none; }'),
			mended: styled('a { outline: none; } a:focus-visible { outline: 2px solid; }')
		}
	},
	find({ site }) {
		const styles = stylesOf(site);
		if (styles.some(({ css }) => shows.test(withoutComments(css)))) return [];
		return styles.flatMap((style): Problem[] =>
			[...withoutComments(style.css).matchAll(without)].map((one) =>
				warning('focus-unseen', placeOfStyle(style, one.index, one[0].length))
			)
		);
	}
};
