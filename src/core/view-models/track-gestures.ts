import type { Side } from '../model/command.ts';

/** What dragging and painting over a page's tracks comes to in the text; px of the page throughout. */

/** Where something begins and ends along one axis, from left to right and from top to bottom, px. */
export interface Extent {
	readonly from: number;
	readonly to: number;
}

/** A size in px, as a share of what it is in, and in twelfths of it. */
export function sizeWords(size: number, whole: number): string {
	const share = whole > 0 ? size / whole : 0;
	return `${Math.round(size)} px, ${(share * 100).toFixed(1)} %, ${(share * 12).toFixed(1)} of 12`;
}

/** The size of a dragged track as it is written: what was a share stays one, all else becomes px. */
export function trackText(before: string, size: number, whole: number): string {
	if (/^[\d.]+%$/.test(before) && whole > 0) {
		return `${Number(((size / whole) * 100).toFixed(2))}%`;
	}
	return `${Math.round(size)}px`;
}

/** A cell of the areas: column and row, from 0. */
export type Cell = readonly [column: number, row: number];

/** Whether a cell lies in the rectangle that two cells span. */
export function isBetween([column, row]: Cell, one: Cell, other: Cell): boolean {
	const within = (at: number, a: number, b: number): boolean =>
		at >= Math.min(a, b) && at <= Math.max(a, b);
	return within(column, one[0], other[0]) && within(row, one[1], other[1]);
}

/**
 * The areas after a member was painted over a rectangle: it leaves the cells that it had outside. Another
 * member that would be hidden whole goes where it was, if no other is hidden too.
 */
export function painted(
	cells: readonly (readonly string[])[],
	member: string,
	one: Cell,
	other: Cell
): string[][] {
	const next = cells.map((row, y) =>
		row.map((name, x) => {
			if (isBetween([x, y], one, other)) return member;
			return name === member ? '.' : name;
		})
	);
	const there = new Set(next.flat());
	const [hidden, ...others] = [...new Set(cells.flat())].filter((name) => !there.has(name));
	const left = cells.flatMap((row, y) =>
		row.flatMap((name, x): Cell[] => (name === member && next[y]?.[x] === '.' ? [[x, y]] : []))
	);
	if (hidden === undefined || others.length > 0 || !isRectangle(left)) return next;
	return next.map((row, y) =>
		row.map((name, x) =>
			left.some(([column, line]) => column === x && line === y) ? hidden : name
		)
	);
}

function isRectangle(cells: readonly Cell[]): boolean {
	const [columns, rows] = [new Set(cells.map(([x]) => x)), new Set(cells.map(([, y]) => y))];
	const [left, right] = [Math.min(...columns), Math.max(...columns)];
	const [top, bottom] = [Math.min(...rows), Math.max(...rows)];
	return cells.length > 0 && cells.length === (right - left + 1) * (bottom - top + 1);
}

/** The first and the last cell of a member's area; undefined where it has none. */
export function areaCells(
	cells: readonly (readonly string[])[],
	member: string
): { readonly from: Cell; readonly to: Cell } | undefined {
	const own = cells.flatMap((row, y) =>
		row.flatMap((name, x): Cell[] => (name === member ? [[x, y]] : []))
	);
	const [from, to] = [own[0], own.at(-1)];
	return from && to && { from, to };
}

/** The track that an edge reaches when it is dragged to a place: the last whose middle it has passed. */
export function trackReached(tracks: readonly Extent[], at: number, mirrored: boolean): number {
	const passed = tracks.filter(({ from, to }) => {
		const middle = (from + to) / 2;
		return mirrored ? middle >= at : middle <= at;
	});
	return Math.max(0, passed.length - 1);
}

/** Equal columns, and a region among them that spans some. */
export interface SpanGround {
	readonly columns: readonly Extent[];
	/** Where the region is. */
	readonly region: Extent;
	/** Columns run from right to left. */
	readonly rtl: boolean;
}

/** Columns from where a region begins to a place, one at least: what it spans when dragged there. */
export function spanTo({ columns, region, rtl }: SpanGround, x: number): number {
	const covered = columns.filter((column) => {
		const middle = (column.from + column.to) / 2;
		return rtl
			? column.to <= region.to + 1 && middle >= x
			: column.from >= region.from - 1 && middle <= x;
	});
	return Math.max(1, covered.length);
}

/**
 * Columns that stay free before a region when it begins at a place. `offset` is what it leaves free
 * now: before these columns stands what comes before it.
 */
export function offsetAt({ columns, region, rtl }: SpanGround, offset: number, x: number): number {
	const before = (place: number): number =>
		columns.filter(({ from, to }) => {
			return rtl ? (from + to) / 2 > place : (from + to) / 2 < place;
		}).length;
	const start = Math.max(0, before(rtl ? region.to : region.from) - offset);
	return Math.min(Math.max(0, columns.length - 1), Math.max(0, before(x) - start));
}

/** A rectangle, px. */
interface Rectangle {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** Where something that is dropped on a rectangle goes: to the nearest side, or in the middle into its place. */
export function sideAt(
	{ x, y, width, height }: Rectangle,
	at: { readonly x: number; readonly y: number }
): Side {
	const shares: readonly (readonly [Side, number])[] = [
		['left', (at.x - x) / width],
		['right', (x + width - at.x) / width],
		['above', (at.y - y) / height],
		['below', (y + height - at.y) / height]
	];
	const [side, share] = shares.reduce((least, one) => (one[1] < least[1] ? one : least));
	return share < 1 / 4 ? side : 'swap';
}
