import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { Curve } from '../../src/core/geometry/pieces/curve.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import type { Answers, Asked } from '../../src/core/measure/asks.ts';
import { differencesOf, differenceWords, firstCause } from '../../src/core/measure/compare.ts';
import type { Dependence } from '../../src/core/measure/dependence.ts';
import { drive } from '../../src/core/measure/drive.ts';
import { MeasuredPage } from '../../src/core/laid/measured-page.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { metricsSchema, sizesFrom } from '../../src/core/geometry/pieces/metrics.ts';
import { writtenMetrics } from '../../src/core/measure/written.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { addressOf, randomLayouts, siteText } from '../judge/boxes/random-layouts.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { pageNamed } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

/** What has to be measured, and what follows from it: here the browser is a function. */

function checked(text: string): CheckedSite {
	return checkSite(readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() }));
}

/** Measures a function until all between two places is settled; gives how often it was asked. */
function settle(curve: Curve, from: number, to: number, of: (at: number) => number): number {
	for (let asked = 0; ;) {
		const wants = curve.wants(from, to);
		if (wants.length === 0) return asked;
		for (const at of wants) curve.add(at, [of(at)]);
		asked += wants.length;
		assert.ok(asked < 20_000, 'it comes to an end');
	}
}

const grain = 1 / 64;
const inGrains = (px: number): number => Math.round(px * 64) / 64;

test('text that only gets lower with more room is known in every room, to a 64th of a px', () => {
	const steps = fc.array(fc.tuple(fc.integer({ min: 100 * 64, max: 700 * 64 }), fc.constantFrom(18, 24, 31.5)), { maxLength: 40 }); // prettier-ignore
	fc.assert(
		fc.property(steps, fc.array(fc.integer({ min: 100 * 64, max: 700 * 64 })), (falls, places) => {
			const height = (at: number): number =>
				falls.reduce((sum, [where, by]) => sum + (at < where / 64 ? by : 0), 24);
			const curve = new Curve(grain);
			settle(curve, 100, 700, height);
			for (const place of [...places, ...falls.flatMap(([at]) => [at - 1, at, at + 1])]) {
				const at = Math.min(Math.max(place / 64, 100), 700);
				const found = curve.at(at);
				assert.ok(found?.sure, `${at} is settled`);
				assert.ok(Math.abs((found.values[0] ?? 0) - height(at)) < 0.06, `at ${at}`);
				assert.ok(found.from <= at && at < found.to, 'a stretch has its place in it');
			}
		}),
		runs(60, 11)
	);
});

test('lines that fall while pictures grow are not taken for a straight line', () => {
	// A line of 25.6 px falls each 16 px, while two pictures grow by 1.6 px: on an even grid, all is in a line.
	for (const period of [8, 12.5, 16, 20, 31, 40]) {
		const height = (at: number): number => 900 + at * 1.6 - Math.floor(at / period) * 25.6;
		const curve = new Curve(grain);
		settle(curve, 120, 900, height);
		for (let at = 120; at <= 900; at += 0.71875) {
			const found = curve.at(inGrains(at));
			assert.ok(Math.abs((found?.values[0] ?? 0) - height(inGrains(at))) < 0.1, `${period}: ${at}`);
		}
	}
});

test('what is the same everywhere is asked for now and then, and bends are found', () => {
	const flat = new Curve(grain);
	assert.ok(settle(flat, 200, 1200, () => 40) < 60, 'a thousand px of one height');
	assert.equal(flat.straights().length, 1);
	const bent = new Curve(1);
	settle(bent, 280, 1760, (at) => Math.min(Math.max(20, at * 0.05), 60));
	for (const at of [280, 399, 400, 401, 800, 1199, 1200, 1201, 1760]) {
		const real = Math.min(Math.max(20, at * 0.05), 60);
		assert.ok(Math.abs((bent.at(at)?.values[0] ?? 0) - real) < 0.06, `at ${at}`);
	}
	assert.equal(bent.at(90)?.sure, false, 'outside of what was settled nothing is sure');
});

