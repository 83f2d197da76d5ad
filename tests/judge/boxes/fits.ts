import fc from 'fast-check';
import type { Browser, Page } from 'puppeteer-core';
import type { FitCheck } from '../../../src/core/check/check.ts';
import { contentCut } from '../../../src/core/check/fit/content-cut.ts';
import { covered } from '../../../src/core/check/fit/covered.ts';
import { pageScrollsSideways } from '../../../src/core/check/fit/page-scrolls-sideways.ts';
import type { Fit } from '../../../src/core/check/subject/fitted-page.ts';
import { WrittenPage } from '../../../src/core/check/subject/written-page.ts';
import { stageHtml } from '../../../src/core/emit/stage.ts';
import { fitsIn } from '../../../src/core/findings/fits.ts';
import type { BoxName } from '../../../src/core/geometry/layout-box.ts';
import { PageLayout } from '../../../src/core/geometry/page-layout.ts';
import { Sweep } from '../../../src/core/geometry/widths/sweep.ts';
import { keyOf, openJudge, pageOf } from './judge.ts';
import { addressOf, randomLayouts, siteText, type RandomSite } from './random-layouts.ts';
import { shownAt, type ShownBox } from './shown.ts';
import { sizesByName } from './sizes.ts';

/** What came of looking for what does not fit on random sites. */
export interface FitsResult {
	readonly sites: number;
	/** Pages at a width that were looked at in the browser. */
	readonly looks: number;
	/** What the browser shows, and of that what was not found. */
	readonly shown: number;
	readonly missed: readonly string[];
	/** What was found and the browser does not show. */
	readonly invented: readonly string[];
	/** The smallest site with such a thing, as text. */
	readonly smallest: string | undefined;
}

const height = 600;
const [from, to] = [280, 1760];
/** px: browsers say in whole px by how much; as much as that may be less than one, or more. */
const unclear = { from: 0.4, to: 2.2 };

const judged: readonly (readonly [string, FitCheck])[] = [
	['sideways', pageScrollsSideways],
	['cut', contentCut],
	['covers', covered]
];

/** Looks at random sites in a browser at widths beside those at which something was found, and at others. */
export async function judgeFits(browser: Browser, runs: number, seed: number): Promise<FitsResult> {
	const page = await openJudge(browser);
	const all: FitsResult[] = [];
	let failing: RandomSite | undefined;
	const agrees = fc.asyncProperty(randomLayouts, async (site) => {
		const found = await fitsOfOne(page, site);
		const holds = found.missed.length + found.invented.length === 0;
		// While a smaller site is looked for, sites are not new ones.
		if (!failing) all.push(found);
		if (!holds) failing = site;
		return holds;
	});
	await fc.check(agrees, { numRuns: runs, seed });
	await page.close();
	const sum = (of: (one: FitsResult) => number): number => all.reduce((so, one) => so + of(one), 0);
	return {
		sites: all.length,
		looks: sum(({ looks }) => looks),
		shown: sum(({ shown }) => shown),
		missed: all.flatMap(({ missed }) => missed),
		invented: all.flatMap(({ invented }) => invented),
		smallest: failing && siteText(failing)
	};
}

async function fitsOfOne(page: Page, site: RandomSite): Promise<FitsResult> {
	const text = siteText(site);
	const missed: string[] = [];
	const invented: string[] = [];
	let [looks, shownCount] = [0, 0];
	const found = fitsOf(text, addressOf(site)).filter(
		({ fit, words }) => words.includes('sideways') || !hasRun(fit)
	);
	const widths = widthsFor(
		found.flatMap(({ fit }) => fit.widths.flatMap((one) => [one.from, one.to])),
		[site.medium, site.wide]
	);
	const all = await shownOn(page, text, addressOf(site), widths);
	for (const [at, width] of widths.entries()) {
		looks++;
		const { there, outer } = seenIn(all[at] ?? []);
		const here = found.filter(({ fit }) =>
			fit.widths.some((one) => one.from <= width && width <= one.to)
		);
		for (const [word, px] of there) {
			if (px >= unclear.to) shownCount++;
			const known = here.some((one) => one.words.includes(word));
			if (!known && px >= unclear.to) missed.push(`at ${width} px: ${word} by ${px} px`);
		}
		for (const one of here) {
			const px = Math.max(0, ...one.words.map((word) => there.get(word) ?? outer.get(word) ?? 0));
			if (px <= unclear.from) invented.push(`at ${width} px: ${one.words[0]}`);
		}
	}
	return { sites: 1, looks, shown: shownCount, missed, invented, smallest: undefined };
}

