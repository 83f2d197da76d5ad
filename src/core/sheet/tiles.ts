import type { Column } from './columns.ts';
import { drawingSize } from './svg.ts';

/** How the pages of the sheet stand beside each other: each a tile with its drawings side by side. */
export interface Tiling {
	readonly perLine: number;
	/** px, of a tile with what is around it. */
	readonly width: number;
	/** Drawn px for each px of the page. */
	readonly scale: number;
	/** px that each drawing has, in the order of the columns. */
	readonly drawings: readonly number[];
}

/** px: between drawings, and at both sides of a tile. */
export const tileGap = 14;
export const tilePadding = 16;
/** px; a drawing has room for what stands above it, such as "medium 640". */
const leastDrawing = 72;
/** Shares of the size that was asked for by which drawings grow or shrink to take the width there is. */
const [leastShare, mostShare] = [0.6, 1.4];

/**
 * As many tiles in a line as fit `room` (px) at about the scale asked for, with drawings as large as
 * then takes all of it, and no more than `most` of them. Where even one tile is wider than the room, it is as small as is still read.
 */
export function tilesIn(
	room: number,
	columns: readonly Column[],
	asked: number,
	most = Infinity
): Tiling {
	const smallest = tileWidth(columns, asked * leastShare);
	const fitting = Math.floor(room / smallest);
	const wanted = Math.round(room / tileWidth(columns, asked));
	const perLine = Math.max(1, Math.min(fitting, wanted, most));
	const each = Math.floor(room / perLine);
	let [least, largest] = [asked * leastShare, asked * mostShare];
	for (let step = 0; step < 24; step++) {
		const middle = (least + largest) / 2;
		if (tileWidth(columns, middle) <= each) least = middle;
		else largest = middle;
	}
	// Three figures: a scrollbar that comes and goes draws nothing anew.
	const scale = Math.floor(least * 1000) / 1000;
	const drawings = drawingsAt(columns, scale);
	return { perLine, width: Math.max(each, widthOf(drawings)), scale, drawings };
}

function tileWidth(columns: readonly Column[], scale: number): number {
	return widthOf(drawingsAt(columns, scale));
}

function drawingsAt(columns: readonly Column[], scale: number): number[] {
	const way = { scale, depth: 1, fold: 1 };
	return columns.map(({ width }) =>
		Math.max(leastDrawing, drawingSize({ width, height: 1 }, way).width)
	);
}

function widthOf(drawings: readonly number[]): number {
	const between = Math.max(0, drawings.length - 1) * tileGap;
	return drawings.reduce((sum, width) => sum + width, 2 * tilePadding + between);
}