/** A browser in which the pieces of random sites have the sizes that they are named for. */
function byName(height: number): (asked: readonly Asked[]) => Promise<Answers> {
	return (asked) =>
		Promise.resolve(
			asked.map(({ screen, asks }) =>
				asks.map(({ content, width }) => {
					const [layout = '', region = '', ...names] = content.split(' ');
					const opener = names.includes('opener');
					const pieces = names.filter((name) => name.includes(':')).map((name) => {
						const at = name.indexOf(':');
						return { owner: name.slice(0, at), piece: name.slice(at + 1) };
					}); // prettier-ignore
					const size = sizesByName({ layout, region, pieces, opener }, []);
					const view = { width: screen, height };
					const { min, max } = size.contentWidths(view);
					if (width === undefined) return [min, max];
					const { x, y } = size.overflowAt(width, view);
					return [size.heightAt(width, view), x, y];
				})
			)
		);
}

test('random sites come out as with sizes that are known, at one width and at all, and from what is written down', async () => {
	for (const random of fc.sample(randomLayouts, { numRuns: 12, seed: 31 })) {
		const resolved = checked(siteText(random));
		const page = pageNamed(resolved, addressOf(random));
		const [instance] = resolved.instances(page);
		assert.ok(instance);
		const content = { page: resolved.page(page), site: resolved.site, open: new Set<string>() };
		const known = new PageLayout({ ...content, sizes: sizesByName });
		const measured = new MeasuredPage(instance, resolved, 2026, { height: 600 }, new SizeStore());
		const one = await drive(measured.at(613), byName(600));
		assert.deepEqual(one?.map(numbers), known.boxesAt({ width: 613, height: 600 }).map(numbers));
		const sweep = await drive(measured.between(280, 1760), byName(600));
		assert.ok(sweep);
		const file: unknown = JSON.parse(JSON.stringify(writtenMetrics(measured.contents.values())));
		const written = sizesFrom(metricsSchema.parse(file));
		const again = new PageLayout({
			...content,
			sizes: (...asked) => {
				const size = written(...asked);
				assert.ok(size, 'everything is written down');
				return size;
			}
		});
		for (const width of [280, 355, 502, 777, 991, 1203, 1444, 1760]) {
			const exact = known.boxesAt({ width, height: 600 });
			alike(sweep.boxesAt(width), exact, `${siteText(random)}\n all at ${width}`);
			alike(again.boxesAt({ width, height: 600 }), exact, `${siteText(random)}\n file at ${width}`);
		}
	}
});

type Numbered = Parameters<typeof numbers>[0];

function numbers({
	x,
	y,
	width,
	height
}: Record<'x' | 'y' | 'width' | 'height', number>): number[] {
	return [x, y, width, height].map((px) => Math.round(px * 8) / 8);
}

function alike(boxes: readonly Numbered[], exact: readonly Numbered[], where: string): void {
	assert.equal(boxes.length, exact.length, where);
	for (const [index, box] of boxes.entries()) {
		for (const side of ['x', 'y', 'width', 'height'] as const) {
			const by = Math.abs(box[side] - (exact[index]?.[side] ?? 0));
			assert.ok(by < 0.3, `${where}: box ${index} is off by ${by} in ${side}`);
		}
	}
}

const dependent = (
	style: string,
	markup = '<p>words</p>',
	bands = 'narrow 0; wide 900'
): CheckedSite =>
	checked(`site "T" { bands { ${bands} }; tokens { --a: 10px; --a @wide: 20px; --b: 3vw; --c: var(--b) } }
layout l at / { region m as main { slot }; region s as aside { piece p """<p>side</p>""" }
  ${style}
}
route / { title "T"; piece x """${markup}""" }`);

