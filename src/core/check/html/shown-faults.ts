import type { Code } from '../../messages/catalogue.ts';
import { hint, warning, type Problem } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import type { Element } from '../../author-styles/page-tree.ts';
import type { ElsewhereCheck } from '../check.ts';
import { plainLayout, plainPage } from '../example.ts';
import type { Occurrence } from '../subject/occurrence.ts';
import { targetProblem } from '../reading/target-small.ts';
import type { WrittenPage } from '../subject/written-page.ts';

/** What only a page that is opened in a browser shows to those who listen, or see little. */

/** Something that the accessibility engine says of a page as it is shown. */
export interface ShownFault {
	/** The rule of the engine, and its own sentence. */
	readonly rule: string;
	readonly help: string;
	/** The element by its place among all of the body, which is the first. */
	readonly element: number;
	/** Contrast that there is and that is needed, where it is about that. */
	readonly contrast?: { readonly is: number; readonly needs: number };
	/** px, of what is pressed. */
	readonly size?: { readonly width: number; readonly height: number };
	/** px, widths of the screens on which it was seen. */
	readonly widths: readonly number[];
}

/** What is found by checks of ours already, by the rules of the engine that would say it again. */
const saidBy: ReadonlyMap<string, readonly Code[]> = new Map(
	Object.entries<readonly Code[]>({
		'aria-roles': ['markup-role-unknown', 'markup-role-abstract'],
		'aria-valid-attr': ['markup-aria-unknown'],
		'aria-valid-attr-value': ['markup-aria-value', 'reference-nowhere'],
		'aria-hidden-focus': ['markup-focus-hidden'],
		'aria-prohibited-attr': ['markup-name-idle'],
		'area-alt': ['markup-attribute-missing'],
		'autocomplete-valid': ['markup-attribute-value'],
		'button-name': ['markup-no-words'],
		'color-contrast': ['contrast-low'],
		'definition-list': ['markup-misplaced'],
		'document-title': ['title-missing'],
		'duplicate-id-aria': ['id-twice'],
		'empty-heading': ['markup-heading-empty'],
		'form-field-multiple-labels': ['markup-name-twice'],
		'frame-title': ['markup-attribute-missing'],
		'heading-order': ['heading-skips'],
		'html-has-lang': ['lang-missing'],
		'image-alt': ['image-no-alt'],
		'input-image-alt': ['markup-no-words'],
		'landmark-main-is-top-level': ['main-twice'],
		'landmark-no-duplicate-main': ['main-twice'],
		'landmark-one-main': ['main-missing'],
		'landmark-unique': ['landmark-unnamed'],
		'link-name': ['markup-link-empty'],
		'nested-interactive': ['markup-misplaced'],
		'no-autoplay-audio': ['markup-autoplay'],
		'select-name': ['label-missing'],
		'skip-link': ['skip-missing'],
		'target-size': ['target-small'],
		bypass: ['skip-missing'],
		dlitem: ['markup-misplaced'],
		label: ['label-missing'],
		list: ['markup-misplaced'],
		listitem: ['markup-misplaced'],
		tabindex: ['markup-tabindex']
	})
);

const pale = (says: string): string =>
	plainPage('<h1>Seed</h1><p class="pale">Beans</p>', `style """.pale { ${says}; }"""`);
const scroller = (more: string): string =>
	plainPage(
		`<h1>Seed</h1><div class="few"${more}><p>Beans</p><p>Peas</p></div>`,
		'style """.few { height: 40px; overflow: auto; }"""'
	);

/** Found as pages are opened; told here, so that each has its words. */
export const shownFaults: ElsewhereCheck = {
	of: 'elsewhere',
	codes: ['contrast-shown', 'outside-landmarks', 'scroller-no-keyboard', 'shown-wrong'],
	what: 'A page as it is shown can be read and used by all.',
	why: 'Some of it only shows in a browser: which colour is behind a text, what a role has in it, what scrolls.',
	inBrowser: true,
	examples: {
		'contrast-shown': {
			wrong: pale('opacity: 0.4'),
			mended: pale('opacity: 1')
		},
		'outside-landmarks': {
			wrong: plainLayout('region note as div { piece words """<p>Frost</p>""" }'),
			mended: plainLayout('region note as aside { piece words """<p>Frost</p>""" }')
		},
		'scroller-no-keyboard': {
			wrong: scroller(''),
			mended: scroller(' tabindex="0" role="group" aria-label="Kinds"')
		},
		'shown-wrong': {
			wrong: plainPage('<h1>Seed</h1><div role="tab">Beans</div>'),
			mended: plainPage('<h1>Seed</h1><div>Beans</div>')
		}
	}
};

/** The faults of a page at their places, but for those that are found already. */
export function shownOccurrences(
	faults: readonly ShownFault[],
	page: WrittenPage,
	known: readonly Occurrence[]
): Occurrence[] {
	const told = new Set(known.map(({ problem: { code, span } }) => placeWord(code, span)));
	return faults.flatMap((fault): Occurrence[] => {
		const element = page.elements[fault.element];
		if (!element) return [];
		const place = page.placeOf(element);
		const isTold = saidBy.get(fault.rule)?.some((code) => told.has(placeWord(code, place)));
		// A page without a main part, and the like, is about all of it.
		const isAbout = element.name === 'body' || element.name === 'html';
		const about = isAbout && known.some(({ problem }) => saidBy.get(fault.rule)?.includes(problem.code)); // prettier-ignore
		if (isTold === true || about) return [];
		return [{ problem: problemOf(fault, element, place), box: page.boxOf(element), widths: widthsOf(fault) }]; // prettier-ignore
	});
}

function placeWord(code: Code, { file, from }: Span): string {
	return `${code} ${file} ${from}`;
}

function widthsOf({ widths }: ShownFault): NonNullable<Occurrence['widths']> {
	return widths.map((width) => ({ from: width, to: width }));
}

function problemOf(
	{ rule, help, contrast, size }: ShownFault,
	element: Element,
	at: Span
): Problem {
	const { name } = element;
	if (size) return targetProblem(element, at, size);
	if (contrast) return warning('contrast-shown', at, name, contrast.is, contrast.needs);
	if (rule === 'region') return hint('outside-landmarks', at, name);
	if (rule === 'scrollable-region-focusable') return warning('scroller-no-keyboard', at, name);
	return warning('shown-wrong', at, name, help);
}
