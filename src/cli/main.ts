import { allTrialWords } from '../core/model/trial.ts';
import { Command, CommanderError, Option } from 'commander';
import type { BoxesOptions } from './boxes.ts';
import type { CheckOptions } from './check/check.ts';
import { formats } from './check/formats.ts';
import { severities } from '../core/messages/severity.ts';
import { listWords, reasonOf } from '../core/messages/wording.ts';
import type { CompareOptions } from './comparing/compare.ts';
import { ownStreams } from './streams.ts';
import type { TokensOptions } from './tokens.ts';

/** How a command ended. */
export const exitCodes = { done: 0, errors: 1, usage: 2 } as const;

/** Ends when the process is told to. */
function untilTold(): Promise<void> {
	return new Promise((resolve) => {
		for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => resolve());
	});
}

interface ServeWords {
	readonly port: string;
	readonly as?: string;
	readonly noticeToken?: string;
}

interface BuildWords {
	readonly out: string;
	readonly year: string;
	readonly marks?: true;
	readonly closed?: true;
	readonly nginx?: true;
}

/** Runs the command line, loading no more than the command that is asked for, and gives the exit code: 0 done, 1 errors in the site, 2 wrong usage. */
export async function run(args: readonly string[], streams = ownStreams): Promise<number> {
	let code: number = exitCodes.done;
	const program = new Command('long-eave')
		.description('Shared page shells and nested layouts, as plain HTML and CSS.')
		.configureOutput({ writeOut: streams.out, writeErr: streams.errors })
		.exitOverride();
	program
		.command('build')
		.description('Write the static site: HTML, CSS and the site’s other files.')
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.requiredOption('--out <folder>', 'where to write')
		.option('--year <year>', 'the year that {year} stands for', String(new Date().getFullYear()))
		.option('--marks', 'let each element say what made it: data-layout, data-region and so on')
		.option('--closed', 'write pages that not everyone may open, too')
		.option('--nginx', 'write them all, with a configuration for nginx that keeps them closed')
		.exitOverride()
		.action(async (site: string, options: BuildWords) => {
			const { out, year, marks = false, closed = false, nginx = false } = options;
			const what = { marks, closed, nginx };
			const { buildCommand } = await import('./build.ts');
			code = await buildCommand(site, { out, year: Number(year), ...what }, streams);
		});
	program
		.command('watch')
		.description('Write the static site, and after each edit again what that touches.')
		.argument('<site>', 'a folder or a .eave file')
		.requiredOption('--out <folder>', 'where to write')
		.option('--year <year>', 'the year that {year} stands for', String(new Date().getFullYear()))
		.exitOverride()
		.action(async (site: string, options: { out: string; year: string }) => {
			const { watchCommand } = await import('./watch.ts');
			const where = { out: options.out, year: Number(options.year) };
			code = await watchCommand(site, where, streams, untilTold());
		});
	program
		.command('shells')
		.description(
			'Write the frames of a site for pages that come from another server: places that pages fill are <slot>.'
		)
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.requiredOption('--out <folder>', 'where to write')
		.option('--base <path>', 'what addresses and sheets begin with', '/')
		.option('--year <year>', 'the year that {year} stands for', String(new Date().getFullYear()))
		.exitOverride()
		.action(async (site: string, options: { out: string; base: string; year: string }) => {
			const { shellsCommand } = await import('./shells.ts');
			code = await shellsCommand(site, { ...options, year: Number(options.year) }, streams);
		});
	program
		.command('tokens')
		.description(
			'Hand the tokens over as JSON or as a sheet, or take those of a file into the site.'
		)
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.option('--out <file>', 'where to write; a file that is there is brought up to date')
		.option('--css', 'as a sheet of custom properties')
		.option('--take <file>', 'take the tokens of this file into the text of the site')
		.exitOverride()
		.action(async (site: string, options: TokensOptions) => {
			const { tokensCommand } = await import('./tokens.ts');
			code = await tokensCommand(site, options, streams);
		});
	program
		.command('serve')
		.description('Serve the site of a folder as it changes, with a stub for signing in.')
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.option('--port <number>', 'where to listen', '4320')
		.option('--as <role>', 'who visitors are that have not chosen at /sign-in')
		.option(
			'--notice-token <token>',
			'what a source of "fresh notice" has to know to say that it changed; one is made up without'
		)
		.exitOverride()
		.action(async (site: string, options: ServeWords) => {
			const { port, as, noticeToken } = options;
			const { serveCommand } = await import('./serve/serve.ts');
			const how = { port: Number(port), as, noticeToken };
			code = await serveCommand(site, how, streams, untilTold());
		});
	program
		.command('open')
		.description('Start the application on a folder of this machine, and keep both in step.')
		.argument('<folder>', 'the folder of a site, or one that is to become that')
		.option('--port <number>', 'where to listen', '4330')
		.exitOverride()
		.action(async (folder: string, { port }: { port: string }) => {
			const { openCommand } = await import('./open/open.ts');
			code = await openCommand(folder, Number(port), streams, untilTold());
		});
	program
		.command('check')
		.description('Say what is wrong or doubtful, where, and what would fix it.')
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.option('--format <format>', listWords(formats, 'or'), 'text')
		.option(
			'--fail-on <level>',
			`exit with 1 from this on: ${listWords(severities, 'or')}`,
			'warning'
		)
		.option('--fix', 'write the fixes that change nothing but what was wrong')
		// What it was called before; scripts may say so.
		.addOption(new Option('--mend').hideHelp())
		.option('--measure', 'measure what rests on guessed sizes with a Chromium')
		.option(
			'--baseline <file>',
			'fail only on what is not in this report, written with --format json'
		)
		.option('--year <year>', 'the year that {year} stands for', String(new Date().getFullYear()))
		.exitOverride()
		.action(async (site: string, { mend, ...words }: CheckOptions & { readonly mend?: true }) => {
			const fix = words.fix ?? mend;
			const options = { ...words, ...(fix && { fix }) };
			const { checkCommand } = await import('./check/check.ts');
			code = await checkCommand(site, options, streams);
		});
	program
		.command('format')
		.description('Format the texts; what they say stays the same.')
		.argument('<site>', 'a folder or a .eave file')
		.option('--check', 'write nothing; exit with 1 where something would be written')
		.exitOverride()
		.action(async (site: string, { check = false }: { check?: boolean }) => {
			const { formatCommand } = await import('./format.ts');
			code = await formatCommand(site, { check }, streams);
		});
	program
		.command('explain')
		.description('Say where everything on a page comes from: chain, regions, owners.')
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.requiredOption(
			'--route <pattern>',
			'the route as it is written, or a state: "denied at /desk"'
		)
		.option('--as <role>', 'as a visitor of this role gets it')
		.option('--json', 'as JSON')
		.exitOverride()
		.action(async (site: string, options: { route: string; json?: true; as?: string }) => {
			const { route, json = false, as } = options;
			const { explainCommand } = await import('./explain.ts');
			code = await explainCommand(site, route, { json, as }, streams);
		});
	program
		.command('compare')
		.description(
			'Say which pages two states of a site draw differently, on which screens, and by how much; of pages of HTML and a site, which are the same.'
		)
		.argument('<old>', 'a folder, a .eave file, or a zip of a folder; or a folder of HTML pages')
		.argument('<new>', 'the same, later; or the site that has those pages')
		.option('--widths <list>', 'widths beside those at which bands begin, px: 390,1440')
		.option('--height <px>', 'height of the screens', '800')
		.option(
			'--out <file>',
			'write the pages that changed as SVG, before and after laid over each other'
		)
		.option(
			'--report <folder>',
			'write one HTML document for whoever reviews the change: pages, layers, findings, text'
		)
		.option('--diff', 'print what the texts differ in instead, as a patch that git apply takes')
		.option('--json', 'as JSON')
		.option(
			'--measure',
			'measure the content of pages that changed with a Chromium; of pages of HTML every box'
		)
		.exitOverride()
		.action(
			async (
				before: string,
				after: string,
				options: Omit<CompareOptions, 'json'> & { json?: true; diff?: true }
			) => {
				const { json = false, diff = false, ...others } = options;
				if (diff) {
					const { diffCommand } = await import('./comparing/diff.ts');
					code = await diffCommand(before, after, streams);
					return;
				}
				const { comparePages, pagesAt } = await import('./comparing/compare-pages.ts');
				const pages = await pagesAt(before);
				if (pages) {
					const { measure = false } = others;
					code = await comparePages(pages, after, { json, measure }, streams);
					return;
				}
				const { compareCommand } = await import('./comparing/compare.ts');
				code = await compareCommand(before, after, { ...others, json }, streams);
			}
		);
	program
		.command('bring-in')
		.description(
			'Make a site of pages one has: what they share becomes frames, and they stay the same.'
		)
		.argument('<pages>', 'a folder of HTML pages, a zip of one, or a page')
		.requiredOption('--out <site>', 'the folder for the site, which is new or empty')
		.option('--json', 'what was found, as JSON', false)
		.option('--measure', 'hold every box against the page that came in, with a Chromium', false)
		.exitOverride()
		.action(async (pages: string, options: { out: string; json: boolean; measure: boolean }) => {
			const { bringInCommand } = await import('./bring-in.ts');
			code = await bringInCommand(pages, options, streams);
		});
	program
		.command('boxes')
		.description(
			'Work out the boxes of a page at a width, without a browser or with one that measures.'
		)
		.argument('<site>', 'a folder, a .eave file, or a zip of a folder')
		.requiredOption(
			'--route <pattern>',
			'the route as it is written, or a state: "denied at /desk"'
		)
		.option('--width <px>', 'width of the screen')
		.option('--widths <range>', 'every width of a range, such as 280..1760')
		.option('--height <px>', 'height of the screen', '800')
		.option('--as <role>', 'as a visitor of this role gets it')
		.option('--try <words>', `with other content, or other visitors: ${allTrialWords.join(', ')}`)
		.option('--scrollbar <px>', 'what a scrollbar takes of the screen', '0')
		.option('--measure', 'measure what is in the page with a Chromium')
		.option('--metrics-out <file>', 'write what was measured, as JSON')
		.option('--metrics <file>', 'sizes of pieces that a browser measured, as JSON')
		.option('--json', 'as JSON', false)
		.exitOverride()
		.action(async (site: string, options: BoxesOptions) => {
			const { boxesCommand } = await import('./boxes.ts');
			code = await boxesCommand(site, options, streams);
		});
	try {
		await program.parseAsync([...args], { from: 'user' });
	} catch (failure) {
		if (failure instanceof CommanderError) {
			return failure.exitCode === 0 ? exitCodes.done : exitCodes.usage;
		}
		streams.errors(`This could not be done: ${reasonOf(failure)}\n`);
		return exitCodes.errors;
	}
	return code;
}
