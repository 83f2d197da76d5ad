import type { SheetGroup } from '$core/sheet/groups.ts';
import type { SheetRow } from '$core/sheet/sheet-row.ts';

/** What stands below one another on the sheet, with where it begins, px. */
export type SheetItem = {
	readonly key: string;
	readonly top: number;
	readonly height: number;
} & (
	| { readonly kind: 'group'; readonly group: SheetGroup; readonly pages: number }
	| {
			readonly kind: 'row';
			readonly row: SheetRow;
			/** Pages that draw alike and are folded away behind it. */
			readonly behind: readonly SheetRow[];
			/** Its stack is unfolded. */
			readonly open: boolean;
			/** It came from behind another. */
			readonly member: boolean;
	  }
);

const groupHeight = 38;

/** The sheet as a list, from top to bottom. */
export function itemsOf(
	groups: readonly SheetGroup[],
	unfolded: ReadonlySet<string>,
	rowHeight: number
): SheetItem[] {
	const items: SheetItem[] = [];
	let top = 0;
	for (const group of groups) {
		const pages = group.stacks.reduce((sum, { others }) => sum + 1 + others.length, 0);
		items.push({
			kind: 'group',
			key: `group ${group.key}`,
			top,
			height: groupHeight,
			group,
			pages
		});
		top += groupHeight;
		for (const { first, others } of group.stacks) {
			const open = unfolded.has(first.page);
			const rows = open ? [first, ...others] : [first];
			for (const [index, row] of rows.entries()) {
				const behind = index === 0 ? others : [];
				items.push({
					kind: 'row',
					key: `row ${row.page}`,
					top,
					height: rowHeight,
					row,
					behind,
					open,
					member: index > 0
				});
				top += rowHeight;
			}
		}
	}
	return items;
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
