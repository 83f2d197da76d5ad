import { mkdir, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';
import type { Browser, Page } from 'puppeteer-core';
import { z } from 'zod';
import { run } from '../../../src/cli/main.ts';
import { awkwardSites, awkwardText } from './random-awkward.ts';
import { shownAtWidths, type Shown } from './shown-in-browser.ts';

/**
 * Whether `check --measure` tells what a browser shows: that a page scrolls sideways, that something sticks out of a
 * region, at a side or below. Pages are opened as they are delivered, at every 20th width, and looked at by brute force.
 */

export interface ToldResult {
	/** Pages at a width that were looked at, and how often something does not fit there. */
	readonly looks: number;
	readonly shown: number;
	readonly missed: readonly string[];
	readonly invented: readonly string[];
	readonly smallest: string | undefined;
}

const height = 800;
const every = 20;
const toldWidths = Array.from({ length: 75 }, (_, index) => 280 + index * every);

/** px: browsers say in whole px by how much; as much as that may be less than one, or more. */
const unclear = { from: 0.5, to: 2.5 };

const reportSchema = z.object({
	findings: z.array(
		z.object({
			code: z.string(),
			estimated: z.boolean(),
			pages: z.array(
				z.object({
					address: z.string(),
					layout: z.string().nullable(),
					region: z.string().nullable(),
					widths: z.array(z.object({ from: z.number(), to: z.number() }))
				})
			)
		})
	)
});

type Report = z.infer<typeof reportSchema>;

/** Judges random sites; the smallest one that fails is given as text. */
export async function judgeTold(browser: Browser, runs: number, seed: number): Promise<ToldResult> {
	const folder = await mkdtemp(join(tmpdir(), 'eave-told-'));
	const page = await browser.newPage();
	await page.setCacheEnabled(false);
	const all: ToldResult[] = [];
	let failing = false;
	let broken: Error | undefined;
	let count = 0;
	try {
		const agrees = fc.asyncProperty(awkwardSites, async (site) => {
			const at = join(folder, String(++count));
			await mkdir(at);
			await writeFile(join(at, 'site.eave'), awkwardText(site));
			const found = await judgeSite(page, at).catch((failure: unknown) => {
				broken = failure instanceof Error ? failure : new Error(String(failure));
				throw broken;
			});
			await rm(at, { recursive: true });
			const holds = found.missed.length + found.invented.length === 0;
			// While a smaller site is looked for, sites are not new ones.
			if (!failing) all.push(found);
			failing ||= !holds;
			return holds;
		});
		const { counterexample } = await fc.check(agrees, {
			numRuns: runs,
			seed,
			endOnFailure: false
		});
		if (broken !== undefined) throw broken;
		const [smallest] = counterexample ?? [];
		return { ...summed(all), smallest: smallest && awkwardText(smallest) };
	} finally {
		await page.close();
		await rm(folder, { recursive: true });
	}
}

function summed(all: readonly ToldResult[]): Omit<ToldResult, 'smallest'> {
	return {
		looks: all.reduce((sum, { looks }) => sum + looks, 0),
		shown: all.reduce((sum, { shown }) => sum + shown, 0),
		missed: all.flatMap(({ missed }) => missed),
		invented: all.flatMap(({ invented }) => invented)
	};
}

/** Judges a site in a folder. */
async function judgeSite(page: Page, folder: string): Promise<ToldResult> {
	const report = await reportOf(folder);
	const out = `${folder}-judged`;
	const errors: string[] = [];
	const code = await run(['build', folder, '--out', out, '--marks', '--closed'], {
		out: () => undefined,
		errors: (words) => errors.push(words)
	});
	if (code !== 0) throw new Error(`The site cannot be built: ${errors.join('')}`);
	const [missed, invented]: [string[], string[]] = [[], []];
	let [looks, shown] = [0, 0];
	const addresses = await pagesIn(out);
	for (const [address, file] of addresses) {
		for (const one of await shownAtWidths(page, pathToFileURL(file).href, toldWidths, height)) {
			looks++;
			const found = compare(one, address, report);
			shown += found.shown;
			missed.push(...found.missed);
			invented.push(...found.invented);
		}
	}
	await rm(out, { recursive: true });
	return { looks, shown, missed, invented, smallest: undefined };
}

async function reportOf(folder: string): Promise<Report> {
	let text = '';
	const errors: string[] = [];
	const streams = { out: (words: string) => void (text += words), errors: (words: string) => void errors.push(words) }; // prettier-ignore
	await run(['check', folder, '--measure', '--format', 'json'], streams);
	if (text === '') throw new Error(`The site cannot be checked: ${errors.join('')}`);
	return reportSchema.parse(JSON.parse(text));
}

/** Delivered pages, by their addresses. */
async function pagesIn(folder: string): Promise<Map<string, string>> {
	const files = await readdir(folder, { recursive: true });
	return new Map(
		files
			.filter((file) => file.endsWith('index.html'))
			.map((file) => {
				const address = `/${file.replaceAll('\\', '/').replace(/\/?index\.html$/, '')}`;
				return [address, join(folder, file)];
			})
	);
}

/** What is told of a region and shows in the browser by the same measure. */
const sure = {
	out: 'region-too-narrow',
	below: 'content-cut',
	cut: 'text-cut',
	over: 'covered',
	drawer: 'drawer-too-narrow'
} as const;

/** What of a page at a width is shown and not told, and the other way round. */
function compare(
	{ width, sideways, regions }: Shown,
	address: string,
	{ findings }: Report
): { shown: number; missed: string[]; invented: string[] } {
	const [missed, invented]: [string[], string[]] = [[], []];
	const told = (...codes: string[]): string[] =>
		findings
			.filter(({ code, estimated }) => codes.includes(code) && !estimated)
			.flatMap(({ pages }) => pages)
			.filter((one) => decodeURI(one.address) === address)
			.filter(({ widths }) => widths.length === 0 || widths.some(({ from, to }) => from <= width && width <= to))
			.map(({ layout, region }) => `${layout ?? ''} ${region ?? ''}`); // prettier-ignore
	const at = `${address} at ${width} px`;
	const isToldSideways = told('page-scrolls-sideways').length > 0;
	if (sideways >= unclear.to && !isToldSideways) missed.push(`${at}: sideways by ${sideways} px`);
	if (sideways <= unclear.from && isToldSideways) invented.push(`${at}: sideways`);
	let shown = sideways >= unclear.to ? 1 : 0;
	for (const [kind, codes] of [
		['out', ['region-too-narrow', 'track-overrun', 'fixed-too-wide']],
		['below', ['content-cut', 'covered']],
		['cut', ['text-cut']],
		['over', ['covered']],
		['drawer', ['drawer-too-narrow']]
	] as const) {
		const here = told(...codes);
		for (const region of regions) {
			if (region[kind] < unclear.to) continue;
			shown++;
			// What sticks out of a region sticks out of those around it too: it is told once, of the inner one.
			const isTold = here.some(
				(name) =>
					name === region.name ||
					(kind === 'over' && region.overWith.includes(name)) ||
					regions.some((other) => other.name === name && other.around.includes(region.name))
			);
			if (!isTold) missed.push(`${at}: ${region.name} ${kind} by ${region[kind]} px`);
		}
		for (const name of told(sure[kind])) {
			const region = regions.find((one) => one.name === name);
			if (region && region[kind] <= unclear.from) invented.push(`${at}: ${name} ${kind}`);
		}
	}
	return { shown, missed, invented };
}
