import type { PieceName } from '../model/piece-key.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { AuthorRule } from '../author-styles/author-rules.ts';
import {
	attributeOf,
	inward,
	outward,
	type Element,
	type PageTree
} from '../author-styles/page-tree.ts';
import { reached } from '../author-styles/reached.ts';
import { ScreenUse } from './screen-use.ts';

/** How the size of some content depends on the screen, besides the room that it gets. */
export interface Dependence {
	/** Screens from which on it may be another, px, narrowest first. */
	readonly breakpoints: readonly number[];
	/** It may be another on each screen. */
	readonly fluid: boolean;
	/** It may depend on how high the screen is. */
	readonly byHeight: boolean;
}

/** The size follows from the room alone. */
const independent: Dependence = { breakpoints: [], fluid: false, byHeight: false };

/** How the sizes of all content of a page depend on the screen. */
export class PageDependences {
	private readonly uses = new Map<Element, ScreenUse>();
	/** The elements that content begins with, by region, and the names of its piece. */
	private readonly content = new Map<string, Element[]>();

	constructor(
		readonly tree: PageTree,
		rules: readonly AuthorRule[],
		resolved: ResolvedSite
	) {
		const properties = ScreenUse.ofProperties(rules, resolved.site);
		for (const rule of rules) {
			const use = ScreenUse.of(rule, properties, resolved.site);
			if (!use) continue;
			for (const { element } of reached(rule, tree)) this.note(element, use);
		}
		for (const top of tree.document.children) {
			if (top.type === 'tag') for (const element of inward(top)) this.look(element, properties);
		}
	}

	/** Of pieces in a region, or of the button that opens a drawer. */
	of(region: string | undefined, pieces: readonly PieceName[]): Dependence {
		const elements = this.elementsOf(region, pieces);
		const uses: ScreenUse[] = [];
		for (const element of elements) {
			for (const inside of inward(element)) uses.push(...this.usesOf(inside));
		}
		const [first] = elements;
		for (const around of first ? outward(first) : []) {
			uses.push(...this.usesOf(around).filter(({ inherited }) => inherited));
		}
		return uses.length === 0 ? independent : ScreenUse.sum(uses);
	}

	/** The outermost elements of pieces in a region. */
	elementsOf(region: string | undefined, pieces: readonly PieceName[]): Element[] {
		return pieces.flatMap(
			({ piece, owner }) => this.content.get(contentWord(region, piece, owner)) ?? []
		);
	}

	private usesOf(element: Element): ScreenUse[] {
		const use = this.uses.get(element);
		return use ? [use] : [];
	}

	private look(element: Element, properties: ReadonlyMap<string, ScreenUse>): void {
		const own = ScreenUse.ofElement(element.attribs, properties);
		if (own) this.note(element, own);
		const piece = attributeOf(element, 'data-piece') ?? attributeOf(element, 'data-opener');
		if (piece === undefined) return;
		const owner =
			attributeOf(element, 'data-layout') ??
			attributeOf(element, 'data-route') ??
			attributeOf(element, 'data-state') ??
			'';
		let region: string | undefined;
		for (const around of outward(element)) region ??= attributeOf(around, 'data-region');
		const word = contentWord(region, piece, owner);
		this.content.set(word, [...(this.content.get(word) ?? []), element]);
	}

	private note(element: Element, use: ScreenUse): void {
		const before = this.uses.get(element);
		this.uses.set(element, before ? before.with(use) : use);
	}
}

function contentWord(region: string | undefined, piece: string, owner: string): string {
	return `${region ?? ''} ${owner}:${piece}`;
}
