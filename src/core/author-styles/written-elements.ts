import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Element } from './page-tree.ts';

/** A stretch of some markup, by offsets. */
export interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** An element as it is written in markup. */
export interface WrittenElement {
	readonly name: string;
	/** `<` and its name. */
	readonly tag: Stretch;
	/** Its attributes as they are written, by name, each with its value and place. */
	readonly attributes: ReadonlyMap<string, Stretch & { readonly value: string }>;
}

const known = new Map<string, readonly WrittenElement[]>();
const mostKnown = 500;

/**
 * The elements of some markup in the order in which they are written. What stands in comments, and in the text of
 * styles, is none. Expressions are text here, in words and in attributes.
 */
export function writtenElements(markup: string): readonly WrittenElement[] {
	let found = known.get(markup);
	if (!found) {
		if (known.size >= mostKnown) known.clear();
		known.set(markup, (found = parse(markup)));
	}
	return found;
}

function parse(markup: string): WrittenElement[] {
	const found: WrittenElement[] = [];
	const visit = (node: Tree.ChildNode): void => {
		if (!('tagName' in node)) return;
		const place = node.sourceCodeLocation;
		if (place) {
			const from = place.startOffset;
			const attributes = node.attrs.flatMap(({ name, value }) => {
				const at = place.attrs?.[name];
				return at ? [[name, { value, from: at.startOffset, to: at.endOffset }] as const] : [];
			});
			const tag = { from, to: from + 1 + node.tagName.length };
			found.push({ name: node.tagName, tag, attributes: new Map(attributes) });
		}
		const inner = 'content' in node ? node.content.childNodes : node.childNodes;
		inner.forEach(visit);
	};
	// In a template rows and cells may stand without their table, as parts have them.
	const { childNodes } = parseFragment(`<template>${markup}</template>`, {
		sourceCodeLocationInfo: true
	});
	childNodes.forEach(visit);
	const lead = '<template>'.length;
	const shifted = <T extends Stretch>(one: T): T => ({
		...one,
		from: one.from - lead,
		to: one.to - lead
	});
	return found
		.filter(({ tag }) => tag.from >= lead)
		.map(({ name, tag, attributes }) => ({
			name,
			tag: shifted(tag),
			attributes: new Map([...attributes].map(([key, value]) => [key, shifted(value)]))
		}))
		.sort((a, b) => a.tag.from - b.tag.from);
}

/**
 * Which of the elements of some markup made an element of a page; `alike` are all elements of the page that this markup
 * may have made, in their order. Undefined where none looks like it.
 */
export function writtenAs(
	element: Element,
	markup: string,
	alike: readonly Element[]
): WrittenElement | undefined {
	const all = writtenElements(markup).filter(({ name }) => name === element.name);
	const could = all.filter((one) => mayBe(one, element));
	const others = alike.filter((other) => could.some((one) => mayBe(one, other)));
	// Where no list repeats them, they are the same in the same order.
	const at = others.indexOf(element);
	return (could.length === others.length ? could[at] : undefined) ?? could[0] ?? all[0];
}

/** Whether what is written says nothing that an element contradicts; what comes from an expression may be anything. */
function mayBe({ name, attributes }: WrittenElement, element: Element): boolean {
	if (name !== element.name) return false;
	return [...attributes].every(([attribute, { value }]) => {
		if (value.includes('{')) return true;
		const said = element.attribs[attribute];
		if (attribute !== 'class') return said === value;
		const classes = (said ?? '').split(/\s+/);
		return value.split(/\s+/).every((word) => word === '' || classes.includes(word));
	});
}
