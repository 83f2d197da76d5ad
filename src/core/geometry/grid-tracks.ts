import type { Viewport } from '../size/length.ts';
import type { TrackBreadth, TrackSize } from '../size/tracks.ts';

/** CSS Grid Layout 2, section 11: how large the tracks of one axis become. */

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

interface Track {
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

type ResolvedBreadth =
	| { readonly kind: 'fixed'; readonly px: number }
	| { readonly kind: 'flex'; readonly factor: number }
	| { readonly kind: 'auto' | 'min-content' | 'max-content' };

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

/** Numbers the tracks: the same for repetitions of one track that no item's edge parts. */
function numberSets(tracks: readonly Track[], items: readonly TrackItem[]): void {
	if (tracks.length < 2) return;
	for (const [index, track] of tracks.entries()) {
		const parted = items.some((item) => item.from === index || item.to === index);
		if (parted) continue;
		for (let at = index - 1; at >= 0; at--) {
			const before = tracks[at];
			if (before?.size === track.size) {
				track.set = before.set;
				break;
			}
			if (items.some((item) => item.from === at || item.to === at)) break;
		}
	}
}

/** Section 11.4. */
function makeTrack(size: TrackSize, collapsed: boolean, set: number, room: TrackRoom): Track {
	const none: ResolvedBreadth = { kind: 'fixed', px: 0 };
	const min = collapsed ? none : resolved(size.min, room);
	const max = collapsed ? none : resolved(size.max, room);
	const base = min.kind === 'fixed' ? min.px : 0;
	const growth = max.kind === 'fixed' ? Math.max(base, max.px) : Infinity;
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
	return { kind: 'fixed', px: Math.max(0, length.at(available ?? 0, view)) };
}

/** The gaps inside a span: none beside tracks that collapsed. */
function gapsIn(tracks: readonly Track[], from: number, to: number, gap: number): number {
	let count = 0;
	for (let at = from; at < to; at++) if (!tracks[at]?.collapsed) count++;
	return gap * Math.max(0, count - 1);
}

/** Section 11.5. */
function resolveIntrinsic(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom
): void {
	const inflexible = items.filter((item) => !spansFlex(tracks, item));
	for (const item of inflexible) {
		if (item.to - item.from === 1) fitOne(tracks[item.from], item);
	}
	const spans = [...new Set(inflexible.map((item) => item.to - item.from))]
		.filter((span) => span > 1)
		.sort((a, b) => a - b);
	for (const span of spans) {
		const group = inflexible.filter((item) => item.to - item.from === span);
		fitSpanning(tracks, group, room, false);
	}
	const flexible = items.filter((item) => spansFlex(tracks, item));
	if (flexible.length > 0) fitSpanning(tracks, flexible, room, true);
}

function spansFlex(tracks: readonly Track[], item: TrackItem): boolean {
	return spanned(tracks, item).some((track) => track.max.kind === 'flex');
}

function spanned(tracks: readonly Track[], { from, to }: TrackItem): readonly Track[] {
	return tracks.slice(from, to);
}

/** Section 11.5, step 2: an item that spans one track. */
function fitOne(track: Track | undefined, item: TrackItem): void {
	if (!track || track.collapsed) return;
	const { min, max } = track;
	if (min.kind === 'min-content') track.base = Math.max(track.base, item.minContent);
	if (min.kind === 'max-content') track.base = Math.max(track.base, item.maxContent);
	if (min.kind === 'auto') {
		const least = minimumOf(item, [track], 0);
		track.base = Math.max(track.base, least);
	}
	const wish = growthWish(track, item);
	if (wish !== undefined) {
		track.growth = track.growth === Infinity ? wish : Math.max(track.growth, wish);
	}
	if (max.kind === 'fixed') track.growth = Math.max(track.growth, track.base);
	else track.growth = Math.max(track.growth, track.base);
}

function growthWish({ max, cap }: Track, item: TrackItem): number | undefined {
	if (max.kind === 'min-content') return item.minContent;
	if (max.kind === 'max-content' || max.kind === 'auto') return Math.min(item.maxContent, cap);
	return undefined;
}

/** The size an item has where nothing but its least size counts (section 6.6 for the automatic one). */
function minimumOf(item: TrackItem, tracks: readonly Track[], gap: number): number {
	if (item.least !== undefined) return item.least;
	let allFixed = true;
	let anyFlex = false;
	let anyAuto = false;
	let limit = gapsIn(tracks, 0, tracks.length, gap);
	for (const { min, max } of tracks) {
		if (max.kind === 'fixed') limit += max.px;
		else allFixed = false;
		anyFlex ||= max.kind === 'flex';
		anyAuto ||= min.kind === 'auto';
	}
	const automatic = !item.scrolls && anyAuto && (tracks.length === 1 || !anyFlex);
	if (!automatic) return item.floor;
	return allFixed ? Math.min(item.minContent, Math.max(limit, item.floor)) : item.minContent;
}

type Step = 'minimum' | 'min-content' | 'max-content';

/** Section 11.5, steps 3 and 4: items that span several tracks, or a flexible one. */
function fitSpanning(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom,
	flexible: boolean
): void {
	const counts = (track: Track): boolean => !flexible || track.max.kind === 'flex';
	growBases(
		tracks,
		items,
		room,
		flexible,
		'minimum',
		(track) => {
			return counts(track) && track.min.kind !== 'fixed';
		},
		(item, span) => {
			return minimumOf(item, span, room.gap);
		}
	);
	growBases(
		tracks,
		items,
		room,
		flexible,
		'min-content',
		(track) => {
			return (
				counts(track) && (track.min.kind === 'min-content' || track.min.kind === 'max-content')
			);
		},
		(item) => item.minContent
	);
	growBases(
		tracks,
		items,
		room,
		flexible,
		'max-content',
		(track) => {
			return counts(track) && track.min.kind === 'max-content';
		},
		(item) => item.maxContent
	);
	for (const track of tracks) track.growth = Math.max(track.growth, track.base);
	if (flexible) return;
	for (const track of tracks) track.growsOn = false;
	growLimits(
		tracks,
		items,
		room,
		(track) => isIntrinsic(track.max),
		(item) => item.minContent,
		true
	);
	growLimits(
		tracks,
		items,
		room,
		(track) => {
			return track.max.kind === 'max-content' || track.max.kind === 'auto';
		},
		(item) => item.maxContent,
		false
	);
}

function isIntrinsic(breadth: ResolvedBreadth): boolean {
	return (
		breadth.kind === 'auto' || breadth.kind === 'min-content' || breadth.kind === 'max-content'
	);
}

/** Section 11.5.1, for base sizes. */
function growBases(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom,
	flexible: boolean,
	step: Step,
	affects: (track: Track) => boolean,
	asks: (item: TrackItem, span: readonly Track[]) => number
): void {
	for (const track of tracks) track.planned = 0;
	for (const item of items) {
		const span = spanned(tracks, item);
		const affected = span.filter((track) => affects(track) && !track.collapsed);
		if (affected.length === 0) continue;
		const used = span.reduce((sum, track) => sum + track.base, 0);
		const space = asks(item, span) - used - gapsIn(tracks, item.from, item.to, room.gap);
		if (space <= 0) continue;
		const given = flexible
			? shareByFactor(affected, space)
			: shareEqually(affected, space, (track) => track.growth - track.base, beyond(affected, step));
		for (const [index, track] of affected.entries()) {
			track.planned = Math.max(track.planned, given[index] ?? 0);
		}
	}
	for (const track of tracks) track.base += track.planned;
}

/** Which tracks go on growing past their limits. */
function beyond(affected: readonly Track[], step: Step): readonly Track[] {
	const fitting = affected.filter(({ max }) => {
		return step === 'max-content'
			? max.kind === 'max-content' || max.kind === 'auto'
			: isIntrinsic(max);
	});
	return fitting.length > 0 ? fitting : affected;
}

/** In the ratio of their factors where those add up to one at least; else in equal parts. */
function shareByFactor(affected: readonly Track[], space: number): number[] {
	const factors = affected.map(({ max }) => (max.kind === 'flex' ? max.factor : 0));
	const sum = factors.reduce((total, factor) => total + factor, 0);
	if (sum <= 0) return affected.map(() => space / affected.length);
	return factors.map((factor) => (space * factor) / sum);
}

/** In equal parts up to each one's limit, then on among `further`. */
function shareEqually(
	affected: readonly Track[],
	space: number,
	limitOf: (track: Track) => number,
	further: readonly Track[]
): number[] {
	const given = new Map<Track, number>();
	let rest = space;
	let open = affected.length;
	for (const set of setsIn(affected, limitOf)) {
		const share = Math.min(set.limit, (rest * set.tracks.length) / open);
		for (const track of set.tracks) given.set(track, share / set.tracks.length);
		rest -= share;
		open -= set.tracks.length;
	}
	if (rest > 1e-9) {
		for (const track of further) {
			given.set(track, (given.get(track) ?? 0) + rest / further.length);
		}
	}
	return affected.map((track) => given.get(track) ?? 0);
}

interface TrackSet {
	readonly tracks: Track[];
	/** How much its tracks can grow together. */
	limit: number;
}

/**
 * Tracks that repeat one another between the same items grow as one, and those that can grow least
 * come first. Browsers count so; the specification leaves the order open.
 */
function setsIn(tracks: readonly Track[], limitOf: (track: Track) => number): TrackSet[] {
	const sets = new Map<number, TrackSet>();
	for (const track of tracks) {
		const limit = Math.max(0, limitOf(track));
		const set = sets.get(track.set);
		if (set) {
			set.tracks.push(track);
			set.limit += limit;
		} else {
			sets.set(track.set, { tracks: [track], limit });
		}
	}
	return [...sets.values()].sort(byLimit);
}

/** Sets of auto tracks by what each track can grow, others by what they can grow in all. */
function byLimit(a: TrackSet, b: TrackSet): number {
	if (a.limit === Infinity || b.limit === Infinity) {
		return a.limit === b.limit ? 0 : a.limit - b.limit;
	}
	const isAuto = ({ tracks }: TrackSet): boolean =>
		tracks.every(({ min, max, cap }) => {
			return min.kind === 'auto' && max.kind === 'auto' && cap === Infinity;
		});
	return isAuto(a) && isAuto(b)
		? a.limit / a.tracks.length - b.limit / b.tracks.length
		: a.limit - b.limit;
}

/** Section 11.5.1, for growth limits. */
function growLimits(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom,
	affects: (track: Track) => boolean,
	asks: (item: TrackItem) => number,
	first: boolean
): void {
	const planned = new Map<Track, number>();
	for (const item of items) {
		const span = spanned(tracks, item);
		const affected = span.filter((track) => affects(track) && !track.collapsed);
		if (affected.length === 0) continue;
		const used = span.reduce((sum, track) => sum + limitNow(track), 0);
		const space = asks(item) - used - gapsIn(tracks, item.from, item.to, room.gap);
		const given = shareEqually(
			affected,
			Math.max(0, space),
			(track) => {
				const open = track.growth === Infinity || track.growsOn;
				return open ? track.cap - limitNow(track) : 0;
			},
			affected
		);
		for (const [index, track] of affected.entries()) {
			const most = Math.max(0, track.cap - limitNow(track));
			const increase = Math.min(given[index] ?? 0, most);
			planned.set(track, Math.max(planned.get(track) ?? 0, increase));
		}
	}
	for (const [track, increase] of planned) {
		if (track.growth === Infinity) {
			track.growsOn = first;
			track.growth = track.base + increase;
		} else {
			track.growth += increase;
		}
	}
}

function limitNow(track: Track): number {
	return track.growth === Infinity ? track.base : track.growth;
}

/** Section 11.6. */
function maximise(tracks: readonly Track[], room: TrackRoom): void {
	if (room.constraint === 'min') return;
	if (room.available === undefined) {
		for (const track of tracks) track.base = track.growth;
		return;
	}
	const free = freeSpace(tracks, room, room.available);
	if (free <= 0) return;
	const given = shareEqually(tracks, free, (track) => track.growth - track.base, []);
	for (const [index, track] of tracks.entries()) track.base += given[index] ?? 0;
}

function freeSpace(tracks: readonly Track[], room: TrackRoom, available: number): number {
	const used = tracks.reduce((sum, track) => sum + track.base, 0);
	return available - used - gapsIn(tracks, 0, tracks.length, room.gap);
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
		if (track.max.kind === 'flex') track.base = Math.max(track.base, track.max.factor * fraction);
	}
}

