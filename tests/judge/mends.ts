import { loadLibraries } from '../../src/core/check/libraries.ts';
import type { Finding } from '../../src/core/findings/finding.ts';
import { mendOf } from '../../src/core/check/mend.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { LookingOver } from '../../src/core/findings/look-over.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { mutate } from './fuzz/mutate.ts';
import { Random } from './fuzz/random.ts';
import { seedSites } from './fuzz/seeds.ts';

await loadLibraries();

/** Whether mends do what they say on sites into which something wrong was put by chance. */

export interface MendsResult {
	/** Mends that were made. */
	readonly made: number;
	/** What a mend did wrong first, with the text of its site. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

/** Breaks a number of sites a little, looks them over and makes each mend that is offered. */
export async function judgeMends(runs: number, seed: number): Promise<MendsResult> {
	const seeds = (await seedSites(seed)).slice(4).map((files) => checkSite(readSiteFiles(files)));
	let made = 0;
	for (let run = 0; run < runs; run++) {
		const random = new Random(seed * 7919 + run);
		const before = random.of(seeds);
		const [file = '', text = ''] = [...before.reading.files.texts][0] ?? [];
		const changes = [mutate(file, text, random)];
		const site = checkSite(readSiteFiles(applyChanges(before.reading.files, changes)));
		if (!isSound(site)) continue;
		for (const { problem } of new LookingOver(2026).whole(site).findings) {
			const says = judgeMend(site, problem);
			if (says === undefined) continue;
			if (says === '') made++;
			else return { made, failure: { text: site.reading.files.texts.get(file) ?? '', says } };
		}
	}
	return { made, failure: undefined };
}

/** What is wrong with a mend; empty where it does what it says, undefined where there is none. */
function judgeMend(site: CheckedSite, problem: Finding['problem']): string | undefined {
	const command = mendOf(problem, site);
	if (!command) return undefined;
	const { proposal, after } = prepare(site, command);
	if (proposal.kind !== 'edit' || !after) return undefined;
	if (!isSound(after)) return `the mend of ${problem.code} leaves an error`;
	const { texts, inverse } = applyChanges(site.reading.files, proposal.changes);
	const back = applyChanges({ ...site.reading.files, texts }, inverse).texts;
	for (const [path, text] of site.reading.files.texts) {
		if (back.get(path) !== text) return `the mend of ${problem.code} cannot be taken back`;
	}
	const count = (of: CheckedSite): number =>
		of.problems.filter(({ code }) => code === problem.code).length;
	const isOfText = site.problems.includes(problem);
	if (isOfText && count(after) >= count(site)) return `the mend of ${problem.code} leaves it there`;
	return '';
}
