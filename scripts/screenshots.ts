// npm run screenshots: takes the pictures of docs/screenshots from the demo site in the built application.
import type { Page } from 'puppeteer-core';
import { openBrowser, openPage } from './lib/browser.ts';
import { build, serve } from './lib/setup.js';

interface Picture {
	readonly name: string;
	readonly path: string;
	/** Brings the view into the state that the picture shows. */
	readonly prepare?: (page: Page) => Promise<void>;
}

const pictures: readonly Picture[] = [
	{ name: 'plan', path: '/plan?route=/catalogue/:variety&width=1180' },
	{ name: 'source', path: '/source?route=/catalogue/:variety&file=layouts/commons.eave&at=600' },
	{ name: 'deliver', path: '/deliver' }
];

build();
const { server, address } = await serve(4399);
const { browser, close } = await openBrowser();
try {
	const page = await openPage(browser);
	for (const { name, path, prepare } of pictures) {
		await page.goto(address + path);
		await page.waitForSelector('[data-ready]');
		await new Promise((resolve) => setTimeout(resolve, 1200));
		await prepare?.(page);
		await page.screenshot({ path: `docs/screenshots/${name}.png` });
		console.log(`docs/screenshots/${name}.png`);
	}
} finally {
	await close();
	server.kill();
}
