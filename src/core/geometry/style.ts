import { areasOf, type AreaPlace } from '../model/arrange.ts';
import type { CssText, Declarations, GridLines, Tracks } from '../settings/declarations.ts';
import { isLength, parseLength, px, type Length } from '../size/length.ts';
import { exceeds, larger, noteStep } from '../size/turns.ts';
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
	/** It is drawn below what follows it. */
	readonly under: boolean;
	readonly top: Length | undefined;
	readonly bottom: Length | undefined;
	readonly start: Length | undefined;
	readonly end: Length | undefined;
	readonly width: Width;
	readonly minWidth: Length | undefined;
	readonly maxWidth: Length | undefined;
	readonly height: Length | undefined;
	/** Width by height, where the height follows from the width. */
	readonly ratio: number | undefined;
	readonly minHeight: Length | undefined;
	readonly maxHeight: Length | undefined;
	/** Padding, with the border around it. */
	readonly padTop: Length;
	readonly padBottom: Length;
	readonly padStart: Length;
	readonly padEnd: Length;
	/** The border alone. */
	readonly lineStart: Length;
	readonly lineTop: Length;
	readonly lineEnd: Length;
	readonly lineBottom: Length;
	readonly marginTop: Length;
	readonly marginBottom: Length;
	readonly marginStart: Length;
	readonly marginEnd: Length;
	/** Sides that take what is left. */
	readonly autoStart: boolean;
	readonly autoEnd: boolean;
	readonly scrolls: boolean;
	/** It scrolls along lines only. */
	readonly isStrip: boolean;
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
	/** What rows are that nothing names; undefined for auto. */
	readonly autoRow: TrackSize | undefined;
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

/** Takes the values of declarations. What cannot be read counts as not said, as a browser has it. */
export function readStyle(declared: Declarations, lookup: Lookup): Style {
	const text = (written: CssText | undefined): string | undefined =>
		written === undefined ? undefined : substitute(written, lookup);
	const length = (written: CssText | undefined): Length | undefined => lengthFrom(text(written));
	const space = (written: CssText | undefined): Length => length(written) ?? zero;
	const room = (written: CssText | undefined): Length => notNegative(space(written));
	const edge = (pad: CssText | undefined, border: CssText | undefined): Length =>
		withBorder(room(pad), line(border));
	const line = (written: CssText | undefined): Length | undefined =>
		written === undefined ? undefined : length(written);
	const [rowGap, columnGap = rowGap] = declared.gap ?? [];
	const areas = declared['grid-template-areas'] ?? [];
	return {
		display: displayOf(declared.display),
		position: positionOf(declared.position),
		under: declared['z-index'] === 'var(--under)',
		top: length(declared['inset-block-start'] ?? declared['inset-block']?.start),
		bottom: length(declared['inset-block-end'] ?? declared['inset-block']?.end),
		start: length(declared['inset-inline']?.start),
		end: length(declared['inset-inline']?.end),
		width: widthOf(text(declared.width)),
		minWidth: length(declared['min-width']),
		maxWidth: length(declared['max-width']),
		height: length(declared.height),
		ratio: ratioOf(declared['aspect-ratio']),
		minHeight: length(declared['min-height']),
		maxHeight: length(declared['max-height']),
		padTop: edge(declared['padding-block']?.start, declared['border-block-width']?.start),
		padBottom: edge(declared['padding-block']?.end, declared['border-block-width']?.end),
		padStart: edge(declared['padding-inline']?.start, declared['border-inline-width']?.start),
		padEnd: edge(declared['padding-inline']?.end, declared['border-inline-width']?.end),
		lineStart: withBorder(zero, line(declared['border-inline-width']?.start)),
		lineTop: withBorder(zero, line(declared['border-block-width']?.start)),
		lineEnd: withBorder(zero, line(declared['border-inline-width']?.end)),
		lineBottom: withBorder(zero, line(declared['border-block-width']?.end)),
		marginTop: space(declared['margin-block-start']),
		marginBottom: space(declared['margin-block-end']),
		marginStart: space(declared['margin-inline-start']),
		marginEnd: space(declared['margin-inline-end']),
		autoStart: declared['margin-inline-start'] === 'auto',
		autoEnd: declared['margin-inline-end'] === 'auto',
		scrolls: declared.overflow !== undefined,
		isStrip: declared.overflow === 'auto hidden',
		order: declared.order ?? 0,
		alignSelf: declared['align-self'],
		justifySelf: declared['justify-self'],
		...flexOf(declared.flex, length),
		isColumn: declared['flex-direction'] === 'column',
		wraps: declared['flex-wrap'] === 'wrap',
		justify: declared['justify-content'] ?? 'start',
		align: declared['align-items'] ?? 'stretch',
		rowGap: room(rowGap),
		columnGap: room(columnGap),
		columns: tracksFrom(declared['grid-template-columns'], lookup, true),
		rows: tracksFrom(declared['grid-template-rows'], lookup, false),
		autoRow: tracksFrom(declared['grid-auto-rows'], lookup, false).tracks[0],
		areas: areasOf(areas.map((cells) => ({ cells }))),
		areaColumns: areas[0]?.length ?? 0,
		areaRows: areas.length,
		area: declared['grid-area'],
		column: gridSpanOf(declared['grid-column']),
		row: gridSpanOf(declared['grid-row'])
	};
}

