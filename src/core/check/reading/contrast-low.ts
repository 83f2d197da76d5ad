import { blend, differenceEuclidean, wcagContrast, type Color } from 'culori';
import { readColour } from '../../size/colour.ts';
import { TypeAround } from '../../laid/type-around.ts';
import { hint, warning, type Mend } from '../../messages/problem.ts';
import type { Style } from '../../model/site.ts';
import { placeOfStyle } from '../../model/style-place.ts';
import { PagePaint, type WrittenPaint } from '../../author-styles/paint.ts';
import { attributeOf, outward, type Element } from '../../author-styles/page-tree.ts';
import { plainPage } from '../example.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import type { WrittenPage } from '../subject/written-page.ts';

/** WCAG 2.2, success criterion 1.4.3: contrast of text, and of text from 24 px on. */
const leastOf = (isLarge: boolean): number => (isLarge ? 3 : 4.5);
const largeText = 24;

const style = (ink: string): string =>
	`style """ :scope { background: #fffdf7; } p { color: ${ink}; } """`;

const onPicture = (beneath: string): string =>
	plainPage(
		'<h1>Seed</h1><p>Lent, not sold.</p>',
		`style """ p { color: #4a3b2a; background: ${beneath}url("data:image/svg+xml,"); } """`
	);

export const contrastLow: PageCheck = {
	of: 'page',
	codes: ['contrast-low', 'contrast-picture'],
	what: 'Text has enough contrast with what is behind it, by day and by night, where both colours are known.',
	why: 'In the sun, on a poor screen or with poor eyes it cannot be read.',
	examples: {
		'contrast-low': {
			wrong: plainPage('<h1>Seed</h1><p>Lent, not sold.</p>', style('#b9b2a0')),
			mended: plainPage('<h1>Seed</h1><p>Lent, not sold.</p>', style('#4a3b2a'))
		},
		'contrast-picture': {
			wrong: onPicture(''),
			mended: onPicture('#fffdf7 ')
		}
	},
	find(page) {
		const colours = page.allRules.some(({ declarations }) =>
			declarations.some(({ property }) => property === 'color')
		);
		if (!colours) return [];
		const paint = new PagePaint(page.instance, page.resolved, page.year, page.tree);
		const type = new TypeAround(page.allRules, () => page.tree);
		const texts = page.elements
			.filter(holdsText)
			.map((element) => ({ element, large: isLarge(element, type) }));
		return whens(page).flatMap((when) =>
			texts.flatMap(({ element, large }): Occurrence[] => {
				const written = paint.written(element, when);
				return written ? occurrences(written, large, element, page) : [];
			})
		);
	}
};

/** Each band, by day and where the site has one by night. */
function whens({ resolved }: WrittenPage): { readonly width: number; readonly night: boolean }[] {
	const { bands, night } = resolved.site.settings;
	const widths = bands.length === 0 ? [0] : bands.map(({ from }) => from);
	const times = night.length === 0 ? [false] : [false, true];
	return times.flatMap((time) => widths.map((width) => ({ width, night: time })));
}

function occurrences(
	{ ink, ground, rule, at, veil }: WrittenPaint,
	large: boolean,
	element: Element,
	page: WrittenPage
): Occurrence[] {
	const box = page.boxOf(element);
	if (ground === undefined) {
		const span = placeOfStyle(rule.style, at, 'color'.length);
		return [{ problem: hint('contrast-picture', span, ink), box, cause: ink }];
	}
	const [one, other] = [readColour(ink), readColour(ground)];
	// A ground that can be seen through lies on something else.
	if (!one || !other || (other.alpha ?? 1) < 1) return [];
	const share = (one.alpha ?? 1) * (veil?.share ?? 1);
	const ratio = ratioOf(one, other, share);
	const least = leastOf(large);
	if (ratio >= least) return [];
	// Where the colour alone would do, it is what lets the ground through that is to change.
	const isVeiled = veil !== undefined && ratioOf(one, other, one.alpha ?? 1) >= least;
	const span = isVeiled
		? placeOfStyle(veil.rule.style, veil.at, 'opacity'.length)
		: placeOfStyle(rule.style, at, 'color'.length);
	const details = [ink, ground, ratio, least, Math.round((veil?.share ?? 1) * 100)] as const;
	const mend = veil ? undefined : colourMend(page, rule.style, at, { ink: one, ground: other, least });
	const problem = { ...warning('contrast-low', span, ...details), ...(mend && { mend }) };
	return [{ problem, box, cause: `${ink} ${ground} ${share}`, weight: least - ratio }];
} // prettier-ignore

/** The contrast of a colour of which a share (0 to 1) is there with what is behind it, as WCAG counts it. */
function ratioOf(ink: Color, ground: Color, share: number): number {
	const seen = share < 1 ? blend([ground, { ...ink, alpha: share }]) : ink;
	return Math.floor(wcagContrast(seen, ground) * 10) / 10;
}

/** The token of the site that is nearest to a colour of text, and differs enough from what is behind it. */
function colourMend(
	{ resolved }: WrittenPage,
	style: Style,
	at: number,
	{ ink, ground, least }: { readonly ink: Color; readonly ground: Color; readonly least: number }
): Mend | undefined {
	const [declared = ''] = /^color\s*:\s*[^;}!]*[^;}!\s]/.exec(style.css.slice(at)) ?? [];
	if (declared === '') return undefined;
	const { tokens, night } = resolved.site.settings;
	const names = [...tokens, ...night].map(({ name }) => name.text);
	const far = differenceEuclidean('oklab');
	const enough = tokens.flatMap(({ name, value }) => {
		const colour = readColour(value.text);
		// One that is another by night or in some band may not be enough there.
		const isOne = names.filter((other) => other === name.text).length === 1;
		if (!colour || !isOne || (colour.alpha ?? 1) < 1 || wcagContrast(colour, ground) < least) return [];
		return [{ name: name.text, far: far(colour, ink) }];
	});
	const [nearest] = enough.sort((a, b) => a.far - b.far);
	if (!nearest) return undefined;
	const insert = `color: var(${nearest.name})`;
	return { label: `Write ${insert}`, span: placeOfStyle(style, at, declared.length), insert };
} // prettier-ignore

/** Text that has to be read: what can be used no more need not (WCAG 2.2, success criterion 1.4.3, "incidental"). */
function holdsText(element: Element): boolean {
	const isText = element.children.some(
		(child) => child.type === 'text' && child.data.trim() !== ''
	);
	return isText && ![...outward(element)].some(isDisabled);
}

/** HTML, section 4.10.18.5; WAI-ARIA 1.2, `aria-disabled`. */
function isDisabled(element: Element): boolean {
	const isControl = ['button', 'input', 'select', 'textarea', 'fieldset', 'option', 'optgroup'].includes(element.name);
	return (isControl && attributeOf(element, 'disabled') !== undefined) || attributeOf(element, 'aria-disabled') === 'true';
} // prettier-ignore

function isLarge(element: Element, type: TypeAround): boolean {
	const isHead = [...outward(element)].some(({ name }) => name === 'h1');
	return type.at(element).size >= largeText || (isHead && type.at(element).size >= 16);
}
