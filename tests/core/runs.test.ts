import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { propose } from '../../src/core/edit/propose.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { namesIn, standingIn } from '../../src/core/resolve/boxes/runs.ts';
import { boxesOf, oneLayout } from '../lib/boxes.ts';
import { outlineOf } from '../lib/outline.ts';
import { codes, htmlOf, pageNamed, resolve, sound } from '../lib/site.ts';

/** What lands in a region: pieces that are one run, pieces with boxes of their own, and fills among them. */

test('the margins of pieces in a run collapse; a box keeps those of what is in it', () => {
	const region =
		'region a as div { piece fix-50-20-m30-10-x """x"""; piece fix-80-40-m16-21-y """y""" }';
	const rest = 'region b as div { slot }';
	const run = boxesOf(oneLayout(`${region}; ${rest}`), 500);
	assert.equal(
		run['fix-50-20-m30-10-x + fix-80-40-m16-21-y'],
		'0 0 500 127',
		'30 + 20 + 16 + 40 + 21'
	);
	assert.equal(run['a'], '0 0 500 127');
	assert.equal(run['b'], '0 127 500 20');
	const boxed = boxesOf(oneLayout(`${region.replace('{', '{ arrange stack {}; ')}; ${rest}`), 500);
	assert.equal(boxed['fix-50-20-m30-10-x'], '0 0 500 60');
	assert.equal(boxed['fix-80-40-m16-21-y'], '0 60 500 77');
	assert.equal(boxed['b'], '0 137 500 20');
	const parted = boxesOf(
		oneLayout(
			`${region.replace('piece fix-80', 'piece fix-10-10-mid { pad 5px } """m"""; piece fix-80')}; ${rest}`
		),
		500
	);
	assert.equal(parted['fix-10-10-mid'], '0 60 500 20', 'what has settings stands between two runs');
	assert.equal(parted['fix-80-40-m16-21-y'], '0 80 500 77');
});

test('every piece that shows something stands somewhere, in its order', () => {
	const piece = fc.record({
		own: fc.boolean(),
		empty: fc.boolean(),
		kind: fc.constantFrom('<p>a</p>', 'text', '<i>b</i>')
	});
	fc.assert(
		fc.property(fc.array(piece, { maxLength: 8 }), fc.boolean(), (pieces, arranged) => {
			const text = pieces
				.map(({ own, empty, kind }, index) => {
					return `piece p${index} ${own ? '{ pad 1px } ' : ''}"""${empty ? '<!-- -->' : kind}"""`;
				})
				.join('; ');
			const arrange = arranged ? 'arrange row {}; ' : '';
			const resolved = oneLayout(`region a as div { ${arrange}${text} }; region b as div { slot }`);
			const [host] = resolved.page(pageNamed(resolved, '/')).regions;
			assert.ok(host);
			const standing = standingIn(host);
			const names = standing.flatMap((one) => (one.kind === 'layout' ? [] : namesIn(one)));
			const expected = pieces.flatMap(({ own, empty }, index) =>
				empty && !own && !arranged ? [] : [`p${index}`]
			);
			assert.deepEqual(
				names.map((one) => one.piece),
				expected
			);
			const runs = standing.map(({ kind }) => kind === 'run');
			assert.ok(!runs.some((is, index) => is && runs[index + 1]), 'two runs never meet');
			if (arranged) assert.ok(!runs.includes(true));
		}),
		{ numRuns: 60 }
	);
});

test('an element is there only for a reason', () => {
	const outline = (layout: string, page: string): string[] =>
		outlineOf(htmlOf(oneLayout(layout, page), '/')).map((line) => line.trim());
	const slot = 'region m as main { slot }';
	assert.deepEqual(outline(slot, 'piece a """<h1>A</h1>"""; piece b """<p>B</p>"""'), [
		'body.f',
		'main.f-m',
		'h1: A',
		'p: B'
	]);
	assert.deepEqual(
		outline(slot, 'piece a """A"""; piece b """<b>B</b>"""; piece c """<p>C</p>"""'),
		['body.f', 'main.f-m', 'div: A', 'div', 'b: B', 'p: C'],
		'text would run into its neighbours'
	);
	assert.deepEqual(
		outline(`${slot}; style """p { color: red }"""`, 'piece a """<p>A</p>"""'),
		['body.f', 'main.f-m', 'p: A'],
		'in an open slot a style knows where it ends'
	);
	assert.deepEqual(
		outline(
			'region m as main { slot; piece none """<p>none</p>""" }; style """p { color: red }"""',
			'piece a """<p>A</p>"""'
		),
		['body.f', 'main.f-m', 'div.brought', 'p: A'],
		'a slot with content of its own has to tell it from what comes'
	);
});

test('what fills a region that is arranged in areas stands in the area of its name', () => {
	const layout = `region side as aside { arrange areas { "fix-50-20-own more" auto; columns 100px 200px }; piece fix-50-20-own """x""" }; region m as main { slot }`;
	const named = oneLayout(
		layout.replace('more', 'fix-40-30-more'),
		'piece fix-10-10 """x"""; fill side after { piece fix-40-30-more """y""" }'
	);
	assert.deepEqual(codes(named), []);
	const boxes = boxesOf(named, 600);
	assert.equal(boxes['fix-50-20-own'], '0 0 100 30');
	assert.equal(boxes['fix-40-30-more'], '100 0 200 30');
	const elsewhere = oneLayout(
		layout.replace('more', 'fix-40-30-more'),
		'piece fix-10-10 """x"""; fill side after { piece other """y""" }'
	);
	assert.ok(
		codes(elsewhere).some((one) => one.includes('piece-not-arranged')),
		'what has no area is not shown, and that is said'
	);
});

test('a piece of a fill that is renamed is said to lose its area, and undo gives it back', () => {
	const text = `site "T" { bands { narrow 0 } }
layout f at / { region side as aside { arrange areas { "own more" auto }; piece own """x""" }; region m as main { slot } }
route / { piece body """x"""; fill side after { piece more """y""" } }`;
	const before = sound(text);
	const proposal = propose(before, {
		kind: 'rename-piece',
		holder: { layer: { kind: 'route', name: '/' }, region: { layout: 'f', region: 'side' } },
		name: 'more',
		to: 'other'
	});
	assert.ok(proposal.kind === 'edit');
	const { texts, inverse } = applyChanges(before.reading.files, proposal.changes);
	const after = resolve(texts.get('site.eave') ?? '');
	const lost = codes(after).some((one) => one.includes('piece-not-arranged'));
	assert.equal(lost, proposal.consequences.length > 0, 'what would go out of sight is asked about');
	assert.deepEqual(
		applyChanges({ texts: texts, assets: new Map() }, inverse).texts,
		before.reading.files.texts
	);
});
