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
			[...css.matchAll(shown)].flatMap(({ index, 1: selectors = '' }): Problem[] => {
				const lost = selectors
					.split(',')
					.find((one) => one.includes(':hover') && isHidden(one, all) && !isForKeys(one, all));
				if (lost === undefined) return [];
				const from = index + selectors.length - selectors.trimStart().length;
				const place = placeOfStyle(style, from, selectors.trim().length);
				return [warning('hover-only', place, lost.trim())];
			})
		);
	}
};

/** A rule that hides something, with its selectors. */
const hides =
	/([^{};]+)\{[^{}]*\b(?:display\s*:\s*none|visibility\s*:\s*hidden|opacity\s*:\s*0(?:\.0*)?%?\s*(?=[;}!]))/g;

/** Whether some rule hides what a selector is about: one that makes clearer what shows anyway hides nothing. */
function isHidden(selector: string, all: string): boolean {
	const subject = lastOf(selector);
	return [...all.matchAll(hides)].some(([, selectors = '']) =>
		selectors.split(',').some((one) => lastOf(one) === subject)
	);
}

/** The last compound of a selector (Selectors 4, section 3.1), without what it asks of the pointer. */
function lastOf(selector: string): string {
	return (
		selector
			.trim()
			.split(/[\s>+~]+/)
			.at(-1) ?? ''
	).replaceAll(':hover', '');
}

/** Whether some rule has the same selector for what has the focus. */
function isForKeys(selector: string, all: string): boolean {
	const words = selector.trim().replace(/\s+/g, ' ');
	// What holds for both at once says so itself.
	if (/:is\([^)]*:focus/.test(words)) return true;
	return ['focus', 'focus-within', 'focus-visible', 'has(:focus'].some((state) =>
		all.includes(words.replaceAll(':hover', `:${state}`))
	);
}
