import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { layoutSheet } from '../../src/core/emit/css/sheets.ts';
import { boxesOf, oneLayout } from '../lib/boxes.ts';
import { makeOn } from '../lib/edits.ts';
import { codes, resolve, sound } from '../lib/site.ts';

/** Space around one box, wherever it stands; none of it collapses into that of another. */

const two = (arrange: string, a: string, b = ''): string =>
	`${arrange} region a as div { ${a}; piece fix-40-20 """x""" }; region b as div { ${b}; piece fix-50-30 """x""" }; region main as main { slot }`.replaceAll('{ ;', '{'); // prettier-ignore

function at(layout: string, width = 300): Record<string, string> {
	return boxesOf(oneLayout(layout, 'piece fix-10-10 """x"""'), width);
}

const places = (boxes: Record<string, string>): (string | undefined)[] => [boxes.a, boxes.b];

test('one below the other the distances add up, and sides are left free', () => {
	assert.deepEqual(places(at(two('', 'margin 10px 20px', 'margin 5px 0 7px 30px'))), ['20 10 260 20', '30 45 270 30']);
	assert.equal(at(two('', 'margin 10px', 'margin 5px'))['main'], '0 80 300 10');
	const text = two('', 'margin 10px', '');
	const { site, structure } = sound(`site "S" { lang en }\nlayout f at / { ${text} }\nroute / { title "T"; piece t """<h1>x</h1>""" }`);
	const [layout] = site.layouts;
	assert.ok(layout);
	const { css } = layoutSheet(layout, site, structure);
	assert.match(css, /\.f \{[^}]*flex-direction: column/, 'margins of items do not collapse');
	assert.match(css, /\.f-b \{[^}]*flex: none/);
}); // prettier-ignore

test('auto at a side leaves the box as wide as its content, and takes what is left', () => {
	assert.equal(at(two('', 'margin 0 auto')).a, '130 0 40 20');
	assert.equal(at(two('', 'margin 0 0 0 auto')).a, '260 0 40 20');
	assert.equal(at(two('', 'margin 0 auto 0 12px')).a, '12 0 40 20');
	assert.equal(at(two('', 'width 100px; margin 4px auto')).a, '100 4 100 20');
	assert.equal(at(two('', 'width 400px; margin 0 auto')).a, '0 0 400 20', 'nothing is left to share');
	assert.equal(at(two('arrange stack;', 'margin 0 auto')).a, '130 0 40 20');
	assert.equal(at(two('arrange areas { "a" auto; "b" auto; "main" auto };', 'margin 0 auto')).a, '130 0 40 20');
}); // prettier-ignore

test('in a row what is left goes to sides that take it before anything is justified', () => {
	const row = (a: string, b = ''): (string | undefined)[] =>
		places(at(two('arrange row { justify end };', a, b)));
	assert.deepEqual(row('margin 0 auto 0 0'), ['0 0 40 30', '240 0 50 30']);
	assert.deepEqual(row('margin 3px 0 4px 5px'), ['200 3 40 23', '240 0 50 30']);
	assert.deepEqual(row('margin 0 auto', 'margin 0 0 0 auto'), ['66.7 0 40 30', '240 0 50 30']);
});

test('in areas and columns the distance is kept within the area, and counts for its track', () => {
	const areas = 'arrange areas { "a b" auto; "main main" auto; columns auto 1fr };';
	const boxes = at(two(areas, 'margin 6px 10px 4px 2px'));
	assert.deepEqual(places(boxes), ['2 6 40 20', '52 0 248 30']);
	const columns = at(two('arrange columns 3 each 1;', 'margin 10px', 'offset 1; margin 0 0 0 8px'));
	assert.deepEqual(places(columns), ['10 10 80 20', '208 0 92 40']);
});

test('an overlap is taken off what is kept below', () => {
	const boxes = at(two('', 'margin 0 0 30px 0; overlap 10px', ''));
	assert.equal(boxes.b, '0 40 300 30');
});

test('pieces keep their distance where their region arranges them; elsewhere that is told', () => {
	const pieces = (arrange: string): string =>
		`region a as div { ${arrange} piece fix-40-20 { margin 10px } """x"""; piece fix-50-30 { margin 5px } """x""" }; region main as main { slot }`;
	const boxes = at(pieces('arrange stack;'));
	assert.deepEqual([boxes['fix-40-20'], boxes['fix-50-30']], ['10 10 280 20', '5 45 290 30']);
	const told = (arrange: string): boolean => codes(resolve(`site "S" { lang en }\nlayout f at / { ${pieces(arrange)} }\nroute / { title "T"; piece t """<h1>x</h1>""" }`)).some((one) => one.includes('setting-idle')); // prettier-ignore
	assert.ok(told(''));
	assert.ok(!told('arrange stack;'));
	const plain = at(pieces(''));
	assert.equal(plain['fix-50-30'], '0 20 300 30', 'it does nothing there');
});

test('what cannot be is said: above and below nothing is left, and nothing is below zero', () => {
	const said = (margin: string): string[] =>
		codes(resolve(`site "S" { lang en }\nlayout f at / { ${two('', `margin ${margin}`)} }\nroute / { title "T"; piece t """<h1>x</h1>""" }`)).map((one) => one.split(' ')[1] ?? ''); // prettier-ignore
	assert.deepEqual(said('auto'), ['margin-auto']);
	assert.deepEqual(said('0 auto auto'), ['margin-auto']);
	assert.deepEqual(said('-4px'), ['size-negative']);
	assert.deepEqual(said('1px 2px 3px 4px 5px'), ['too-many-sizes']);
	assert.deepEqual(said('10%'), ['share-of-nothing']);
	assert.deepEqual(said('0 auto'), []);
});

test('a margin in a style of a box is told, and becomes the setting', () => {
	const text = `site "S" { lang en; bands { narrow 0; wide 900 } }\nlayout f at / { region a as aside { piece p """<p>x</p>"""; style """ :scope { margin: 8px; } """ }; region main as main { slot } }\nroute / { title "T"; piece t """<h1>x</h1>""" }`;
	const found = resolve(text).problems.find(({ code }) => code === 'style-of-box');
	assert.ok(found);
	assert.match(JSON.stringify(found.details), /say it with margin/);
	const set = makeOn(text.replace(' style """ :scope { margin: 8px; } """', ''), { kind: 'set-setting', box: { layout: 'f', box: 'a' }, setting: 'margin', value: '8px', band: 'narrow' }); // prettier-ignore
	assert.match(set.text, /margin 8px/);
});

test('whatever margins are, no two boxes in a flow are nearer to each other than both say', () => {
	const size = fc.integer({ min: 0, max: 40 });
	fc.assert(
		fc.property(size, size, size, size, (top, bottom, above, below) => {
			const boxes = at(two('', `margin ${top}px 0 ${bottom}px`, `margin ${above}px 0 ${below}px`));
			const [a, b] = places(boxes).map((one) => (one ?? '').split(' ').map(Number));
			assert.equal(a?.[1], top);
			assert.equal(b?.[1], top + 20 + bottom + above);
			assert.equal(Number(boxes['main']?.split(' ')[1]), top + 20 + bottom + above + 30 + below);
		}),
		{ numRuns: 40 }
	);
});
