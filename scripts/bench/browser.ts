import type { Page } from 'puppeteer-core';
import { packSource } from '../../src/core/emit/delivery.ts';
import { openBrowser, openPage } from '../lib/browser.ts';
import { serve } from '../lib/setup.js';
import type { BenchRow } from './core.ts';
import { generatedSite } from './generated-site.ts';
import { summary } from './measure.ts';

/** Keys per measurement. */
const keys = 80;
/** ms between them: as fast as one types. */
const typing = 120;

/**
 * From a key in the piece editor until the stage shows it and roofline and cross-section are right:
 * the first frame after the page on the stage has changed, all drawings being updated in one step.
 */
export async function benchBrowser(): Promise<BenchRow[]> {
	const { server, address } = await serve(4398);
	const { browser, close } = await openBrowser();
	try {
		const page = await openPage(browser);
		await page.goto(address);
		await page.waitForSelector('[data-ready]');
		await openGenerated(page, 200, 9);
		const small = {
			key: await typeInto(page, '/', 'frame, foot:', 'small'),
			drag: await dragTrack(page)
		};
		await openGenerated(page, 2000, 40);
		const outer = await typeInto(page, '/', 'frame, foot:', 'small');
		const drag = await dragTrack(page);
		const leaf = await typeInto(page, '/branch-3/page-7', '/branch-3/page-7, main:', 'body');
		const meanwhile = await typeMeanwhile(page);
		const frames = await scrollRoofline(page);
		const idle = await measureAll(page, 2000);
		const row = (what: string, times: number[], note: string): BenchRow => {
			return { what, measured: summary(times), note };
		};
		const chromium = 'headless Chromium';
		return [
			row(
				'200 routes: a key in the outermost layout, until all drawings show it',
				small.key,
				`${chromium}; aim: 95 % under 33 ms`
			),
			row(
				'… a move of a dragged column there, until the stage shows it',
				small.drag,
				`${chromium}; aim: 95 % under 33 ms`
			),
			row(
				'2,000 routes: a key in the outermost layout, until all drawings show it',
				outer,
				`${chromium}; aim: 95 % under 50 ms`
			),
			row(
				'… a move of a dragged column there, until the stage shows it',
				drag,
				`${chromium}; aim: 95 % under 50 ms`
			),
			row('… a key in a leaf page, until all drawings show it', leaf, chromium),
			row(
				'… a key in the outermost layout while all pages are looked over',
				meanwhile,
				`${chromium}; aim: 95 % under 50 ms`
			),
			row(
				'2,000 routes: scrolling the roofline, time between frames',
				frames,
				`${chromium}, 160 px a frame`
			),
			row(
				'2,000 routes: all pages measured at every width, while nothing else is to do',
				[idle],
				`${chromium}; aim: under 60,000 ms`
			)
		];
	} finally {
		await close();
		server.kill();
	}
}

async function openGenerated(page: Page, routes: number, layouts: number): Promise<void> {
	const zip = packSource({ texts: generatedSite(routes, layouts), assets: new Map() });
	await page.goto(`${new URL(page.url()).origin}/plan`);
	await page.waitForSelector('[data-ready]');
	await page.evaluate(
		(bytes) => {
			const input = document.querySelector<HTMLInputElement>('input[type=file]');
			const transfer = new DataTransfer();
			transfer.items.add(new File([Uint8Array.from(bytes)], 'generated.zip'));
			if (!input) throw new Error('There is no way to open a file.');
			input.files = transfer.files;
			input.dispatchEvent(new Event('change', { bubbles: true }));
		},
		[...zip]
	);
	await page.waitForFunction(
		(name) => document.querySelector('[aria-label=Roofline]')?.textContent?.includes(name),
		{},
		`${routes} routes`
	);
}

/** ms until all pages are measured at all widths, from when the application begins with it. */
async function measureAll(page: Page, routes: number): Promise<number> {
	await page.goto(`${new URL(page.url()).origin}/plan?route=/`);
	await page.waitForSelector('[data-ready]');
	const at = async (count: number): Promise<number> => {
		await page.waitForFunction(
			(least) =>
				Number(document.querySelector<HTMLElement>('header[data-measured]')?.dataset['measured']) >=
				least,
			{ timeout: 400_000, polling: 50 },
			count
		);
		return performance.now();
	};
	const since = await at(1);
	return (await at(routes)) - since;
}

