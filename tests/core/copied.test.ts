import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { Command, PieceRef, SizedRef } from '../../src/core/model/command.ts';
import { boxView } from '../../src/core/view-models/chosen/box-view.ts';
import { makeOn, refusal } from '../lib/edits.ts';

/** Settings of one box are said of others, band by band. */

const site = (
	pieces: string,
	regions = ''
): string => `site "Beds" { lang en; bands { narrow 0; medium 600; wide 1000 } }
layout frame at / {
  region main as main { slot; arrange columns 6 }
  region side as aside { label "Side"; pad 8px; pad 16px @wide; width 200px; piece s """<p>s</p>""" }
  ${regions}
}
route / {
  title "Home"
  ${pieces}
}
`;

const piece = (name: string): PieceRef => ({
	holder: { layer: { kind: 'route', name: '/' }, region: undefined },
	piece: name
});
const region = (box: string): SizedRef => ({ layout: 'frame', box });
const copy = (of: SizedRef, ...boxes: SizedRef[]): Command => ({
	kind: 'copy-settings',
	of,
	boxes
});

/** What a box says, in every band. */
function said(resolved: ReturnType<typeof makeOn>['resolved'], ref: SizedRef): string[] {
	const { strip, bands } = boxView(resolved, ref, 0);
	return strip
		.flatMap(({ setting, overhangs }) =>
			overhangs.map(({ from, value }) => `${setting} ${value} @${bands[from]}`)
		)
		.sort();
}

test('a piece that says nothing, or other things, says the same as another then', () => {
	const text = site(`piece a { span 3; span 2 @wide; order 1 } """<p>a</p>"""
  piece b """<p>b</p>"""
  piece c { span all; span 6 @medium; span 1 @wide; pad 4px } """<p>c</p>"""`);
	const { resolved, text: after } = makeOn(text, copy(piece('a'), piece('b'), piece('c')));
	const own = said(resolved, piece('a'));
	assert.deepEqual(said(resolved, piece('b')), own);
	assert.deepEqual(said(resolved, piece('c')), [...own, 'pad 4px @narrow'].sort());
	assert.match(after, /piece b \{ span 3; span 2 @wide; order 1 \}/);
});

test('what a box cannot say is left out and told, and what names a box is its own', () => {
	const text = site(
		'piece a { span 3 } """<p>a</p>"""',
		'region foot as footer { piece f """<p>f</p>""" }'
	);
	const { resolved, said: told } = makeOn(text, copy(region('side'), region('foot'), piece('a')));
	assert.deepEqual(said(resolved, region('foot')), [
		'pad 16px @wide',
		'pad 8px @narrow',
		'width 200px @narrow'
	]);
	assert.ok(!said(resolved, region('foot')).join().includes('label'));
	assert.equal(told, '', 'pieces have width and pad, too');
	const scrolled = text.replace('width 200px;', 'scroll own;');
	assert.match(makeOn(scrolled, copy(region('side'), piece('a'))).said, /scroll would be left out/);
	assert.match(
		refusal(text, copy(region('foot'), piece('a'))),
		/says nothing that others could say/
	);
});

test('whatever two boxes say, afterwards the second says what the first says, and one undo gives the text back', () => {
	const setting = fc.constantFrom('span 1', 'span 2 @medium', 'span all @wide', 'pad 4px', 'pad 8px @wide', 'order 2', 'margin 1px @medium', 'width 90px'); // prettier-ignore
	const block = fc.uniqueArray(setting, { maxLength: 5 });
	const shapes = fc.constantFrom('; ', '\n    ');
	fc.assert(
		fc.property(block, block, shapes, (one, other, between) => {
			fc.pre(one.length > 0);
			const written = (all: readonly string[]): string => (all.length === 0 ? '' : `{ ${all.join(between)} } `); // prettier-ignore
			const text = site(
				`piece a ${written(one)}"""<p>a</p>"""\n  piece b ${written(other)}"""<p>b</p>"""`
			);
			const { resolved } = makeOn(text, copy(piece('a'), piece('b')));
			const of = said(resolved, piece('a'));
			const kinds = new Set(one.map((word) => word.split(' ')[0]));
			const now = said(resolved, piece('b')).filter((word) => kinds.has(word.split(' ')[0]));
			assert.deepEqual(now, of);
		}),
		{ numRuns: 60 }
	);
});
