import type { Page } from 'puppeteer-core';
import { packSource } from '../../src/core/emit/delivery.ts';
import { openBrowser, openPage } from '../lib/browser.ts';
import { serve } from '../lib/setup.js';
import type { BenchRow } from './core.ts';
import { generatedSite } from './generated-site.ts';
import { summary } from './measure.ts';

/** Keys per measurement. */
const keys = 80;

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
		await openGenerated(page);
		const outer = await typeInto(page, '/', 'frame, foot:', 'small');
		const leaf = await typeInto(page, '/branch-3/page-7', '/branch-3/page-7, main:', 'body');
		const frames = await scrollRoofline(page);
		return [
			{
				what: '2,000 routes: scrolling the roofline, time between frames',
				measured: summary(frames),
				note: 'headless Chromium, 160 px a frame'
			},
			{
				what: '2,000 routes: a key in the outermost layout, until all drawings show it',
				measured: summary(outer),
				note: 'headless Chromium; aim: 95 % under 50 ms'
			},
			{
				what: '… a key in a leaf page, until all drawings show it',
				measured: summary(leaf),
				note: 'headless Chromium'
			}
		];
	} finally {
		await close();
		server.kill();
	}
}

async function openGenerated(page: Page): Promise<void> {
	const zip = packSource({ texts: generatedSite(2000, 40), assets: new Map() });
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
	await page.waitForFunction(() => document.body.innerText.includes('2000 routes'));
}

async function typeInto(page: Page, route: string, cell: string, piece: string): Promise<number[]> {
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
	for (let key = 0; key < keys; key++) {
		await page.keyboard.press('x');
		await new Promise((resolve) => setTimeout(resolve, 120));
	}
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

/** Runs in the page: notes for each key the time (ms) until the frame that shows it. */
function watchStage(): void {
	let start = 0;
	const times: number[] = [];
	addEventListener('keydown', (event) => (start = event.timeStamp), true);
	const body = document.querySelector('iframe')?.contentDocument?.body;
	if (!body) throw new Error('There is no stage.');
	new MutationObserver(() => {
		const from = start;
		requestAnimationFrame(() => {
			times.push(performance.now() - from);
			document.body.dataset['times'] = times.join(' ');
		});
	}).observe(body, { childList: true });
}
