import { atEdge, hasErrors, listProblems, type Problem } from '../messages/problem.ts';
import { layerName, layerSpan, layersOf } from '../model/site.ts';
import { resolveSite, type ResolvedSite } from '../resolve/site.ts';
import type { SiteReading } from '../source/read.ts';
import type { LayerCheck } from './check.ts';
import { checks } from './list.ts';

/** A resolved site with everything that is wrong with it. */
export interface CheckedSite extends ResolvedSite {
	readonly problems: readonly Problem[];
}

const layerChecks = checks.filter((check): check is LayerCheck => check.of === 'layer');

/** Resolves a site as it was read, and goes through all checks. */
export function checkSite(reading: SiteReading): CheckedSite {
	const resolved = resolveSite(reading);
	const problems = [...resolved.unresolved];
	const append = (more: readonly Problem[]): void => {
		for (const problem of more) problems.push(problem);
	};
	for (const check of checks) {
		if (check.of === 'site') append(check.find(resolved));
	}
	for (const layer of layersOf(resolved.site)) {
		const about = { what: layerName(layer), span: layerSpan(layer) };
		for (const check of layerChecks) {
			atEdge(about, problems, () => append(check.find(layer, resolved)), undefined);
		}
	}
	return { ...resolved, problems: listProblems(problems) };
}

/** Whether a site can be delivered. */
export function isSound({ problems }: CheckedSite): boolean {
	return !hasErrors(problems);
}
