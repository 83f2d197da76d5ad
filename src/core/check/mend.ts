import type { Problem } from '../messages/problem.ts';
import type { Wish } from '../model/wish.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { foundElsewhere } from './elsewhere.ts';
import { checks } from './list.ts';

/** By code; two checks may find problems of one kind, of which one knows what to do about it. */
const mending = new Map(
	[...checks, ...foundElsewhere]
		.filter((check) => check.mend)
		.flatMap((check) => check.codes.map((code) => [code, check] as const))
);

const safe: ReadonlySet<string> = new Set(
	[...checks, ...foundElsewhere].filter((check) => check.safe).flatMap(({ codes }) => codes)
);

/** The wish that would take a problem away: by the check that found it, or in its own words; undefined where none is known. */
export function mendOf(problem: Problem, resolved: ResolvedSite): Wish | undefined {
	return mending.get(problem.code)?.mend?.(problem, resolved) ?? mendInText(problem, resolved);
}

function mendInText({ mend }: Problem, { reading }: ResolvedSite): Wish | undefined {
	if (!mend) return undefined;
	const { label, span, insert } = mend;
	const was = (reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
	return { kind: 'mend-text', label, span, was, insert };
}

/** Whether the mend of a kind of problem changes nothing on any page but what was wrong. */
export function isSafe(code: string): boolean {
	return safe.has(code);
}
