import type { Page } from 'puppeteer-core';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { pieceHtmlOf } from '../../src/core/emit/html/page.ts';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { estimateSize } from '../../src/core/geometry/pieces/estimate.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import { Sweep } from '../../src/core/geometry/widths/sweep.ts';
import { layerName, type Route } from '../../src/core/model/site.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { openBrowser } from '../lib/browser.ts';
import type { BenchRow } from './core.ts';
import { summary, timeRuns } from './measure.ts';

const from = 280;
const to = 1760;
const height = 800;
const benched = '/catalogue';

/** Boxes of the demo's pages, worked out here and read from a browser in turn. */
export async function benchBoxes(): Promise<BenchRow[]> {
	const resolved = checkSite(readSiteFiles(await readSitePath('demo')));
	const route = resolved.routes.find((one) => layerName(one) === benched);
	if (!route) throw new Error(`The demo has no page ${benched}.`);
	const layout = layoutOf(resolved, route);
	const sweep = (): number => {
		let sum = 0;
		Sweep.over(layout, from, to, height).each((_, boxes) => {
			for (const { x, y, width, height: tall } of boxes) sum += x + y + width + tall;
		});
		return sum;
	};
	const anew = (): void => {
		for (let width = from; width <= to; width++) layout.boxesAt({ width, height });
	};
	timeRuns(sweep, 0, 50);
	const { browser, close } = await openBrowser();
	const computed: number[] = [];
	const shown: number[] = [];
	try {
		const page = await browser.newPage();
		await page.setViewport({ width: 1800, height: 900 });
		const [instance] = resolved.instances(route);
		if (!instance) throw new Error(`${benched} has no page.`);
		const html = stageHtml(instance, resolved, new Map(), 2026);
		for (let run = 0; run < 5; run++) {
			computed.push(...timeRuns(sweep, 20, 10));
			shown.push(await browserSweep(page, html));
		}
	} finally {
		await close();
	}
	const [core, chromium] = [summary(computed), summary(shown)];
	const ratio = Math.round(chromium.median / core.median);
	const stretches = Sweep.over(layout, from, to, height).stretches.length;
	const count = layout.boxesAt({ width: 1180, height }).length;
	return [
		{
			what: `boxes of ${benched} at every width from ${from} to ${to}`,
			measured: core,
			note: `${count} boxes, ${stretches} stretches, warm; ${ratio} times as fast as the next row`
		},
		{
			what: '… Chromium: a frame resized, the same boxes read',
			measured: chromium,
			note: 'in turn with the row above'
		},
		{
			what: '… laid out anew at each width',
			measured: summary(timeRuns(anew, 10, 2)),
			note: 'what one width costs, 1,481 times'
		},
		benchRoutes(resolved)
	];
}

function benchRoutes(resolved: CheckedSite): BenchRow {
	const runs = timeRuns(
		() => {
			for (const route of resolved.routes) {
				const layout = layoutOf(resolved, route);
				for (let width = from; width <= to; width += 10) layout.boxesAt({ width, height });
			}
		},
		10,
		2
	);
	return {
		what: 'every route of the demo at every tenth width',
		measured: summary(runs),
		note: `${resolved.routes.length} routes, one core`
	};
}

/** Sizes of pieces are estimated once, as the application measures them once. */
function layoutOf(resolved: CheckedSite, route: Route): PageLayout {
	const [instance] = resolved.instances(route);
	if (!instance) throw new Error(`${layerName(route)} has no page.`);
	const target = { link: (url: string) => url, headLines: [], marks: 'none' as const, year: 2026 };
	const html = pieceHtmlOf(instance, resolved, target);
	return new PageLayout({
		page: resolved.page(route),
		site: resolved.site,
		sizes: (key) => estimateSize(html(key)),
		open: new Set()
	});
}

/** ms that a browser takes to lay out a page at every width and to read its boxes. */
async function browserSweep(page: Page, html: string): Promise<number> {
	await page.setContent(
		'<!doctype html><body style="margin:0"><iframe style="border:0;height:800px"></iframe>'
	);
	return page.evaluate(
		(content, first, last) => {
			const frame = document.querySelector('iframe');
			const inner = frame?.contentDocument;
			if (!frame || !inner) return 0;
			inner.open();
			inner.write(content);
			inner.close();
			const boxes = [...inner.querySelectorAll('[data-region], [data-wrapper], [data-piece]')];
			const start = performance.now();
			for (let width = first; width <= last; width++) {
				frame.style.width = `${width}px`;
				for (const box of boxes) box.getBoundingClientRect();
			}
			return performance.now() - start;
		},
		html,
		from,
		to
	);
}
