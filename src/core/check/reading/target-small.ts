import { warning, type Problem } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import { attributeOf, type Element } from '../../author-styles/page-tree.ts';
import { reached } from '../../author-styles/reached.ts';
import { plainPage } from '../example.ts';
import type { PageCheck } from '../check.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import { textIn, type WrittenPage } from '../subject/written-page.ts';

/** px: WCAG 2.2, success criterion 2.5.8. */
const least = 24;

const button = (size: string): string =>
	plainPage(
		'<h1>Seed</h1><p><button type="button">x</button></p>',
		`style """ button { width: ${size}; height: ${size}; } """`
	);

export const targetSmall: PageCheck = {
	of: 'page',
	codes: ['target-small'],
	what: 'What can be pressed is 24 by 24 px at least, where its size is said, and with --measure as it is measured: a link in a line of text apart, and what has room around it.',
	why: 'Whose hand shakes, or whose finger is broad, presses what is beside it.',
	examples: { 'target-small': { wrong: button('18px'), mended: button('28px') } },
	find(page) {
		const sizes = sizesSaid(page);
		return page
			.named('a', 'button', 'summary', 'input', 'select')
			.flatMap((element): Occurrence[] => {
				// A link among words is as tall as its line, and may be (the exception "inline").
				const [only] = element.children;
				const picture =
					element.name === 'a' &&
					element.children.length === 1 &&
					only?.type === 'tag' &&
					only.name === 'img'
						? only
						: undefined;
				const said = sizes.get(element) ?? (picture && attributeSize(picture));
				if (!said || attributeOf(element, 'type') === 'hidden') return [];
				const { width = least, height = least } = said;
				if (width >= least && height >= least) return [];
				const problem = targetProblem(element, page.placeOf(element), { width, height });
				return [{ problem, box: page.boxOf(element), cause: '' }];
			});
	}
};

/** What is said of a target of such a size, px. */
export function targetProblem(
	element: Element,
	at: Span,
	{ width, height }: { readonly width: number; readonly height: number }
): Problem {
	const words = textIn(element).trim() || attributeOf(element, 'aria-label') || element.name;
	return warning('target-small', at, `"${words.slice(0, 30)}"`, width, height);
}

interface Size {
	readonly width?: number | undefined;
	readonly height?: number | undefined;
}

/** Sizes in px that styles set for elements; padding may make them larger, and then nothing is said. */
function sizesSaid(page: WrittenPage): ReadonlyMap<Element, Size> {
	const found = new Map<Element, Size>();
	const padded = new Set<Element>();
	for (const rule of page.allRules) {
		const size: Size = {
			width: pxOf(rule.declarations, 'width'),
			height: pxOf(rule.declarations, 'height')
		};
		const pads = rule.declarations.some(({ property }) => /^(padding|min-)/.test(property));
		if (!pads && size.width === undefined && size.height === undefined) continue;
		for (const { element, passing, pseudo } of reached(rule, page.tree)) {
			if (passing || pseudo !== undefined) continue;
			if (pads) padded.add(element);
			found.set(element, { ...found.get(element), ...defined(size) });
		}
	}
	return new Map([...found].filter(([element]) => !padded.has(element)));
}

function defined({ width, height }: Size): Size {
	return { ...(width !== undefined && { width }), ...(height !== undefined && { height }) };
}

function pxOf(
	declarations: readonly { readonly property: string; readonly value: string }[],
	property: string
): number | undefined {
	const value = declarations.findLast((one) => one.property === property)?.value;
	const px = /^([\d.]+)px$/.exec(value ?? '')?.[1];
	return px === undefined ? undefined : Number(px);
}

function attributeSize(element: Element): Size {
	const number = (name: string): number | undefined => {
		const text = attributeOf(element, name);
		return text === undefined || !/^\d+$/.test(text) ? undefined : Number(text);
	};
	return { width: number('width'), height: number('height') };
}
