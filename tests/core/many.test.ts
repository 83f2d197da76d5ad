import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	forEach,
	type Command,
	type HolderRef,
	type SizedRef
} from '../../src/core/model/command.ts';
import { manyView } from '../../src/core/view-models/chosen/many-view.ts';
import { shareWays, sharedSpans } from '../../src/core/view-models/chosen/share-out.ts';
import { edit, makeOn, refusal } from '../lib/edits.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { piecesIn } from '../../src/core/edit/pieces/piece-view.ts';
import { alikePieces } from '../../src/core/view-models/chosen/alike-pieces.ts';
import { manyLayers, movedBelow } from '../../src/core/view-models/chosen/many-layers.ts';
import { around, sound } from '../lib/site.ts';

/** Several boxes and pieces at once. */
const text = `site "Seed library" { lang en; bands { narrow 0; medium 600; wide 1000 } }
layout commons at / {
  description "Seed that is lent."
  region side as aside { pad 8px; piece hours """<p>Saturdays</p>""" }
  region main as main { slot; pad 8px; pad 24px @wide }
  region foot as footer { piece small """<p>Seed</p>""" }
}
route / {
  title "Home"
  arrange columns 12
  piece bean { span 4; pad 4px } """<h1>Bean</h1>"""
  piece pea { span 4; pad 4px; pad 8px @wide } """<p>Pea</p>"""
  piece kale { span 6 } """<p>Kale</p>"""
  fill side after { piece one """<p>One</p>"""; piece two """<p>Two</p>""" }
}
`;
const site = sound(text);
const own: HolderRef = { layer: { kind: 'route', name: '/' }, region: undefined };
const side = { layout: 'commons', region: 'side' };
const inSide: HolderRef = { ...own, region: side };
const [bean, pea, kale] = ['bean', 'pea', 'kale'].map((piece): SizedRef => ({
	holder: own,
	piece
}));
assert.ok(bean && pea && kale);

/** What a view of several says of a setting, band by band. */
function said(refs: readonly SizedRef[], setting: string): string[] {
	const view = manyView(site, refs, 400)?.view;
	const row = view?.strip.find((one) => one.setting === setting);
	return (row?.overhangs ?? []).map(({ from, to, value }) => `${from}-${to} ${value}`);
}

test('what several have in common is shown, and where they differ', () => {
	assert.deepEqual(said([bean, pea], 'span'), ['0-3 4']);
	assert.deepEqual(said([bean, pea], 'pad'), ['0-2 4px', '2-3 mixed']);
	assert.deepEqual(said([bean, kale], 'pad'), ['0-3 mixed']);
	assert.equal(manyView(site, [bean], 400), undefined);
	const view = manyView(site, [bean, pea, kale], 400);
	assert.deepEqual([view?.columns, view?.names], [12, ['bean', 'pea', 'kale']]);
	// A region has no columns of its own around it, and only what all can say is offered.
	const mixed = manyView(site, [bean, { layout: 'commons', box: 'side' }], 400);
	assert.equal(mixed?.columns, undefined);
	assert.ok(!mixed?.view.unsaid.some(({ setting }) => setting === 'scroll'));
	assert.ok(mixed?.view.unsaid.some(({ setting }) => setting === 'margin'));
});

test('one edit sets a value for all of them, says in which bands, and is refused as a whole', () => {
	const all = [bean, pea, kale];
	const pads = (value: string): Command =>
		forEach(all, 'pad', (box) => ({
			kind: 'set-setting',
			box,
			setting: 'pad',
			value,
			band: 'narrow'
		}));
	const after = makeOn(text, pads('1rem')).text;
	assert.equal(after.match(/pad 1rem/g)?.length, 3);
	assert.deepEqual(edit(site, pads('1rem')).bands, ['narrow', 'medium', 'wide']);
	assert.match(refusal(text, pads('1em')), /em/);
	const [only] = all;
	assert.ok(only);
	assert.equal(
		forEach([only], 'x', (box) => ({
			kind: 'set-setting',
			box,
			setting: 'pad',
			value: '0',
			band: 'narrow'
		})).kind,
		'set-setting'
	);
});

test('columns are shared out, in whatever way, so that every member has some and none more than there are', () => {
	assert.deepEqual(sharedSpans('evenly', 3, 12), ['4', '4', '4']);
	assert.deepEqual(sharedSpans('first-wide', 3, 12), ['all', '6', '6']);
	assert.deepEqual(sharedSpans('two-a-row', 4, 12), ['6', '6', '6', '6']);
	fc.assert(
		fc.property(
			fc.constantFrom(...shareWays),
			fc.integer({ min: 1, max: 30 }),
			fc.integer({ min: 1, max: 24 }),
			(way, count, columns) => {
				const spans = sharedSpans(way, count, columns);
				assert.equal(spans.length, count);
				for (const span of spans)
					assert.ok(span === 'all' || (Number(span) >= 1 && Number(span) <= columns));
			}
		)
	);
});

