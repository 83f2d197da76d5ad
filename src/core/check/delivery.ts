import { error, type Problem } from '../messages/problem.ts';
import { layerName, layerSpan } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { deliveredPlaces, type Place } from '../emit/delivery.ts';
import { pageFile, planPaths } from '../emit/paths.ts';
import { isSound, type CheckedSite } from './checked-site.ts';

/** What a file of the delivery is made from, for sentences. */
interface Maker {
	readonly what: string;
	readonly span: Span;
}

/** What keeps the static site from being written; nothing where it can be. */
export function deliveryProblems(checked: CheckedSite, year: number): readonly Problem[] {
	return isSound(checked) ? checkPaths(deliveredPlaces(checked, year), checked) : checked.problems;
}

/** Sees that no file of a delivery takes another's place, and that none is where another has a folder. */
function checkPaths(files: readonly Place[], resolved: ResolvedSite): Problem[] {
	const problems: Problem[] = [];
	const makerOf = makers(resolved);
	const byPath = new Map<string, Place>();
	for (const file of files) {
		const other = byPath.get(file.path);
		if (!other) {
			byPath.set(file.path, file);
			continue;
		}
		const { what, span } = makerOf(file);
		problems.push(error('path-twice', span, file.path, makerOf(other).what, what));
	}
	problems.push(...statesInPlaceOfPages(resolved));
	for (const file of files) {
		for (let at = file.path.indexOf('/'); at !== -1; at = file.path.indexOf('/', at + 1)) {
			const folder = byPath.get(file.path.slice(0, at));
			if (!folder) continue;
			const { what, span } = makerOf(file);
			const names = [what, file.path, folder.path, makerOf(folder).what] as const;
			problems.push(error('path-in-file', span, ...names));
		}
	}
	return problems;
}

/** A state has a file beside the pages, which may be that of one of them: `/denied` with `urls files`. */
function statesInPlaceOfPages(resolved: ResolvedSite): Problem[] {
	const { urls } = resolved.site.settings;
	const pages = new Map(
		resolved.routes.flatMap((route) =>
			resolved.instances(route).map((one) => [pageFile(one, urls), one.page])
		)
	);
	return resolved.site.states.flatMap((state) => {
		const file = pageFile({ page: state, address: state.at.text }, urls);
		const page = pages.get(file);
		if (!page) return [];
		const [one, other] = [page, state].map((maker) => `the page ${layerName(maker)}`);
		return [error('path-twice', layerSpan(state), file, one ?? '', other ?? '')];
	});
}

function makers(resolved: ResolvedSite): (file: Place) => Maker {
	const site = resolved.site.settings.name.span;
	const { pages } = planPaths(resolved);
	return ({ path, kind }) => {
		const page = kind === 'page' ? pages.get(path)?.page : undefined;
		if (kind === 'moved') return { what: `the redirect from ${path}`, span: site };
		if (page) return { what: `the page ${layerName(page)}`, span: layerSpan(page) };
		const what =
			kind === 'style' ? 'a style sheet that the site needs' : `the file ${path} of the site`;
		return { what, span: site };
	};
}
