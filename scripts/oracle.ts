// npm run oracle -- --runs N --seed S: random sites, laid out by the core and by Chromium, box by box.
import fc from 'fast-check';
import { Command } from 'commander';
import { openBrowser } from './lib/browser.ts';
import { judge, openJudge } from './oracle/judge.ts';
import { addressOf, randomLayouts, siteText, type RandomSite } from './oracle/random-layouts.ts';

const program = new Command('oracle')
	.option('--runs <n>', 'how many random sites', '1000')
	.option('--seed <n>', 'the same seed gives the same sites', String(Date.now() % 1_000_000));
const { runs, seed } = program.parse().opts<{ runs: string; seed: string }>();

/** Widths from a phone to a wide screen, one just below and one at each breakpoint. */
function widthsFor({ medium, wide }: RandomSite): number[] {
	return [280, 375, medium - 1, medium, wide - 1, wide, 1440, 1760];
}

const { browser, close } = await openBrowser();
let boxes = 0;
let agree = 0;
let sites = 0;
let whole = 0;
let largest = 0;
const started = performance.now();
try {
	const page = await openJudge(browser);
	const result = await fc.check(
		fc.asyncProperty(randomLayouts, async (site) => {
			const judged = await judge(page, siteText(site), addressOf(site), widthsFor(site));
			boxes += judged.boxes;
			agree += judged.agree;
			sites++;
			if (judged.differences.length === 0) {
				whole++;
				largest = Math.max(largest, judged.largest);
				return;
			}
			const [first] = judged.differences;
			throw new Error(
				`${first?.box} at ${first?.width} px: computed ${first?.computed}, in Chromium ${first?.browser}`
			);
		}),
		{
			numRuns: Number(runs),
			seed: Number(seed),
			endOnFailure: false,
			interruptAfterTimeLimit: 3_000_000
		}
	);
	const [smallest] = result.counterexample ?? [];
	if (smallest) {
		console.log(siteText(smallest));
		console.log(`The smallest site that differs, found after ${result.numShrinks} steps.`);
		console.log(result.errorInstance instanceof Error ? result.errorInstance.message : '');
		process.exitCode = 1;
	}
} finally {
	await close();
}
const seconds = ((performance.now() - started) / 1000).toFixed(1);
console.log(
	`${agree} of ${boxes} boxes agree within 0.5 px, ${whole} of ${sites} sites entirely (seed ${seed}); ` +
		`largest difference where they agree ${largest.toFixed(3)} px; ${seconds} s`
);
