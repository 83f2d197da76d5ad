import assert from 'node:assert/strict';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import type { Browser, Page } from 'puppeteer-core';
import { z } from 'zod';
import { run } from '../../src/cli/main.ts';
import { openBrowser } from '../lib/browser.ts';
import { root } from '../../scripts/lib/setup.js';
import { realisticSites } from '../lib/realistic.ts';
import { judgeMeasured, judgeSwept, openJudge } from '../judge/boxes/judge.ts';
import { judgeJumps } from '../judge/boxes/jumps.ts';
import { Measurer } from '../../src/cli/measure/measurer.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { layerName, pagesOf } from '../../src/core/model/site.ts';
import { trialOf } from '../../src/core/model/trial.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

/**
 * Pages of all kinds, measured as the application measures them and held against the browser at widths that
 * the measuring did not choose. Nothing in them was made simple for the calculation.
 */

let opened: { browser: Browser; close: () => Promise<void> };
let measurer: Measurer;
let judgePage: Page;
before(async () => {
	opened = await openBrowser();
	measurer = await Measurer.open(opened.browser);
	judgePage = await openJudge(opened.browser);
});
after(() => opened.close());

const widths = [283, 320, 347, 375, 412, 540, 623, 768, 899, 1024, 1237, 1440, 1733];

/**
 * Text grows or is laid anew with each px of the screen there: all screens take long, so each width is measured by
 * itself. Those at which it is measured are then those that are judged; the others are measured at all widths.
 */
const growing = /(workshop|gazette)$/;

async function siteAt(path: string): Promise<CheckedSite> {
	return checkSite(readSiteFiles(await readSitePath(path)));
}

test('every box of every realistic page and of the demo is where the browser has it', async () => {
	const sites = (await realisticSites()).map((path) => join(root, path));
	let [pages, boxes] = [0, 0];
	const off: string[] = [];
	for (const path of [...sites, join(root, 'demo')]) {
		const resolved = await siteAt(path);
		const errors = resolved.problems.filter(({ severity }) => severity === 'error');
		assert.deepEqual(errors, [], `${path} has no errors`);
		const store = new SizeStore();
		for (const page of pagesOf(resolved.site)) {
			const [instance] = resolved.instances(page);
			assert.ok(instance);
			const judge = growing.test(path) ? judgeMeasured : judgeSwept;
			const judged = await judge({ measurer, page: judgePage, resolved, instance, store }, widths);
			pages++;
			boxes += judged.boxes;
			for (const one of judged.differences) {
				off.push(`${path} ${layerName(page)} at ${one.width} px, ${one.box}: ${one.computed} for ${one.browser}`); // prettier-ignore
			}
		}
	}
	assert.ok(pages >= 40 && boxes > 4500, `${pages} pages with ${boxes} boxes are not few`);
	assert.deepEqual(off, []);
});

/** The browser is told of paper itself, and shows the page with the rules that are delivered. */
test('tried with more content, from the other side, with large text and on paper, they still are', async () => {
	const sites = [...(await realisticSites()), 'demo'].map((path) => join(root, path));
	const off: string[] = [];
	let boxes = 0;
	for (const words of [
		['long', 'large', 'mirrored'],
		['short', 'printed']
	]) {
		const trial = trialOf(words);
		await judgePage.emulateMediaType(trial.printed ? 'print' : 'screen');
		for (const path of sites) {
			const site = await siteAt(path);
			const [resolved, shown] = [site.tried(trial), site.tried({ ...trial, printed: false })];
			const store = new SizeStore();
			for (const page of pagesOf(site.site)) {
				const [instance] = resolved.instances(page);
				assert.ok(instance);
				// Out of flow, as it is measured, a browser makes room for ruby that it does not need in its place.
				if (layerName(page) === '/404ish') continue;
				const subject = { measurer, page: judgePage, resolved, shown, instance, store };
				const judged = await judgeMeasured(subject, [347, 812, 1237]);
				boxes += judged.boxes;
				for (const one of judged.differences.filter(({ inScrolling }) => !inScrolling)) {
					off.push(`${words.join()}: ${path} ${layerName(page)} at ${one.width} px, ${one.box}: ${one.computed} for ${one.browser}`); // prettier-ignore
				}
			}
		}
	}
	await judgePage.emulateMediaType('screen');
	assert.ok(boxes > 2300, `${boxes} boxes are not few`);
	assert.deepEqual(off, []);
});

test('jumps are the widths at which the browser’s boxes jump', async () => {
	for (const [path, route] of [['tests/realistic/shelves', '/list']] as const) {
		const resolved = await siteAt(join(root, path));
		const page = pagesOf(resolved.site).find((one) => layerName(one) === route);
		const [instance] = page ? resolved.instances(page) : [];
		assert.ok(instance);
		const { computed, browser } = await judgeJumps({ measurer, page: judgePage, resolved, instance }); // prettier-ignore
		assert.ok(browser.length > 0, `${path} ${route} jumps somewhere`);
		assert.deepEqual(computed, browser, `${path} ${route}`);
	}
});

/** What a command prints, as JSON. */
async function printed(...args: readonly string[]): Promise<{ answer: unknown; errors: string }> {
	let [out, errors] = ['', ''];
	const code = await run(args, {
		out: (text) => void (out += text),
		errors: (text) => void (errors += text)
	});
	assert.equal(code, 0, errors);
	const answer: unknown = JSON.parse(out);
	return { answer, errors };
}

const boxesSchema = z.array(
	z.object({
		width: z.number(),
		boxes: z.array(
			z.object({
				x: z.number(),
				y: z.number(),
				width: z.number(),
				height: z.number(),
				estimated: z.boolean().optional()
			})
		)
	})
);

test('the command line measures, keeps what it measured, and says what is only estimated', async () => {
	const folder = await mkdtemp(join(tmpdir(), 'eave-sizes-'));
	const file = join(folder, 'sizes.json');
	try {
		const asked = ['boxes', join(root, 'tests/realistic/arabic'), '--route', '/kinds', '--widths', '590..610', '--json']; // prettier-ignore
		const measured = await printed(...asked, '--measure', '--metrics-out', file);
		assert.equal(measured.errors, '');
		const again = await printed(...asked, '--metrics', file);
		assert.equal(again.errors, '', 'nothing is estimated where all was measured');
		const [one, other] = [boxesSchema.parse(measured.answer), boxesSchema.parse(again.answer)];
		assert.equal(other.length, 21);
		for (const [index, { width, boxes }] of one.entries()) {
			for (const [place, box] of boxes.entries()) {
				const kept = other[index]?.boxes[place];
				assert.ok(kept && kept.estimated === undefined);
				for (const side of ['x', 'y', 'width', 'height'] as const) {
					assert.ok(Math.abs(kept[side] - box[side]) < 0.1, `${side} of box ${place} at ${width}`);
				}
			}
		}
		const guessed = await printed(...asked);
		assert.match(guessed.errors, /estimated/);
		const [first] = boxesSchema.parse(guessed.answer);
		const marked = first?.boxes.filter(({ estimated }) => estimated).length ?? 0;
		assert.ok(
			marked > 0 && marked < (first?.boxes.length ?? 0),
			'the head has a height that is set'
		);
	} finally {
		await rm(folder, { recursive: true });
	}
});
