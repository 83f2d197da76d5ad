import { counted } from '../../messages/wording.ts';
import {
	placeOf,
	type FrameElement,
	type FrameNode,
	type FramePlace,
	type FrameSame
} from '../finding/frame-node.ts';
import { isAlike, sharedFrame } from '../finding/shared-frame.ts';
import {
	attributeOf,
	trimmed,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';
import { canHoldPlace } from '../writing/markup-text.ts';
import { Unfit, type ElementPart } from './choice.ts';

/** An element of one page of a frame. */
export interface Chosen {
	readonly element: BroughtElement;
	/** The page, by its place among those of the frame. */
	readonly page: number;
	readonly as: ElementPart;
}

/**
 * A frame in which an element is what was chosen for it; undefined where it is not in this frame, but for its slot when
 * `inSlot` is not said.
 *
 * @throws Unfit where the pages do not allow it.
 */
export function withChosen(
	nodes: readonly FrameNode[],
	chosen: Chosen,
	titles: readonly string[],
	isSlot: (place: FramePlace) => boolean,
	inSlot: boolean
): FrameNode[] | undefined {
	return new Choosing(chosen, titles, isSlot, inSlot).in(nodes);
}

class Choosing {
	constructor(
		private readonly chosen: Chosen,
		private readonly titles: readonly string[],
		private readonly isSlot: (place: FramePlace) => boolean,
		private readonly inSlot: boolean
	) {}

	in(nodes: readonly FrameNode[]): FrameNode[] | undefined {
		for (const [index, node] of nodes.entries()) {
			const made = this.at(node, nodes, index);
			if (made) return made;
		}
		return undefined;
	}

	private at(node: FrameNode, nodes: readonly FrameNode[], index: number): FrameNode[] | undefined {
		const { element, page } = this.chosen;
		const put = (made: readonly FrameNode[] | undefined): FrameNode[] | undefined =>
			made && [...nodes.slice(0, index), ...made, ...nodes.slice(index + 1)];
		switch (node.kind) {
			case 'same':
			case 'element': {
				const own = node.of[page];
				if (own === element) return this.hit(asElement(node), nodes, index);
				if (!own || !holds(own, element)) return undefined;
				const open = asElement(node);
				const children = this.in(open.children);
				return put(children && [{ ...open, children }]);
			}
			case 'place':
				if (!(node.lists[page] ?? []).some((one) => one === element || holds(one, element))) {
					return undefined;
				}
				if (this.isSlot(node) && !this.inSlot) return undefined;
				return put(this.inPlace(node));
			case 'choice':
				if (
					![node.usual, ...node.cases.map((one) => one.nodes)].some((list) => isIn(list, element))
				)
					return undefined;
				throw new Unfit('This is marked on single pages, so it is a condition of the frame.');
			case 'title':
				return undefined;
		}
	}

	/** An element of the frame itself. */
	private hit(node: FrameElement, nodes: readonly FrameNode[], index: number): FrameNode[] {
		const put = (made: FrameNode): FrameNode[] => [
			...nodes.slice(0, index),
			made,
			...nodes.slice(index + 1)
		];
		const contents = node.of.map(({ children }) => children);
		const hasSlot = this.slotIn(node.children);
		switch (this.chosen.as) {
			case 'frame':
				return put({ ...node, children: this.shared(contents) });
			case 'region':
				if (hasSlot)
					throw new Unfit(
						'What pages bring by themselves is in it. Choose it as the slot, or something in it as a region.'
					);
				return put({ ...node, children: [placeIn(node.tag, regionOf(contents))] });
			case 'slot':
				return put({ ...node, children: [placeIn(node.tag, slotOf(contents))] });
			case 'own':
				return this.own(node, nodes, index, hasSlot);
		}
	}

	/** An element that is each page's own joins the slot beside it; elsewhere it has a place by itself. */
	private own(
		node: FrameElement,
		nodes: readonly FrameNode[],
		index: number,
		hasSlot: boolean
	): FrameNode[] {
		const lists = node.of.map((element) => [element]);
		if (hasSlot) return [...nodes.slice(0, index), slotOf(lists), ...nodes.slice(index + 1)];
		const slot = nodes.findIndex((one) => one.kind === 'place' && this.isSlot(one));
		if (slot === -1) {
			const place = { ...regionOf(lists), usual: undefined };
			return [...nodes.slice(0, index), place, ...nodes.slice(index + 1)];
		}
		const [from, to] = [Math.min(slot, index), Math.max(slot, index)];
		const between = nodes.slice(from, to + 1).map((one) => listsOf(one, node.of.length));
		const joined = node.of.map((_, page) => between.flatMap((list) => list[page] ?? []));
		return [...nodes.slice(0, from), slotOf(joined), ...nodes.slice(to + 1)];
	}

	/** An element of what pages have in a place. */
	private inPlace(place: FramePlace): FrameNode[] {
		const { element, page, as } = this.chosen;
		const list = place.lists[page] ?? [];
		const at = list.findIndex((one) => one === element || holds(one, element));
		const outer = list[at];
		if (outer?.kind !== 'element') return [place];
		const isWhole = outer === element;
		if (as === 'own') {
			if (this.isSlot(place)) throw new Unfit('This is each page’s own already.');
			return [{ ...place, usual: undefined, chosen: 'region' }];
		}
		const places = place.lists.map((one, index) => (index === page ? at : twinIn(one, outer)));
		const lacking = places.filter((one) => one === -1).length;
		const twins = place.lists.flatMap((one, index) => {
			const twin = one[places[index] ?? -1];
			return twin?.kind === 'element' ? [twin] : [];
		});
		const [before, behind] = [
			place.lists.map((one, index) => one.slice(0, Math.max(0, places[index] ?? 0))),
			place.lists.map((one, index) => one.slice((places[index] ?? -1) + 1))
		];
		const around = (made: readonly FrameNode[]): FrameNode[] => [
			...gapOf(before),
			...made,
			...gapOf(behind)
		];
		const isShared = lacking === 0 && twins.every((one) => isAlike(one, outer));
		if (isWhole && as === 'region' && !isShared) {
			const lists = place.lists.map((one, index) =>
				one.slice(places[index], (places[index] ?? -1) + 1)
			);
			return around([regionOf(lists)]);
		}
		if (!isShared) throw new Unfit(this.unshared(outer, lacking));
		const { tag, attributes } = outer;
		const contents = twins.map(({ children }) => children);
		const open = (children: readonly FrameNode[]): FrameNode[] =>
			around([{ kind: 'element', tag, attributes, of: twins, children }]);
		if (!isWhole) {
			const deeper = new Choosing(this.chosen, this.titles, () => false, true);
			return open(deeper.in([placeOf(contents)]) ?? [placeOf(contents)]);
		}
		if (as === 'frame') return open(this.shared(contents));
		return open([placeIn(tag, as === 'slot' ? slotOf(contents) : regionOf(contents))]);
	}

	/** What all pages have in an element, which has to be the same. */
	private shared(contents: FramePlace['lists']): FrameNode[] {
		const children = sharedFrame(contents, this.titles);
		if (!hasPlace(children)) return children;
		throw new Unfit(
			'What is in it differs from page to page, so not all of it can be the frame’s.'
		);
	}

	private unshared(outer: BroughtElement, lacking: number): string {
		const of = this.titles.length;
		const name = `<${outer.tag}>`;
		if (lacking > 0) {
			return `${lacking} of ${counted(of, 'page')} have no ${name} like this one, so it is not the frame’s; it can be a region that they leave empty.`;
		}
		return `The ${name} around it has other attributes from page to page, so it is not the frame’s.`;
	}

	private slotIn(nodes: readonly FrameNode[]): boolean {
		return nodes.some((node) =>
			node.kind === 'place'
				? this.isSlot(node)
				: node.kind === 'element' && this.slotIn(node.children)
		);
	}
}

/** A place in an element, which has to be one that can have it. */
function placeIn(tag: string, place: FramePlace): FramePlace {
	if (canHoldPlace(tag)) return place;
	throw new Unfit(`Nothing can be put into a <${tag}>. Choose the element around it.`);
}

/** Something that is equal on all pages, opened: its children are nodes of the frame. */
function asElement(node: FrameSame | FrameElement): FrameElement {
	if (node.kind === 'element') return node;
	const of = node.of.filter((one) => one.kind === 'element');
	const [first] = of;
	if (!first) throw new Unfit('This is no element.');
	const { tag, attributes } = first;
	const children = first.children.map((child, index): FrameNode => {
		return { kind: 'same', node: child, of: of.flatMap((one) => one.children[index] ?? []) };
	});
	return { kind: 'element', tag, attributes, of, children };
}

/** The place where what is each page's own stands; it has no default. */
function slotOf(lists: FramePlace['lists']): FramePlace {
	return { ...placeOf(lists), usual: undefined, chosen: 'slot' };
}

/** A place that is chosen to be a region: whatever pages have there, it is not the slot. */
function regionOf(lists: FramePlace['lists']): FramePlace {
	return { ...placeOf(lists), chosen: 'region' };
}

/** What stands beside something that became the frame's; nothing where no page has any. */
function gapOf(lists: FramePlace['lists']): FrameNode[] {
	return lists.every((list) => trimmed(list).length === 0) ? [] : [placeOf(lists)];
}

/** What each page has of a part of a frame. */
function listsOf(node: FrameNode, pages: number): readonly (readonly BroughtNode[])[] {
	switch (node.kind) {
		case 'place':
			return node.lists;
		case 'element':
			return node.of.map((one) => [one]);
		case 'same':
			return Array.from({ length: pages }, (_, page) => [node.of[page] ?? node.node]);
		case 'choice':
		case 'title':
			throw new Unfit(
				'Between it and the slot stands a condition or the title, which is the frame’s.'
			);
	}
}

function hasPlace(nodes: readonly FrameNode[]): boolean {
	return nodes.some(
		(node) => node.kind === 'place' || (node.kind === 'element' && hasPlace(node.children))
	);
}

/** The element of a list that is the same as one of another page: equal, or of the same id, class or name; -1 where none is. */
function twinIn(list: readonly BroughtNode[], element: BroughtElement): number {
	const equal = list.findIndex(({ word }) => word === element.word);
	if (equal !== -1) return equal;
	const isOf = (name: string): ((node: BroughtNode) => boolean) => {
		const value = attributeOf(element, name);
		return (node) =>
			value !== undefined &&
			node.kind === 'element' &&
			node.tag === element.tag &&
			attributeOf(node, name) === value;
	};
	for (const test of [isOf('id'), isOf('class')]) {
		const at = list.findIndex(test);
		if (at !== -1) return at;
	}
	const isNamed = attributeOf(element, 'id') !== undefined || attributeOf(element, 'class') !== undefined; // prettier-ignore
	return isNamed
		? -1
		: list.findIndex((node) => node.kind === 'element' && node.tag === element.tag);
}

function isIn(list: readonly BroughtNode[], element: BroughtElement): boolean {
	return list.some((one) => one === element || holds(one, element));
}

/** Whether something has an element in it, at any depth. */
function holds(node: BroughtNode, element: BroughtElement): boolean {
	return (
		node.kind === 'element' &&
		node.children.some((child) => child === element || holds(child, element))
	);
}
