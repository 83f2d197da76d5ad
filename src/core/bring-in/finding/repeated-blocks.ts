import { freeName, nameFrom } from '../../model/name.ts';
import { attributeOf, type BroughtElement, type BroughtNode } from '../reading/brought-node.ts';
import type { BroughtPage } from '../reading/read-page.ts';
import type { FoundFrame } from './found-frame.ts';
import { ownLists } from './frame-node.ts';

/** A block that stands on several pages word for word, in what is each page's own. */
export interface RepeatedBlock {
	/** What it could be called as a part. */
	readonly name: string;
	readonly element: BroughtElement;
	/** Paths of the pages that have it. */
	readonly pages: readonly string[];
	/** How often it stands there. */
	readonly count: number;
}

/** Bytes; what is smaller is written again more easily than it is named. */
const leastBytes = 120;
const leastPages = 3;
/** Elements that are no block by themselves. */
const noBlocks = new Set(['script', 'style', 'link', 'br', 'hr', 'tr', 'td', 'th', 'tbody', 'thead', 'option', 'li', 'dt', 'dd', 'pre', 'textarea']); // prettier-ignore

/** The blocks that pages repeat, those that save most first; of a block in a block that is as often there, the outer one. */
export function repeatedBlocks(
	pages: readonly BroughtPage[],
	frames: readonly FoundFrame[]
): RepeatedBlock[] {
	const found = new Map<number, { element: BroughtElement; pages: Set<string>; count: number }>();
	const own = pages.map((page) => ({ page, nodes: ownOf(page, frames) }));
	for (const { page, nodes } of own) {
		for (const element of nodes.flatMap(blocksIn)) {
			const known = found.get(element.word) ?? { element, pages: new Set<string>(), count: 0 };
			found.set(element.word, known);
			known.pages.add(page.path);
			known.count++;
		}
	}
	const often = [...found.values()].filter((one) => one.pages.size >= leastPages);
	const inside = new Set<number>();
	for (const { element, count } of often) {
		for (const inner of element.children.flatMap(blocksIn)) {
			if (found.get(inner.word)?.count === count) inside.add(inner.word);
		}
	}
	const names = new Set<string>();
	return often
		.filter(({ element }) => !inside.has(element.word))
		.sort((a, b) => b.element.size * b.count - a.element.size * a.count)
		.map(({ element, pages: on, count }) => {
			const name = freeName(nameOf(element), names);
			names.add(name);
			return { name, element, pages: [...on], count };
		});
}

function blocksIn(node: BroughtNode): BroughtElement[] {
	if (node.kind !== 'element' || node.size < leastBytes) return [];
	const inner = node.children.flatMap(blocksIn);
	return noBlocks.has(node.tag) ? inner : [node, ...inner];
}

/** What is a page's own: what stands in its slot, and what it puts into regions otherwise than most. */
function ownOf(page: BroughtPage, frames: readonly FoundFrame[]): readonly BroughtNode[] {
	const frame = frames.find(({ pages }) => pages.includes(page));
	if (!frame) return page.content;
	const index = frame.pages.indexOf(page);
	return frame.regions.flatMap(({ place, isSlot }): readonly BroughtNode[] => {
		if (!isSlot) return ownLists(place)[index] ?? [];
		const list = place.lists[index] ?? [];
		return frame.inner.some(({ pages }) => pages.includes(page)) ? ownOf(page, frame.inner) : list;
	});
}

function nameOf(element: BroughtElement): string {
	const [first = ''] = attributeOf(element, 'class')?.trim().split(/\s+/) ?? [];
	const names = [nameFrom(attributeOf(element, 'id') ?? ''), nameFrom(first)];
	return names.find((name) => name !== '') ?? 'block';
}
