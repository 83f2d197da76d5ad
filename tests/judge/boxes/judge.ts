import { sentenceOf } from '../../../src/core/messages/sentence.ts';
import type { Browser, Page } from 'puppeteer-core';
import { stageHtml } from '../../../src/core/emit/stage.ts';
import { sizesByName } from './sizes.ts';
import { shownAt, type ShownBox } from './shown.ts';
import { dataUrls, type Measurer } from '../../../src/cli/measure/measurer.ts';
import { drive } from '../../../src/core/measure/drive.ts';
import { MeasuredPage } from '../../../src/core/laid/measured-page.ts';
import { SizeStore } from '../../../src/core/measure/size-store.ts';
import type { Sweep } from '../../../src/core/geometry/widths/sweep.ts';
import type { PageInstance } from '../../../src/core/resolve/instance.ts';
import type { ResolvedSite } from '../../../src/core/resolve/site.ts';
import { pageHeight, PageLayout, type PlacedBox } from '../../../src/core/geometry/page-layout.ts';
import type { BoxName } from '../../../src/core/geometry/layout-box.ts';
import { drawerName } from '../../../src/core/geometry/page.ts';
import { isDrawer } from '../../../src/core/resolve/boxes/drawers.ts';
import { checkSite } from '../../../src/core/check/site.ts';
import type { CheckedSite } from '../../../src/core/check/checked-site.ts';
import { readSiteFiles } from '../../../src/core/source/read.ts';

/** Compares computed boxes with those of a browser. */

export interface Difference {
	readonly box: string;
	readonly width: number;
	readonly computed: string;
	readonly browser: string;
	/** px, in the coordinate where it is largest. */
	readonly by: number;
	/** It is where it should be, and differs only in how far it scrolls. */
	readonly inScrolling: boolean;
}

/** Nothing to judge. */
const noBoxes = { boxes: 0, agree: 0, largestAgreed: 0, differences: [] };

export interface Judgement {
	readonly boxes: number;
	readonly agree: number;
	/** px, among boxes that agree. */
	readonly largestAgreed: number;
	readonly differences: readonly Difference[];
}

/** px by which two numbers may differ: browsers count in 64ths, and round text. */
const tolerance = 0.5;
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
	widths: readonly number[],
	{ scrollbar = 0, scrolled = 0 }: { scrollbar?: number; scrolled?: number } = {}
): Promise<Judgement> {
	const { resolved, instance } = pageOf(text, address);
	// A region may be a drawer on this page alone.
	const drawers = resolved
		.page(instance.page)
		.chain.flatMap((layout) =>
			layout.regions
				.filter(isDrawer)
				.map((region) => drawerName(layout.name.text, region.name.text))
		);
	// What grows as one scrolls is warned of, and nothing that a page should have.
	if (scrolled > 0 && resolved.problems.some(({ code }) => code === 'shrink-grows')) return noBoxes;
	const content = {
		page: resolved.page(instance.page),
		site: resolved.site,
		sizes: sizesByName,
		scrollbar
	};
	const closed = new PageLayout({ ...content, open: new Set() });
	const opened = new PageLayout({ ...content, open: new Set(drawers) });
	const html = stageHtml(instance, resolved, new Map(), 2026);
	const hasDrawers = drawers.length > 0 && scrolled === 0;
	const shown = await shownAt(page, html, widths, height, hasDrawers, scrolled);
	return judged(widths, shown, (width, index) => {
		// Every other width is looked at with all drawers open.
		const open = hasDrawers && index % 2 === 1;
		const atRest = (open ? opened : closed).boxesAt({ width, height });
		if (scrolled === 0) return atRest;
		const px = Math.min(scrolled, Math.max(0, pageHeight(atRest) - height));
		const moved = { px, in: undefined };
		return new PageLayout({ ...content, open: new Set(), scrolled: moved }).boxesAt({
			width,
			height
		});
	});
}

/** The page at an address of a site that is one text. */
export function pageOf(
	text: string,
	address: string
): { resolved: CheckedSite; instance: PageInstance } {
	const resolved = checkSite(
		readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() })
	);
	const errors = resolved.problems.filter((problem) => problem.severity === 'error');
	if (errors[0]) throw new Error(`The random site has errors: ${sentenceOf(errors[0])}`);
	const route = resolved.routes.find((one) => one.pattern.text === address);
	const [instance] = route ? resolved.instances(route) : [];
	if (!instance) throw new Error(`The random site has no page ${address}.`);
	return { resolved, instance };
}

/** A page whose content was measured for all screens, as the application does it, with what that took. */
export interface SweptJudgement extends Judgement {
	/** ms from the first question to the last answer, and how many were asked. */
	readonly took: number;
	readonly asked: number;
	/** The computed boxes on all screens. */
	readonly sweep: Sweep;
}

