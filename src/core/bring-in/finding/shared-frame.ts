import {
	isBlank,
	plain,
	sizeOf,
	textOf,
	trimmed,
	wordOf,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';
import { columnsOf } from './columns.ts';
import {
	costOf,
	costOfPlace,
	placeOf,
	titleCost,
	type FrameChoice,
	type FrameNode,
	type FramePlace
} from './frame-node.ts';

type Lists = readonly (readonly BroughtNode[])[];

/** What stands between two columns, or in one. */
interface Segment {
	readonly lists: Lists;
	/** The column itself, as it would be written; undefined of what stands between. */
	readonly column: readonly FrameNode[] | undefined;
	/** Bytes of source. */
	readonly cost: number;
}

/** Something that so few pages have otherwise is a condition and no region. */
const mostCases = 3;
/** Bytes; more than that is no marked link. */
const largestCase = 600;

/**
 * What some pages share, by the lists of their nodes: of two explanations the one whose source is shorter. Something that
 * costs more to be said as shared than it saves stays a part of what is each page's own. `titles`: what each page is called.
 */
export function sharedFrame(lists: Lists, titles: readonly string[]): FrameNode[] {
	return new Sharing(titles).frame(lists);
}

class Sharing {
	constructor(private readonly titles: readonly string[]) {}

	frame(lists: Lists): FrameNode[] {
		return this.written(this.merged(this.segmentsOf(lists)));
	}

	private segmentsOf(lists: Lists): Segment[] {
		const { places, count } = columnsOf(lists);
		const between = betweenColumns(lists, places, count);
		return between.flatMap((gap, index): Segment[] => {
			if (index === count) return [this.gapOf(gap)];
			const nodes = lists.map((list, page) => {
				const place = places[page]?.[index];
				const node = place === undefined ? undefined : list[place];
				return node ? [node] : [];
			});
			return [this.gapOf(gap), this.columnOf(nodes)];
		});
	}

	private gapOf(lists: Lists): Segment {
		return { lists, column: undefined, cost: this.costOfGap(lists) };
	}

	private costOfGap(lists: Lists): number {
		if (isSame(lists)) return sizeOf(trimmed(lists[0] ?? []));
		return this.isTitle(lists) ? titleCost : costOfPlace(placeOf(lists));
	}

	/** Whether what differs is what each page is called. */
	private isTitle(lists: Lists): boolean {
		return lists.every((list, page) => {
			const [text, ...others] = trimmed(list);
			if (text?.kind !== 'text' || others.length > 0) return false;
			return plain(text.text) === this.titles[page];
		});
	}

	private columnOf(lists: Lists): Segment {
		const place = placeOf(lists);
		const asPlace: Segment = { lists, column: [place], cost: costOfPlace(place) };
		const nodes = lists.flat();
		const [first] = nodes;
		if (!first || nodes.length < lists.length) return asPlace;
		if (nodes.every(({ word }) => word === first.word)) {
			return { lists, column: [{ kind: 'same', node: first, of: nodes }], cost: first.size };
		}
		const elements = nodes.filter((node) => node.kind === 'element');
		const [element] = elements;
		const isElement =
			element && elements.length === nodes.length && elements.every((one) => isAlike(one, element));
		if (!isElement) return asPlace;
		const { tag, attributes } = element;
		const children = this.frame(elements.map((one) => one.children));
		const column: FrameNode[] = [{ kind: 'element', tag, attributes, of: elements, children }];
		const cost = costOf(column);
		return cost < asPlace.cost ? { lists, column, cost } : asPlace;
	}

	/** Columns that cost more than they save become a part of what stands around them. */
	private merged(segments: readonly Segment[]): Segment[] {
		const kept = [...segments];
		for (let isChanged = true; isChanged;) {
			isChanged = false;
			for (let at = 1; at < kept.length; at += 2) {
				const three = kept.slice(at - 1, at + 2);
				if (three.every(({ lists }) => isSame(lists))) continue;
				const lists = together(three);
				const cost = this.costOfGap(lists);
				if (cost > three.reduce((sum, one) => sum + one.cost, 0)) continue;
				kept.splice(at - 1, 3, { lists, column: undefined, cost });
				isChanged = true;
				at -= 2;
			}
		}
		return kept;
	}

	private written(segments: readonly Segment[]): FrameNode[] {
		const nodes: FrameNode[] = [];
		for (let at = 0; at < segments.length; at++) {
			const segment = segments[at];
			if (!segment) continue;
			const choice = choiceOf(segment, segments[at + 1]);
			if (choice) {
				nodes.push(...blanksOf(segment.lists), choice);
				at++;
			} else {
				nodes.push(...(segment.column ? ofColumn(segment.column) : this.ofGap(segment.lists)));
			}
		}
		return nodes;
	}

	private ofGap(lists: Lists): FrameNode[] {
		if (lists.every((list) => trimmed(list).length === 0)) return blanksOf(lists);
		if (isSame(lists)) return sameIn(lists);
		const place = placeOf(lists);
		if (!this.isTitle(lists)) return around(place, ofColumn([place]));
		const { blankBefore, blankBehind } = place;
		return [{ kind: 'title', blankBefore, blankBehind }];
	}
}

/** What is equal in some lists but for blanks at their ends. */
function sameIn(lists: Lists): FrameNode[] {
	const [first = []] = lists;
	const offset = first.indexOf(trimmed(first)[0] ?? blankText);
	const kept = lists.map(trimmed);
	return first.map((node, at): FrameNode => {
		const of = kept.flatMap((list) => list[at - Math.max(0, offset)] ?? []);
		return { kind: 'same', node, of: of.length === lists.length ? of : [node] };
	});
}

const blankText: BroughtNode = { kind: 'text', text: '\n', word: -1, size: 1 };

/** A condition in the place of a place has the blanks around it. */
function around(place: FramePlace, made: readonly FrameNode[]): FrameNode[] {
	const [only] = made;
	if (only?.kind !== 'choice') return [...made];
	const blank: FrameNode = { kind: 'same', node: blankText, of: [] };
	return [...(place.blankBefore ? [blank] : []), only, ...(place.blankBehind ? [blank] : [])];
}

/** What stands between columns, in front of the first and behind the last, in each list. */
function betweenColumns(
	lists: Lists,
	places: readonly (readonly (number | undefined)[])[],
	count: number
): Lists[] {
	const rows = lists.map((list, page) => {
		const gaps = Array.from({ length: count + 1 }, (): readonly BroughtNode[] => []);
		let [open, last] = [0, 0];
		// What stands where a page lacks a column belongs to what is in front of that.
		for (let column = 0; column < count; column++) {
			const place = places[page]?.[column];
			if (place === undefined) continue;
			gaps[open] = list.slice(last, place);
			[open, last] = [column + 1, place + 1];
		}
		gaps[open] = list.slice(last);
		return gaps;
	});
	return Array.from({ length: count + 1 }, (_, gap) => rows.map((row) => row[gap] ?? []));
}

/** Whether two elements are the same but for what is in them. */
export function isAlike(one: BroughtElement, other: BroughtElement): boolean {
	return (
		one.tag === other.tag &&
		one.attributes.length === other.attributes.length &&
		one.attributes.every(({ name, value }, at) => {
			const twin = other.attributes[at];
			return twin?.name === name && twin.value === value;
		})
	);
}

/** Nothing differs between some lists but blanks at their ends. */
function isSame(lists: Lists): boolean {
	const [first = []] = lists;
	const word = wordOf(trimmed(first));
	return lists.every((list) => list === first || wordOf(trimmed(list)) === word);
}

function together(segments: readonly Segment[]): Lists {
	const [first] = segments;
	return (first?.lists ?? []).map((_, page) => segments.flatMap(({ lists }) => lists[page] ?? []));
}

/** A column that a few pages lack, and have something else in front of: that is another on those pages. */
function choiceOf(gap: Segment, next: Segment | undefined): FrameChoice | undefined {
	const [place] = next?.column ?? [];
	if (gap.column || place?.kind !== 'place' || !place.usual?.length) return undefined;
	const cases = place.lists.flatMap((list, page) =>
		list.length === 0 ? [{ page, nodes: trimmed(gap.lists[page] ?? []) }] : []
	);
	const others = gap.lists.filter((list) => trimmed(list).length > 0).length;
	if (others > cases.length || cases.some(({ nodes }) => nodes.length === 0)) return undefined;
	const { usual } = place;
	return isMarked(usual, cases) ? { kind: 'choice', usual, cases } : undefined;
}

/** Whether some cases say the same as what is usual, marked in another way: as a menu marks the page it is on. */
function isMarked(usual: readonly BroughtNode[], cases: FrameChoice['cases']): boolean {
	const words = plain(usual.map(textOf).join(''));
	return (
		cases.length <= mostCases &&
		cases.every(
			({ nodes }) => sizeOf(nodes) <= largestCase && plain(nodes.map(textOf).join('')) === words
		)
	);
}

/** What is the same on all but a few pages is a condition where it is small. */
function ofColumn(column: readonly FrameNode[]): readonly FrameNode[] {
	const [place] = column;
	if (place?.kind !== 'place' || !place.usual?.length) return column;
	const { lists, usual } = place;
	const cases = lists.flatMap((nodes, page) =>
		wordOf(nodes) === wordOf(usual) ? [] : [{ page, nodes }]
	);
	const isOwn = cases.every(({ nodes }) => nodes.length > 0) && lists.length > 2 * cases.length;
	return isOwn && isMarked(usual, cases) ? [{ kind: 'choice', usual, cases }] : column;
}

/** Blank text as most lists have it. */
function blanksOf(lists: Lists): FrameNode[] {
	const found = lists.flatMap((list) => list.find(isBlank) ?? []);
	const [first] = found;
	return first && found.length * 2 > lists.length ? [{ kind: 'same', node: first, of: [] }] : [];
}
