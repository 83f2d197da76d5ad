import { stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { checkSite, type CheckedSite } from '../../core/check/site.ts';
import { isSafe, mendOf } from '../../core/check/mend.ts';
import { prepare } from '../../core/edit/propose.ts';
import type { Finding } from '../../core/findings/finding.ts';
import type { Wish } from '../../core/model/wish.ts';
import { readSiteFiles } from '../../core/source/read.ts';

/** A site after safe mends, and how many were made. */
export interface Mended {
	readonly site: CheckedSite;
	readonly count: number;
}

/** Makes the mends that change nothing but what was wrong, as long as each can be made. */
export function mendSafely(site: CheckedSite, findings: readonly Finding[]): Mended {
	const wishes = new Map<string, Wish>();
	for (const { problem } of findings) {
		const wish = isSafe(problem.code) ? mendOf(problem, site) : undefined;
		if (wish) wishes.set(JSON.stringify(wish), wish);
	}
	const mends = [...wishes.values()];
	if (mends.length === 0) return { site, count: 0 };
	const { proposal, after } = prepare(site, { kind: 'mend-all', label: 'Mend', mends });
	if (proposal.kind !== 'edit' || !after) return { site, count: 0 };
	return { site: checkSite(readSiteFiles(after.reading.files)), count: mends.length };
}

/** Writes the texts that are others than before; gives their paths. */
export async function writeTexts(
	path: string,
	before: CheckedSite,
	after: CheckedSite
): Promise<string[]> {
	const isFolder = (await stat(path)).isDirectory();
	const written: string[] = [];
	for (const [file, text] of after.reading.files.texts) {
		if (before.reading.files.texts.get(file) === text) continue;
		await writeFile(isFolder ? join(path, file) : path, text);
		written.push(file);
	}
	return written;
}
