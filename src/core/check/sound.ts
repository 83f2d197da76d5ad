import { listProblems, type Problem } from '../messages/problem.ts';
import { resolveSite, type ResolvedSite } from '../resolve/site.ts';
import type { SiteReading } from '../source/read.ts';
import { CheckGroup } from './check-group.ts';
import type { CheckedSite } from './checked-site.ts';
import { errorChecks } from './errors.ts';

const group = new CheckGroup(errorChecks);

/**
 * Resolves a site as it was read, and looks only for errors: what keeps it from being drawn, and nothing that is
 * doubtful.
 */
export function soundSite(reading: SiteReading): CheckedSite {
	const resolved = resolveSite(reading);
	const errors = foundWithErrors(resolved).filter(({ severity }) => severity === 'error');
	return { ...resolved, problems: listProblems(errors), allowed: [] };
}

/** What reading and the checks that find errors have found, with what they found besides. */
export function foundWithErrors(resolved: ResolvedSite): Problem[] {
	return [...withoutSwallowed(resolved.unresolved), ...group.find(resolved)];
}

/** What is missing because a text or block that nothing ends has swallowed it is not told as well. */
function withoutSwallowed(problems: readonly Problem[]): Problem[] {
	const open = new Set(
		problems.flatMap(({ code, span }) =>
			code === 'unclosed-text' || code === 'unclosed-block' ? [span.file] : []
		)
	);
	return problems.filter(({ code, span }) => code !== 'layout-no-slot' || !open.has(span.file));
}
