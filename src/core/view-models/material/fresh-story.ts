import { timeline, type Moment } from '../../data/timeline.ts';
import type { Freshness } from '../../model/site.ts';
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
	/** Seconds at which the source is asked, as long as they are few enough to be told apart. */
	readonly asks: readonly number[];
	/** A second as a time of day. */
	clock(second: number): string;
}

const tenOClock = utcMs({ year: 2026, month: 4, day: 18, hours: 10, minutes: 0, seconds: 0 }) ?? 0;
const length = 240;
const before = 60;
const mostAsks = 40;

/** `fresh` as it is written: `60s`, `always` or `build`. */
export function freshStory(fresh: string, cacheControl: string): FreshStory {
	const start = tenOClock - before * 1000;
	const times = Array.from({ length: length + 1 }, (_, second) => start + second * 1000);
	const history = [
		{ text: '"old"', changed: start - 3_600_000 },
		{ text: '"new"', changed: tenOClock + 1 }
	];
	const moments = timeline(history, freshnessOf(fresh), cacheControl, times);
	const asks = moments.flatMap(({ asked }, second) => (asked === 'not asked' ? [] : [second]));
	const shownFrom = moments.findIndex(({ shown }) => shown === 'new');
	return {
		moments,
		changesAt: before,
		shownFrom: shownFrom === -1 ? undefined : shownFrom,
		asks: asks.length > mostAsks ? [] : asks,
		clock(second) {
			const { hours, minutes, seconds } = utcTime(start + second * 1000);
			return [hours, minutes, seconds].map((part) => String(part).padStart(2, '0')).join(':');
		}
	};
}

function freshnessOf(fresh: string): Freshness {
	if (fresh === 'always' || fresh === 'build') return { kind: fresh };
	return { kind: 'for', seconds: Number.parseInt(fresh, 10) || 0 };
}
