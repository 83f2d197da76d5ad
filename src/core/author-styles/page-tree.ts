import { compile, selectAll } from 'css-select';
import { isTag, type AnyNode, type ChildNode, type Document, type Element } from 'domhandler';
import { parse as parseSelectors, walk, generate, type CssNode } from '../size/css-syntax.ts';
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { takeOrigin, withoutOrigins } from '../emit/html/origins.ts';
import { pageHtml } from '../emit/html/page.ts';
import type { Span } from '../model/span.ts';

export type { Element } from 'domhandler';

/** A page as a tree of elements, with the marks that lead from its boxes to the text. */
export interface PageTree {
	readonly document: Document;
	readonly html: string;
}

/** The same, and where the tags of elements are written that stand in markup. */
export interface OriginTree extends PageTree {
	readonly origins: ReadonlyMap<Element, Span>;
}

const target = { link: (url: string) => url, headLines: [], marks: 'all' } as const;

/** The tree that a browser makes of a page. */
export function pageTree(instance: PageInstance, resolved: ResolvedSite, year: number): PageTree {
	const html = pageHtml(instance, resolved, { ...target, year });
	return { html, document: parse(html, { treeAdapter: adapter }) };
}

/** The same, and its elements say where they are written: what is needed to tell of them. */
export function originTree(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): OriginTree {
	const html = pageHtml(instance, resolved, { ...target, year, origins: true });
	const document = parse(html, { treeAdapter: adapter });
	const origins = new Map<Element, Span>();
	for (const node of document.children) {
		if (!isTag(node)) continue;
		for (const element of inward(node)) {
			const origin = takeOrigin(element);
			if (origin) origins.set(element, origin);
		}
	}
	return { document, html: withoutOrigins(html), origins };
}

/** Elements of a page, or in an element, that a selector names; none where it cannot be read. */
export function named(selector: string, within: Document | Element): Element[] {
	try {
		return selectAll<AnyNode, Element>(selector, within);
	} catch {
		return [];
	}
}

export function attributeOf(element: Element, name: string): string | undefined {
	return element.attribs[name];
}

function parentOf(element: Element): Element | undefined {
	const { parent } = element;
	return parent && isTag(parent) ? parent : undefined;
}

/** An element and all around it, from the inside out. */
export function* outward(element: Element): Generator<Element> {
	for (let at: Element | undefined = element; at; at = parentOf(at)) yield at;
}

/** An element and all in it, in their order. */
export function* inward(element: Element): Generator<Element> {
	// One generator for all depths: each yield would go through one more at each.
	const left: Element[] = [element];
	for (let next = left.pop(); next; next = left.pop()) {
		yield next;
		const { children } = next;
		for (let at = children.length - 1; at >= 0; at--) {
			const child = children[at];
			if (child && isTag(child)) left.push(child);
		}
	}
}

/** What a selector that a rule has says of elements. */
export interface Subject {
	/** The selector without pseudo-elements and what only holds while one points at something. */
	readonly selector: string;
	/** It names a box made by the style, such as `::before`. */
	readonly pseudo: string | undefined;
	/** It holds only in some state, such as `:hover`. */
	readonly passing: boolean;
	/** What it says of the element itself, and not of what is around. */
	readonly subject: string;
}

const passingStates =
	/^(hover|focus|focus-visible|focus-within|active|target|visited|link|any-link|open|popover-open|modal|fullscreen|checked|disabled|enabled|valid|invalid|user-valid|user-invalid|placeholder-shown|autofill|required|optional|read-only|read-write|indeterminate|default|in-range|out-of-range)$/;
/** States that elements have as pages begin; a rule with these holds while nothing happens. */
const resting =
	/^(link|any-link|checked|disabled|enabled|required|optional|read-only|read-write|valid|invalid|placeholder-shown|in-range|out-of-range|default)$/;

/** The selectors of a list, each as what it says of elements. */
export function subjectsOf(prelude: string): Subject[] {
	let list: CssNode;
	try {
		list = parseSelectors(prelude, { context: 'selectorList' });
	} catch {
		return [];
	}
	if (list.type !== 'SelectorList') return [];
	return list.children.toArray().map(subjectOf);
}

function subjectOf(selector: CssNode): Subject {
	let pseudo: string | undefined;
	let passing = false;
	walk(selector, (node, item, siblings) => {
		const isOld =
			node.type === 'PseudoClassSelector' &&
			/^(before|after|first-line|first-letter)$/.test(node.name);
		if (node.type === 'PseudoElementSelector' || isOld) {
			pseudo = node.name;
			siblings.remove(item);
		} else if (node.type === 'PseudoClassSelector' && passingStates.test(node.name)) {
			passing ||= !resting.test(node.name);
			siblings.remove(item);
		}
	});
	const whole = generate(selector).trim() || '*';
	return { selector: whole, pseudo, passing, subject: lastOf(selector) ?? whole };
}

/** The last compound of a selector (Selectors 4, section 3.1); undefined where it is the only one. */
function lastOf(selector: CssNode): string | undefined {
	if (selector.type !== 'Selector') return undefined;
	const nodes = selector.children.toArray();
	const at = nodes.findLastIndex(({ type }) => type === 'Combinator');
	if (at === -1) return undefined;
	return (
		nodes
			.slice(at + 1)
			.map((node) => generate(node))
			.join('') || '*'
	);
}

/** Elements of a fragment that a selector of single elements names; none where it cannot be read. */
export function namedAmong(nodes: readonly ChildNode[], selector: string): Element[] {
	const isOne = testOf(selector, undefined);
	if (!isOne) return [];
	return nodes.flatMap((node) => (isTag(node) ? elementsFrom(node).filter(isOne) : []));
}

/** Elements in an element, or that itself, which a selector names; undefined where it cannot be read. */
export function namedFrom(
	within: Element,
	selector: string,
	scope?: Element
): readonly Element[] | undefined {
	const isOne = testOf(selector, scope);
	return isOne && elementsFrom(within).filter(isOne);
}

type Test = (element: Element) => boolean;

/** Tests of single elements, by what they say; one that has a root of its own is made for that. */
const tests = new Map<string, Test | undefined>();
const mostTests = 4000;

function testOf(selector: string, scope: Element | undefined): Test | undefined {
	if (scope) return compiled(selector, scope);
	if (!tests.has(selector)) {
		if (tests.size >= mostTests) tests.clear();
		tests.set(selector, compiled(selector));
	}
	return tests.get(selector);
}

function compiled(selector: string, scope?: Element): Test | undefined {
	try {
		return compile<AnyNode, Element>(selector, {}, scope && [scope]);
	} catch {
		return undefined;
	}
}

const found = new WeakMap<Element, readonly Element[]>();

/** An element and all in it, in their order; pages do not change once they are trees. */
export function elementsFrom(root: Element): readonly Element[] {
	let elements = found.get(root);
	if (!elements) found.set(root, (elements = [...inward(root)]));
	return elements;
}
