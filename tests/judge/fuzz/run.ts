import { sentenceOf } from '../../../src/core/messages/sentence.ts';
import assert from 'node:assert/strict';
import { crossSection } from '../../../src/core/view-models/cross-section.ts';
import { roofline } from '../../../src/core/view-models/roofline.ts';
import { deliver } from '../../../src/core/emit/delivery.ts';
import { pieceHtmlOf } from '../../../src/core/emit/html/page.ts';
import { stageHtml } from '../../../src/core/emit/stage.ts';
import { traceSource } from '../../../src/core/emit/html/trace.ts';
import { estimateSize } from '../../../src/core/geometry/pieces/estimate.ts';
import { PageLayout } from '../../../src/core/geometry/page-layout.ts';
import type { SiteFiles } from '../../../src/core/model/files.ts';
import { explain } from '../../../src/core/resolve/explain.ts';
import { checkSite } from '../../../src/core/check/site.ts';
import type { CheckedSite } from '../../../src/core/check/checked-site.ts';
import { applyChanges, type Change } from '../../../src/core/source/change.ts';
import { complete } from '../../../src/core/source/complete.ts';
import { readSiteFiles } from '../../../src/core/source/read.ts';
import { processorTime } from '../../../scripts/lib/processor-time.ts';
import { mutate } from './mutate.ts';
import { Random } from './random.ts';
import { seedSites } from './seeds.ts';

/** px, at which boxes are worked out. */
const widths = [320, 800, 1400];
const year = 2000;

export interface FuzzFailure {
	readonly run: number;
	readonly says: string;
	readonly change: Change;
}

export interface FuzzResult {
	readonly runs: number;
	/** Sites that came out without an error in spite of it. */
	readonly sound: number;
	/** ms, of the slowest run. */
	readonly slowest: number;
	readonly failures: readonly FuzzFailure[];
}

/** Mutates sites and does everything with them that the application does. The same seed gives the same runs. */
export async function runFuzz(runs: number, seed: number, from = 0): Promise<FuzzResult> {
	const seeds = (await seedSites(seed)).map((files) => checkSite(readSiteFiles(files)));
	const failures: FuzzFailure[] = [];
	let [sound, slowest] = [0, 0];
	for (let run = from; run < from + runs; run++) {
		const random = new Random(seed * 1_000_003 + run);
		// The whole demo is large; most runs are made with something smaller.
		const before = random.of(random.once(8) ? seeds.slice(0, 4) : seeds.slice(1));
		const file = random.of([...before.reading.files.texts.keys()]);
		const change = mutate(file, before.reading.files.texts.get(file) ?? '', random);
		try {
			const took = processorTime(() => {
				if (tryOne(before, change, random)) sound++;
			});
			slowest = Math.max(slowest, took);
		} catch (failure) {
			const says = failure instanceof Error ? (failure.stack ?? failure.message) : String(failure);
			failures.push({ run, says, change });
		}
	}
	return { runs, sound, slowest, failures };
}

/** Everything that is done with a text after an edit. Gives whether the site is sound. */
function tryOne(before: CheckedSite, change: Change, random: Random): boolean {
	const { files } = before.reading;
	const { texts, inverse } = applyChanges(files, [change]);
	assert.deepEqual(
		applyChanges({ ...files, texts }, inverse).texts,
		files.texts,
		'undo gives the bytes back'
	);
	const after: SiteFiles = { texts, assets: files.assets };
	const resolved = checkSite(readSiteFiles(after, before.reading));
	sameAsFresh(resolved, checkSite(readSiteFiles(after)));
	for (const problem of resolved.problems) {
		const { span, code } = problem;
		const sentence = sentenceOf(problem);
		const length = texts.get(span.file)?.length;
		const inside = length !== undefined && 0 <= span.from && span.from <= span.to;
		assert.ok(inside && span.to <= length, `${code} is marked outside the text: ${sentence}`);
		assert.ok(!/undefined|\[object/.test(sentence.replaceAll(/"[^"]*"|\{[^}]*\}/g, '')), sentence);
		assert.ok(!code.endsWith('-failed'), `only the edge caught it: ${sentence}`);
	}
	draw(resolved, random);
	write(resolved);
	const file = change.file;
	const text = texts.get(file) ?? '';
	for (let i = 0; i < 3; i++) {
		const offset = random.below(text.length + 1);
		complete(text, offset, { layouts: [], regions: [], routes: [], data: [] });
		traceSource(resolved, file, offset);
	}
	return resolved.problems.every((problem) => problem.severity === 'warning');
}

/** Reading again only what changed gives what reading everything does. */
function sameAsFresh(resolved: CheckedSite, fresh: CheckedSite): void {
	assert.equal(asText(resolved.problems), asText(fresh.problems), 'problems equal a fresh reading');
	assert.equal(asText(resolved.site), asText(fresh.site), 'the model equals a fresh reading');
	const chains = ({ site, structure }: CheckedSite): string =>
		[...site.layouts, ...site.routes, ...site.states]
			.map((layer) => structure.chainOf(layer).map((layout) => layout.name.text))
			.join('|');
	assert.equal(chains(resolved), chains(fresh), 'chains equal a fresh reading');
}

function asText(value: unknown): string {
	return JSON.stringify(value, (_, inner: unknown) => (inner instanceof Map ? [...inner] : inner));
}

function pagesOf({ site }: CheckedSite) {
	return [...site.routes, ...site.states];
}

/** What the views show: roofline, cross-section, and boxes at some widths. */
function draw(resolved: CheckedSite, random: Random): void {
	roofline(resolved);
	const pages = pagesOf(resolved);
	if (pages.length === 0) return;
	const page = random.of(pages);
	crossSection(resolved.page(page), resolved);
	explain(page, resolved);
	const [instance] = resolved.instances(page);
	if (!instance) return;
	const html = pieceHtmlOf(instance, resolved, {
		link: (url) => url,
		headLines: [],
		marks: 'none',
		year
	});
	const layout = new PageLayout({
		page: resolved.page(page),
		site: resolved.site,
		sizes: (key) => estimateSize(html(key)),
		open: new Set()
	});
	for (const width of widths) {
		for (const box of layout.boxesAt({ width, height: 800 })) {
			const sides = [box.x, box.y, box.width, box.height];
			assert.ok(sides.every(Number.isFinite), `a box is ${sides.join(' ')} at ${width} px`);
		}
	}
}

/** What is delivered where it is sound, and what the stage shows in any case. */
function write(resolved: CheckedSite): void {
	deliver(resolved, year);
	const [first] = pagesOf(resolved);
	const [instance] = first ? resolved.instances(first) : [];
	if (instance) stageHtml(instance, resolved, new Map(), year);
}
