import { error, type Problem } from '../messages/problem.ts';
import { layerName, layerSpan } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { planPaths } from './paths.ts';

/** Where a file of a delivery lies, and what kind it is. */
export interface Place {
	readonly path: string;
	readonly kind: 'page' | 'style' | 'asset';
}

/** What a file of the delivery is made from, for sentences. */
interface Maker {
	readonly what: string;
	readonly span: Span;
}

/** Sees that no file of a delivery takes another's place, and that none is where another has a folder. */
export function checkPaths(files: readonly Place[], resolved: ResolvedSite): Problem[] {
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

function makers(resolved: ResolvedSite): (file: Place) => Maker {
	const site = resolved.site.settings.name.span;
	const { pages } = planPaths(resolved);
	return ({ path, kind }) => {
		const page = kind === 'page' ? pages.get(path)?.page : undefined;
		if (page) return { what: `the page ${layerName(page)}`, span: layerSpan(page) };
		const what =
			kind === 'style' ? 'a style sheet that the site needs' : `the file ${path} of the site`;
		return { what, span: site };
	};
}
