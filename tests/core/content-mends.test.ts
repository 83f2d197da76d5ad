import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Misfit } from '../../src/core/check/fit/misfits.ts';
import { contentMends } from '../../src/core/sweep/content-mends.ts';
import { edit, makeOn } from '../lib/edits.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** Rules that may make content fit: for what there is, in the layer that brought it. Whether they help is measured. */
const text = `site "Seed library" { lang en; bands { narrow 0 } }
layout frame at / {
  description "Seed that is lent."
  region head as header { piece brand """<pre>one</pre>""" }
  region main as main { slot }
}
route / {
  title "Home"
  piece photo """<img src="data:," alt="A pod">"""
}
route /board {
  under none
  title "Board"
  piece poster """<img src="data:," alt="A poster">"""
}
state not-found at / {
  title "Not found"
  piece words """<p>Wildblumenmischung</p>"""
}
`;
const site = resolve(text);

function misfitOf(region: string, piece: string, owner: string): Misfit {
	const name = { kind: 'piece', layout: 'frame', region, wrapper: undefined, pieces: [{ piece, owner }] } as const; // prettier-ignore
	return { key: `frame.${region}`, layout: 'frame', region, name, box: piece, from: 280, to: 500, by: 9, needs: 500 }; // prettier-ignore
}

const ideas = (page: string, misfit: Misfit): string[] =>
	contentMends(misfit, site.page(pageNamed(site, page))).map(({ label }) => label);

test('what is offered is about what is in the piece that sticks out', () => {
	assert.deepEqual(ideas('/', misfitOf('main', 'photo', '/')), [
		'Let pictures be no wider than their place, in /',
		'Let nothing be wider than its place, in /'
	]);
	assert.deepEqual(ideas('/', misfitOf('head', 'brand', 'frame')), [
		'Let lines of code scroll by themselves, in frame',
		'Let nothing be wider than its place, in frame'
	]);
	assert.deepEqual(ideas('/', misfitOf('main', 'none', '/')), []);
	assert.deepEqual(ideas('/board', misfitOf('', 'poster', '/board')), [
		'Let pictures be no wider than their place, in /board',
		'Let nothing be wider than its place, in /board'
	]);
});

test('a rule stands in the layer that brought the content, and undo takes it away', () => {
	const [idea] = contentMends(misfitOf('main', 'photo', '/'), site.page(pageNamed(site, '/')));
	assert.ok(idea);
	const { text: after, resolved } = makeOn(text, idea.command);
	assert.match(after, /route \/ \{[^]*style """img, video, svg \{ max-width: 100%; height: auto; \}"""\n\}/);
	assert.equal(resolved.site.routes[0]?.styles.length, 1);
}); // prettier-ignore

test('it reaches a state too, and a layer that is gone refuses it', () => {
	const in404 = { kind: 'state', name: 'not-found at /' } as const;
	const rule = { kind: 'add-rule', label: 'Let long words break', css: '* { overflow-wrap: anywhere; }' } as const; // prettier-ignore
	assert.equal(edit(site, { ...rule, in: in404 }).changes.length, 1);
	assert.throws(() => edit(site, { ...rule, in: { kind: 'route', name: '/gone' } }), /no route \/gone/); // prettier-ignore
});
