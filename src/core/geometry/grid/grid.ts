import type { Viewport } from '../../size/length.ts';
import { alike, larger, noteStep, smaller, unnoted } from '../../size/turns.ts';
import type { TrackList, TrackSize } from '../../size/tracks.ts';
import { alignedAt } from '../flex/alignment.ts';
import { placeItems, type GridPlace, type Placement } from './grid-place.ts';
import { sizeTracks } from './grid-tracks.ts';
import type { TrackItem, TrackRoom } from './grid-track.ts';
import type { GridLines, LayoutBox, Layouter } from '../layout-box.ts';
import { autoBefore, autoSides, marginAcross, marginDown } from '../margins.ts';
import {
	clampHeight,
	contentHeightBounds,
	contribution,
	fixed,
	padAcross,
	padDown,
	usedWidth
} from '../sizing.ts';

/** CSS Grid Layout 2, for grids of areas and of equal columns. */

const none: ReadonlySet<number> = new Set();

const autoTrack: TrackSize = { min: { kind: 'auto' }, max: { kind: 'auto' }, limit: undefined };

interface Columns {
	readonly placement: Placement;
	readonly sizes: readonly TrackSize[];
	readonly rows: readonly TrackSize[];
	/** Tracks of `auto-fit` that hold nothing. */
	readonly collapsed: ReadonlySet<number>;
	readonly gap: number;
}

/** Lays out a grid; gives the height of its content and its tracks. */
export function layGrid(
	box: LayoutBox,
	width: number,
	height: number | undefined,
	isKnown: boolean,
	pad: number,
	layouter: Layouter
): { height: number; lines: GridLines } {
	const { style } = box;
	const { view } = layouter;
	const columns = columnsOf(box, width, layouter);
	const columnSizes = sizeColumns(columns, { available: width, constraint: 'none' }, layouter);
	const columnLines = linesOf(columnSizes, columns.collapsed, columns.gap);
	const rowGap = style.rowGap.at(width, view);
	const { least, most } = contentHeightBounds(box, pad, layouter);
	const widths = columns.placement.places.map((place) => itemWidth(place, columnLines, layouter));
	const rowItems = columns.placement.places.map((place, index) =>
		rowItem(place, widths[index] ?? 0, columnLines, layouter)
	);
	const tracks = columns.rows;
	const fills = tracks.some((track) => track.max.kind === 'flex');
	const sizeRows = (available: number | undefined): number[] =>
		sizeTracks(tracks, none, rowItems, {
			available,
			constraint: 'none',
			least: fills ? 0 : (height ?? least),
			gap: rowGap,
			view
		});
	let rowSizes = sizeRows(isKnown ? height : undefined);
	let rowLines = linesOf(rowSizes, none, rowGap);
	const own = rowLines.at(-1)?.to ?? 0;
	const unset = smaller(larger(own, least), most);
	const bounded = height ?? unset;
	// Section 11.7: rows that fill are sized anew where the container's bounds decide its height; and all
	// of them where a stack made the container as high as it would not be of its own. Shares below one
	// take less of a height that is known by then than they did to make it up.
	const isForced = !isKnown && height !== undefined && !alike(height, unset);
	const takesLess =
		(!isKnown || height === undefined) &&
		tracks.some(({ max }) => max.kind === 'flex' && max.factor < 1);
	if (isForced || takesLess || (fills && !alike(bounded, own))) {
		rowSizes = sizeRows(bounded);
		rowLines = linesOf(rowSizes, none, rowGap);
	}
	for (const [index, place] of columns.placement.places.entries()) {
		placeInArea(place, widths[index] ?? 0, columnLines, rowLines, layouter);
	}
	return {
		height: own,
		lines: {
			columns: columnSizes,
			rows: rowSizes,
			columnGap: columns.gap,
			rowGap,
			across: columnLines.at(-1)?.to ?? 0,
			down: rowLines.at(-1)?.to ?? 0
		}
	};
}

/** The least and greatest content width: the columns under the constraint. */
export function gridIntrinsic(
	box: LayoutBox,
	base: number | undefined,
	layouter: Layouter
): { min: number; max: number } {
	const columns = columnsOf(box, undefined, layouter, base);
	return { min: totalWidth(columns, 'min', layouter), max: totalWidth(columns, 'max', layouter) };
}

