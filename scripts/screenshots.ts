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
	{
		name: 'plan',
		path: '/plan?route=/catalogue/:variety&width=1180',
		prepare: chooseBlock('catalogue, side')
	},
	{
		name: 'plan-deep',
		path: '/plan?route=/guides/:slug&width=1100',
		prepare: chooseBlock('season, main')
	},
	{
		name: 'plan-narrow',
		path: '/plan?route=/visit&width=390',
		prepare: chooseBlock('commons, menu')
	},
	{
		name: 'plan-medium',
		path: '/plan?route=/guides/:slug&width=760',
		prepare: chooseBlock('guide, side')
	},
	{
		name: 'plan-wide',
		path: '/plan?route=/visit&width=1180',
		prepare: chooseBlock('commons, side')
	},
	{
		name: 'plan-marks',
		path: '/plan?route=/catalogue&width=1100',
		prepare: measureAndType
	},
	{ name: 'plan-gap', path: '/plan?route=/borrow/confirm&width=700' },
	{
		name: 'plan-pieces',
		path: '/plan?route=/catalogue&width=1000',
		prepare: editPieces('catalogue, side')
	},
	{
		name: 'plan-coming-from',
		path: '/plan?route=/catalogue&width=1000',
		prepare: comeFrom('/visit')
	},
	{ name: 'source', path: '/source?route=/catalogue/:variety&file=layouts/commons.eave&at=600' },
	{ name: 'deliver', path: '/deliver' }
];

/** Keeps a distance, and begins to type a value that holds in two bands. */
async function measureAndType(page: Page): Promise<void> {
	for (const block of ['commons, menu', 'commons, side']) {
		await chooseBlock(block)(page);
		await page.keyboard.press('m');
	}
	await chooseBlock('commons, head')(page);
	const field = await page.waitForSelector('input[aria-label="height of head at medium"]');
	await field?.click();
	await page.keyboard.type('72px');
	await page.waitForSelector('.ruler .also');
}

function chooseBlock(name: string): (page: Page) => Promise<void> {
	return async (page) => {
		const block = await page.waitForSelector(`[role=gridcell][aria-label^="${name}"]`);
		await block?.click();
		await page.mouse.move(640, 20);
	};
}

/** Draws the tracks of the box around the chosen region, or leaves them off. */
async function setTracks(page: Page, on: boolean): Promise<void> {
	const button = await page.$('::-p-aria([name="Tracks"][role="button"])');
	const isOn = await button?.evaluate((one) => one.getAttribute('aria-pressed') === 'true');
	if (button && isOn !== on) await button.click();
}

function editPieces(name: string): (page: Page) => Promise<void> {
	return async (page) => {
		await chooseBlock(name)(page);
		await page.keyboard.press('Enter');
		await new Promise((resolve) => setTimeout(resolve, 800));
	};
}

function comeFrom(route: string): (page: Page) => Promise<void> {
	return async (page) => {
		await page.select('[aria-label="Coming from"]', route);
		const hold = await page.waitForSelector('::-p-aria([name="Hold beside"][role="button"])');
		await hold?.click();
		await new Promise((resolve) => setTimeout(resolve, 800));
	};
}

build();
const { server, address } = await serve(4399);
const { browser, close } = await openBrowser();
try {
	const page = await openPage(browser);
	for (const { name, path, prepare } of pictures) {
		await page.goto(address + path);
		await page.waitForSelector('[data-ready]');
		await new Promise((resolve) => setTimeout(resolve, 1200));
		await setTracks(
			page,
			name.endsWith('-narrow') || name.endsWith('-medium') || name.endsWith('-wide')
		);
		await prepare?.(page);
		await page.screenshot({ path: `docs/screenshots/${name}.png` });
		console.log(`docs/screenshots/${name}.png`);
	}
} finally {
	await close();
	server.kill();
}
