import type { Problem } from '../messages/problem.ts';
import type { Wish } from '../model/wish.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Check } from './check.ts';
import { checks } from './list.ts';

/** By code; two checks may find problems of one kind, of which one knows what to do about it. */
const mending = new Map(
	checks
		.filter((check) => check.mend)
		.flatMap((check) => check.codes.map((code): [string, Check] => [code, check]))
);

/** The wish that would take a problem away, by the check that found it; undefined where none is known. */
export function mendOf(problem: Problem, resolved: ResolvedSite): Wish | undefined {
	return mending.get(problem.code)?.mend?.(problem, resolved);
}
