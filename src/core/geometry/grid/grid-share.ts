import { compared, exceeds, larger, smaller } from '../../size/turns.ts';
import type { Track, TrackItem } from './grid-track.ts';

/** CSS Grid Layout 2, section 11.5.1: how tracks share what they grow by. */

/** Numbers the tracks: the same for repetitions of one track that no item's edge parts. */
export function numberSets(tracks: readonly Track[], items: readonly TrackItem[]): void {
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

/** In the ratio of their factors where those add up to one at least; else in equal parts. */
export function shareByFactor(affected: readonly Track[], space: number): number[] {
	const factors = affected.map(({ max }) => (max.kind === 'flex' ? max.factor : 0));
	const sum = factors.reduce((total, factor) => total + factor, 0);
	if (sum <= 0) return affected.map(() => space / affected.length);
	return factors.map((factor) => (space * factor) / sum);
}

/** In equal parts up to each one's limit, then on among `further`, up to what each of those can take at most. */
export function shareEqually(
	affected: readonly Track[],
	space: number,
	limitOf: (track: Track) => number,
	further: readonly Track[],
	mostOf: (track: Track) => number = () => Infinity
): number[] {
	const given = new Map<Track, number>();
	let rest = space;
	let open = affected.length;
	for (const set of setsIn(affected, limitOf)) {
		const share = smaller(set.limit, (rest * set.tracks.length) / open);
		for (const track of set.tracks) given.set(track, share / set.tracks.length);
		rest -= share;
		open -= set.tracks.length;
	}
	const left = (track: Track): number => mostOf(track) - (given.get(track) ?? 0);
	if (exceeds(rest, 0) && further.length > 0) {
		const more = shareEqually(further, rest, left, []);
		for (const [index, track] of further.entries()) {
			given.set(track, (given.get(track) ?? 0) + (more[index] ?? 0));
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
		const limit = larger(0, limitOf(track));
		const set = sets.get(track.set);
		if (set) {
			set.tracks.push(track);
			set.limit += limit;
		} else {
			sets.set(track.set, { tracks: [track], limit });
		}
	}
	const ordered = [...sets.values()];
	const besideFlexible = tracks.some((track) => track.max.kind === 'flex');
	return ordered.sort((a, b) => compareLimits(a, b, besideFlexible));
}

/** Sets of auto tracks by what each track can grow, others, or beside flexible ones, by what they can in all. */
function compareLimits(a: TrackSet, b: TrackSet, besideFlexible: boolean): number {
	if (a.limit === Infinity || b.limit === Infinity) {
		return a.limit === b.limit ? 0 : a.limit - b.limit;
	}
	return isAuto(a) && isAuto(b) && !besideFlexible
		? compared(a.limit / a.tracks.length, b.limit / b.tracks.length)
		: compared(a.limit, b.limit);
}

function isAuto({ tracks }: TrackSet): boolean {
	return tracks.every(({ min, max, cap }) => {
		return min.kind === 'auto' && max.kind === 'auto' && cap === Infinity;
	});
}
