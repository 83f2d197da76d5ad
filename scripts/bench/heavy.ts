import type { Page } from 'puppeteer-core';
import { openBrowser, openPage } from '../lib/browser.ts';
import { serve } from '../lib/setup.js';
import type { BenchRow } from './core.ts';
import { longestStep } from './freezes.ts';
import { longPiece, manyFiles, manyRegions, manyRoutes } from './heavy-sites.ts';
import { summary } from './measure.ts';

/** Sites that are large in one way each, with the name that each has once it is open. */
export const heavySites = [
	{ what: 'a piece of 1 MB', file: 'long.eave', make: () => longPiece(1_000_000), name: 'Long' },
	{ what: '300 regions', file: 'regions.eave', make: () => manyRegions(300), name: 'Regions' },
	{ what: '10,000 files', file: 'files.zip', make: () => manyFiles(10_000), name: 'Files' },
	{ what: '10,000 routes', file: 'routes.zip', make: () => manyRoutes(10_000), name: 'Generated' }
] as const;

export type HeavySite = (typeof heavySites)[number];

/** ms; long enough for all that follows an opening or a change of view to have happened. */
const settled = 1200;

/**
 * The longest step of the page's own thread (ms) while a heavy site is opened in Plan, and while each
 * view is gone to. The page must be in Plan.
 */
export async function heavySteps(page: Page, site: HeavySite): Promise<Record<string, number>> {
	await bring(page, site);
	const opening = await longestStep(page, async () => {
		await show(page, site);
		await rest();
	});
	const steps: Record<string, number> = { opening };
	for (const view of ['Source', 'Deliver', 'Plan']) {
		steps[view] = await longestStep(page, async () => {
			await page.click(`nav a[href^="/${view.toLowerCase()}"]`);
			await rest();
		});
	}
	return steps;
}

/** Opens a heavy site in the application, as a file that the user chose. */
export async function openHeavy(page: Page, site: HeavySite): Promise<void> {
	await bring(page, site);
	await show(page, site);
}

async function show(page: Page, { name }: HeavySite): Promise<void> {
	await page.evaluate(openBrought);
	await page.waitForFunction(
		(wanted) => document.querySelector('.site-name')?.textContent?.includes(wanted),
		{ timeout: 120_000 },
		name
	);
}

function rest(): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve, settled));
}

/** Hands the file to the page before anything is measured. */
async function bring(page: Page, { file, make }: HeavySite): Promise<void> {
	const text = Buffer.from(make()).toString('base64');
	await page.evaluate(
		(name, content) => {
			const bytes = Uint8Array.from(atob(content), (character) => character.charCodeAt(0));
			Object.assign(window, { brought: new File([bytes], name) });
		},
		file,
		text
	);
}

/** Runs in the page: opens what was brought as a file that the user chose. */
function openBrought(): void {
	const input = document.querySelector<HTMLInputElement>('input[type=file]');
	const transfer = new DataTransfer();
	if (!input || !('brought' in window) || !(window.brought instanceof File)) {
		throw new Error('There is nothing to open.');
	}
	transfer.items.add(window.brought);
	input.files = transfer.files;
	input.dispatchEvent(new Event('change', { bubbles: true }));
}

/** Memory that the page and its worker hold, MB. */
async function memoryOf(page: Page): Promise<number> {
	const session = await page.createCDPSession();
	await session.send('HeapProfiler.enable').catch(() => undefined);
	const own = await session.send('Runtime.getHeapUsage');
	const workers = page.workers().filter((worker) => worker.url().includes('site.worker'));
	const others = await Promise.all(
		workers.map((worker) => worker.client.send('Runtime.getHeapUsage'))
	);
	const bytes = [own, ...others].reduce((sum, heap) => sum + heap.usedSize, 0);
	return bytes / 1024 / 1024;
}

export async function benchHeavy(): Promise<BenchRow[]> {
	const { server, address } = await serve(4397);
	const { browser, close } = await openBrowser();
	try {
		const rows: BenchRow[] = [];
		for (const site of heavySites) {
			const page = await openPage(browser);
			await page.goto(`${address}/plan`);
			await page.waitForSelector('[data-ready]');
			const steps = await heavySteps(page, site);
			const note = Object.entries(steps).map(([view, time]) => `${view} ${Math.round(time)}`);
			rows.push({
				what: `${site.what}: longest step of the page’s own thread`,
				measured: summary(Object.values(steps)),
				note: `${note.join(', ')}; aim: under 200 ms`
			});
			if (site.name === 'Generated') {
				await page.click('nav a[href^="/deliver"]');
				await page.waitForSelector('caption', { timeout: 60_000 });
				const memory = Math.round(await memoryOf(page));
				rows.push({
					what: `${site.what}: memory in Deliver, MB (page and worker)`,
					measured: summary([memory]),
					note: 'aim: under 500 MB'
				});
			}
			await page.close();
		}
		return rows;
	} finally {
		await close();
		server.kill();
	}
}