function totalWidth(columns: Columns, constraint: 'min' | 'max', layouter: Layouter): number {
	const sizes = sizeColumns(columns, { available: undefined, constraint }, layouter);
	return linesOf(sizes, columns.collapsed, columns.gap).at(-1)?.to ?? 0;
}

/** Placements that were worked out, by the number of repetitions; they depend on nothing else. */
const placed = new WeakMap<LayoutBox, Map<number, Columns>>();

function columnsOf(
	box: LayoutBox,
	width: number | undefined,
	layouter: Layouter,
	base?: number
): Columns {
	const { style } = box;
	const gap = style.columnGap.at(width ?? 0, layouter.view);
	const { repeat } = style.columns;
	const times = repeat ? repetitions(box, style.columns, { width, base }, gap, layouter) : 0;
	let known = placed.get(box);
	if (!known) placed.set(box, (known = new Map()));
	let columns = known.get(times);
	if (!columns) known.set(times, (columns = placeColumns(box, times)));
	return columns.gap === gap ? columns : { ...columns, gap };
}

function placeColumns(box: LayoutBox, times: number): Columns {
	const { style } = box;
	const { tracks, repeat } = style.columns;
	const repeated = repeat ? Array.from({ length: times }, () => repeat.tracks).flat() : [];
	const at = repeat?.at ?? tracks.length;
	const explicit = [...tracks.slice(0, at), ...repeated, ...tracks.slice(at)];
	const placement = placeItems(
		box,
		Math.max(explicit.length, style.areaColumns),
		Math.max(style.rows.tracks.length, style.areaRows)
	);
	const sizes = Array.from(
		{ length: placement.columns },
		(_, index) => explicit[index] ?? autoTrack
	);
	const collapsed = new Set<number>();
	if (repeat?.kind === 'auto-fit') {
		for (let index = at; index < at + repeated.length; index++) {
			const holds = placement.places.some(
				({ column }) => column.from <= index && index < column.to
			);
			if (!holds) collapsed.add(index);
		}
	}
	const rows = rowTracks(style.rows, placement.rows, style.autoRow);
	return { placement, sizes, rows, collapsed, gap: 0 };
}

/**
 * Section 7.2.3.2: as many as there is room for, once at least; where only a least width is known, as
 * many as it takes to fill that. Shares are of the width that counts.
 */
function repetitions(
	box: LayoutBox,
	{ tracks, repeat }: TrackList,
	{ width, base }: { readonly width: number | undefined; readonly base: number | undefined },
	gap: number,
	layouter: Layouter
): number {
	const { minWidth, maxWidth } = box.style;
	const { view } = layouter;
	const most = base === undefined ? fixed(maxWidth, layouter) : maxWidth?.at(base, view);
	const least = minWidth?.at(base ?? 0, view);
	const pad = padAcross(box, base ?? 0, layouter);
	const room = width ?? (most === undefined ? undefined : most - pad);
	const whole = larger(0, room ?? (least ?? 0) - pad);
	const group = totalOf(repeat?.tracks ?? [], gap, whole, view);
	const others = totalOf(tracks, gap, whole, view) - gap;
	if (room !== undefined) return wholeTimes(larger(1, (room - others + 0.02) / group));
	if (least === undefined) return 1;
	return wholeTimes(larger(1, Math.ceil((least - pad - others) / group)));
}

/** What tracks take with their gaps, by the larger of the lengths that they name. */
function totalOf(list: readonly TrackSize[], gap: number, base: number, view: Viewport): number {
	return list.reduce((sum, { min, max }) => {
		const most = max.kind === 'length' ? max.length.at(base, view) : 0;
		const least = min.kind === 'length' ? min.length.at(base, view) : 0;
		return sum + larger(larger(most, least), 1) + gap;
	}, 0);
}

function wholeTimes(times: number): number {
	const whole = Math.floor(times);
	noteStep(times, whole, whole + 1);
	return whole;
}

function sizeColumns(
	{ placement, sizes, collapsed, gap }: Columns,
	{ available, constraint }: Pick<TrackRoom, 'available' | 'constraint'>,
	layouter: Layouter
): number[] {
	const items = columnItems(placement, layouter);
	const { view } = layouter;
	const room = { available, constraint, least: 0, gap, view };
	return sizeTracks(sizes, collapsed, items, room);
}

