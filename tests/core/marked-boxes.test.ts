import assert from 'node:assert/strict';
import { test } from 'node:test';
import { pageTree } from '../../src/core/author-styles/page-tree.ts';
import type { MarkedBox } from '../../src/core/geometry/pieces/marked-boxes.ts';
import { measuredBoxes } from '../../src/core/geometry/pieces/marked-boxes.ts';
import { markedBoxes } from '../../src/core/laid/marked-boxes.ts';
import { MeasuredPage } from '../../src/core/laid/measured-page.ts';
import { drive } from '../../src/core/measure/drive.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** Which elements of a page in a frame of own markup make which box. */

const text = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / {
  frame """<header>{region head}<b>Seeds</b>{end}</header><div>{slot}{region more}<p>More</p>{end}<i>x</i></div>"""
}
layout guide at /guide { frame """<ul>{region near}<li>a</li><li>b</li>{end}</ul><article>{slot}</article><div><hr data-layout="not-ours"></div>""" }
route / { title "Home"; piece one """<h1>Home</h1>"""; piece two """<p>a</p><p>b</p>""" }
route /guide { title "Guide"; piece body """<h1>Guide</h1>""" }
`;

function boxesOf(route: string): readonly MarkedBox[] {
	const site = resolve(text);
	const page = pageNamed(site, route);
	const [instance] = site.instances(page);
	assert.ok(instance);
	return markedBoxes(pageTree(instance, site, 2026), site.page(page));
}

function words(boxes: readonly MarkedBox[]): string[] {
	return boxes.map(({ name, elements, inside }) => {
		const pieces = name.pieces.map(({ piece }) => piece).join('+');
		const what = [name.kind, name.layout, name.region, pieces].filter(Boolean).join(' ');
		return `${what}: ${elements.length}${inside === undefined ? '' : ` in ${boxes[inside]?.name.region ?? boxes[inside]?.name.layout}`}`;
	});
}

test('regions with and without an element of their own have their boxes, and pieces one for each run', () => {
	assert.deepEqual(words(boxesOf('/')), [
		'region shell head: 1',
		'run shell head head: 1 in head',
		'region shell slot: 1',
		'run shell slot one+two: 1 in slot',
		'region shell more: 1',
		'run shell more more: 1 in more'
	]);
});

test('a frame in a frame is one box of all its elements, and attributes of authors make none', () => {
	assert.deepEqual(words(boxesOf('/guide')), [
		'region shell head: 1',
		'run shell head head: 1 in head',
		'region shell slot: 3',
		'region guide near: 1 in slot',
		'run guide near near: 1 in near',
		'region guide slot: 1 in slot',
		'run guide slot body: 1 in slot',
		'layout guide: 1 in slot',
		'region shell more: 1',
		'run shell more more: 1 in more'
	]);
});

test('boxes that are not there are left out, and what stood in them stands in the next one around', () => {
	const boxes = boxesOf('/');
	const numbers = Array.from({ length: 4 }, (_, at) => [10 * at, 20 * at, 100, 50, 0]).flat();
	// The first region takes no room.
	const placed = measuredBoxes(boxes, [0, 0, 0, 0, 0, ...numbers.slice(5)], {
		place: 1,
		width: 800
	});
	assert.deepEqual(
		placed.map(({ name, x, y, width, height, inside }) => [
			name.region,
			x,
			y,
			width,
			height,
			inside
		]),
		[
			['head', 10, 20, 100, 50, 1],
			['slot', 20, 40, 100, 50, 1],
			['slot', 20, 40, 100, 50, 3],
			['more', 30, 60, 100, 50, 1],
			['more', 30, 60, 100, 50, 5]
		]
	);
	assert.deepEqual(measuredBoxes(boxes, [], { place: 1, width: 800 }), [], 'nothing was measured');
});

test('what is said of the root, the head or in a sheet is measured anew', async () => {
	const store = new SizeStore();
	const asked = async (from: string, css: string): Promise<number> => {
		const site = resolve(from, { 's.css': css });
		const [instance] = site.instances(pageNamed(site, '/'));
		assert.ok(instance);
		let count = 0;
		const page = new MeasuredPage(instance, site, 2026, { height: 800 }, store);
		await drive(page.at(500), (all) => {
			count += all.length;
			const answer = all.map(({ asks }) => asks.map(({ width }) => (width === undefined ? [0, 500] : [900, 0, 0, 0, 0, 0]))); // prettier-ignore
			return Promise.resolve(answer);
		});
		return count;
	};
	const said = (words: string): string => text.replace('  frame', `  ${words}\n  frame`);
	assert.ok((await asked(said('sheet "s.css"'), 'p {}')) > 0);
	assert.equal(await asked(said('sheet "s.css"'), 'p {}'), 0, 'nothing is another');
	assert.ok((await asked(said('sheet "s.css"'), 'p { margin: 0 }')) > 0, 'a sheet');
	assert.ok((await asked(said('sheet "s.css" media "print"'), 'p {}')) > 0, 'its media');
	assert.ok((await asked(said('attributes html """ class="a" """'), 'p {}')) > 0, 'the root');
	assert.ok((await asked(said('attributes html """ class="b" """'), 'p {}')) > 0, 'in another way');
	assert.ok(
		(await asked(said('head """<style>p \\{ margin: 0 }</style>"""'), 'p {}')) > 0,
		'a head'
	);
	assert.ok(
		(await asked(said('head """<style>p \\{ margin: 9px }</style>"""'), 'p {}')) > 0,
		'another'
	);
});
