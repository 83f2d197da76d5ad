import { parse } from 'parse5';
import { roofline } from '../../src/core/view-models/roofline.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { Renewal } from '../../src/core/changes/renewal.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { soundSite } from '../../src/core/check/sound.ts';
import { plainHandOver } from '../../src/core/emit/hand-over.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { generatedSite } from './generated-site.ts';
import { summary, timeRuns, type Measured } from './measure.ts';

export interface BenchRow {
	readonly what: string;
	readonly measured: Measured;
	readonly note: string;
}

const noAssets = new Map<string, Uint8Array>();

/** The core alone, in this process: reading, resolving and editing a site of 2,000 routes in 40 layouts. */
export function benchCore(): BenchRow[] {
	const files = { texts: generatedSite(2000, 40), assets: noAssets };
	let run = 0;
	const all = timeRuns(
		() => {
			// Words of their own each time, so that nothing is known from the run before.
			run++;
			const texts = new Map(
				[...files.texts].map(([path, text]) => [path, text.replaceAll('<', `<!--${run}--><`)])
			);
			const resolved = checkSite(readSiteFiles({ texts, assets: noAssets }));
			for (const route of resolved.site.routes) resolved.page(route);
		},
		15,
		3
	);
	return [
		{
			what: '2,000 routes, 40 layouts: read all, resolve every page',
			measured: summary(all),
			note: ''
		},
		{
			what: '… one edit in the outermost layout, core only',
			measured: summary(editTimes(files, 'site.eave', 'recycled')),
			note: 'read, resolve, roofline'
		},
		{
			what: '… one edit of a leaf page, core only',
			measured: summary(editTimes(files, 'routes/branch-3.eave', 'Row 7')),
			note: 'read, resolve, roofline'
		}
	];
}

function editTimes(
	files: { texts: Map<string, string>; assets: typeof noAssets },
	file: string,
	words: string
): number[] {
	let reading = readSiteFiles(files);
	checkSite(reading);
	return timeRuns(
		() => {
			const { texts } = reading.files;
			const at = (texts.get(file) ?? '').indexOf(words);
			const change = { kind: 'edit', file, from: at, to: at, insert: 'x' } as const;
			const next = applyChanges({ texts, assets: new Map() }, [change]).texts;
			reading = readSiteFiles({ texts: next, assets: noAssets }, reading);
			roofline(checkSite(reading));
		},
		60,
		10
	);
}

/** Delivery of 10,000 routes, against parse5 parsing the HTML that came out, in turn in one process. */
export function benchDelivery(): BenchRow[] {
	// First: a watched site is all that its process has in memory.
	const renewal = benchRenewal();
	const texts = generatedSite(10_000, 40);
	const written: number[] = [];
	const parsed: number[] = [];
	const resolved = checkSite(readSiteFiles({ texts, assets: noAssets }));
	let bytes = 0;
	for (let run = -1; run < 5; run++) {
		const start = performance.now();
		const files = deliver(resolved, 2026);
		const middle = performance.now();
		const pages = files.filter((file) => file.kind === 'page').map((file) => String(file.content));
		const before = performance.now();
		for (const page of pages) parse(page);
		const end = performance.now();
		bytes = pages.reduce((sum, page) => sum + page.length, 0);
		if (run < 0) continue;
		written.push(middle - start);
		parsed.push(end - before);
	}
	const size = `${(bytes / 1e6).toFixed(1)} MB of HTML`;
	return [
		{ what: '10,000 routes: deliver', measured: summary(written), note: size },
		{ what: '… parse5 parses what came out', measured: summary(parsed), note: 'same run' },
		renewal
	];
}

/** What `watch` does between reading the folder and writing to it, after each edit of one page. */
function benchRenewal(): BenchRow {
	const texts = new Map(generatedSite(2000, 40));
	const [file = '', text = ''] = [...texts].findLast(([, one]) => one.includes('route ')) ?? [];
	const renewal = new Renewal(2026, plainHandOver);
	let site = soundSite(readSiteFiles({ texts, assets: noAssets }));
	renewal.next(site);
	let files = 0;
	const times: number[] = [];
	for (let run = -2; run < 30; run++) {
		texts.set(file, text.replace(/<p>/, `<p>${run + 5} `));
		const start = performance.now();
		site = soundSite(readSiteFiles({ texts: new Map(texts), assets: noAssets }, site.reading));
		files = renewal.next(site).files.length;
		if (run >= 0) times.push(performance.now() - start);
	}
	return {
		what: '2,000 routes: what watch does after an edit of one page, but for the disk',
		measured: summary(times),
		note: `${files} file; aim 100 ms`
	};
}