function flexFraction(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom
): number {
	const inner = (available: number): number =>
		fractionSize(tracks, available - gapsIn(tracks, 0, tracks.length, room.gap));
	if (room.available !== undefined) {
		return freeSpace(tracks, room, room.available) <= 0 ? 0 : inner(room.available);
	}
	let fraction = 0;
	for (const { max, base } of tracks) {
		if (max.kind === 'flex') fraction = Math.max(fraction, base / Math.max(1, max.factor));
	}
	for (const item of items) {
		if (!spansFlex(tracks, item)) continue;
		const space = item.maxContent - gapsIn(tracks, item.from, item.to, room.gap);
		fraction = Math.max(fraction, fractionSize(spanned(tracks, item), space));
	}
	return fraction;
}

/** Section 11.7.1. */
function fractionSize(tracks: readonly Track[], space: number): number {
	const stiff = new Set<Track>();
	for (;;) {
		let left = space;
		let factors = 0;
		for (const track of tracks) {
			if (track.max.kind === 'flex' && !stiff.has(track)) factors += track.max.factor;
			else left -= track.base;
		}
		if (factors === 0) return 0;
		const size = left / Math.max(1, factors);
		const tooSmall = tracks.filter(
			(track) =>
				track.max.kind === 'flex' && !stiff.has(track) && size * track.max.factor < track.base
		);
		if (tooSmall.length === 0) return Math.max(0, size);
		for (const track of tooSmall) stiff.add(track);
	}
}

/** Section 11.8: tracks as large as they like share what is left. */
function stretchAuto(tracks: readonly Track[], room: TrackRoom): void {
	const auto = tracks.filter(({ max, size }) => max.kind === 'auto' && !size.limit);
	if (auto.length === 0 || room.constraint !== 'none') return;
	const available = room.available ?? (room.least > 0 ? room.least : undefined);
	if (available === undefined) return;
	const free = freeSpace(tracks, room, available);
	if (free <= 0) return;
	for (const track of auto) track.base += free / auto.length;
}
