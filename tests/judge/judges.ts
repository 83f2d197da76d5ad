import type { Browser } from 'puppeteer-core';
import fc from 'fast-check';
import { openBrowser } from '../../scripts/lib/browser.ts';
import { Measurer } from '../../src/cli/measure/measurer.ts';
import { judgeFits } from './boxes/fits.ts';
import { judgeJumps } from './boxes/jumps.ts';
import { openJudge, pageOf } from './boxes/judge.ts';
import { addressOf, realLayouts, siteText } from './boxes/random-layouts.ts';
import { runOracle } from './boxes/run.ts';
import { runFuzz } from './fuzz/run.ts';
import { judgeDeliveries } from './deliveries.ts';
import { judgeMends } from './mends.ts';
import { judgeNginx } from './nginx/judge-nginx.ts';
import { hasNginx } from './nginx/run-nginx.ts';
import { judgeStyles } from './styles/judge-styles.ts';
import { judgeTold } from './told/judge-told.ts';
import { judgeCommands } from './commands/judge-commands.ts';

/** What came of some sites made with one seed. */
export interface Verdict {
	/** Sites, boxes, addresses or whatever it counts. */
	readonly looked: number;
	/** The smallest form of the first thing that is wrong. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

export type Judge = (seed: number) => Promise<Verdict>;

/** A browser of its own for as long as something is judged. */
async function inBrowser<T>(judge: (browser: Browser) => Promise<T>): Promise<T> {
	const { browser, close } = await openBrowser();
	try {
		return await judge(browser);
	} finally {
		await close();
	}
}

const oracle =
	(content: 'named' | 'real', runs: number): Judge =>
	async (seed) => {
		const { boxes, failure } = await inBrowser((browser) =>
			runOracle(browser, runs, seed, content)
		);
		return { looked: boxes, failure };
	};

/** All judges of the long judging, by their names. Each knows nothing of how what it judges is made. */
export const judges: Readonly<Record<string, Judge>> = {
	fuzz: async (seed) => {
		const { runs, failures } = await runFuzz(60, seed);
		const [first] = failures;
		const failure = first && { text: JSON.stringify(first.change), says: first.says };
		return { looked: runs, failure };
	},
	oracle: oracle('named', 60),
	'oracle-real': oracle('real', 4),
	fits: async (seed) => {
		const { looks, missed, invented, smallest } = await inBrowser((browser) =>
			judgeFits(browser, 15, seed)
		);
		const says = [
			...missed.map((one) => `missed ${one}`),
			...invented.map((one) => `invented ${one}`)
		];
		return {
			looked: looks,
			failure: smallest === undefined ? undefined : { text: smallest, says: says[0] ?? '' }
		};
	},
	jumps: async (seed) =>
		inBrowser(async (browser) => {
			const [site] = fc.sample(realLayouts, { numRuns: 1, seed });
			if (!site) return { looked: 0, failure: undefined };
			const text = siteText(site);
			const { resolved, instance } = pageOf(text, addressOf(site));
			const [measurer, page] = [await Measurer.open(browser), await openJudge(browser)];
			const found = await judgeJumps({ measurer, page, resolved, instance });
			const [computed, shown] = [found.computed.join(' '), found.browser.join(' ')];
			const says = `computed ${computed}; in Chromium ${shown}`;
			return { looked: 1, failure: computed === shown ? undefined : { text, says } };
		}),
	styles: async (seed) => {
		const { looks, failure } = await inBrowser((browser) => judgeStyles(browser, 25, seed));
		return { looked: looks, failure };
	},
	told: async (seed) => {
		const { looks, missed, invented, smallest } = await inBrowser((browser) =>
			judgeTold(browser, 6, seed)
		);
		const [says = ''] = [
			...missed.map((one) => `missed ${one}`),
			...invented.map((one) => `invented ${one}`)
		];
		return {
			looked: looks,
			failure: smallest === undefined ? undefined : { text: smallest, says }
		};
	},
	nginx: async (seed) => {
		if (!hasNginx) return { looked: 0, failure: undefined };
		const { asked, failure } = await judgeNginx(20, seed);
		return { looked: asked, failure };
	},
	mends: async (seed) => {
		const { made, failure } = await judgeMends(12, seed);
		return { looked: made, failure };
	},
	commands: async (seed) => {
		const { asked, failure } = await judgeCommands(200, seed);
		return { looked: asked, failure };
	},
	deliveries: async (seed) => {
		const { deliveries, failure } = await judgeDeliveries(40, seed);
		return { looked: deliveries, failure };
	}
};
