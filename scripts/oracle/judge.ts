import { sentenceOf } from '../../src/core/messages/problem.ts';
import type { Browser, Page } from 'puppeteer-core';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { sizesByName } from './sizes.ts';
import { PageLayout, type PlacedBox } from '../../src/core/geometry/page-layout.ts';
import type { BoxName } from '../../src/core/geometry/layout-box.ts';
import { drawerName } from '../../src/core/geometry/page.ts';
import { isDrawer } from '../../src/core/resolve/drawers.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

/** Compares computed boxes with those of a browser. */

export interface Difference {
	readonly box: string;
	readonly width: number;
	readonly computed: string;
	readonly browser: string;
	/** px, in the coordinate where it is largest. */
	readonly by: number;
}

export interface Judgement {
	readonly boxes: number;
	readonly agree: number;
	/** px, among boxes that agree. */
	readonly largestAgreed: number;
	readonly differences: readonly Difference[];
}

interface Measured {
	readonly key: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** px by which two numbers may differ: browsers count in 64ths, and round text. */
export const tolerance = 0.5;
const height = 600;

/** A page with a frame in it that sites are shown in. */
export async function openJudge(browser: Browser): Promise<Page> {
	const page = await browser.newPage();
	await page.setViewport({ width: 1900, height: 800 });
	await page.setContent('<!doctype html><body style="margin:0"><iframe style="border:0"></iframe>');
	// The compiler that runs these scripts names functions by this one, which pages do not have.
	await page.evaluate('globalThis.__name = (named) => named');
	return page;
}

/** Shows the page at an address of a site at each width, and compares every box. */
export async function judge(
	page: Page,
	text: string,
	address: string,
	widths: readonly number[]
): Promise<Judgement> {
	const resolved = checkSite(
		readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() })
	);
	const errors = resolved.problems.filter((problem) => problem.severity === 'error');
	if (errors[0]) throw new Error(`The random site has errors: ${sentenceOf(errors[0])}`);
	const route = resolved.routes.find((one) => one.pattern.text === address);
	const [instance] = route ? resolved.instances(route) : [];
	if (!route || !instance) throw new Error(`The random site has no page ${address}.`);
	const html = stageHtml(instance, resolved, new Map(), 2026);
	const drawers = resolved.site.layouts.flatMap((layout) =>
		layout.regions.filter(isDrawer).map((region) => drawerName(layout.name.text, region.name.text))
	);
	const content = { page: resolved.page(route), site: resolved.site, sizes: sizesByName };
	const closed = new PageLayout({ ...content, open: new Set() });
	const opened = new PageLayout({ ...content, open: new Set(drawers) });
	const shown = await measure(page, html, widths, drawers.length > 0);
	const differences: Difference[] = [];
	let boxes = 0;
	let largestAgreed = 0;
	for (const [index, width] of widths.entries()) {
		// Every other width is looked at with all drawers open.
		const open = drawers.length > 0 && index % 2 === 1;
		const computed = (open ? opened : closed).boxesAt({ width, height });
		const compared = compare(computed, shown[index] ?? [], width);
		boxes += compared.boxes;
		for (const one of compared.differences) {
			if (one.by <= tolerance) largestAgreed = Math.max(largestAgreed, one.by);
			else differences.push(one);
		}
	}
	return { boxes, agree: boxes - differences.length, largestAgreed, differences };
}

function compare(
	computed: readonly PlacedBox[],
	shown: readonly Measured[],
	width: number
): { boxes: number; differences: Difference[] } {
	// A run has no element; that it is right is seen in the region around it and in what follows.
	const boxes = computed.filter(({ name }) => name.kind !== 'run');
	const byKey = new Map(boxes.map((box) => [keyOf(box.name), box]));
	const differences: Difference[] = [];
	for (const there of shown) {
		const box = byKey.get(there.key);
		byKey.delete(there.key);
		const by = box
			? Math.max(
					...(['x', 'y', 'width', 'height'] as const).map((side) =>
						Math.abs(box[side] - there[side])
					)
				)
			: Infinity;
		differences.push({
			box: there.key,
			width,
			computed: box ? sizeText(box) : 'not there',
			browser: sizeText(there),
			by
		});
	}
	for (const [key, box] of byKey) {
		const missing = {
			box: key,
			width,
			computed: sizeText(box),
			browser: 'not there',
			by: Infinity
		};
		differences.push(missing);
	}
	return { boxes: differences.length, differences };
}

function sizeText({ x, y, width, height: tall }: Omit<Measured, 'key'>): string {
	return [x, y, width, tall].map((side) => Math.round(side * 100) / 100).join(' ');
}

/** One word for a box, from what the page says of it. */
function keyOf({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const piece = pieces[0]?.piece;
	const what = kind === 'opener' ? `opener:${piece}` : (piece ?? wrapper ?? region ?? '');
	const where = kind === 'piece' || kind === 'opener' ? `${layout}.${region}` : (layout ?? '');
	return `${where}/${what}`;
}

async function measure(
	page: Page,
	html: string,
	widths: readonly number[],
	drawers: boolean
): Promise<Measured[][]> {
	return page.evaluate(
		async (content, all, tall, hasDrawers, moves) => {
			const frame = document.querySelector('iframe');
			const inner = frame?.contentDocument;
			if (!frame || !inner) return [];
			frame.style.height = `${tall}px`;
			frame.style.width = `${all[0]}px`;
			inner.open();
			inner.write(content);
			inner.close();
			const keyOfElement = (element: Element): string => {
				const data = (name: string): string | null => element.getAttribute(`data-${name}`);
				const opener = data('opener');
				const what =
					opener === null
						? (data('piece') ?? data('wrapper') ?? data('region') ?? '')
						: `opener:${opener}`;
				const isContent = opener !== null || data('piece') !== null;
				const host = isContent ? element.parentElement : element;
				const layout = host?.getAttribute('data-layout') ?? '';
				const where = isContent ? `${layout}.${host?.getAttribute('data-region')}` : layout;
				return `${where}/${what}`;
			};
			const marked = inner.querySelectorAll('[data-layout], [data-route], [data-state]');
			const boxes = [...marked].filter((element) => !element.hasAttribute('data-part'));
			const shown = [];
			const frames = async (): Promise<void> => {
				for (let i = 0; i < 2; i++) await new Promise((next) => requestAnimationFrame(next));
			};
			for (const [index, width] of all.entries()) {
				frame.style.width = `${width}px`;
				// What moves with scrolling is worked out anew once a frame.
				if (moves) await frames();
				// A resize alone leaves shares of the screen as they were in what container queries reach.
				inner.documentElement.style.display = 'none';
				inner.documentElement.getBoundingClientRect();
				inner.documentElement.style.display = '';
				const popovers = [...inner.querySelectorAll<HTMLElement>('[popover]')];
				const isOpen = hasDrawers && index % 2 === 1;
				for (const one of popovers) {
					if (one.matches(':popover-open')) one.hidePopover();
					// Only where it is a drawer at this width: in place it is there as it is.
					if (isOpen && getComputedStyle(one).position === 'fixed') {
						one.setAttribute('popover', 'manual');
						one.showPopover();
					}
				}
				shown.push(
					boxes.flatMap((element) => {
						if (element.getClientRects().length === 0) return [];
						const { x, y, width: wide, height: high } = element.getBoundingClientRect();
						return [{ key: keyOfElement(element), x, y, width: wide, height: high }];
					})
				);
			}
			return shown;
		},
		html,
		[...widths],
		height,
		drawers,
		html.includes('animation-timeline')
	);
}