test('several pieces go, or go to another place, and a fill goes with its last', () => {
	const gone = makeOn(text, { kind: 'remove-pieces', holder: inSide, pieces: ['one', 'two'] }).text;
	assert.doesNotMatch(gone, /fill/);
	const moved = makeOn(text, { kind: 'move-pieces', holder: own, pieces: ['kale', 'pea'], to: inSide }).text;
	assert.match(moved, /fill side after \{[\s\S]*one[\s\S]*two[\s\S]*piece pea[\s\S]*piece kale/);
	assert.match(refusal(text, { kind: 'move-pieces', holder: own, pieces: ['pea'], to: own }), /there already/);
	const grouped = makeOn(text, { kind: 'group-pieces', holder: own, pieces: ['pea', 'kale'], name: 'both' }).text;
	const without = makeOn(grouped, { kind: 'remove-pieces', holder: own, pieces: ['both', 'pea'] }).text;
	assert.doesNotMatch(without, /pea|kale|both/);
}); // prettier-ignore

const five = around(`
route /x {
  title "X"
  piece one """<p class="a">one</p>"""
  piece two """<p class="b">two</p>"""
  piece three """<h2>three</h2>"""
  piece four """<p class="c">four</p>"""
}
route /x/y { title "Y"; piece z """<p class="d">z</p>""" }
route /w { title "W"; piece only """<p>w</p>""" }`);
const inX = { layer: { kind: 'route', name: '/x' }, region: undefined } as const;

function namesOf(resolved: CheckedSite): string[] {
	return piecesIn(resolved, inX).map(({ name }) => name);
}

test('several pieces go beside another in their order, and copies stand behind the last of them', () => {
	const pieces = ['one', 'three'];
	const moved = makeOn(five, {
		kind: 'move-pieces',
		holder: inX,
		pieces,
		to: inX,
		beside: { name: 'four', where: 'after' }
	});
	assert.deepEqual(namesOf(moved.resolved), ['two', 'four', 'one', 'three']);
	const before = makeOn(moved.text, {
		kind: 'move-pieces',
		holder: inX,
		pieces: ['three', 'one'],
		to: inX,
		beside: { name: 'two', where: 'before' }
	});
	assert.deepEqual(namesOf(before.resolved), ['one', 'three', 'two', 'four']);
	assert.match(
		refusal(five, { kind: 'move-pieces', holder: inX, pieces, to: inX, beside: { name: 'one', where: 'after' } }), // prettier-ignore
		/stand there already/
	);
	const copied = makeOn(five, { kind: 'copy-pieces', holder: inX, pieces: ['two', 'one'] });
	assert.deepEqual(namesOf(copied.resolved), ['one', 'two', 'one-2', 'two-2', 'three', 'four']);
	const again = makeOn(copied.text, { kind: 'copy-pieces', holder: inX, pieces: ['one-2'] });
	assert.deepEqual(namesOf(again.resolved), [
		'one',
		'two',
		'one-2',
		'one-3',
		'two-2',
		'three',
		'four'
	]);
});

test('pieces that differ in words alone are found, wherever they stand', () => {
	const alike = alikePieces(sound(five), { holder: inX, piece: 'one' });
	assert.deepEqual(
		alike.map(({ holder, piece }) => `${holder.layer.name} ${piece}`),
		['/x two', '/x four', '/x/y z']
	);
	assert.deepEqual(alikePieces(sound(five), { holder: inX, piece: 'three' }), []);
});

test('several pages say what they have in common, are set together, and moved with what lies below', () => {
	const refs = ['/x', '/w'].map((name) => ({ kind: 'route', name }) as const);
	const many = manyLayers(sound(five), refs);
	assert.equal(many.under, '', 'both sit under what covers them');
	const mixed = makeOn(five, { kind: 'set-under', layer: refs[0] ?? assert.fail(), under: 'none' });
	assert.equal(manyLayers(mixed.resolved, refs).under, undefined);
	const both = makeOn(
		mixed.text,
		forEach(refs, 'bare', (layer) => ({ kind: 'set-under', layer, under: 'none' }))
	);
	assert.equal(manyLayers(both.resolved, refs).under, 'none');
	const below = movedBelow([...refs, { kind: 'route', name: '/x/y' }], '/old');
	assert.deepEqual(below, [
		{ pattern: '/x', to: '/old/x' },
		{ pattern: '/w', to: '/old/w' }
	]);
	const moved = makeOn(
		five,
		forEach(below, 'below /old', (move) => ({ kind: 'move-route', ...move }))
	);
	const patterns = moved.resolved.site.routes.map(({ pattern }) => pattern.text);
	assert.deepEqual(patterns, ['/', '/old/x', '/old/x/y', '/old/w']);
});

test('a pasted table or list becomes a piece for each row or line, with names of their own', () => {
	const text = 'Kind\tSown\tNote\nKale\tMay\t{new} & <old>\nKale\tJune\t\n';
	const { resolved, text: written } = makeOn(five, { kind: 'paste-pieces', holder: inX, text });
	assert.deepEqual(namesOf(resolved), ['one', 'two', 'three', 'four', 'kale', 'kale-2']);
	assert.match(
		written,
		/piece kale """\s+<h2>Kale<\/h2>\s+<p>May<\/p>\s+<p>\\\{new\} &amp; &lt;old><\/p>\s+"""/
	);
	assert.match(written, /piece kale-2 """\s+<h2>Kale<\/h2>\s+<p>June<\/p>\s+"""/);
	const list = makeOn(five, {
		kind: 'paste-pieces',
		holder: inX,
		text: 'Come in by the yard.\n- one\n12'
	});
	assert.deepEqual(namesOf(list.resolved).slice(4), ['come-in-by-the-yard', 'one-2', 'piece']);
	assert.match(list.text, /<p>12<\/p>/);
	assert.match(refusal(five, { kind: 'paste-pieces', holder: inX, text: ' ' }), /nothing in what was pasted/); // prettier-ignore
	assert.match(refusal(five, { kind: 'paste-pieces', holder: inX, text: 'a\tb\n1\t2\t3' }), /Row 2 has 3 cells/); // prettier-ignore
});
