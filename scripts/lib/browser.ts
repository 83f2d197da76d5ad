import type { Browser, BrowserContext, Page } from 'puppeteer-core';
import { findChromium, openChromium, type OpenChromium } from '../../src/cli/measure/chromium.ts';

/** The browser that scripts and tests use; with `scrollbars`, they are there and take room, as on many screens. */
export function openBrowser({ scrollbars = false } = {}): Promise<OpenChromium> {
	return openChromium(findChromium() ?? '/usr/bin/chromium', scrollbars);
}

/** A page of the size the design is made for. */
export async function openPage(browser: Browser | BrowserContext): Promise<Page> {
	const page = await browser.newPage();
	await page.setViewport({ width: 1280, height: 800 });
	return page;
}
