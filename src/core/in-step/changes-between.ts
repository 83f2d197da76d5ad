import type { SiteFiles } from '../model/files.ts';
import { applyChanges, type Change } from '../source/change.ts';
import { contentIn } from './content.ts';
import { changeTo } from './reconcile.ts';

/** The changes that make one state of a site's files of another. */
export function changesBetween(from: SiteFiles, to: SiteFiles): Change[] {
	const paths = new Set(
		[from, to].flatMap(({ texts, assets }) => [...texts.keys(), ...assets.keys()])
	);
	const changes: Change[] = [];
	let files = from;
	for (const path of [...paths].sort()) {
		const change = changeTo(path, files, contentIn(to, path));
		if (!change) continue;
		changes.push(change);
		files = applyChanges(files, [change]);
	}
	return changes;
}
