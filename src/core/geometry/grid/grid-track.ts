import type { Viewport } from '../../size/length.ts';
import type { TrackBreadth, TrackSize } from '../../size/tracks.ts';
import { larger } from '../../size/turns.ts';

/** What an item asks of the tracks it spans; outer sizes, px. */
export interface TrackItem {
	/** Tracks counted from 0; `to` exclusive. */
	readonly from: number;
	readonly to: number;
	readonly minContent: number;
	readonly maxContent: number;
	/** The least size it says itself; undefined where section 6.6 decides: the automatic minimum. */
	readonly least: number | undefined;
	/** What its padding and margin take in any case. */
	readonly floor: number;
	/** What scrolls has no automatic minimum. */
	readonly scrolls: boolean;
}

/** The room for the tracks of one axis. */
export interface TrackRoom {
	/** Content-box px; undefined where the content itself decides. */
	readonly available: number | undefined;
	/** What decides where nothing is available: the least or the greatest that the content takes. */
	readonly constraint: 'none' | 'min' | 'max';
	/** The least that the container's own style sets, content-box px. */
	readonly least: number;
	readonly gap: number;
	readonly view: Viewport;
}

export interface Track {
	readonly size: TrackSize;
	readonly min: ResolvedBreadth;
	readonly max: ResolvedBreadth;
	/** px; what `fit-content()` allows. */
	readonly cap: number;
	base: number;
	growth: number;
	growsOn: boolean;
	planned: number;
	/** No item is in it, and it was made by `auto-fit`: it takes no room, nor does its gap. */
	readonly collapsed: boolean;
	/** Tracks of one set are alike, and the same items span them. */
	set: number;
}

export type ResolvedBreadth =
	| { readonly kind: 'fixed'; readonly px: number }
	| { readonly kind: 'flex'; readonly factor: number }
	| { readonly kind: 'auto' | 'min-content' | 'max-content' };

/** Section 11.4. */
export function makeTrack(
	size: TrackSize,
	collapsed: boolean,
	set: number,
	room: TrackRoom
): Track {
	const none: ResolvedBreadth = { kind: 'fixed', px: 0 };
	const min = collapsed ? none : resolved(size.min, room);
	const max = collapsed ? none : resolved(size.max, room);
	const base = min.kind === 'fixed' ? min.px : 0;
	const growth = max.kind === 'fixed' ? larger(base, max.px) : Infinity;
	const limit = size.limit;
	const fits = limit && (room.available !== undefined || !limit.share);
	const cap = fits ? limit.at(room.available ?? 0, room.view) : Infinity;
	return { size, min, max, cap, base, growth, growsOn: false, planned: 0, collapsed, set };
}

/** A share of what is not known counts as auto (section 7.2.1). */
function resolved(breadth: TrackBreadth, { available, view }: TrackRoom): ResolvedBreadth {
	if (breadth.kind !== 'length') return breadth;
	const { length } = breadth;
	if (length.share && available === undefined) return { kind: 'auto' };
	return { kind: 'fixed', px: larger(0, length.at(available ?? 0, view)) };
}

/** The gaps inside a span: none beside tracks that collapsed. */
export function gapsIn(tracks: readonly Track[], from: number, to: number, gap: number): number {
	let count = 0;
	for (let at = from; at < to; at++) if (!tracks[at]?.collapsed) count++;
	return gap * Math.max(0, count - 1);
}

export function spanned(tracks: readonly Track[], { from, to }: TrackItem): readonly Track[] {
	return tracks.slice(from, to);
}

export function freeSpace(tracks: readonly Track[], room: TrackRoom, available: number): number {
	const used = tracks.reduce((sum, track) => sum + track.base, 0);
	return available - used - gapsIn(tracks, 0, tracks.length, room.gap);
}

export function isIntrinsic(breadth: ResolvedBreadth): boolean {
	return (
		breadth.kind === 'auto' || breadth.kind === 'min-content' || breadth.kind === 'max-content'
	);
}
