import assert from 'node:assert/strict';
import { test } from 'node:test';
import { layoutSheet, pageSheet } from '../../src/core/emit/css/sheets.ts';
import { pageNamed, resolve } from '../lib/site.ts';

/** What floats in content that stands directly in a region pushes nothing behind it aside, and no sheet says more than that needs. */
const site = (style: string, markup = ''): ReturnType<typeof resolve> =>
	resolve(`site "T" { bands { narrow 0; wide 900 } }
layout outer at / { region main as main { piece first """<p>a</p>${markup}"""; piece note { pad 4px } """<p>b</p>"""; slot } ${style} }
layout inner at /in { region body as div { slot } }
layout lined at /lined { region row as div { arrange row; slot; piece one { pad 4px } """<p>c</p>""" } }
route / { piece text { pad 2px; show hidden @wide } """<p>d</p>""" }
`);

function cleared(of: ReturnType<typeof resolve>): string[] {
	const sheets = [
		...of.site.layouts.map((layout) => layoutSheet(layout, of.site, of.structure)),
		pageSheet(pageNamed(of, '/'), of.site, of.structure)
	];
	const css = sheets.map((sheet) => sheet?.css ?? '').join('\n');
	return [...css.matchAll(/([^\s{}][^{}]*) \{[^{}]*clear: both/g)].map(([, selector = '']) =>
		selector.trim()
	);
}

test('where nothing floats nothing is cleared', () => {
	assert.deepEqual(cleared(site('')), []);
	assert.deepEqual(cleared(site('', '<p class="float">float is a word</p>')), []);
});

test('where something may float, boxes behind content begin below it', () => {
	const all = [
		'.outer-main > .outer-main-note',
		'.inner',
		'.lined',
		'.outer-main > .page-main-text'
	];
	assert.deepEqual(cleared(site('; style """p { float: left }"""')), all);
	assert.deepEqual(cleared(site('', '<img align="left" src="a.svg" alt="">')), all);
});
