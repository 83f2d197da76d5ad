import {
	isBlank,
	sizeOf,
	trimmed,
	wordOf,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';

/** What several pages share, with places where they differ. */
export type FrameNode =
	| FrameSame
	| FrameElement
	| FramePlace
	| FrameChoice
	/** What each page is called. */
	| { readonly kind: 'title'; readonly blankBefore: boolean; readonly blankBehind: boolean };

/** Something that is equal on all pages. */
export interface FrameSame {
	readonly kind: 'same';
	readonly node: BroughtNode;
	/** The node of each page, in the order of the pages; of blank text maybe none. */
	readonly of: readonly BroughtNode[];
}

/** An element that all pages have, with something in it that differs. */
export interface FrameElement extends Pick<BroughtElement, 'tag' | 'attributes'> {
	readonly kind: 'element';
	/** The element of each page, in the order of the pages. */
	readonly of: readonly BroughtElement[];
	readonly children: readonly FrameNode[];
}

/** A place that pages fill, each with something of its own, or with what most of them have there. */
export interface FramePlace {
	readonly kind: 'place';
	/** What each page has there, in the order of the pages. */
	readonly lists: readonly (readonly BroughtNode[])[];
	/** What most of them have there, where at least two have the same. */
	readonly usual: readonly BroughtNode[] | undefined;
	/** Blank text stands in front of it, and behind it, on most pages. */
	readonly blankBefore: boolean;
	readonly blankBehind: boolean;
	/** What someone has said that it is. */
	readonly chosen?: 'slot' | 'region';
}

/** What is another on single pages, such as the marked link of a menu. */
export interface FrameChoice {
	readonly kind: 'choice';
	readonly usual: readonly BroughtNode[];
	readonly cases: readonly { readonly page: number; readonly nodes: readonly BroughtNode[] }[];
}

/* Bytes of the source that a thing costs besides the markup in it: `fill name { piece name """…""" }` and the like. */
/** Of what a page is called, `{page.title}`. */
export const titleCost = 12;
const placeCost = 28;
const fillCost = 44;
const caseCost = 48;

/** A place of what pages have there; undefined where none has anything. */
export function placeOf(lists: readonly (readonly BroughtNode[])[]): FramePlace {
	const kept = lists.map(trimmed);
	const counts = new Map<string, number>();
	for (const list of kept) {
		const word = wordOf(list);
		counts.set(word, (counts.get(word) ?? 0) + 1);
	}
	const [most, count] = [...counts].reduce((a, b) => (b[1] > a[1] ? b : a), ['', 0]);
	const usual = count > 1 ? kept.find((list) => wordOf(list) === most) : undefined;
	const filled = lists.filter((list) => list.length > 0);
	const isMost = (blanks: number): boolean => blanks * 2 > filled.length;
	return {
		kind: 'place',
		lists: kept,
		usual,
		blankBefore: isMost(filled.filter((list) => isBlank(list[0])).length),
		blankBehind: isMost(filled.filter((list) => isBlank(list.at(-1))).length)
	};
}

/** What pages have in a place where that is not what most of them have there: undefined for each other page. */
export function ownLists({
	lists,
	usual
}: Pick<FramePlace, 'lists' | 'usual'>): (readonly BroughtNode[] | undefined)[] {
	const word = usual && wordOf(usual);
	return lists.map((list) => (wordOf(list) === word ? undefined : list));
}

/** What a place costs as source, bytes. */
export function costOfPlace(place: Pick<FramePlace, 'lists' | 'usual'>): number {
	return ownLists(place).reduce<number>(
		(sum, own) => (own ? sum + fillCost + sizeOf(own) : sum),
		placeCost + (place.usual ? sizeOf(place.usual) : 0)
	);
}

/** What a frame costs as source, bytes: the shorter of two explanations is the better one. */
export function costOf(nodes: readonly FrameNode[]): number {
	return nodes.reduce((sum, node) => sum + costOfNode(node), 0);
}

function costOfNode(node: FrameNode): number {
	switch (node.kind) {
		case 'same':
			return node.node.size;
		case 'element': {
			const said = node.attributes.reduce(
				(sum, { name, value }) => sum + name.length + value.length + 4,
				0
			);
			return 2 * node.tag.length + 5 + said + costOf(node.children);
		}
		case 'place':
			return costOfPlace(node);
		case 'title':
			return titleCost;
		case 'choice':
			return node.cases.reduce(
				(sum, { nodes }) => sum + caseCost + sizeOf(nodes),
				sizeOf(node.usual)
			);
	}
}

/** All places of a frame, in the order of reading. */
export function placesIn(nodes: readonly FrameNode[]): FramePlace[] {
	return nodes.flatMap((node) =>
		node.kind === 'place' ? [node] : node.kind === 'element' ? placesIn(node.children) : []
	);
}
