import type { Element } from '../../author-styles/page-tree.ts';
import { escapeHtml } from '../../emit/html/escape.ts';
import type { Problem } from '../../messages/problem.ts';
import type { WrittenPage } from './written-page.ts';

type Attributes = Readonly<Record<string, string | number>>;

/** Attributes as they are written in markup, where braces begin expressions. */
function written(attributes: Attributes): string {
	return Object.entries(attributes)
		.map(([name, value]) => `${name}="${escapeHtml(String(value)).replaceAll('{', '\\{')}"`)
		.join(' ');
}

/** A problem of an element, with attributes more as its mend; without one where no markup has its tag. */
export function withMore(
	problem: Problem,
	page: WrittenPage,
	element: Element,
	attributes: Attributes,
	label = `Write ${written(attributes)}`
): Problem {
	const origin = page.tree.origins.get(element);
	if (!origin) return problem;
	const span = { file: origin.file, from: origin.to, to: origin.to };
	return { ...problem, mend: { label, span, insert: ` ${written(attributes)}` } };
}

/** A problem of an element, with another value of an attribute as its mend; without one where no markup has it as it is. */
export function withOther(
	problem: Problem,
	page: WrittenPage,
	element: Element,
	[name, value]: readonly [name: string, value: string],
	label: string
): Problem {
	const span = page.attributePlace(element, name);
	return span ? { ...problem, mend: { label, span, insert: written({ [name]: value }) } } : problem;
}
