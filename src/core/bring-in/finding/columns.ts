import {
	attributeOf,
	isBlank,
	type BroughtElement,
	type BroughtNode
} from '../reading/brought-node.ts';

/** What several lists have in common, in their order. */
export interface Columns {
	/** For each list the place in it at which each column stands; undefined where the list has none. */
	readonly places: readonly (readonly (number | undefined)[])[];
	readonly count: number;
}

/** Of that share of the lists something has to be in to be common to all. */
const commonFrom = 0.75;

/**
 * Finds what stands in most of some lists of nodes, in the same order, and once in each: it is equal, or an element of the
 * same name and id, class, or name alone. So it is found whatever stands between.
 */
export function columnsOf(lists: readonly (readonly BroughtNode[])[]): Columns {
	const alike = alikeColumns(lists);
	if (alike) return alike;
	const marks = lists.map(marksOf);
	const support = new Map<string, number>();
	for (const { at } of marks) {
		for (const mark of at.keys()) support.set(mark, (support.get(mark) ?? 0) + 1);
	}
	const least = Math.max(2, lists.length * commonFrom);
	/** Of each list the columns it could have, by their places in it. */
	const rows = marks.map(({ at, ofNode }) =>
		ofNode.flatMap((own, place): { mark: string; place: number }[] => {
			const known = own.filter((mark) => at.get(mark) === place);
			const best = known.reduce<string | undefined>(
				(a, b) => (a === undefined || (support.get(b) ?? 0) > (support.get(a) ?? 0) ? b : a),
				undefined
			);
			return best !== undefined && (support.get(best) ?? 0) >= least ? [{ mark: best, place }] : [];
		})
	);
	const longest = rows.reduce((a, b) => (b.length > a.length ? b : a), []);
	const order = new Map(longest.map(({ mark }, index) => [mark, index]));
	const places = rows.map((row) => {
		const found = row.flatMap(({ mark, place }) => {
			const column = order.get(mark);
			return column === undefined ? [] : [{ column, place }];
		});
		const own: (number | undefined)[] = longest.map(() => undefined);
		for (const { column, place } of inOrder(found)) own[column] = place;
		return own;
	});
	return { places, count: longest.length };
}

/** Lists of so many elements are compared by their places alone. */
const mostAlike = 40;

/** Lists with the same kinds of nodes one after the other, such as rows of a table, have a column for each element. */
function alikeColumns(lists: readonly (readonly BroughtNode[])[]): Columns | undefined {
	const [first = [], ...others] = lists.map((list) => elementsIn(list));
	if (others.length === 0 || first.length < 2 || first.length > mostAlike) return undefined;
	const isAlike = others.every(
		(one) => one.length === first.length && one.every(({ tag }, at) => tag === first[at]?.tag)
	);
	if (!isAlike) return undefined;
	const places = [first, ...others].map((one) => one.map(({ place }) => place));
	return { places, count: first.length };
}

function elementsIn(
	list: readonly BroughtNode[]
): { readonly tag: string; readonly place: number }[] {
	return list.flatMap((node, place) => (node.kind === 'element' ? [{ tag: node.tag, place }] : []));
}

interface Marks {
	/** Where each mark stands that is in the list once. */
	readonly at: ReadonlyMap<string, number>;
	/** The marks of each node, the most telling first. */
	readonly ofNode: readonly (readonly string[])[];
}

function marksOf(list: readonly BroughtNode[]): Marks {
	const at = new Map<string, number>();
	const twice = new Set<string>();
	const ofNode = list.map((node, place) => {
		const own = marksOfNode(node);
		for (const mark of own) {
			if (at.has(mark)) twice.add(mark);
			at.set(mark, place);
		}
		return own;
	});
	for (const mark of twice) at.delete(mark);
	return { at, ofNode };
}

function marksOfNode(node: BroughtNode): string[] {
	if (node.kind === 'comment' || isBlank(node)) return [];
	if (node.kind === 'text') return [`w${node.word}`];
	const { tag } = node;
	return [
		`w${node.word}`,
		...named(node, 'id', `k${tag}#`),
		...named(node, 'class', `c${tag}.`),
		`t${tag}`
	];
}

function named(element: BroughtElement, attribute: string, before: string): string[] {
	const value = attributeOf(element, attribute);
	return value === undefined ? [] : [before + value];
}

/** The most of some pairs whose columns and places both go up (patience sorting). */
function inOrder<T extends { readonly column: number }>(pairs: readonly T[]): T[] {
	const tops: { readonly pair: T; readonly before: Top | undefined }[] = [];
	interface Top {
		readonly pair: T;
		readonly before: Top | undefined;
	}
	for (const pair of pairs) {
		let [low, high] = [0, tops.length];
		while (low < high) {
			const middle = (low + high) >> 1;
			if ((tops[middle]?.pair.column ?? 0) < pair.column) low = middle + 1;
			else high = middle;
		}
		tops[low] = { pair, before: low > 0 ? tops[low - 1] : undefined };
	}
	const found: T[] = [];
	for (let top: Top | undefined = tops.at(-1); top; top = top.before) found.unshift(top.pair);
	return found;
}
