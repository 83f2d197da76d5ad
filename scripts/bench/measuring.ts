import { basename, join } from 'node:path';
import { dataUrls, Measurer } from '../../src/cli/measure/measurer.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { drive } from '../../src/core/measure/drive.ts';
import { MeasuredPage } from '../../src/core/laid/measured-page.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { layerName } from '../../src/core/model/site.ts';
import type { PageInstance } from '../../src/core/resolve/instance.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { openBrowser } from '../lib/browser.ts';
import { realisticSites } from '../../tests/lib/realistic.ts';
import { root } from '../lib/setup.js';
import type { BenchRow } from './core.ts';
import { generatedSite } from './generated-site.ts';
import { summary } from './measure.ts';

const noAssets = new Map<string, Uint8Array>();
const height = 800;
const year = 2026;

/** What is in pages is measured in a browser, for all widths and for all pages. */
export async function benchMeasuring(): Promise<BenchRow[]> {
	const { browser, close } = await openBrowser();
	try {
		const measurer = await Measurer.open(browser);
		return [
			await everyPage(measurer, await siteAt('demo')),
			await article(measurer),
			...(await againstBrowser(measurer)),
			...(await wholeSite(measurer))
		];
	} finally {
		await close();
	}
}

async function siteAt(path: string): Promise<CheckedSite> {
	return checkSite(readSiteFiles(await readSitePath(join(root, path))));
}

/** ms to work out a page on all screens, with nothing known before but what `store` has. */
async function settle(
	measurer: Measurer,
	resolved: CheckedSite,
	instance: PageInstance,
	store: SizeStore
): Promise<number> {
	await measurer.show(instance, resolved, year);
	const page = new MeasuredPage(instance, resolved, year, { height }, store);
	const since = performance.now();
	await drive(page.between(280, 1760), (asked) => measurer.answer(asked));
	return performance.now() - since;
}

async function everyPage(measurer: Measurer, resolved: CheckedSite): Promise<BenchRow> {
	const times: number[] = [];
	for (const route of resolved.routes) {
		const [instance] = resolved.instances(route);
		// Nothing is known before, not even of what all pages share.
		if (instance) times.push(await settle(measurer, resolved, instance, new SizeStore()));
	}
	return {
		what: 'a page of the demo, measured and laid out at every width',
		measured: summary(times),
		note: `${times.length} pages, each anew; aim 300 ms`
	};
}

const words =
	'Take a handful from a spade’s depth and press it. If water runs out between the fingers, wait; if it keeps the shape of the hand and breaks when it is poked, it is ready. Nobody has lost a season by waiting a week. '; // prettier-ignore

/** 400 words in ten paragraphs, with three pictures that are as wide as the text. */
async function article(measurer: Measurer): Promise<BenchRow> {
	const picture = (width: number, tall: number): string =>
		`<figure><img src="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='${width}' height='${tall}'/%3E" alt=""></figure>`;
	const paragraphs = Array.from({ length: 10 }, () => `<p>${words}</p>`);
	const body = `${picture(900, 500)}${paragraphs.slice(0, 4).join('')}${picture(600, 600)}${paragraphs.slice(4).join('')}${picture(320, 480)}`;
	const text = `site "Article" { }
layout shell at / { region head as header { pad 12px; piece name """<b>Article</b>""" }; region main as main { slot; pad 16px; contain 44rem } }
route / { piece text """${body}"""; style """p { font: 17px/1.6 serif } figure { margin: 0 } img { width: 100%; height: auto }""" }`;
	const resolved = checkSite(
		readSiteFiles({ texts: new Map([['site.eave', text]]), assets: noAssets })
	);
	const times: number[] = [];
	for (let run = 0; run < 8; run++) {
		const [route] = resolved.routes;
		const [instance] = route ? resolved.instances(route) : [];
		if (instance) times.push(await settle(measurer, resolved, instance, new SizeStore()));
	}
	return {
		what: 'an article of 400 words with three pictures, measured and laid out at every width',
		measured: summary(times),
		note: 'aim 1,000 ms'
	};
}

/** The first page of each realistic site at 1,481 widths, and the same page asked of the browser width by width. */
async function againstBrowser(measurer: Measurer): Promise<BenchRow[]> {
	const shown = await measurer.page.browser().newPage();
	const rows: BenchRow[] = [];
	for (const path of await realisticSites()) {
		const resolved = await siteAt(path);
		const name = basename(path);
		const [route] = resolved.routes;
		const [instance] = route ? resolved.instances(route) : [];
		if (!instance) throw new Error(`${name} has no page.`);
		const took = await settle(measurer, resolved, instance, new SizeStore());
		await shown.setContent(stageHtml(instance, resolved, dataUrls(resolved), year));
		const since = performance.now();
		for (let width = 280; width <= 1760; width++) {
			await shown.setViewport({ width, height });
			await shown.evaluate(() => {
				for (const box of document.querySelectorAll('[data-region], [data-piece]'))
					box.getBoundingClientRect();
			});
		}
		const third = Math.round((performance.now() - since) / 3);
		rows.push({
			what: `${name}, a realistic site: its first page, measured and laid out at every width`,
			measured: summary([took]),
			note: `aim: under ${third.toLocaleString('en')} ms, a third of what Chromium takes, asked width by width`
		});
	}
	await shown.close();
	return rows;
}

/** 300 pages on four screens, one after the other, with one store for all. */
async function wholeSite(measurer: Measurer): Promise<BenchRow[]> {
	const resolved = checkSite(readSiteFiles({ texts: generatedSite(300, 12), assets: noAssets }));
	const store = new SizeStore();
	const heap = process.memoryUsage().heapUsed;
	const since = performance.now();
	let pages = 0;
	for (const route of resolved.routes) {
		const [instance] = resolved.instances(route);
		if (!instance) throw new Error(`${layerName(route)} has no page.`);
		const page = new MeasuredPage(instance, resolved, year, { height }, store);
		let isShown = false;
		await drive(page.atAll([360, 640, 1024, 1440]), async (asked) => {
			if (!isShown) await measurer.show(instance, resolved, year);
			isShown = true;
			return measurer.answer(asked);
		});
		pages++;
	}
	const took = performance.now() - since;
	const grown = (process.memoryUsage().heapUsed - heap) / 2 ** 20;
	return [
		{
			what: '300 routes: every page measured and laid out on four screens',
			measured: summary([took]),
			note: `${pages} pages, one after the other`
		},
		{
			what: '… memory that the sizes take, MB',
			measured: summary([grown]),
			note: 'heap afterwards, with all that is remembered of the pages'
		}
	];
}
