import { warning, type Problem } from '../../messages/problem.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import type { WholeCheck } from '../check.ts';
import { plainPage } from '../example.ts';
import { stylesOf, withoutComments } from '../subject/styles-of.ts';

const menu =
	'<h1>Seed</h1><div class="more"><a href="#main">More</a><p class="list">Beans</p></div>';
const styled = (css: string): string =>
	plainPage(menu, `style """.list { display: none; } ${css}"""`);

/** A rule that shows something while one points at something. */
const shown =
	/([^{};]*:hover\b[^{};]*)\{[^{}]*\b(?:display\s*:\s*(?!none)|visibility\s*:\s*visible|opacity\s*:\s*(?:1|100%)\s*[;}!])/g;

export const hoverOnly: WholeCheck = {
	of: 'whole',
	codes: ['hover-only'],
	what: 'What shows while one points at something shows for the keyboard, too.',
	why: 'Whoever has no mouse, on a phone or by choice, never gets to see it.',
	examples: {
		'hover-only': {
			wrong: styled('.more:hover .list { display: block; }'),
			mended: styled('.more:hover .list, .more:focus-within .list { display: block; }')
		}
	},
	find({ site }) {
		const styles = stylesOf(site).map((style) => ({ style, css: withoutComments(style.css) }));
		const all = styles.map(({ css }) => css.replace(/\s+/g, ' ')).join(' ');
		return styles.flatMap(({ style, css }): Problem[] =>
			[...css.matchAll(shown)].flatMap(([, selectors = ''], at): Problem[] => {
				const lost = selectors.split(',').find((one) => one.includes(':hover') && !isForKeys(one, all));
				if (lost === undefined) return [];
				const from = [...css.matchAll(shown)][at]?.index ?? 0;
				const lead = selectors.length - selectors.trimStart().length;
				return [warning('hover-only', placeOfStyle(style, from + lead, selectors.trim().length), lost.trim())];
			})
		);
	}
}; // prettier-ignore

/** Whether some rule has the same selector for what has the focus. */
function isForKeys(selector: string, all: string): boolean {
	const words = selector.trim().replace(/\s+/g, ' ');
	// What holds for both at once says so itself.
	if (/:is\([^)]*:focus/.test(words)) return true;
	return ['focus', 'focus-within', 'focus-visible', 'has(:focus'].some((state) =>
		all.includes(words.replaceAll(':hover', `:${state}`))
	);
}
