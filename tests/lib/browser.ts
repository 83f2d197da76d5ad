import { readdir, rename, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { connect, type Browser, type BrowserContext } from 'puppeteer-core';
import { openBrowser as openOwn } from '../../scripts/lib/browser.ts';
import { sharedBrowsers } from '../../scripts/lib/setup.js';

/** A browser that a test file has for itself for as long as it runs. */
export interface HeldBrowser {
	readonly browser: Browser;
	close(): Promise<void>;
}

/**
 * A browser of those that test files share, one for each core: starting one takes seconds. Keys go to the window in
 * front, so only one file at a time has it. Where a file is run by itself, it starts its own.
 */
export async function openBrowser(): Promise<HeldBrowser> {
	const folder = process.env[sharedBrowsers];
	if (!folder) return openOwn();
	for (const name of await readdir(folder)) {
		const free = join(folder, name);
		const taken = `${free}${ofOne}`;
		if (name.endsWith(ofOne) || !(await renamed(free, taken))) continue;
		const browserWSEndpoint = await readFile(taken, 'utf8');
		const browser = await connect({ browserWSEndpoint, defaultViewport: null });
		return {
			browser,
			async close() {
				for (const page of await browser.pages()) await page.close();
				await browser.disconnect();
				await rename(taken, free);
			}
		};
	}
	return openOwn();
}

/** How the name of a browser ends that a file has. */
const ofOne = '.taken';

/** Of two that ask at once, only one has renamed it. */
function renamed(from: string, to: string): Promise<boolean> {
	return rename(from, to).then(
		() => true,
		() => false
	);
}

/** A context of its own, as a first visitor has it: nothing is kept in it from another file. */
export async function openContext(
	downloadPath: string
): Promise<{ context: BrowserContext; close: () => Promise<void> }> {
	const { browser, close } = await openBrowser();
	const context = await browser.createBrowserContext({
		downloadBehavior: { policy: 'allow', downloadPath }
	});
	return {
		context,
		async close() {
			await context.close();
			await close();
		}
	};
}
