import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	areaCells,
	isBetween,
	offsetAt,
	painted,
	sizeWords,
	spanTo,
	trackReached,
	trackText,
	type Cell
} from '../../src/core/view-models/track-gestures.ts';

test('a dragged track is read in px, share and twelfths, and written in the unit it had', () => {
	assert.equal(sizeWords(237.4, 960), '237 px, 24.7 %, 3.0 of 12');
	assert.equal(sizeWords(0, 0), '0 px, 0.0 %, 0.0 of 12');
	assert.equal(trackText('25%', 237, 960), '24.69%');
	assert.equal(trackText('1fr', 237.6, 960), '238px');
	assert.equal(trackText('20%', 80, 0), '80px', 'rows have nothing to be a share of');
	assert.equal(trackText('calc(20% + 1px)', 80, 960), '80px');
});

test('painting lays a member over a rectangle, and what it hides goes where it was', () => {
	const cells = [
		['head', 'head', 'head'],
		['menu', 'main', 'main'],
		['menu', 'main', 'main']
	];
	assert.deepEqual(painted(cells, 'menu', [2, 2], [1, 1]), [
		['head', 'head', 'head'],
		['main', 'menu', 'menu'],
		['main', 'menu', 'menu']
	]);
	const place = fc.tuple(fc.nat(2), fc.nat(2));
	fc.assert(
		fc.property(place, place, fc.constantFrom('head', 'menu', 'new'), (one, other, member) => {
			const after = painted(cells, member, one, other);
			for (const [y, row] of after.entries()) {
				for (const [x, name] of row.entries()) {
					const cell: Cell = [x, y];
					assert.equal(name === member, isBetween(cell, one, other), 'its area is the rectangle');
					// What would be hidden lies where the painter was.
					const before = cells[y]?.[x];
					if (name !== member && name !== '.') assert.ok(name === before || before === member);
				}
			}
		}),
		{ seed: 3 }
	);
});

test('an area whose end is dragged reaches the track whose middle was passed', () => {
	const cells = [
		['head', 'head', '.'],
		['menu', 'main', 'main']
	];
	assert.deepEqual(areaCells(cells, 'head'), { from: [0, 0], to: [1, 0] });
	assert.deepEqual(areaCells(cells, 'main'), { from: [1, 1], to: [2, 1] });
	assert.equal(areaCells(cells, 'side'), undefined);
	const tracks = [{ from: 0, to: 100 }, { from: 120, to: 220 }, { from: 240, to: 340 }]; // prettier-ignore
	assert.deepEqual([-5, 60, 169, 171, 900].map((at) => trackReached(tracks, at, false)), [0, 0, 0, 1, 2]); // prettier-ignore
	const mirrored = [...tracks].reverse();
	assert.deepEqual([330, 171, 169, 0].map((at) => trackReached(mirrored, at, true)), [0, 0, 1, 2]);
}); // prettier-ignore

test('spans and offsets count whole columns, from either side', () => {
	// Six columns of 100 px with 20 px between; the region stands on the second and third.
	const columns = Array.from({ length: 6 }, (_, at) => ({ from: at * 120, to: at * 120 + 100 }));
	const ltr = { columns, region: { from: 120, to: 340 }, rtl: false };
	assert.equal(spanTo(ltr, 340), 2, 'where it ends now');
	assert.equal(spanTo(ltr, 289), 1);
	assert.equal(spanTo(ltr, 291), 2, 'past the middle of the third');
	assert.equal(spanTo(ltr, -50), 1, 'one at least');
	assert.equal(spanTo(ltr, 2000), 5);
	// One column is left free before it now; what comes before ends where the run of columns begins.
	assert.equal(offsetAt(ltr, 1, 120), 1, 'where it begins now');
	assert.equal(offsetAt(ltr, 1, 0), 0);
	assert.equal(offsetAt(ltr, 1, 480), 4);
	assert.equal(offsetAt(ltr, 0, 60), 0, 'it cannot begin before what stands there');
	const rtl = { columns, region: { from: 360, to: 580 }, rtl: true };
	assert.equal(spanTo(rtl, 360), 2);
	assert.equal(spanTo(rtl, 100), 4, 'past the middle of the second');
	assert.equal(offsetAt(rtl, 1, 580), 1);
	assert.equal(offsetAt(rtl, 1, 700), 0);
});
