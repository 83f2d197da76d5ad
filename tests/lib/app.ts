import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Frame, Page } from 'puppeteer-core';
import { openPage } from '../../scripts/lib/browser.ts';
import { anyPort, serve, sharedServer } from '../../scripts/lib/setup.js';
import { openContext } from './browser.ts';
import { longest, until } from './until.ts';

export { until };

/** The running application, in a context of its own. */
export interface App {
	readonly page: Page;
	readonly address: string;
	/** Uncaught errors and console errors of the application, which no test expects. */
	readonly faults: string[];
	/** Loads the application anew, at an address, as a first visitor or one who comes back does. */
	load(path: string): Promise<void>;
	/** Follows a link to an address, in the application as it runs; loads it where it does not run yet. */
	open(path: string): Promise<void>;
	/** The document of the page on the stage. */
	stage(): Promise<Frame>;
	/** What a download brought, by waiting for the file. */
	downloaded(name: string): Promise<Uint8Array>;
	close(): Promise<void>;
}

export async function startApp(): Promise<App> {
	const { address, stop } = await theServer();
	const downloads = await mkdtemp(join(tmpdir(), 'eave-downloads-'));
	const { context, close } = await openContext(downloads);
	const page = await openPage(context);
	page.setDefaultTimeout(longest);
	const faults: string[] = [];
	page.on('pageerror', (fault) => faults.push(String(fault)));
	page.on('console', (message) => {
		// The stage's sandbox says so each time it keeps a script of the site from running.
		const isSandbox = message.text().includes("sandboxed and the 'allow-scripts'");
		if (message.type() === 'error' && !isSandbox) faults.push(message.text());
	});
	const load = async (path: string): Promise<void> => {
		await page.goto(address + path);
		await page.waitForSelector('[data-ready]');
		// Letters that come later would move what is about to be pressed.
		await page.evaluate(() => document.fonts.ready.then(() => undefined));
	};
	return {
		page,
		address,
		faults,
		load,
		async open(path) {
			if (!page.url().startsWith(`${address}/`)) return load(path);
			await page.waitForSelector('[data-ready]');
			await page.$eval(
				'[data-ready]',
				(main, href) => {
					const link = document.createElement('a');
					link.href = href;
					// Else the focus that a test sets next is taken from it when the address has arrived.
					link.setAttribute('data-sveltekit-keepfocus', '');
					main.append(link);
					link.click();
					link.remove();
				},
				path
			);
			const [wanted, query] = path.split('?');
			const said = [...new URLSearchParams(query)];
			await page.waitForFunction(
				(view, all) => {
					const there = new URLSearchParams(location.search);
					return (
						location.pathname === view && all.every(([name, value]) => there.get(name) === value)
					);
				},
				{},
				wanted,
				said
			);
		},
		async stage() {
			// A frame that measures may still be there from the view before.
			const element = await page.waitForSelector('iframe:not([title="Measuring"])');
			const frame = await element?.contentFrame();
			if (!frame) throw new Error('There is no stage.');
			return frame;
		},
		async downloaded(name) {
			await until(`${name} is downloaded`, async () => (await readdir(downloads)).includes(name));
			return readFile(join(downloads, name));
		},
		async close() {
			await close();
			stop();
			await rm(downloads, { recursive: true, force: true });
		}
	};
}

/** The server that test files share where there is one, else one of its own. */
async function theServer(): Promise<{ address: string; stop: () => void }> {
	const shared = process.env[sharedServer];
	if (shared) return { address: shared, stop: () => undefined };
	const { server, address } = await serve(await anyPort());
	return { address, stop: () => void server.kill() };
}

/**
 * Waits until the page has drawn itself so many times. What follows from something that was done is there by then,
 * however slow the machine is.
 */
export async function frames(page: Page, count: number): Promise<void> {
	await page.evaluate(
		(all) =>
			new Promise<void>((resolve) => {
				const next = (left: number): void => {
					if (left === 0) resolve();
					else requestAnimationFrame(() => next(left - 1));
				};
				next(all);
			}),
		count
	);
}

/** The one element with a role and a name, as assistive technology finds it. */
export async function named(page: Page, role: string, name: string): Promise<ElementHandle> {
	const found = await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`);
	if (!found) throw new Error(`There is no ${role} named ${name}.`);
	return found;
}

export async function textOf(page: Page | Frame, selector: string): Promise<string> {
	return page.$eval(selector, (element) => element.textContent ?? '');
}
