import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launch, type Browser, type Page } from 'puppeteer-core';

/** A headless Chromium with a profile of its own, which is removed with `close`. */
export interface OpenBrowser {
	readonly browser: Browser;
	close(): Promise<void>;
}

/** With `scrollbars`, they are there and take room, as they do on many screens. */
export async function openBrowser({ scrollbars = false } = {}): Promise<OpenBrowser> {
	const profile = await mkdtemp(join(tmpdir(), 'eave-browser-'));
	const browser = await launch({
		executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
		headless: true,
		userDataDir: profile,
		ignoreDefaultArgs: scrollbars ? ['--hide-scrollbars'] : [],
		args: [
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			'--force-color-profile=srgb'
		]
	});
	const close = async (): Promise<void> => {
		await browser.close();
		await rm(profile, { recursive: true, force: true, maxRetries: 5 });
	};
	return { browser, close };
}

/** A page of the size the design is made for. */
export async function openPage(browser: Browser): Promise<Page> {
	const page = await browser.newPage();
	await page.setViewport({ width: 1280, height: 800 });
	return page;
}
