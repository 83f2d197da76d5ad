import { areasOf, type AreaPlace } from '../model/arrange.ts';
import type { Declarations } from '../boxes/declarations.ts';
import { isLength, parseLength, px, type Length } from '../size/length.ts';
import { splitSizes } from '../size/split.ts';
import { substitute, type Lookup } from '../size/tokens.ts';
import {
	isTrackList,
	parseTracks,
	type TrackBreadth,
	type TrackList,
	type TrackSize
} from '../size/tracks.ts';

/** A preferred width (CSS Box Sizing 3, section 3.1.1). */
export type Width = 'auto' | 'min-content' | 'max-content' | 'fit-content' | Length;

/** Lines of a grid that a box is placed between; `start` counts from 0. */
export interface GridSpan {
	readonly start: number | undefined;
	readonly span: number | 'all';
}

/** What the calculation reads from a box's declarations. Boxes count with their border (border-box). */
export interface Style {
	readonly display: 'block' | 'grid' | 'flex' | 'none';
	readonly position: 'static' | 'sticky' | 'fixed';
	readonly top: Length | undefined;
	readonly bottom: Length | undefined;
	readonly start: Length | undefined;
	readonly end: Length | undefined;
	readonly width: Width;
	readonly minWidth: Length | undefined;
	readonly maxWidth: Length | undefined;
	readonly height: Length | undefined;
	readonly minHeight: Length | undefined;
	readonly maxHeight: Length | undefined;
	readonly padTop: Length;
	readonly padBottom: Length;
	readonly padStart: Length;
	readonly padEnd: Length;
	readonly marginStart: Length;
	readonly marginBottom: Length;
	readonly scrolls: boolean;
	readonly order: number;
	readonly alignSelf: string | undefined;
	readonly justifySelf: string | undefined;
	readonly flexGrow: number;
	readonly flexShrink: number;
	readonly flexBasis: Length | undefined;
	readonly isColumn: boolean;
	readonly wraps: boolean;
	readonly justify: string;
	readonly align: string;
	readonly rowGap: Length;
	readonly columnGap: Length;
	readonly columns: TrackList;
	readonly rows: TrackList;
	readonly areas: ReadonlyMap<string, AreaPlace>;
	/** Columns and rows that the areas make, whether or not a track is named for them. */
	readonly areaColumns: number;
	readonly areaRows: number;
	readonly area: string | undefined;
	readonly column: GridSpan;
	readonly row: GridSpan;
}

const zero = px(0);
const noTracks: TrackList = { tracks: [], repeat: undefined };

/** Reads declarations. What cannot be read counts as not said, as a browser has it. */
export function readStyle(declarations: Declarations, lookup: Lookup): Style {
	const text = (property: string): string | undefined => {
		const written = declarations.get(property);
		return written === undefined ? undefined : substitute(written, lookup);
	};
	const length = (property: string): Length | undefined => lengthFrom(text(property));
	const pair = (property: string): [Length, Length] => {
		const [one, other = one] = splitSizes(text(property) ?? '0');
		return [lengthFrom(one) ?? zero, lengthFrom(other) ?? zero];
	};
	const edges = (property: string): [Length | undefined, Length | undefined] => {
		const [one, other = one] = splitSizes(text(property) ?? 'auto');
		return [lengthFrom(one), lengthFrom(other)];
	};
	const [padTop, padBottom] = pair('padding-block');
	const [padStart, padEnd] = pair('padding-inline');
	const [rowGap, columnGap] = pair('gap');
	const [fixedTop, fixedBottom] = edges('inset-block');
	const [start, end] = edges('inset-inline');
	const [grow, shrink, basis] = flexOf(text('flex'));
	const { areas, areaColumns, areaRows } = areasFrom(text('grid-template-areas'));
	return {
		display: displayOf(text('display')),
		position: positionOf(text('position')),
		top: length('inset-block-start') ?? fixedTop,
		bottom: length('inset-block-end') ?? fixedBottom,
		start,
		end,
		width: widthOf(text('width')),
		minWidth: length('min-width'),
		maxWidth: length('max-width'),
		height: length('height'),
		minHeight: length('min-height'),
		maxHeight: length('max-height'),
		padTop,
		padBottom,
		padStart,
		padEnd,
		marginStart: length('margin-inline-start') ?? zero,
		marginBottom: length('margin-block-end') ?? zero,
		scrolls: declarations.has('overflow'),
		order: Number(declarations.get('order') ?? 0),
		alignSelf: text('align-self'),
		justifySelf: text('justify-self'),
		flexGrow: grow,
		flexShrink: shrink,
		flexBasis: basis,
		isColumn: text('flex-direction') === 'column',
		wraps: text('flex-wrap') === 'wrap',
		justify: text('justify-content') ?? 'start',
		align: text('align-items') ?? 'stretch',
		rowGap,
		columnGap,
		columns: tracksFrom(text('grid-template-columns'), true),
		rows: tracksFrom(text('grid-template-rows'), false),
		areas,
		areaColumns,
		areaRows,
		area: text('grid-area'),
		column: gridSpanOf(text('grid-column')),
		row: gridSpanOf(text('grid-row'))
	};
}

