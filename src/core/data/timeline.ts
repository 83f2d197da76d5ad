import type { Freshness } from '../model/site.ts';
import { currentAge, decide, take, type Copy } from './copy.ts';
import { originAnswer, type Standing } from './origin.ts';

/** What a visitor of a page gets of a source at a moment, and what the source itself says then. */
export interface Moment {
	/** ms since 1970 in UTC. */
	readonly time: number;
	readonly shown: unknown;
	/** s; undefined where there is no copy. */
	readonly age: number | undefined;
	readonly atSource: unknown;
	/** Whether the source was asked, and what it said. */
	readonly asked: 'not asked' | 'new' | 'nothing changed';
}

/**
 * Goes through some moments, one visit each, with a source that changes meanwhile: what is shown then, by
 * the same rules by which copies are really kept. `notices` are the moments (ms) at which the source says that
 * something changed.
 */
export function timeline(
	history: readonly Standing[],
	fresh: Freshness,
	cacheControl: string,
	times: readonly number[],
	notices: readonly number[] = []
): Moment[] {
	let copy: Copy | undefined;
	return times.map((time): Moment => {
		const standing = history.findLast(({ changed }) => changed <= time) ?? history[0];
		let asked: Moment['asked'] = 'not asked';
		const decision = decide(
			copy,
			fresh,
			time,
			notices.findLast((at) => at <= time)
		);
		if (standing && decision.kind === 'ask') {
			const answered = originAnswer(standing, decision.headers, cacheControl, time);
			const taken = take(copy, answered, { requested: time, received: time });
			asked = taken.kind === 'holds' ? 'nothing changed' : 'new';
			if (taken.kind !== 'failed') copy = taken.copy;
		}
		return {
			time,
			shown: copy?.value,
			age: copy && currentAge(copy, time),
			atSource: standing && parsed(standing.text),
			asked
		};
	});
}

function parsed(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return undefined;
	}
}
