import { exceeds, larger, smaller } from '../../size/turns.ts';
import { shareByFactor, shareEqually } from './grid-share.ts';
import {
	gapsIn,
	isIntrinsic,
	spanned,
	type Track,
	type TrackItem,
	type TrackRoom
} from './grid-track.ts';

/** CSS Grid Layout 2, section 11.5: tracks that are as large as what is in them asks for. */

/** Section 11.5. */
export function resolveIntrinsic(
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

export function spansFlex(tracks: readonly Track[], item: TrackItem): boolean {
	return spanned(tracks, item).some((track) => track.max.kind === 'flex');
}

/** Section 11.5, step 2: an item that spans one track. */
function fitOne(track: Track | undefined, item: TrackItem): void {
	if (!track || track.collapsed) return;
	const { min } = track;
	if (min.kind === 'min-content') track.base = larger(track.base, item.minContent);
	if (min.kind === 'max-content') track.base = larger(track.base, item.maxContent);
	if (min.kind === 'auto') {
		const least = minimumOf(item, [track], 0);
		track.base = larger(track.base, least);
	}
	const command = growthCommand(track, item);
	if (command !== undefined) {
		track.growth = track.growth === Infinity ? command : larger(track.growth, command);
	}
	track.growth = larger(track.growth, track.base);
}

function growthCommand({ max, cap }: Track, item: TrackItem): number | undefined {
	if (max.kind === 'min-content') return item.minContent;
	if (max.kind === 'max-content' || max.kind === 'auto') return smaller(item.maxContent, cap);
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
	return allFixed ? smaller(item.minContent, larger(limit, item.floor)) : item.minContent;
}

/** One step of growing: which tracks it is for, and what items ask of them. */
interface Step {
	readonly concerns: (track: Track) => boolean;
	readonly asks: (item: TrackItem, span: readonly Track[], gap: number) => number;
	/** Tracks that go on growing past their limits. */
	readonly goesOn: (track: Track) => boolean;
}

interface LimitStep extends Pick<Step, 'concerns' | 'asks'> {
	/** A track that has got its limit in this step may grow past it in the next. */
	readonly growsOn: boolean;
}

const growsWithContent = ({ max }: Track): boolean => isIntrinsic(max);
const growsToMost = ({ max }: Track): boolean => max.kind === 'max-content' || max.kind === 'auto';

/** Section 11.5, step 3: for intrinsic minimums, content-based minimums and max-content minimums. */
const baseSteps: readonly Step[] = [
	{
		concerns: ({ min }) => min.kind !== 'fixed',
		asks: minimumOf,
		goesOn: growsWithContent
	},
	{
		concerns: ({ min }) => min.kind === 'min-content' || min.kind === 'max-content',
		asks: (item) => item.minContent,
		goesOn: growsWithContent
	},
	{
		concerns: ({ min }) => min.kind === 'max-content',
		asks: (item) => item.maxContent,
		goesOn: growsToMost
	}
];

/** The same for growth limits: intrinsic maximums, then max-content maximums. */
const limitSteps: readonly LimitStep[] = [
	{ concerns: growsWithContent, asks: (item) => item.minContent, growsOn: true },
	{ concerns: growsToMost, asks: (item) => item.maxContent, growsOn: false }
];

/** Section 11.5, steps 3 and 4: items that span several tracks, or a flexible one. */
function fitSpanning(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom,
	flexible: boolean
): void {
	for (const step of baseSteps) growBases(tracks, items, room, flexible, step);
	for (const track of tracks) track.growth = larger(track.growth, track.base);
	if (flexible) return;
	for (const track of tracks) track.growsOn = false;
	for (const step of limitSteps) growLimits(tracks, items, room, step);
}

/** Section 11.5.1, for base sizes. */
function growBases(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom,
	flexible: boolean,
	{ concerns, asks, goesOn }: Step
): void {
	for (const track of tracks) track.planned = 0;
	for (const item of items) {
		const span = spanned(tracks, item);
		const affected = span.filter((track) => {
			return concerns(track) && (!flexible || track.max.kind === 'flex') && !track.collapsed;
		});
		if (affected.length === 0) continue;
		const used = span.reduce((sum, track) => sum + track.base, 0);
		const gaps = gapsIn(tracks, item.from, item.to, room.gap);
		const space = asks(item, span, room.gap) - used - gaps;
		if (!exceeds(space, 0)) continue;
		const further = affected.filter(goesOn);
		const given = flexible
			? shareByFactor(affected, space)
			: shareEqually(affected, space, growthLeft, further.length > 0 ? further : affected);
		for (const [index, track] of affected.entries()) {
			track.planned = larger(track.planned, given[index] ?? 0);
		}
	}
	for (const track of tracks) track.base += track.planned;
}

/** How much a track may still grow, px. */
export function growthLeft(track: Track): number {
	return track.growth - track.base;
}

/** Section 11.5.1, for growth limits. */
function growLimits(
	tracks: readonly Track[],
	items: readonly TrackItem[],
	room: TrackRoom,
	{ concerns, asks, growsOn }: LimitStep
): void {
	const planned = new Map<Track, number>();
	for (const item of items) {
		const span = spanned(tracks, item);
		const affected = span.filter((track) => concerns(track) && !track.collapsed);
		if (affected.length === 0) continue;
		const used = span.reduce((sum, track) => sum + limitNow(track), 0);
		const gaps = gapsIn(tracks, item.from, item.to, room.gap);
		const space = asks(item, span, room.gap) - used - gaps;
		const most = (track: Track): number => track.cap - limitNow(track);
		const given = shareEqually(affected, larger(0, space), limitLeft, affected, most);
		for (const [index, track] of affected.entries()) {
			const increase = smaller(given[index] ?? 0, larger(0, most(track)));
			planned.set(track, larger(planned.get(track) ?? 0, increase));
		}
	}
	for (const [track, increase] of planned) {
		if (track.growth === Infinity) track.growsOn = growsOn;
		track.growth = limitNow(track) + increase;
	}
}

function limitLeft(track: Track): number {
	const open = track.growth === Infinity || track.growsOn;
	return open ? track.cap - limitNow(track) : 0;
}

function limitNow(track: Track): number {
	return track.growth === Infinity ? track.base : track.growth;
}
