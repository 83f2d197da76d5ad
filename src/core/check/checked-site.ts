import { hasErrors, type Problem } from '../messages/problem.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { Allowing } from './allowances.ts';

/** A resolved site with everything that is wrong with it. */
export interface CheckedSite extends ResolvedSite {
	readonly problems: readonly Problem[];
	/** What was found and is set aside. */
	readonly allowed: readonly AllowedProblem[];
}

/** A problem that is not told, and what sets it aside. */
export interface AllowedProblem extends Allowing {
	readonly problem: Problem;
}

/** Whether a site can be delivered. */
export function isSound({ problems }: CheckedSite): boolean {
	return !hasErrors(problems);
}
