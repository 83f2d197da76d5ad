import type { SheetGroup } from './groups.ts';
import type { SheetRow } from './sheet-row.ts';

/** What stands in the lines of the sheet, with where its line begins and how high that is, px. */
export type SheetItem = {
	readonly key: string;
	readonly top: number;
	readonly height: number;
	/** Its place in its line, from 0. */
	readonly place: number;
} & (
	| {
			readonly kind: 'group';
			readonly group: SheetGroup;
			readonly pages: number;
			/** How many tiles of its line are of it. */
			readonly span: number;
			/** It begins in a line further up. */
			readonly goesOn: boolean;
	  }
	| {
			readonly kind: 'row';
			readonly row: SheetRow;
			/** Pages that draw alike and are folded away behind it. */
			readonly behind: readonly SheetRow[];
			/** Its stack is unfolded. */
			readonly open: boolean;
			/** It came from behind another. */
			readonly member: boolean;
			/** px; room above it for the names of the groups that begin in its line. */
			readonly head: number;
	  }
);

/** px */
export const groupHeight = 38;

interface Tile {
	readonly row: SheetRow;
	readonly behind: readonly SheetRow[];
	readonly open: boolean;
	readonly member: boolean;
	readonly group: SheetGroup;
	/** It is the first of its group. */
	readonly begins: boolean;
}

/**
 * The sheet as a list, from top to bottom, with so many pages in a line; a group goes on in the line
 * in which the one before it ends. `heightOf` says how high a page is, px.
 */
export function itemsOf(
	groups: readonly SheetGroup[],
	unfolded: ReadonlySet<string>,
	perLine: number,
	heightOf: (row: SheetRow, behind: readonly SheetRow[]) => number
): SheetItem[] {
	const tiles = groups.flatMap((group) => tilesOf(group, unfolded));
	const items: SheetItem[] = [];
	let top = 0;
	for (let from = 0; from < tiles.length; from += perLine) {
		const line = tiles.slice(from, from + perLine);
		const head = line.some(({ begins }) => begins) ? groupHeight : 0;
		const height = head + Math.max(...line.map(({ row, behind }) => heightOf(row, behind)));
		for (const [place, { begins, group, ...tile }] of line.entries()) {
			const at = { top, height, place };
			// Where others begin beside it, what goes on from further up is named once more.
			if (begins || (place === 0 && head > 0)) {
				items.push({ kind: 'group', ...at, ...groupIn(group, line, place), goesOn: !begins });
			}
			items.push({ kind: 'row', key: `row ${tile.row.page}`, ...at, ...tile, head });
		}
		top += height;
	}
	return items;
}

function tilesOf(group: SheetGroup, unfolded: ReadonlySet<string>): Tile[] {
	const tiles = group.stacks.flatMap(({ first, others }) => {
		const open = unfolded.has(first.page);
		const members = open ? others : [];
		return [
			{ row: first, behind: others, open, member: false },
			...members.map((row) => ({ row, behind: [], open, member: true }))
		];
	});
	return tiles.map((tile, index) => ({ ...tile, group, begins: index === 0 }));
}

/** The name of a group above its tiles of a line. */
function groupIn(
	group: SheetGroup,
	line: readonly Tile[],
	place: number
): { key: string; group: SheetGroup; pages: number; span: number } {
	const next = line.findIndex(({ begins }, index) => index > place && begins);
	const pages = group.stacks.reduce((sum, { others }) => sum + 1 + others.length, 0);
	const span = (next < 0 ? line.length : next) - place;
	return { key: `group ${group.key} ${line[0]?.row.page}`, group, pages, span };
}

/** Those that are seen in a window of the list, and some beside it, px. */
export function itemsIn(items: readonly SheetItem[], from: number, height: number): SheetItem[] {
	const spare = height / 2;
	const first = firstBelow(items, from - spare);
	const found: SheetItem[] = [];
	for (let index = first; index < items.length; index++) {
		const item = items[index];
		if (!item || item.top > from + height + spare) break;
		found.push(item);
	}
	return found;
}

/** The place of the first that ends below a height, px. */
function firstBelow(items: readonly SheetItem[], at: number): number {
	let [low, high] = [0, items.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		const item = items[middle];
		if (item && item.top + item.height <= at) low = middle + 1;
		else high = middle;
	}
	return low;
}
