import type { TrackSize } from '../../size/tracks.ts';
import { exceeds, larger } from '../../size/turns.ts';
import { growthLeft, resolveIntrinsic, spansFlex } from './grid-content.ts';
import { numberSets, shareEqually } from './grid-share.ts';
import {
	freeSpace,
	gapsIn,
	isIntrinsic,
	makeTrack,
	spanned,
	type Track,
	type TrackItem,
	type TrackRoom
} from './grid-track.ts';

/** CSS Grid Layout 2, section 11: how large the tracks of one axis become. */

/** Sizes of all tracks, px. */
export function sizeTracks(
	sizes: readonly TrackSize[],
	collapsed: ReadonlySet<number>,
	items: readonly TrackItem[],
	room: TrackRoom
): number[] {
	const tracks = sizes.map((size, index) => makeTrack(size, collapsed.has(index), index, room));
	if (tracks.some((track) => track.min.kind !== 'fixed' || isIntrinsic(track.max))) {
		numberSets(tracks, items);
		resolveIntrinsic(tracks, items, room);
	}
	for (const track of tracks) if (track.growth === Infinity) track.growth = track.base;
	maximise(tracks, room);
	expandFlexible(tracks, items, room);
	stretchAuto(tracks, room);
	return tracks.map((track) => track.base);
}

/** Section 11.6. */
function maximise(tracks: readonly Track[], room: TrackRoom): void {
	if (room.constraint === 'min') return;
	if (room.available === undefined) {
		for (const track of tracks) track.base = track.growth;
		return;
	}
	if (!tracks.some((track) => exceeds(track.growth, track.base))) return;
	const free = freeSpace(tracks, room, room.available);
	if (!exceeds(free, 0)) return;
	const given = shareEqually(tracks, free, growthLeft, []);
	for (const [index, track] of tracks.entries()) track.base += given[index] ?? 0;
}

/** Section 11.7. */
function expandFlexible(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom
): void {
	if (!tracks.some((track) => track.max.kind === 'flex') || room.constraint === 'min') return;
	const fraction = flexFraction(tracks, items, room);
	for (const track of tracks) {
		if (track.max.kind === 'flex') track.base = larger(track.base, track.max.factor * fraction);
	}
}

function flexFraction(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom
): number {
	if (room.available !== undefined) {
		if (!exceeds(freeSpace(tracks, room, room.available), 0)) return 0;
		return fractionSize(tracks, room.available - gapsIn(tracks, 0, tracks.length, room.gap));
	}
	let fraction = 0;
	for (const { max, base } of tracks) {
		if (max.kind === 'flex') fraction = larger(fraction, base / Math.max(1, max.factor));
	}
	for (const item of items) {
		if (!spansFlex(tracks, item)) continue;
		const space = item.maxContent - gapsIn(tracks, item.from, item.to, room.gap);
		fraction = larger(fraction, fractionSize(spanned(tracks, item), space));
	}
	return fraction;
}

/** Section 11.7.1. */
function fractionSize(tracks: readonly Track[], space: number): number {
	let left = space;
	let factors = 0;
	let flexible: FlexibleTrack[] = [];
	for (const track of tracks) {
		if (isFlexible(track)) {
			flexible.push(track);
			factors += track.max.factor;
		} else {
			left -= track.base;
		}
	}
	for (;;) {
		if (factors === 0) return 0;
		const size = left / Math.max(1, factors);
		const stiff = flexible.filter((track) => exceeds(track.base, size * track.max.factor));
		if (stiff.length === 0) return larger(0, size);
		for (const track of stiff) {
			left -= track.base;
			factors -= track.max.factor;
		}
		flexible = flexible.filter((track) => !stiff.includes(track));
	}
}

type FlexibleTrack = Track & { readonly max: { readonly kind: 'flex' } };

function isFlexible(track: Track): track is FlexibleTrack {
	return track.max.kind === 'flex';
}

/** Section 11.8: tracks as large as they like share what is left. */
function stretchAuto(tracks: readonly Track[], room: TrackRoom): void {
	const auto = tracks.filter(({ max, size }) => max.kind === 'auto' && !size.limit);
	if (auto.length === 0 || room.constraint !== 'none') return;
	const available = room.available ?? (exceeds(room.least, 0) ? room.least : undefined);
	if (available === undefined) return;
	const free = freeSpace(tracks, room, available);
	if (!exceeds(free, 0)) return;
	for (const track of auto) track.base += free / auto.length;
}
