import { listProblems, type Problem } from '../messages/problem.ts';
import type { Site } from '../model/site.ts';
import { resolveSite } from '../resolve/site.ts';
import type { SiteReading } from '../source/read.ts';
import { Allowances } from './allowances.ts';
import { CheckGroup } from './check-group.ts';
import type { AllowedProblem, CheckedSite } from './checked-site.ts';
import { doubtChecks } from './list.ts';
import { foundWithErrors } from './sound.ts';

const group = new CheckGroup(doubtChecks);

/** Resolves a site as it was read, and goes through all checks. */
export function checkSite(reading: SiteReading): CheckedSite {
	const resolved = resolveSite(reading);
	const problems = [...foundWithErrors(resolved), ...group.find(resolved)];
	const { told, allowed } = setAside(problems, resolved.site);
	return { ...resolved, problems: listProblems(told), allowed };
}

/** Parts problems into those that are told and those that the text sets aside. */
function setAside(
	problems: readonly Problem[],
	site: Site
): { readonly told: readonly Problem[]; readonly allowed: readonly AllowedProblem[] } {
	const allowances = Allowances.of(site);
	if (allowances.all.length === 0) return { told: problems, allowed: [] };
	const told: Problem[] = [];
	const allowed: AllowedProblem[] = [];
	for (const problem of problems) {
		const allowing = allowances.of(problem);
		if (allowing) allowed.push({ ...allowing, problem });
		else told.push(problem);
	}
	return { told, allowed };
}
