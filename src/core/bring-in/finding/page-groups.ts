import type { BroughtNode } from '../reading/brought-node.ts';
import { columnsOf } from './columns.ts';
import type { BroughtPage } from '../reading/read-page.ts';

/** Bytes that two pages have to share before it is worth a frame. */
const leastShared = 160;
/** Bytes; what is smaller is in every page by chance. */
const leastNode = 20;
/** Kinds of pages that are told apart in one group. */
const mostKinds = 8;
/** Bytes of what two pages share beyond which more of it says nothing more. */
const mostTelling = 4000;
/** Pages that are looked at to find the one that is most like the others. */
const mostLooked = 24;

/** Pages in groups that may have one frame, the largest first; a page that shares nothing with others is one by itself. */
export function groupsOf(pages: readonly BroughtPage[]): BroughtPage[][] {
	const groups: BroughtPage[][] = [];
	let left = [...pages];
	while (left.length > 0) {
		const center = mostLike(left);
		if (!center) break;
		const known = wordsOf(center);
		const group = left.filter((page) => page === center || sharedWith(page, known) >= leastShared);
		const alike = group.length > 1 ? withoutOdd(nearest(group, center)) : group;
		groups.push(alike);
		const taken = new Set(alike);
		left = left.filter((page) => !taken.has(page));
	}
	return groups.sort((a, b) => b.length - a.length);
}

/**
 * Those of some pages that are more like their center than like any that is least like it: pages of two kinds may share a
 * head, and nothing else.
 */
function nearest(group: readonly BroughtPage[], center: BroughtPage): BroughtPage[] {
	const known = wordsOf(center);
	const shared = new Map(group.map((page) => [page, sharedWith(page, known)]));
	let near = [...group];
	for (let tries = 0; tries < mostKinds; tries++) {
		const other = near.reduce<BroughtPage | undefined>(
			(least, page) =>
				page !== center && (!least || (shared.get(page) ?? 0) < (shared.get(least) ?? 0))
					? page
					: least,
			undefined
		);
		if (!other) return near;
		const others = wordsOf(other);
		const gone = near.filter(
			(page) => page !== other && sharedWith(page, others) > (shared.get(page) ?? 0) + leastShared
		);
		if (gone.length === 0) return near;
		const left = new Set([other, ...gone]);
		near = near.filter((page) => page === center || !left.has(page));
	}
	return near;
}

/** Of that share of the pages a part has to be in for those without it to stand aside. */
const mostly = 0.9;

/**
 * A group without the few pages that lack something which differs on all others and is large, such as a bar with links to
 * the neighbours: it could not be shared as long as they are in the group.
 */
function withoutOdd(group: readonly BroughtPage[]): BroughtPage[] {
	const { places, count } = columnsOf(group.map(({ content }) => content));
	const odd = new Set<BroughtPage>();
	for (let column = 0; column < count; column++) {
		const nodes = group.map(({ content }, page) => {
			const place = places[page]?.[column];
			return place === undefined ? undefined : content[place];
		});
		const found = nodes.filter((node) => node !== undefined);
		const [first] = found;
		const isWhole = found.length === group.length || found.length < group.length * mostly;
		if (isWhole || !first || first.size < leastShared) continue;
		if (found.every(({ word }) => word === first.word)) continue;
		for (const [page, node] of nodes.entries()) {
			const one = group[page];
			if (!node && one) odd.add(one);
		}
	}
	return group.filter((page) => !odd.has(page));
}

/** The page that shares most with some of the others. */
function mostLike(pages: readonly BroughtPage[]): BroughtPage | undefined {
	const step = Math.max(1, Math.floor(pages.length / mostLooked));
	const some = pages.filter((_, index) => index % step === 0);
	let best: { page: BroughtPage; shared: number } | undefined;
	for (const page of some) {
		const known = wordsOf(page);
		const shared = some.reduce(
			(sum, one) => sum + Math.min(mostTelling, sharedWith(one, known)),
			0
		);
		if (!best || shared > best.shared) best = { page, shared };
	}
	return best?.page;
}

function wordsOf({ head, content }: BroughtPage): Set<number> {
	return wordsIn(content, wordsIn(head));
}

/** Bytes of a page that are equal to something of another. */
function sharedWith({ head, content }: BroughtPage, known: ReadonlySet<number>): number {
	return sharedBytes(head, known) + sharedBytes(content, known);
}

function wordsIn(nodes: readonly BroughtNode[], into = new Set<number>()): Set<number> {
	for (const node of nodes) {
		if (node.size < leastNode) continue;
		into.add(node.word);
		if (node.kind === 'element') wordsIn(node.children, into);
	}
	return into;
}

function sharedBytes(nodes: readonly BroughtNode[], known: ReadonlySet<number>): number {
	return nodes.reduce((sum, node) => {
		if (node.size < leastNode) return sum;
		if (known.has(node.word)) return sum + node.size;
		return node.kind === 'element' ? sum + sharedBytes(node.children, known) : sum;
	}, 0);
}