/** What items ask of columns, where that is the same on every screen. */
const steadyItems = new WeakMap<Placement, readonly TrackItem[]>();

function columnItems(placement: Placement, layouter: Layouter): readonly TrackItem[] {
	const known = steadyItems.get(placement);
	if (known) return known;
	const { places } = placement;
	if (!places.every(({ box }) => box.steady)) {
		return places.map((place) => columnItem(place, layouter));
	}
	const items = unnoted(() => places.map((place) => columnItem(place, layouter)));
	steadyItems.set(placement, items);
	return items;
}

function columnItem({ box, column }: GridPlace, layouter: Layouter): TrackItem {
	const { style } = box;
	const margin = marginAcross(box, 0, layouter);
	const minContent = contribution(box, 'min', layouter) + margin;
	const maxContent = contribution(box, 'max', layouter) + margin;
	const floor = padAcross(box, 0, layouter) + margin;
	const { from, to } = column;
	const isAuto = style.width === 'auto' || style.width === 'fit-content';
	const least =
		!isAuto && !isShare(style.width)
			? minContent
			: style.minWidth && larger(style.minWidth.at(0, layouter.view) + margin, floor);
	return { from, to, minContent, maxContent, least, floor, scrolls: style.scrolls };
}

function isShare(width: LayoutBox['style']['width']): boolean {
	return typeof width !== 'string' && width.share;
}

interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** Where each track begins and ends. */
function linesOf(sizes: readonly number[], collapsed: ReadonlySet<number>, gap: number): Stretch[] {
	let at = 0;
	let open = false;
	return sizes.map((size, index) => {
		if (open && !collapsed.has(index)) at += gap;
		const from = at;
		at += size;
		open ||= !collapsed.has(index);
		return { from, to: at };
	});
}

function stretchOf(lines: readonly Stretch[], { from, to }: Stretch): Stretch {
	return { from: lines[from]?.from ?? 0, to: lines[to - 1]?.to ?? 0 };
}

function itemWidth(place: GridPlace, columns: readonly Stretch[], layouter: Layouter): number {
	const { from, to } = stretchOf(columns, place.column);
	const { style } = place.box;
	const area = to - from;
	const room = area - marginAcross(place.box, area, layouter);
	const stretches = (style.justifySelf ?? 'stretch') === 'stretch' && autoSides(place.box) === 0;
	return usedWidth(place.box, room, area, stretches, layouter);
}

function rowItem(
	{ box, row, column }: GridPlace,
	width: number,
	columns: readonly Stretch[],
	layouter: Layouter
): TrackItem {
	const { style } = box;
	const { from, to } = stretchOf(columns, column);
	const margin = marginDown(box, to - from, layouter);
	const floor = padDown(box, to - from, layouter) + margin;
	const height = layouter.heightAt(box, width, to - from) + margin;
	const least = style.height
		? height
		: style.minHeight && larger(style.minHeight.at(0, layouter.view) + margin, floor);
	return {
		from: row.from,
		to: row.to,
		minContent: height,
		maxContent: height,
		least,
		floor,
		scrolls: style.scrolls
	};
}

/** Rows that are written, and those that items need besides (section 7.2.4). */
function rowTracks({ tracks }: TrackList, count: number, auto = autoTrack): TrackSize[] {
	return Array.from({ length: count }, (_, index) => tracks[index] ?? auto);
}

/** Section 10: stretches or aligns an item in its area. */
function placeInArea(
	{ box, column, row }: GridPlace,
	width: number,
	columns: readonly Stretch[],
	rows: readonly Stretch[],
	layouter: Layouter
): void {
	const { style } = box;
	const across = stretchOf(columns, column);
	const down = stretchOf(rows, row);
	const area = across.to - across.from;
	const room = down.to - down.from - marginDown(box, area, layouter);
	const align = style.alignSelf ?? 'stretch';
	const stretches = align === 'stretch' && style.height === undefined;
	layouter.lay(box, width, stretches ? clampHeight(box, room, area, layouter) : undefined, area);
	const left = area - marginAcross(box, area, layouter) - width;
	const before =
		autoSides(box) > 0 ? autoBefore(box, left) : alignedAt(style.justifySelf ?? 'stretch', left);
	box.x = across.from + style.marginStart.at(area, layouter.view) + before;
	box.y = down.from + style.marginTop.at(area, layouter.view) + alignedAt(align, room - box.height);
}
