import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { addressOf, randomLayouts, siteText } from '../judge/boxes/random-layouts.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { PageLayout, type PlacedBox } from '../../src/core/geometry/page-layout.ts';
import { Sweep } from '../../src/core/geometry/widths/sweep.ts';
import {
	alike,
	compared,
	exceeds,
	larger,
	noteFactor,
	noteStep,
	noteTurns,
	smaller,
	unnoted
} from '../../src/core/size/turns.ts';
import { oneLayout } from '../lib/boxes.ts';
import { pageNamed, resolve } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

/** Where two calculations of one number part, as the number at which they do. */
function partsAt(run: (x: number) => void, from: number, to: number): number | undefined {
	const [one, other] = [from, to].map((x) => noteTurns(() => run(x)).turns);
	const change = one && other?.firstChange ? one.firstChange(other) : undefined;
	return change === undefined ? undefined : Math.round((from + change * (to - from)) * 10) / 10;
}

test('turns: the place where a calculation goes another way, by the kind of comparison', () => {
	const cases: [string, (x: number) => void, number, number, number | undefined][] = [
		['the larger changes', (x) => larger(x, 100), 0, 400, 100],
		['the larger stays', (x) => larger(x, 100), 120, 400, undefined],
		['both ways meet where they are equal', (x) => larger(x, 100), 100, 400, undefined],
		['the smaller changes', (x) => smaller(2 * x, 300), 100, 400, 150],
		['from not above to above', (x) => exceeds(x, 100), 100, 400, 100],
		['above all the way', (x) => exceeds(x, 100), 101, 400, undefined],
		['from equal to not', (x) => alike(x, 100), 100, 400, 100],
		['from below through equal', (x) => alike(x, 100), 0, 400, 100],
		['order of two', (x) => compared(x, 250), 0, 400, 250],
		['out of a step at its end', (x) => noteStep(x, 0, Math.floor(x / 90 + 1) * 90), 10, 400, 90],
		['down out of a step', (x) => noteStep(x, Math.floor(x / 90) * 90, Infinity), 400, 10, 360],
		['a factor that changes is parted in the middle', (x) => noteFactor(100 / x), 100, 400, 250],
		['a factor that stays', (x) => noteFactor((2 * x) / x), 100, 400, undefined],
		['the first of two', (x) => [larger(x, 300), larger(x, 200)], 0, 400, 300],
		['what is not noted', (x) => unnoted(() => larger(x, 100)), 0, 400, undefined],
		['one calculation is longer', (x) => x > 200 && larger(1, 2), 0, 400, 200]
	];
	for (const [what, run, from, to, expected] of cases) {
		assert.equal(partsAt(run, from, to), expected, what);
	}
	assert.deepEqual([compared(1, 2), compared(2, 1), compared(1, 1 + 1e-12)], [-1, 1, 0]);
	assert.throws(() => noteTurns(() => assert.fail()), 'a failure ends the notes');
	assert.equal(noteTurns(() => larger(1, 2)).result, 2);
});

function layoutOf(text: string, address: string): PageLayout {
	const resolved = resolve(text);
	return new PageLayout({
		page: resolved.page(pageNamed(resolved, address)),
		site: resolved.site,
		sizes: sizesByName,
		open: new Set()
	});
}

test('a sweep lays out anew only where something goes another way', () => {
	const resolved = oneLayout(
		`arrange areas { "menu main"; columns minmax(190.6px, 25%) 1fr }
		region menu as div { slot }; region main as div { piece fix-10-10 """x""" }`
	);
	const page = resolved.page(pageNamed(resolved, '/'));
	const content = { page, site: resolved.site, sizes: sizesByName, open: new Set<string>() };
	const sweep = Sweep.over(new PageLayout(content), 280, 1760, 600);
	// Bands change at 600 and 1000; 25 % is 190.6 px at 762.4, and from there on the column grows.
	assert.deepEqual(
		sweep.stretches.map(({ from, to }) => [from, to]),
		[[280, 599], [600, 762], [763, 999], [1000, 1760]]
	); // prettier-ignore
	const menu = sweep.boxesAt(900).find(({ name }) => name.region === 'menu');
	assert.equal(menu?.width, 225);
	assert.deepEqual(sweep.boxesAt(900).find(({ lines }) => lines)?.lines?.columns, [225, 675]);
	assert.deepEqual(sweep.boxesAt(2000), [], 'outside the range');
});

/** px; browsers cut shares to 64ths, which the straight lines of a sweep do not. */
const smoothed = 0.25;
const sides = ['x', 'y', 'width', 'height', 'overflowX', 'overflowY'] as const;

function farthest(one: readonly PlacedBox[], other: readonly PlacedBox[]): number {
	if (one.length !== other.length) return Infinity;
	return one.reduce((most, box, index) => {
		const there = other[index];
		if (!there || there.name !== box.name) return Infinity;
		return Math.max(most, ...sides.map((side) => Math.abs(box[side] - there[side])));
	}, 0);
}

test('a sweep of any site agrees with laying it out at every width', () => {
	fc.assert(
		fc.property(randomLayouts, (site) => {
			const layout = layoutOf(siteText(site), addressOf(site));
			let next = 280;
			for (const { width, boxes } of Sweep.over(layout, 280, 1760, 600)) {
				assert.equal(width, next++);
				const off = farthest(boxes, layout.boxesAt({ width, height: 600 }));
				assert.ok(off <= smoothed, `${off} px off at ${width} px`);
			}
			assert.equal(next, 1761, 'every width once');
			const sweep = Sweep.over(layout, 280, 1760, 600);
			sweep.each((width, boxes) => assert.equal(farthest(boxes, sweep.boxesAt(width)), 0));
		}),
		runs(8, 11)
	);
});
