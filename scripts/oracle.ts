// npm run oracle -- --runs N --seed S --content named|real: random sites, laid out by the core and by Chromium, box by box.
import { Command } from 'commander';
import { openBrowser } from './lib/browser.ts';
import { runOracle } from './oracle/run.ts';

const program = new Command('oracle')
	.option('--runs <n>', 'how many random sites', '1000')
	.option('--scrollbar <px>', 'what scrollbars take: 15, or 0 where they lie over the page', '0')
	.option('--content <kind>', '"named" for its size, or "real" and measured', 'named')
	.option('--seed <n>', 'the same seed gives the same sites', String(Date.now() % 1_000_000));
const { runs, seed, content, scrollbar } = program
	.parse()
	.opts<{ runs: string; seed: string; content: string; scrollbar: string }>();
const kind = content === 'named' || content === 'real' ? content : undefined;
if (!kind) program.error('--content is "named" or "real".');
const { browser, close } = await openBrowser({ scrollbars: Number(scrollbar) > 0 });
try {
	const started = performance.now();
	const result = await runOracle(browser, Number(runs), Number(seed), kind, Number(scrollbar));
	const seconds = ((performance.now() - started) / 1000).toFixed(1);
	if (result.failure) {
		console.log(result.failure.text);
		console.log('The smallest site that differs:');
		console.log(result.failure.says);
		process.exitCode = 1;
	}
	const share = ((result.agree / result.boxes) * 100).toFixed(3);
	console.log(
		`${result.agree} of ${result.boxes} boxes agree within 0.5 px (${share} %), ` +
			`${result.whole} of ${result.sites} sites entirely (seed ${seed}); ` +
			`largest difference among those that agree ${result.largest.toFixed(3)} px; ${seconds} s`
	);
} finally {
	await close();
}
