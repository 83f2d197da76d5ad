import assert from 'node:assert/strict';
import { test } from 'node:test';
import { authorRules } from '../../src/core/author-styles/author-rules.ts';
import { attributeOf, pageTree } from '../../src/core/author-styles/page-tree.ts';
import { reached } from '../../src/core/author-styles/reached.ts';
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
	'ul, p { color: red }': 'list note',
	'* { color: red }': 'list bean in-bean pea note',
	':first-child { color: red }': 'list bean in-bean',
	'.seed + li, ul + .seed { color: red }': 'pea note',
	'& { color: red }': 'list note',
	'p { color: red; b, & { color: blue } }': 'note',
	// What stands around is anyone's; only what is named has to be the page's own.
	'header ~ main .seed { color: red }': 'bean pea note',
	'main > ul { color: red }': 'list',
	'html li:first-child { color: red }': 'bean',
	':is(main, footer) b { color: red }': 'in-bean',
	'main { color: red; > p { color: blue } }': 'note',
	'header b, header, main, html { color: red }': '',
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

test('a rule reaches what a browser says it does, and nothing of another layer', () => {
	for (const [rule, ids] of Object.entries(answers)) assert.equal(reachedBy(rule), ids, rule);
});
