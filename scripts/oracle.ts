// npm run oracle -- --runs N --seed S --content named|real: random sites, laid out by the core and by Chromium, box by box.
// npm run oracle -- --fits: what scrolls sideways, is cut or covered on random sites, in both.
// npm run oracle -- --jumps SITE: every width at which a page of that site jumps, in both.
import { Command } from 'commander';
import { openBrowser } from './lib/browser.ts';
import { judgeFits } from '../tests/judge/boxes/fits.ts';
import { runOracle } from '../tests/judge/boxes/run.ts';
import { siteJumps } from '../tests/judge/boxes/site-jumps.ts';

const program = new Command('oracle')
	.option('--runs <n>', 'how many random sites', '1000')
	.option('--scrollbar <px>', 'what scrollbars take: 15, or 0 where they lie over the page', '0')
	.option('--content <kind>', '"named" for its size, or "real" and measured', 'named')
	.option('--scrolled <px>', 'how far pages are scrolled, where they are long enough', '0')
	.option('--fits', 'compare what does not fit, and nothing else')
	.option('--jumps <site>', 'compare where the pages of this site jump, and nothing else')
	.option('--seed <n>', 'the same seed gives the same sites', String(Date.now() % 1_000_000));
const { runs, seed, content, scrollbar, scrolled, jumps, fits } = program.parse().opts<{
	runs: string;
	seed: string;
	content: string;
	scrollbar: string;
	scrolled: string;
	jumps?: string;
	fits?: true;
}>();
const kind = content === 'named' || content === 'real' ? content : undefined;
if (!kind) program.error('--content is "named" or "real".');
const { browser, close } = await openBrowser({ scrollbars: Number(scrollbar) > 0 });
try {
	if (fits) await judgeFitting();
	else await (jumps === undefined ? judgeRandom() : judgeJumps(jumps));
} finally {
	await close();
}

async function judgeFitting(): Promise<void> {
	const { sites, looks, shown, missed, invented } = await judgeFits(
		browser,
		Number(runs),
		Number(seed)
	);
	for (const says of [
		...missed.map((one) => `missed: ${one}`),
		...invented.map((one) => `invented: ${one}`)
	]) {
		console.log(says);
		process.exitCode = 1;
	}
	console.log(
		`${sites} sites looked at ${looks} times: ${shown} things that do not fit, ` +
			`${missed.length} missed, ${invented.length} invented (seed ${seed})`
	);
}

async function judgeJumps(site: string): Promise<void> {
	for await (const { says, same } of siteJumps(browser, site)) {
		console.log(says);
		if (!same) process.exitCode = 1;
	}
}

async function judgeRandom(): Promise<void> {
	const started = performance.now();
	const result = await runOracle(browser, Number(runs), Number(seed), kind ?? 'named', {
		scrollbar: Number(scrollbar),
		scrolled: Number(scrolled)
	});
	const seconds = ((performance.now() - started) / 1000).toFixed(1);
	if (result.failure) {
		console.log(result.failure.text);
		console.log('The smallest site that differs:');
		console.log(result.failure.says);
		process.exitCode = 1;
	}
	const { inScrolling } = result;
	const share = ((result.agree / result.boxes) * 100).toFixed(3);
	console.log(
		`${result.agree} of ${result.boxes} boxes agree within 0.5 px (${share} %), ` +
			`${result.whole} of ${result.sites} sites entirely (seed ${seed}), ` +
			`${inScrolling} boxes differ only in how far they scroll; ` +
			`largest difference among those that agree ${result.largest.toFixed(3)} px; ${seconds} s`
	);
}
