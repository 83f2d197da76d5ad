// npm run screenshots: takes the pictures of docs/screenshots from the demo site in the built application.
import type { Page } from 'puppeteer-core';
import { openBrowser } from './lib/browser.ts';
import { build, serve } from './lib/setup.js';

interface Picture {
	readonly name: string;
	readonly path: string;
	/** Width and height of the window, px; 1280 by 800 where nothing is said. */
	readonly size?: readonly [number, number];
	readonly tracks?: true;
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
		name: 'plan-wide',
		tracks: true,
		path: '/plan?route=/visit&width=1180',
		prepare: chooseBlock('commons, side')
	},
	{
		name: 'plan-marks',
		path: '/plan?route=/catalogue&width=1100',
		prepare: measureAndType
	},
	{
		name: 'plan-1024',
		path: '/plan?route=/catalogue/:variety&width=1180',
		size: [1024, 768],
		prepare: chooseBlock('commons, menu')
	},
	{
		name: 'plan-1920',
		path: '/plan?route=/catalogue/:variety&width=1180',
		size: [1920, 1080],
		prepare: showText('commons, foot')
	},
	{ name: 'plan-site', path: '/plan?route=/catalogue&width=1100', prepare: showSite },
	{
		name: 'plan-span',
		path: '/plan?route=/visit&width=1100',
		tracks: true,
		prepare: spanRegion
	},
	{
		name: 'plan-night',
		path: '/plan?route=/catalogue/:variety&width=1180',
		prepare: byNight('catalogue, side')
	},
	{ name: 'find', path: '/plan?route=/catalogue&width=1100', prepare: find('side') },
	{ name: 'material-data', path: '/material?route=/catalogue&of=data', prepare: waitABit },
	{ name: 'material-parts', path: '/material?route=/catalogue&of=parts', prepare: waitABit },
	{ name: 'access', path: '/access', prepare: chooseCell('/desk/loans, member') },
	{
		name: 'seen-by',
		path: '/plan?route=/desk/loans&as=visitor&width=1100',
		prepare: chooseBlock('denied at /desk, work')
	},
	{ name: 'device', path: '/plan?route=/catalogue&width=1100', prepare: openOnDevice },
	{
		name: 'plan-pieces',
		path: '/plan?route=/catalogue&width=1000',
		prepare: editPieces('catalogue, side')
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
	const value = await page.waitForSelector('button[aria-label^="height of head at medium"]');
	await value?.click();
	await (await page.waitForSelector('input[aria-label="height at medium"]'))?.focus();
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

function editPieces(name: string): (page: Page) => Promise<void> {
	return async (page) => {
		await chooseBlock(name)(page);
		await page.keyboard.press('Enter');
		await new Promise((resolve) => setTimeout(resolve, 800));
	};
}

/** Shows the text of a block beside the page. */
function showText(block: string): (page: Page) => Promise<void> {
	return async (page) => {
		await chooseBlock(block)(page);
		await (await page.waitForSelector('.folded[title="Show Text"]'))?.click();
		await new Promise((resolve) => setTimeout(resolve, 1000));
	};
}

async function showSite(page: Page): Promise<void> {
	await page.click('nav[aria-label="What is chosen"] button');
	await page.waitForSelector('input[aria-label="Name of the band medium"]');
}

/** A region among columns, while its end is dragged over them. */
async function spanRegion(page: Page): Promise<void> {
	await chooseBlock('two-up, right')(page);
	const handle = await page.waitForSelector('[role=slider][aria-label="Columns that right spans"]');
	await new Promise((resolve) => setTimeout(resolve, 800));
	const box = await handle?.boundingBox();
	if (!box) throw new Error('There is nothing to span by.');
	const y = box.y + Math.min(40, box.height / 2);
	await page.mouse.move(box.x + box.width / 2, y);
	await page.mouse.down();
	await page.mouse.move(box.x - 60, y, { steps: 6 });
	await new Promise((resolve) => setTimeout(resolve, 700));
}

function byNight(block: string): (page: Page) => Promise<void> {
	return async (page) => {
		await (await page.waitForSelector('::-p-text(by night)'))?.click();
		await chooseBlock(block)(page);
		await new Promise((resolve) => setTimeout(resolve, 500));
	};
}

function find(words: string): (page: Page) => Promise<void> {
	return async (page) => {
		await (await page.waitForSelector('::-p-aria([name="find"][role="button"])'))?.click();
		await page.waitForSelector('[role=combobox]');
		await page.keyboard.type(words);
		await new Promise((resolve) => setTimeout(resolve, 500));
	};
}

async function waitABit(): Promise<void> {
	await new Promise((resolve) => setTimeout(resolve, 1500));
}

function chooseCell(name: string): (page: Page) => Promise<void> {
	return async (page) => {
		await (await page.waitForSelector(`[role=gridcell][aria-label^="${name}"]`))?.click();
		await page.mouse.move(640, 20);
	};
}

async function openOnDevice(page: Page): Promise<void> {
	await page.click('.site-name');
	await (await page.waitForSelector('::-p-text(Open on a device)'))?.click();
	await page.waitForSelector('svg[aria-label="The address as a QR code"]');
	await waitABit();
}

build();
const { server, address } = await serve(4399);
const { browser, close } = await openBrowser();
try {
	for (const { name, path, size, tracks = false, prepare } of pictures) {
		// What one picture leaves open or folded is no matter of the next.
		const context = await browser.createBrowserContext();
		const page = await context.newPage();
		const [width, height] = size ?? [1280, 800];
		await page.setViewport({ width, height });
		await page.goto(address + path);
		await page.waitForSelector('[data-ready]');
		await new Promise((resolve) => setTimeout(resolve, 1200));
		if (tracks) await page.click('::-p-aria([name="Tracks"][role="button"])');
		await prepare?.(page);
		await page.screenshot({ path: `docs/screenshots/${name}.png` });
		console.log(`docs/screenshots/${name}.png`);
		await context.close();
	}
} finally {
	await close();
	server.kill();
}
