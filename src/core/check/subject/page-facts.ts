import { htmlTagNames } from 'html-tag-names';
import type { Span } from '../../model/span.ts';
import { layerSpan, type Layout, type Page } from '../../model/site.ts';
import { ruleSpan } from '../../author-styles/author-rules.ts';
import { attributeOf, subjectsOf } from '../../author-styles/page-tree.ts';
import { reached } from '../../author-styles/reached.ts';
import { linkTarget } from './link-target.ts';
import type { WrittenPage } from './written-page.ts';

/** A link to a place of the site. */
export interface LinkFact {
	/** The address it leads to, without what is behind # or ?. */
	readonly path: string;
	/** The id behind #; undefined where there is none. */
	readonly id: string | undefined;
	readonly span: Span;
}

/** A selector of an author, and whether it names something on a page. */
export interface SelectorFact {
	readonly text: string;
	readonly span: Span;
	readonly isMatched: boolean;
	/** What another layer wrote would be matched, if the style held for that too. */
	readonly isBeyond: boolean;
	/** It says how a kind of element looks wherever one comes to stand, so it need not stand there yet. */
	readonly isBase: boolean;
}

/** What a page says of itself, for what can be seen only when all pages are known. */
export interface PageFacts {
	readonly page: Page;
	readonly name: string;
	readonly address: string;
	readonly title: string;
	readonly description: string;
	/** The outermost layout that it sits under; undefined for a bare page. */
	readonly frame: Layout | undefined;
	/** Where its title is written, or the page where it has none. */
	readonly titleSpan: Span;
	readonly links: readonly LinkFact[];
	readonly ids: ReadonlySet<string>;
	/** Selectors of authors that may hold on it, by their place and text. */
	readonly selectors: ReadonlyMap<string, SelectorFact>;
}

export function factsOf(page: WrittenPage): PageFacts {
	const { declared, instance } = page;
	return {
		page: declared,
		name: page.name,
		address: instance.address,
		title: page.head.title,
		description: page.head.description.trim(),
		frame: page.page.chain[0],
		titleSpan: declared.title?.span ?? layerSpan(declared),
		links: page.named('a', 'area').flatMap((element): LinkFact[] => {
			const target = linkTarget(attributeOf(element, 'href'), instance.address);
			if (!target) return [];
			return [{ path: target.path, id: target.id, span: page.placeOf(element) }];
		}),
		ids: new Set(page.elements.flatMap((element) => attributeOf(element, 'id') ?? [])),
		selectors: selectorsOn(page)
	};
}

function selectorsOn(page: WrittenPage): ReadonlyMap<string, SelectorFact> {
	const found = new Map<string, SelectorFact>();
	for (const rule of page.rules) {
		const { selectors: text, style } = rule;
		const key = `${style.span.file} ${style.span.from} ${text}`;
		if (found.get(key)?.isMatched) continue;
		const span = ruleSpan(rule);
		const may = mayReach(text, page);
		const isMatched = may && reached(rule, page.tree).length > 0;
		const isHeld = may && !isMatched && rule.within !== undefined;
		const isBeyond = isHeld && reached({ ...rule, within: undefined }, page.tree).length > 0;
		const isBase = !isMatched && style.global && namesKinds(text);
		found.set(key, { text, span, isMatched, isBeyond, isBase });
	}
	return found;
}

const kinds = new Set(htmlTagNames);

const known = new Map<string, boolean>();
const mostKnown = 2000;

/** Whether all that selectors ask for is to be an element that HTML has. They are the same on every page. */
function namesKinds(selectors: string): boolean {
	let isSo = known.get(selectors);
	if (isSo === undefined) {
		const subjects = subjectsOf(selectors);
		isSo = subjects.length > 0 && subjects.every(({ selector }) => kinds.has(selector));
		if (known.size >= mostKnown) known.clear();
		known.set(selectors, isSo);
	}
	return isSo;
}

/** Whether a page has all classes that some selector of a list asks for: most rules are about other pages. */
function mayReach(selectors: string, page: WrittenPage): boolean {
	if (/:(is|where|not|has)\(/.test(selectors)) return true;
	const { html } = page.tree;
	return selectors.split(',').some((selector) => {
		const words = selector.match(/[.#]-?[a-zA-Z_][\w-]*/g) ?? [];
		return words.every((word) => html.includes(word.slice(1)));
	});
}