/** A page of a site that is measured in one frame and shown in another. */
export interface Judged {
	readonly measurer: Measurer;
	/** With the frame that shows, from `openJudge`. */
	readonly page: Page;
	readonly resolved: ResolvedSite;
	readonly instance: PageInstance;
	/** What is known of other pages already. */
	readonly store?: SizeStore;
	/** The site that the browser shows, where it is told otherwise what the page is tried with. */
	readonly shown?: ResolvedSite;
}

async function measuredPage(judged: Judged): Promise<MeasuredPage> {
	const { measurer, instance, resolved, store = new SizeStore() } = judged;
	await measurer.show(instance, resolved, 2026);
	return new MeasuredPage(instance, resolved, 2026, { height }, store);
}

/** Measures a page for all screens, and compares its boxes at widths that the measuring did not choose. */
export async function judgeSwept(
	subject: Judged,
	widths: readonly number[]
): Promise<SweptJudgement> {
	const measured = await measuredPage(subject);
	let asked = 0;
	const since = performance.now();
	const sweep = await drive(measured.between(280, 1760), (questions) => {
		asked += questions.reduce((sum, { asks }) => sum + asks.length, 0);
		return subject.measurer.answer(questions);
	});
	const took = performance.now() - since;
	if (!sweep) throw new Error('Measuring was given up.');
	const shown = await shownPage(subject, widths);
	return { ...judged(widths, shown, (width) => sweep.boxesAt(width)), took, asked, sweep };
}

/** Measures a page at each width by itself, and compares its boxes. */
export async function judgeMeasured(
	subject: Judged,
	widths: readonly number[]
): Promise<Judgement> {
	const { measurer } = subject;
	const measured = await measuredPage(subject);
	const computed: (readonly PlacedBox[])[] = [];
	for (const width of widths) {
		computed.push((await drive(measured.at(width), (asked) => measurer.answer(asked))) ?? []);
	}
	const shown = await shownPage(subject, widths);
	return judged(widths, shown, (_, index) => computed[index] ?? []);
}

/** What the browser makes of the page at each width. */
export function shownPage(
	{ page, resolved, instance, shown = resolved }: Judged,
	widths: readonly number[]
): Promise<ShownBox[][]> {
	const html = stageHtml(instance, shown, dataUrls(shown), 2026);
	return shownAt(page, html, widths, height, false);
}

function judged(
	widths: readonly number[],
	shown: readonly (readonly ShownBox[])[],
	computedAt: (width: number, index: number) => readonly PlacedBox[]
): Judgement {
	const differences: Difference[] = [];
	let boxes = 0;
	let largestAgreed = 0;
	for (const [index, width] of widths.entries()) {
		const compared = compare(computedAt(width, index), shown[index] ?? [], width);
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
	shown: readonly ShownBox[],
	width: number
): { boxes: number; differences: Difference[] } {
	// A run has no element; that it is right is seen in the region around it and in what follows.
	const boxes = computed.filter(({ name }) => name.kind !== 'run');
	const byKey = new Map(boxes.map((box) => [keyOf(box.name), box]));
	const differences: Difference[] = [];
	for (const there of shown) {
		const box = byKey.get(there.key);
		byKey.delete(there.key);
		const placed = box
			? Math.max(...sides.map((side) => Math.abs(box[side] - there[side])))
			: Infinity;
		const by = box ? Math.max(placed, scrolledOff(box, there)) : Infinity;
		differences.push({
			box: there.key,
			width,
			computed: box ? `${sizeText(box)}, scrolls ${Math.round(box.overflowX)}` : 'not there',
			browser: `${sizeText(there)}, scrolls ${there.scrolls}`,
			by,
			inScrolling: placed <= tolerance
		});
	}
	for (const [key, box] of byKey) {
		const missing = {
			box: key,
			width,
			computed: sizeText(box),
			browser: 'not there',
			by: Infinity,
			inScrolling: false
		};
		differences.push(missing);
	}
	return { boxes: differences.length, differences };
}

const sides = ['x', 'y', 'width', 'height'] as const;

/** px; browsers say in whole px how far a box scrolls, so half of one is no difference. */
function scrolledOff({ overflowX }: PlacedBox, { scroller, scrolls }: ShownBox): number {
	return scroller ? Math.max(0, Math.abs(overflowX - scrolls) - 0.5) : 0;
}

function sizeText({
	x,
	y,
	width,
	height: tall
}: Pick<ShownBox, 'x' | 'y' | 'width' | 'height'>): string {
	return [x, y, width, tall].map((side) => Math.round(side * 100) / 100).join(' ');
}

/** One word for a box, from what the page says of it. */
export function keyOf({ kind, layout, region, wrapper, pieces }: BoxName): string {
	const piece = pieces[0]?.piece;
	const what = kind === 'opener' ? `opener:${piece}` : (piece ?? wrapper ?? region ?? '');
	const isContent = kind === 'piece' || kind === 'group' || kind === 'opener';
	const where = isContent ? `${layout}.${region}` : (layout ?? '');
	return `${where}/${what}`;
}