/** A run has no element of its own, so a browser cannot tell of it. */
function hasRun({ box, other }: Fit): boolean {
	return box.kind === 'run' || other?.kind === 'run';
}

interface FoundFit {
	readonly fit: Fit;
	/** What it is called in the browser's list, in either order. */
	readonly words: readonly string[];
}

function fitsOf(text: string, address: string): FoundFit[] {
	const { resolved, instance } = pageOf(text, address);
	const written = new WrittenPage(instance, resolved, 2026);
	const layout = new PageLayout({
		page: written.page,
		site: resolved.site,
		open: new Set(),
		sizes: sizesByName
	});
	const { stretches } = Sweep.over(layout, from, to, height);
	const leastWidths = (width: number) => layout.leastWidths({ width, height });
	const endMargin = ({ layout: of, region, pieces }: BoxName) =>
		sizesByName({ layout: of, region, pieces, opener: false }, []).endMargin ?? 0;
	return judged.flatMap(([kind, check]) =>
		fitsIn({ stretches, drawers: [], leastWidths, endMargin }, written, [check], height).map(
			(fit) => ({
				fit,
				words: wordsOf(kind, fit)
			})
		)
	);
}

function wordsOf(kind: string, { box, other }: Fit): string[] {
	if (kind === 'sideways') return ['sideways'];
	if (kind === 'cut') return [`cut ${keyOf(box)}`];
	const [one, two] = [keyOf(box), other ? keyOf(other) : ''];
	return [`covers ${one} ${two}`, `covers ${two} ${one}`];
}

function widthsFor(edges: readonly number[], breakpoints: readonly number[]): number[] {
	const beside = [...edges.slice(0, 12), ...breakpoints].flatMap((px) => [px - 1, px, px + 1]);
	const all = [...beside, from, 375, 520, 768, 980, 1280, to];
	return [...new Set(all)].filter((px) => px >= from && px <= to).sort((a, b) => a - b);
}

function shownOn(
	page: Page,
	text: string,
	address: string,
	widths: readonly number[]
): Promise<ShownBox[][]> {
	const { resolved, instance } = pageOf(text, address);
	return shownAt(
		page,
		stageHtml(instance, resolved, new Map(), 2026).replace(
			'</head>',
			'<style>.skip-link { display: none }</style></head>'
		),
		widths,
		height,
		false
	);
}

/** By how much what, px; `outer`: what need not be told, since another box says it or it is meant so. */
interface Shown {
	readonly there: ReadonlyMap<string, number>;
	readonly outer: ReadonlyMap<string, number>;
}

/** What a browser's boxes show by themselves: how far the page scrolls sideways, what is taller than its box, and what lies over another. */
function seenIn(boxes: readonly ShownBox[]): Shown {
	const seen = new Map<string, number>();
	const outer = new Map<string, number>();
	seen.set('sideways', boxes[0]?.sideways ?? 0);
	const isScrolled = (box: ShownBox): boolean => {
		for (let at = box.inside; at >= 0; at = boxes[at]?.inside ?? -1)
			if (boxes[at]?.scroller) return true;
		return false;
	};
	for (const [index, box] of boxes.entries()) {
		if (box.scroller || isScrolled(box) || box.sunk <= 0) continue;
		const isInner = boxes.some(
			(other, at) =>
				at > index &&
				other.sunk > 1 &&
				!other.scroller &&
				!isScrolled(other) &&
				other.sunk >= box.sunk - 3 &&
				isIn(at, index, boxes)
		);
		// What reaches nothing that stands below it lies over nothing, as long as what it is in is not cut itself.
		const isHeld = boxes.some((other) => other.inside === index);
		const reaches = boxes.some((other, at) => {
			if (at <= index || other.inside !== box.inside) return false;
			const isBelow = other.x < box.x + box.width && box.x < other.x + other.width;
			return isBelow && other.y < box.y + box.height + box.sunk - 1;
		});
		(isInner || (!isHeld && !reaches) ? outer : seen).set(`cut ${box.key}`, box.sunk);
	}
	for (const [index, one] of boxes.entries()) {
		for (const other of boxes.slice(index + 1)) {
			if (one.inside !== other.inside || one.inside < 0 || one.sticky || other.sticky) continue;
			const across = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
			const down = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
			const px = Math.min(across, down);
			// Where a box lets what follows ride up over it, that lies over it on purpose.
			if (px > 0)
				(one.lifts || other.lifts ? outer : seen).set(`covers ${one.key} ${other.key}`, px);
		}
	}
	return { there: seen, outer };
}

function isIn(index: number, around: number, boxes: readonly ShownBox[]): boolean {
	let at = index;
	while (at > around) at = boxes[at]?.inside ?? -1;
	return at === around;
}
