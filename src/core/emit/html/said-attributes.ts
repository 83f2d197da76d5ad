import { parseFragment } from 'parse5';
import type { Attributes, DocumentSays, OwnAttributes } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import { escapeHtml } from './escape.ts';
import { renderMarkup } from './markup.ts';
import type { HeadContext } from './said-head.ts';

/** Attributes by their names, in the order in which they are written. */
export type AttributeValues = ReadonlyMap<string, string>;

/**
 * The attributes of `html` or `body` as the layers of a page say them: where two say the same one the nearer has the last
 * word, and classes add up. `own`: those that it has in any case.
 */
export function saidAttributes(
	element: Attributes['element']['text'],
	documents: readonly DocumentSays[],
	own: AttributeValues,
	context: HeadContext
): AttributeValues {
	const values = new Map(own);
	for (const { attributes } of documents) {
		const said = attributes.find((one) => one.element.text === element);
		if (said) add(said.markup, values, context);
	}
	return values;
}

/** The attributes of a box's element: those that it has in any case, and what its layout says besides. */
export function boxAttributes(
	said: OwnAttributes | undefined,
	own: AttributeValues,
	context: HeadContext
): AttributeValues {
	const values = new Map(own);
	if (said) add(said.markup, values, context);
	return values;
}

function add(markup: Template, values: Map<string, string>, context: HeadContext): void {
	const { parts } = compileMarkup(markup, context.scope.site.parts);
	const { link, names, scope } = context;
	const [made] = parseFragment(renderMarkup(parts, scope, { link, names })).childNodes;
	if (!made || !('attrs' in made)) return;
	for (const { name, value } of made.attrs) {
		const outer = values.get(name);
		const both = name === 'class' && outer !== undefined ? joined(outer, value) : value;
		values.set(name, both);
	}
}

function joined(outer: string, inner: string): string {
	const words = `${outer} ${inner}`.split(/\s+/).filter((word) => word !== '');
	return [...new Set(words)].join(' ');
}

/** Attributes as they stand in a tag, each with a blank before it. */
export function attributesText(values: AttributeValues): string {
	return [...values]
		.map(([name, value]) => (value === '' ? ` ${name}` : ` ${name}="${escapeHtml(value)}"`))
		.join('');
}
