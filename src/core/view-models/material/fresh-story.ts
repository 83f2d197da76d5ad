import { timeline, type Moment } from '../../data/timeline.ts';
import { freshWords, type Freshness } from '../../model/site.ts';
import { utcMs, utcTime } from '../../lib/utc.ts';

/**
 * What visitors get of a source that changes just after 10:00, second by second, from 9:59 to 10:03. One
 * visit asks right before the change, so the old value is shown for as long as it ever can be.
 */
export interface FreshStory {
	/** One for each second; values are "old" and "new". */
	readonly moments: readonly Moment[];
	/** The second at which the source changes. */
	readonly changesAt: number;
	/** The second from which the new value is shown; undefined where it never is in that time. */
	readonly shownFrom: number | undefined;
	/** The second at which the source says that it changed; undefined where nobody waits for that. */
	readonly noticeAt: number | undefined;
	/** Seconds at which the source is asked, as long as they are few enough to be told apart. */
	readonly asks: readonly number[];
	/** A second as a time of day. */
	clock(second: number): string;
}

const tenOClock = utcMs({ year: 2026, month: 4, day: 18, hours: 10, minutes: 0, seconds: 0 }) ?? 0;
const length = 240;
const before = 60;
const mostAsks = 40;

/** A way to say when a source is asked again. */
export interface FreshKind {
	/** Undefined where a number of seconds says it. */
	readonly word: (typeof freshWords)[number] | undefined;
	readonly label: string;
	readonly says: string;
}

const saysOf: Readonly<Record<(typeof freshWords)[number], Omit<FreshKind, 'word'>>> = {
	always: { label: 'asked each time', says: 'The source is asked for every visit.' },
	notice: {
		label: 'until it says so',
		says: 'A copy holds until the source says that something changed.'
	},
	build: {
		label: 'as delivered',
		says: 'It is asked for once, when the site is delivered.'
	}
};

const forSeconds: FreshKind = {
	word: undefined,
	label: 'for a time',
	says: 'A copy may be so old; then the source is asked again.'
};

/** Every way, to choose from. */
export const freshKinds: readonly FreshKind[] = [
	forSeconds,
	...freshWords.map((word) => ({ word, ...saysOf[word] }))
];

/** The way in which `fresh` is written. */
export function freshKindOf(fresh: string): FreshKind {
	return freshKinds.find(({ word }) => word === fresh) ?? forSeconds;
}

/** `fresh` as it is written: `60s`, or one of the words. A notice can get lost on its way. */
export function freshStory(fresh: string, cacheControl: string, isLost = false): FreshStory {
	const start = tenOClock - before * 1000;
	const times = Array.from({ length: length + 1 }, (_, second) => start + second * 1000);
	const history = [
		{ text: '"old"', changed: start - 3_600_000 },
		{ text: '"new"', changed: tenOClock + 1 }
	];
	const freshness = freshnessOf(fresh);
	const notices = freshness.kind === 'notice' && !isLost ? [tenOClock + 1] : [];
	const moments = timeline(history, freshness, cacheControl, times, notices);
	const asks = moments.flatMap(({ asked }, second) => (asked === 'not asked' ? [] : [second]));
	const shownFrom = moments.findIndex(({ shown }) => shown === 'new');
	return {
		moments,
		changesAt: before,
		noticeAt: notices.length > 0 ? before : undefined,
		shownFrom: shownFrom === -1 ? undefined : shownFrom,
		asks: asks.length > mostAsks ? [] : asks,
		clock(second) {
			const { hours, minutes, seconds } = utcTime(start + second * 1000);
			return [hours, minutes, seconds].map((part) => String(part).padStart(2, '0')).join(':');
		}
	};
}

function freshnessOf(fresh: string): Freshness {
	const word = freshWords.find((one) => one === fresh);
	if (word) return { kind: word };
	return { kind: 'for', seconds: Number.parseInt(fresh, 10) || 0 };
}
