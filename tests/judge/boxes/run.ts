import type { Browser } from 'puppeteer-core';
import fc from 'fast-check';
import { Measurer } from '../../../src/cli/measure/measurer.ts';
import {
	judge,
	judgeMeasured,
	judgeSwept,
	openJudge,
	pageOf,
	type Difference,
	type Judgement
} from './judge.ts';
import {
	addressOf,
	randomLayouts,
	realLayouts,
	siteText,
	type RandomSite
} from './random-layouts.ts';

/** What came of a number of random sites. */
export interface OracleResult {
	readonly sites: number;
	/** Sites in which every box agrees. */
	readonly whole: number;
	readonly boxes: number;
	readonly agree: number;
	/** Boxes that are where they should be, and differ only in how far they scroll. */
	readonly inScrolling: number;
	/** px, among boxes that agree. */
	readonly largest: number;
	/** The smallest site that differs, as text, and how. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

/** Widths from a phone to a wide screen, one just below and one at each breakpoint. */
function widthsFor({ medium, wide }: RandomSite): number[] {
	return [280, 375, medium - 1, medium, wide - 1, wide, 1440, 1760];
}

/** One in so many sites with real content is measured for all screens. */
const sweptEach = 8;

/** Lays out random sites by the core and by a browser. The same seed gives the same sites. */
export async function runOracle(
	browser: Browser,
	runs: number,
	seed: number,
	content: 'named' | 'real' = 'named',
	{ scrollbar = 0, scrolled = 0 }: { scrollbar?: number; scrolled?: number } = {}
): Promise<OracleResult> {
	const page = await openJudge(browser);
	const kind = content === 'real' ? realLayouts : randomLayouts;
	const sites = fc.sample(kind, { numRuns: runs, seed });
	const measurer = content === 'real' ? await Measurer.open(browser) : undefined;
	let count = 0;
	const judgeOne = (site: RandomSite): Promise<Judgement> => {
		const [text, address, widths] = [siteText(site), addressOf(site), widthsFor(site)];
		if (!measurer) return judge(page, text, address, widths, { scrollbar, scrolled });
		const { resolved, instance } = pageOf(text, address);
		// Of some, all screens are measured first, which takes long where text grows with each of them.
		const swept = count++ % sweptEach === 0;
		return (swept ? judgeSwept : judgeMeasured)({ measurer, page, resolved, instance }, widths);
	};
	let [boxes, agree, whole, largest, inScrolling] = [0, 0, 0, 0, 0];
	let first: OracleResult['failure'];
	for (const site of sites) {
		const judged = await judgeOne(site);
		boxes += judged.boxes;
		agree += judged.agree;
		inScrolling += judged.differences.filter((one) => one.inScrolling).length;
		if (judged.differences.length === 0) whole++;
		largest = Math.max(largest, judged.largestAgreed);
		const [difference] = judged.differences;
		if (difference) first ??= { text: siteText(site), says: sentenceOf(difference) };
	}
	const failure =
		whole === sites.length ? undefined : measurer ? first : await smallest(runs, seed, judgeOne);
	await measurer?.close();
	await page.close();
	return { sites: sites.length, whole, boxes, agree, inScrolling, largest, failure };
}

function sentenceOf({ box, width, computed, browser }: Difference): string {
	return `${box} at ${width} px: computed ${computed}, in Chromium ${browser}`;
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
		says = sentenceOf(first);
		return false;
	});
	const { counterexample } = await fc.check(differs, { numRuns: runs, seed });
	const [site] = counterexample ?? [];
	return site && { text: siteText(site), says };
}
