import assert from 'node:assert/strict';
import { test } from 'node:test';
import { parse } from 'parse5';
import { deliver } from '../../src/core/emit/delivery.ts';
import type { Command } from '../../src/core/model/command.ts';
import { boxView } from '../../src/core/view-models/chosen/box-view.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { findingsOf } from '../lib/findings.ts';
import { resolve } from '../lib/site.ts';

/** Attributes of the elements of regions and wrappers, and what sheets of the site's own may do to those boxes. */

const text = `site "Seeds" { lang en; bands { narrow 0; wide 900 } }
layout shell at / {
  description "Seed that is lent."
  sheet "css/site.css"
  skip "Skip to the content"
  region head as header { attributes """ class="top" data-page="{page.address}" """; piece words """<p>All seed is lent.</p>""" }
  wrapper cols as section {
    attributes """ id="cols" class="two  shell-cols" aria-label="Pages" """
    region menu as nav { attributes """ aria-label="Where to" """; show drawer left 280px "Menu"; show in-place @wide; piece words """<p>Home</p>""" }
    region main as main { slot; attributes """ id="content" """ }
  }
}
route / { title "Home"; piece body """<h1>Seed</h1>""" }
`;

/** Elements of a delivered page by a word, with their attributes. */
function elementsOf(site: ReturnType<typeof resolve>): Map<string, Record<string, string>> {
	const page = deliver(site, 2026).find(({ path }) => path === 'index.html');
	assert.equal(typeof page?.content, 'string');
	const found = new Map<string, Record<string, string>>();
	const open: unknown[] = [parse(String(page?.content))];
	for (let node = open.pop(); node; node = open.pop()) {
		if (typeof node !== 'object' || node === null) continue;
		if ('childNodes' in node && Array.isArray(node.childNodes)) open.push(...node.childNodes);
		if (!('attrs' in node) || !('tagName' in node) || !Array.isArray(node.attrs)) continue;
		const attributes = Object.fromEntries(
			node.attrs.map(({ name, value }: { name: string; value: string }) => [name, value])
		);
		found.set(String(node.tagName), attributes);
	}
	return found;
}

const css: Readonly<Record<string, string>> = {
	'css/site.css': '.top { float: left; padding: 4px; color: #223344 }'
};

test('a box has the attributes that its layout says, beside the class that it has in any case', () => {
	const found = elementsOf(resolve(text, css));
	assert.deepEqual(found.get('header'), { class: 'shell-head top', 'data-page': '/' });
	assert.deepEqual(found.get('section'), {
		class: 'shell-cols two',
		id: 'cols',
		'aria-label': 'Pages'
	});
	assert.equal(found.get('nav')?.['aria-label'], 'Where to');
});

test('what leads to a box leads to the id that it says', () => {
	const found = elementsOf(resolve(text, css));
	assert.equal(found.get('main')?.id, 'content');
	assert.equal(found.get('a')?.href, '#content');
	assert.equal(found.get('button')?.popovertarget, found.get('nav')?.id);
});

test('attributes are said, said otherwise and taken back on the drawings, and what is none is refused', () => {
	const said = (now: string, box: string): string | undefined =>
		boxView(resolve(now, css), { layout: 'shell', box }, 1000).attributes;
	const set = (box: string, words: string | undefined): Command => {
		return { kind: 'set-box-attributes', layout: 'shell', box, text: words };
	};
	assert.equal(said(text, 'main'), 'id="content"');
	const once = makeOn(text, set('head', 'class="bar"')).text;
	assert.equal(said(once, 'head'), 'class="bar"');
	const twice = makeOn(once, set('cols', 'class="a"\ndata-b="2"')).text;
	assert.equal(said(twice, 'cols'), 'class="a"\ndata-b="2"');
	assert.equal(said(makeOn(twice, set('head', undefined)).text, 'head'), '');
	assert.match(refusal(text, set('head', '<b>')), /no attributes of/);
	assert.match(refusal(text, set('head', '"""')), /quotation marks/);
	assert.match(refusal(text, set('nowhere', 'class="a"')), /has no nowhere/);
});

test('what sheets do to boxes is told, held on a click, and told to be held', () => {
	const codes = (now: string): string[] =>
		findingsOf(resolve(now, css)).findings.flatMap(({ problem }) =>
			problem.code.startsWith('sheet-')
				? [`${problem.code} ${(css[problem.span.file] ?? '').slice(problem.span.from, problem.span.to)}`] // prettier-ignore
				: []
		);
	assert.deepEqual(codes(text), ['sheet-moves-box float', 'sheet-moves-box padding']);
	const held = makeOn(text, { kind: 'set-sheets', name: 'shell', do: 'paint' }).text;
	assert.match(held, /^ {2}sheets paint$/m);
	assert.deepEqual(codes(held), ['sheet-held float', 'sheet-held padding']);
	assert.equal(makeOn(held, { kind: 'set-sheets', name: 'shell', do: 'move' }).text, text);
});

test('of a border only the colour is taken where sheets paint, and nothing is said of that', () => {
	const lined = { 'css/site.css': '.top { border-bottom: 1px solid #223344; inset-inline: 3px }' };
	const said = (now: string): string[] =>
		findingsOf(resolve(now, lined)).findings.flatMap(({ problem: { code, details } }) =>
			code.startsWith('sheet-') ? [`${code} ${details[0]}`] : []
		);
	assert.deepEqual(said(text), ['sheet-moves-box border-bottom', 'sheet-moves-box inset-inline']);
	assert.deepEqual(said(text.replace('skip "', 'sheets paint\n  skip "')), ['sheet-held inset-inline']); // prettier-ignore
});

test('what is important in a sheet is not believed to be held', () => {
	const important = { 'css/site.css': '.top { padding: 4px !important }' };
	const held = text.replace('skip "', 'sheets paint\n  skip "');
	const found = findingsOf(resolve(held, important)).findings.map(({ problem }) => problem.code);
	assert.ok(found.includes('sheet-moves-box') && !found.includes('sheet-held'), found.join(' '));
});

test('a box says its attributes once, and a frame of own markup says neither', () => {
	const problems = (now: string): string[] => resolve(now, css).problems.map(({ code }) => code);
	assert.ok(problems(text.replace('id="content" """', 'id="content" """; attributes """ id="b" """')).includes('said-twice')); // prettier-ignore
	const framed = `site "Seeds" { lang en }\nlayout shell at / { sheets paint; frame """<main>{slot}</main>""" }\nroute / { title "Home"; piece body """<h1>Seed</h1>""" }`;
	assert.ok(problems(framed).includes('frame-arranged'));
});