/** px; browsers hold nothing that is longer (2^31 64ths, less what they keep to round). */
const longest = 33_554_428;

/** Browsers count in 64ths of a px, and leave out what is less. */
function snapped(length: Length): Length {
	if (!length.share && !length.viewport) {
		return length.at(0, noView) > longest ? px(longest) : length;
	}
	return { ...length, at: (base, view) => Math.trunc(length.at(base, view) * 64 + 1e-6) / 64 };
}

const roomLengths = new WeakMap<Length, Length>();

/** CSS Values 4, section 10.12: what is worked out below zero counts as zero, where nothing less is allowed. */
function notNegative(length: Length): Length {
	if (!length.share && !length.viewport) return length.at(0, noView) < 0 ? zero : length;
	let made = roomLengths.get(length);
	if (!made) {
		made = { ...length, at: (base, view) => larger(0, length.at(base, view)) };
		roomLengths.set(length, made);
	}
	return made;
}

/** CSS Backgrounds 4, section 3.3: lines are as many whole px wide as they hold, and one at least. */
function withBorder(pad: Length, border: Length | undefined): Length {
	if (border === undefined) return pad;
	return {
		share: pad.share,
		viewport: pad.viewport || border.viewport,
		at: (base, view) => pad.at(base, view) + snappedLine(border.at(0, view))
	};
}

function snappedLine(width: number): number {
	const whole = Math.floor(width);
	noteStep(width, whole, whole + 1);
	if (whole >= 1) return whole;
	return exceeds(width, 0) ? 1 : 0;
}

const noView = { width: 0, height: 0 };

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

function tracksFrom(tracks: Tracks | undefined, lookup: Lookup, shares: boolean): TrackList {
	if (tracks === undefined) return noTracks;
	if (tracks.kind === 'equal') {
		const track = tracks.least === 'nothing' ? 'minmax(0, 1fr)' : '1fr';
		return tracksFromText(`repeat(${tracks.count}, ${track})`, shares);
	}
	const text = substitute(tracks.text, lookup);
	return text === undefined ? noTracks : tracksFromText(text, shares);
}

function tracksFromText(text: string, shares: boolean): TrackList {
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

function displayOf(display: Declarations['display']): Style['display'] {
	return display === undefined || display === 'flow-root' ? 'block' : display;
}

function ratioOf(ratio: Declarations['aspect-ratio']): number | undefined {
	return ratio && ratio.width / ratio.height;
}

function positionOf(position: Declarations['position']): Style['position'] {
	return position === 'sticky' || position === 'fixed' ? position : 'static';
}

function widthOf(text: string | undefined): Width {
	if (text === 'min-content' || text === 'max-content' || text === 'fit-content') return text;
	return lengthFrom(text) ?? 'auto';
}

function flexOf(
	flex: Declarations['flex'],
	length: (text: CssText) => Length | undefined
): Pick<Style, 'flexGrow' | 'flexShrink' | 'flexBasis'> {
	if (flex === undefined) return { flexGrow: 0, flexShrink: 1, flexBasis: undefined };
	if (flex === 'none') return { flexGrow: 0, flexShrink: 0, flexBasis: undefined };
	return { flexGrow: flex.grow, flexShrink: flex.shrink, flexBasis: length(flex.basis) };
}

function gridSpanOf(lines: GridLines | undefined): GridSpan {
	if (lines === undefined) return { start: undefined, span: 1 };
	return { start: lines.from === undefined ? undefined : lines.from - 1, span: lines.span };
}

/** Whether shares of what the box is in decide how often its columns repeat, by its bounds or its padding. */
export function countsByShare({ columns, minWidth, maxWidth, padStart, padEnd }: Style): boolean {
	const bounds = [minWidth, maxWidth].filter((bound) => bound !== undefined);
	if (columns.repeat === undefined || bounds.length === 0) return false;
	return [...bounds, padStart, padEnd].some((length) => length.share);
}

/** Whether a width that a box or its content would like depends on the size of the screen. */
export function widthsDepend(style: Style): boolean {
	const { width, minWidth, maxWidth, padStart, padEnd, flexBasis, columnGap } = style;
	const lengths: (Length | undefined)[] = [
		typeof width === 'string' ? undefined : width,
		minWidth,
		maxWidth,
		padStart,
		padEnd,
		style.marginStart,
		style.marginEnd,
		flexBasis,
		columnGap,
		...lengthsOf(style.columns)
	];
	return countsByShare(style) || [...lengths, ...heightsOf(style)].some((one) => one?.viewport);
}

/** Heights that a width follows from, where the two are in a ratio (CSS Box Sizing 4, section 5.1). */
function heightsOf(style: Style): (Length | undefined)[] {
	if (style.ratio === undefined) return [];
	const { height, minHeight, maxHeight, padTop, padBottom } = style;
	return [height, minHeight, maxHeight, padTop, padBottom];
}

function lengthsOf({ tracks, repeat }: TrackList): (Length | undefined)[] {
	return [...tracks, ...(repeat?.tracks ?? [])].flatMap(({ min, max, limit }) => [
		min.kind === 'length' ? min.length : undefined,
		max.kind === 'length' ? max.length : undefined,
		limit
	]);
}
