import assert from 'node:assert/strict';
import { test } from 'node:test';
import { authorRules } from '../../src/core/reach/author-rules.ts';
import { attributeOf, pageTree } from '../../src/core/reach/page-tree.ts';
import { reached } from '../../src/core/reach/reached.ts';
import { pageNamed, sound } from '../lib/site.ts';

/** Which elements a rule in the style of a page reaches. The answers are those that a browser gives. */

const answers: Readonly<Record<string, string>> = {
	'li { color: red }': 'bean pea',
	':scope { color: red }': 'list note',
	':scope > li { color: red }': 'bean pea',
	'& > li > b { color: red }': 'in-bean',
	':scope { & .seed, & b { color: red } }': 'bean in-bean pea',
	'li:nth-child(2) { color: red }': 'pea',
	'li:has(> b) { color: red }': 'bean',
	'main :scope li { color: red }': 'bean pea',
	':is(.row b) { color: red }': 'in-bean',
	// What stands outside the scope is no part of what a selector may name.
	'header ~ main .seed { color: red }': '',
	'main > ul { color: red }': '',
	'html li:first-child { color: red }': '',
	':is(main, footer) b { color: red }': '',
	'header b { color: red }': '',
	'@scope (:scope) to (b) { li, b { color: red } }': 'bean pea',
	'@scope (li) { main .row b { color: red } }': ''
};

function reachedBy(rule: string): string {
	const site = sound(`
site "Seed"
layout frame at / {
  region head as header { piece top """<b id="top">Seed</b>""" }
  region main as main { slot }
}
route / {
  title "Beds"
  piece rows """<ul class="row" id="list"><li class="seed" id="bean"><b id="in-bean">Bean</b></li><li class="seed" id="pea">Pea</li></ul>"""
  piece note """<p class="seed" id="note">Sow early.</p>"""
  style """${rule}"""
}
`);
	const [instance] = site.instances(pageNamed(site, '/'));
	assert.ok(instance);
	const tree = pageTree(instance, site, 2026);
	const elements = authorRules(instance, site).flatMap((one) => reached(one, tree));
	const order = [...tree.html.matchAll(/ id="([\w-]+)"/g)].map(([, id]) => id);
	const ids = new Set(elements.map(({ element }) => attributeOf(element, 'id')));
	return order.filter((id) => ids.has(id)).join(' ');
}

test('a rule reaches what a browser says it does, and nothing by what stands outside its scope', () => {
	for (const [rule, ids] of Object.entries(answers)) assert.equal(reachedBy(rule), ids, rule);
});
