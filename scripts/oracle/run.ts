import type { Browser } from 'puppeteer-core';
import fc from 'fast-check';
import { judge, openJudge, type Judgement } from './judge.ts';
import { addressOf, randomLayouts, siteText, type RandomSite } from './random-layouts.ts';

/** What came of a number of random sites. */
export interface OracleResult {
	readonly sites: number;
	/** Sites in which every box agrees. */
	readonly whole: number;
	readonly boxes: number;
	readonly agree: number;
	/** px, among boxes that agree. */
	readonly largest: number;
	/** The smallest site that differs, as text, and how. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

/** Widths from a phone to a wide screen, one just below and one at each breakpoint. */
function widthsFor({ medium, wide }: RandomSite): number[] {
	return [280, 375, medium - 1, medium, wide - 1, wide, 1440, 1760];
}

/** Lays out random sites by the core and by a browser. The same seed gives the same sites. */
export async function runOracle(
	browser: Browser,
	runs: number,
	seed: number
): Promise<OracleResult> {
	const page = await openJudge(browser);
	const sites = fc.sample(randomLayouts, { numRuns: runs, seed });
	const judgeOne = (site: RandomSite): Promise<Judgement> =>
		judge(page, siteText(site), addressOf(site), widthsFor(site));
	let [boxes, agree, whole, largest] = [0, 0, 0, 0];
	for (const site of sites) {
		const judged = await judgeOne(site);
		boxes += judged.boxes;
		agree += judged.agree;
		if (judged.differences.length === 0) whole++;
		largest = Math.max(largest, judged.largestAgreed);
	}
	const failure = whole < sites.length ? await smallest(runs, seed, judgeOne) : undefined;
	await page.close();
	return { sites: sites.length, whole, boxes, agree, largest, failure };
}

/** Makes the first site that differs as small as it gets while it still does. */
async function smallest(
	runs: number,
	seed: number,
	judgeOne: (site: RandomSite) => Promise<Judgement>
): Promise<OracleResult['failure']> {
	let says = '';
	const differs = fc.asyncProperty(randomLayouts, async (site) => {
		const [first] = (await judgeOne(site)).differences;
		if (!first) return true;
		says = `${first.box} at ${first.width} px: computed ${first.computed}, in Chromium ${first.browser}`;
		return false;
	});
	const { counterexample } = await fc.check(differs, { numRuns: runs, seed });
	const [site] = counterexample ?? [];
	return site && { text: siteText(site), says };
}
