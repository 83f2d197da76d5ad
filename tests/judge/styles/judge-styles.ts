import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';
import type { Browser, Page } from 'puppeteer-core';
import { checkSite } from '../../../src/core/check/site.ts';
import { deliver } from '../../../src/core/emit/delivery.ts';
import { sentenceOf } from '../../../src/core/messages/sentence.ts';
import { readSiteFiles } from '../../../src/core/source/read.ts';
import { randomStyles, styledSite, type StyledSite } from './random-styles.ts';
import { reachedInBrowser } from './reached-in-browser.ts';

/**
 * Whether every rule of an author reaches, on the delivered page, exactly the elements of its layer that its
 * selectors match. What should be reached is found on another copy of the page, which has the marks and none of the
 * sheets: by walking it, and by a browser's own answers to the style as it was written.
 */

export interface StylesResult {
	readonly sites: number;
	/** Pairs of an element and a rule that were looked at, and how many of them are reached. */
	readonly looks: number;
	readonly reached: number;
	/** The smallest site in which a rule reaches something else. */
	readonly failure: { readonly text: string; readonly says: string } | undefined;
}

export async function judgeStyles(
	browser: Browser,
	runs: number,
	seed: number
): Promise<StylesResult> {
	const folder = await mkdtemp(join(tmpdir(), 'eave-styles-'));
	const page = await browser.newPage();
	await page.setCacheEnabled(false);
	let [sites, looks, reached] = [0, 0, 0];
	let says = '';
	try {
		const holds = fc.asyncProperty(randomStyles, async (random) => {
			const found = await judgeOne(page, styledSite(random), join(folder, String(sites)));
			sites++;
			looks += found.looks;
			reached += found.reached;
			says = found.differences[0] ?? says;
			return found.differences.length === 0;
		});
		const { counterexample } = await fc.check(holds, { numRuns: runs, seed });
		const [smallest] = counterexample ?? [];
		const failure = smallest && { text: styledSite(smallest).text, says };
		return { sites, looks, reached, failure };
	} finally {
		await page.close();
		await rm(folder, { recursive: true });
	}
}

async function judgeOne(
	page: Page,
	{ text, route, realms }: StyledSite,
	folder: string
): Promise<Awaited<ReturnType<typeof reachedInBrowser>>> {
	const resolved = checkSite(
		readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() })
	);
	const error = resolved.problems.find(({ severity }) => severity === 'error');
	if (error) throw new Error(`The random site has an error: ${sentenceOf(error)}\n${text}`);
	for (const { path, content } of deliver(resolved, 2026)) {
		const file = join(folder, path);
		await mkdir(dirname(file), { recursive: true });
		await writeFile(file, content);
	}
	const path = route === '/' ? 'index.html' : `${route.slice(1)}/index.html`;
	const marked = deliver(resolved, 2026, 'all').find((file) => file.path === path);
	await page.goto(pathToFileURL(join(folder, path)).href);
	const found = await reachedInBrowser(page, String(marked?.content), realms);
	await rm(folder, { recursive: true });
	return found;
}