async function typeInto(page: Page, route: string, cell: string, piece: string): Promise<number[]> {
	await openPiece(page, route, cell, piece);
	for (let key = 0; key < keys; key++) {
		await page.keyboard.press('x');
		await new Promise((resolve) => setTimeout(resolve, typing));
	}
	return timesSeen(page);
}

/** Each key comes while all checks go over the site as it was after the key before, a little later each time. */
async function typeMeanwhile(page: Page): Promise<number[]> {
	await openPiece(page, '/', 'frame, foot:', 'small');
	for (let key = 0; key < keys / 2; key++) {
		await page.waitForFunction(
			() => Number(document.querySelector<HTMLElement>('[data-gone]')?.dataset['gone']) > 1,
			{ timeout: 60_000 }
		);
		await new Promise((resolve) => setTimeout(resolve, 40 * key));
		await page.keyboard.press('x');
		await new Promise((resolve) => setTimeout(resolve, typing));
	}
	return timesSeen(page);
}

/** Opens the editor of a piece, and notes from then on what each key takes. */
async function openPiece(page: Page, route: string, cell: string, piece: string): Promise<void> {
	const query = new URLSearchParams({ route });
	await page.goto(`${new URL(page.url()).origin}/plan?${query}`);
	await page.waitForSelector('[data-ready]');
	await page.waitForSelector('iframe');
	const block = await page.waitForSelector(`[role=gridcell][aria-label^="${cell}"]`);
	await block?.click();
	await page.keyboard.press('Enter');
	const editor = await page.waitForSelector(`[aria-label="Markup of ${piece}"]`);
	await editor?.focus();
	await page.keyboard.down('Control');
	await page.keyboard.press('End');
	await page.keyboard.up('Control');
	await page.evaluate(watchStage);
}

/** Drags the first column of the outermost layout by single pixels. */
async function dragTrack(page: Page): Promise<number[]> {
	await page.goto(`${new URL(page.url()).origin}/plan?route=/&width=1100`);
	await page.waitForSelector('[data-ready]');
	const block = await page.waitForSelector('[role=gridcell][aria-label^="frame, menu"]');
	await block?.click();
	const button = await page.waitForSelector('::-p-aria([name="Tracks"][role="button"])');
	if (await button?.evaluate((one) => one.ariaPressed !== 'true')) await button?.click();
	const handle = await page.waitForSelector(
		'[role=slider][aria-label="Width of column 1 of frame"]'
	);
	await new Promise((resolve) => setTimeout(resolve, 1500));
	const box = await handle?.boundingBox();
	if (!box) throw new Error('There is no column to drag.');
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 3];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.evaluate(watchStage);
	for (let step = 1; step <= keys; step++) {
		await page.mouse.move(x + step, y);
		await new Promise((resolve) => setTimeout(resolve, typing));
	}
	await page.keyboard.press('Escape');
	await page.mouse.up();
	return timesSeen(page);
}

/** What the page has noted, without the first, in which everything is made ready. */
function timesSeen(page: Page): Promise<number[]> {
	return page.evaluate(() =>
		[...(document.body.dataset['times'] ?? '').split(' ')].map(Number).slice(10)
	);
}

async function scrollRoofline(page: Page): Promise<number[]> {
	return page.evaluate(async () => {
		const list = document.querySelector('[role=listbox]');
		const times: number[] = [];
		let last = 0;
		for (let frame = 0; frame < 200; frame++) {
			const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
			if (frame > 5) times.push(now - last);
			last = now;
			list?.scrollBy(0, 160);
		}
		return times;
	});
}

/** Runs in the page: notes for each key or move the time (ms) until the frame that shows it. */
function watchStage(): void {
	let start = 0;
	const times: number[] = [];
	for (const kind of ['keydown', 'pointermove']) {
		addEventListener(kind, (event) => (start ||= event.timeStamp), true);
	}
	const page = document.querySelector('iframe')?.contentDocument;
	if (!page) throw new Error('There is no stage.');
	const seen = new MutationObserver(() => {
		const from = start;
		if (from === 0) return;
		start = 0;
		requestAnimationFrame(() => {
			times.push(performance.now() - from);
			document.body.dataset['times'] = times.join(' ');
		});
	});
	for (const part of [page.head, page.body]) seen.observe(part, { childList: true });
}