/** What the text at the side, or in the page, depends on. */
function dependenceIn(resolved: CheckedSite, region = 's', piece = 'p'): Dependence | undefined {
	const page = pageNamed(resolved, '/');
	const [instance] = resolved.instances(page);
	assert.ok(instance);
	const measured = new MeasuredPage(instance, resolved, 2026, { height: 800 }, new SizeStore());
	measured.between(280, 1760).next([]);
	const found = [...measured.contents.values()].find(
		({ key }) => key.region === region && key.pieces[0]?.piece === piece
	);
	return found?.size.dependence;
}

test('what a size depends on besides its room is read from the styles that reach it', () => {
	const plain = { breakpoints: [], fluid: false, byHeight: false };
	const fluid = { breakpoints: [], fluid: true, byHeight: false };
	const cases: [string, Dependence, string?][] = [
		['style """p { padding: 1em }"""', plain],
		['style """p { font-size: clamp(1rem, 4vw, 3rem) }"""', fluid],
		['style """h1 { font-size: 9vw }"""', plain, 'nothing there is a heading'],
		['style """:scope { font-size: 2vw }"""', fluid, 'what is around hands it on'],
		['style """:scope { padding-top: 2vw }"""', plain, 'padding stays with its box'],
		['style """.none p, aside p { gap: var(--c) }"""', fluid, 'tokens refer to tokens'],
		['style """p { margin: var(--a) }"""', { ...plain, breakpoints: [900] }],
		['style @wide """p { margin: 3px }"""', { ...plain, breakpoints: [900] }],
		['style """@media (min-width: 40em) { p { margin: 0 } }"""', { ...plain, breakpoints: [640, 641] }],
		['style """@media (min-height: 500px) { p { margin: 0 } }"""', { ...plain, byHeight: true }],
		['style """@container (width > 300px) { p { margin: 0 } }"""', fluid],
		['style """p { &::before { content: "x"; font-size: 3vw } }"""', fluid, 'rules in rules'],
		['style """p { min-height: 10dvh }"""', { ...fluid, byHeight: true }]
	]; // prettier-ignore
	for (const [style, expected, why] of cases) {
		assert.deepEqual(dependenceIn(dependent(style)), expected, `${style} ${why ?? ''}`);
	}
	const scoped = dependent('style """p { font-size: 3vw }"""');
	assert.deepEqual(dependenceIn(scoped, 'm', 'x'), plain, 'a style ends at what lands in the slot');
	const inline = dependent('', '<p style="width: 50vw">a</p>');
	assert.deepEqual(dependenceIn(inline, 'm', 'x'), fluid);
	const chosen = dependent('', '<picture><source media="(min-width: 700px)" srcset="a.png"><img src="b.png"></picture>'); // prettier-ignore
	assert.deepEqual(dependenceIn(chosen, 'm', 'x'), { ...plain, breakpoints: [700, 701] });
});

test('a box that is shown elsewhere is named, with what others follow from', () => {
	const resolved = dependent('');
	const page = resolved.page(pageNamed(resolved, '/'));
	const size = sizesByName({ layout: '', region: '', pieces: [{ piece: 'fix-50-20', owner: '' }], opener: false }, []); // prettier-ignore
	const layout = new PageLayout({ page, site: resolved.site, sizes: () => size, open: new Set() });
	const boxes = layout.boxesAt({ width: 800, height: 600 });
	const shown = (taller: number) => [
		{ word: 'l/', x: 0, y: 0, width: 800, height: 40 + taller },
		{ word: 'l/m', x: 0, y: 0, width: 800, height: 20 + taller },
		{ word: 'l/s', x: 0, y: 20 + taller, width: 800, height: 20 }
	];
	assert.deepEqual(differencesOf(boxes, shown(0.4)), []);
	const cause = firstCause(differencesOf(boxes, shown(12)));
	assert.ok(cause);
	assert.equal(differenceWords(cause), 'm of l is 12 px taller than computed');
	const [gone] = differencesOf(boxes, shown(0).slice(0, 2));
	assert.match(gone ? differenceWords(gone) : '', /^s of l was computed but is not shown$/);
});