/** Browsers count in 64ths of a px, and leave out what is less. */
function snapped(length: Length): Length {
	if (!length.share && !length.viewport) return length;
	return { ...length, at: (base, view) => Math.trunc(length.at(base, view) * 64 + 1e-6) / 64 };
}

const lengths = new Map<string, Length | undefined>();

/** The same few lengths are written again and again. */
function lengthFrom(text: string | undefined): Length | undefined {
	if (text === undefined) return undefined;
	if (lengths.has(text)) return lengths.get(text);
	const read = parseLength(text, true);
	const length = isLength(read) ? snapped(read) : undefined;
	if (lengths.size > 5000) lengths.clear();
	lengths.set(text, length);
	return length;
}

function tracksFrom(text: string | undefined, shares: boolean): TrackList {
	if (text === undefined) return noTracks;
	const read = parseTracks(text, { shares });
	if (!isTrackList(read)) return noTracks;
	const { repeat } = read;
	return {
		tracks: snappedTracks(read.tracks),
		repeat: repeat && { ...repeat, tracks: snappedTracks(repeat.tracks) }
	};
}

/** The same track written several times stays one, by which repetitions are told. */
function snappedTracks(tracks: readonly TrackSize[]): TrackSize[] {
	const made = new Map<TrackSize, TrackSize>();
	return tracks.map((track) => {
		let snappedOne = made.get(track);
		if (!snappedOne) {
			const { min, max, limit } = track;
			snappedOne = {
				min: snappedBreadth(min),
				max: snappedBreadth(max),
				limit: limit && snapped(limit)
			};
			made.set(track, snappedOne);
		}
		return snappedOne;
	});
}

function snappedBreadth(breadth: TrackBreadth): TrackBreadth {
	return breadth.kind === 'length' ? { ...breadth, length: snapped(breadth.length) } : breadth;
}

function displayOf(text: string | undefined): Style['display'] {
	return text === 'grid' || text === 'flex' || text === 'none' ? text : 'block';
}

function positionOf(text: string | undefined): Style['position'] {
	return text === 'sticky' || text === 'fixed' ? text : 'static';
}

function widthOf(text: string | undefined): Width {
	if (text === 'min-content' || text === 'max-content' || text === 'fit-content') return text;
	return lengthFrom(text) ?? 'auto';
}

/** `none`, or grow, shrink and basis. */
function flexOf(text: string | undefined): [number, number, Length | undefined] {
	if (text === undefined) return [0, 1, undefined];
	if (text === 'none') return [0, 0, undefined];
	const [grow, shrink, ...basis] = splitSizes(text);
	return [Number(grow), Number(shrink), lengthFrom(basis.join(' '))];
}

/** `span K`, `1 / span K` or `1 / -1`. */
function gridSpanOf(text: string | undefined): GridSpan {
	if (text === undefined) return { start: undefined, span: 1 };
	if (text === '1 / -1') return { start: 0, span: 'all' };
	const span = Number(/span (\d+)/.exec(text)?.[1] ?? 1);
	return { start: text.startsWith('1 /') ? 0 : undefined, span };
}

function areasFrom(text: string | undefined): Pick<Style, 'areas' | 'areaColumns' | 'areaRows'> {
	if (text === undefined) return { areas: new Map(), areaColumns: 0, areaRows: 0 };
	const rows = [...text.matchAll(/'([^']*)'/g)].map((match) => ({
		cells: (match[1] ?? '').split(' ')
	}));
	return {
		areas: areasOf(rows),
		areaColumns: rows[0]?.cells.length ?? 0,
		areaRows: rows.length
	};
}

/** Whether shares of what the box is in decide how often its columns repeat, by its bounds or its padding. */
export function countsByShare({ columns, minWidth, maxWidth, padStart, padEnd }: Style): boolean {
	const bounds = [minWidth, maxWidth].filter((bound) => bound !== undefined);
	if (columns.repeat === undefined || bounds.length === 0) return false;
	return [...bounds, padStart, padEnd].some((length) => length.share);
}

/** Whether a width that a box or its content would like depends on the size of the screen. */
export function widthsDepend(style: Style): boolean {
	const { width, minWidth, maxWidth, padStart, padEnd, marginStart, flexBasis, columnGap } = style;
	const lengths: (Length | undefined)[] = [
		typeof width === 'string' ? undefined : width,
		minWidth,
		maxWidth,
		padStart,
		padEnd,
		marginStart,
		flexBasis,
		columnGap,
		...lengthsOf(style.columns)
	];
	return countsByShare(style) || lengths.some((length) => length?.viewport);
}

function lengthsOf({ tracks, repeat }: TrackList): (Length | undefined)[] {
	return [...tracks, ...(repeat?.tracks ?? [])].flatMap(({ min, max, limit }) => [
		min.kind === 'length' ? min.length : undefined,
		max.kind === 'length' ? max.length : undefined,
		limit
	]);
}
