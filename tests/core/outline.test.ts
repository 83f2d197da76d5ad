import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { WrittenPage } from '../../src/core/check/subject/written-page.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { layerName, layersOf, pagesOf } from '../../src/core/model/site.ts';
import type { Command } from '../../src/core/model/command.ts';
import {
	putBehind,
	setAttribute,
	setTag,
	setWords,
	takeAway,
	type MarkupEdit
} from '../../src/core/outline/element-edits.ts';
import {
	outlineOf,
	type OutlineBlock,
	type OutlineElement,
	type OutlineNode
} from '../../src/core/outline/outline.ts';
import { wayTo } from '../../src/core/outline/way-to.ts';
import {
	forText,
	givenOf,
	ifText,
	testsOf,
	useText,
	valueText
} from '../../src/core/outline/tag-text.ts';
import { decodeText, encodeWords } from '../../src/core/outline/written-text.ts';
import { outlineView, scopeAt } from '../../src/core/view-models/markup/outline-view.ts';
import { piecesIn } from '../../src/core/resolve/content/pieces.ts';
import { partBook } from '../../src/core/resolve/content/parts.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { edit } from '../lib/edits.ts';
import { runs } from '../lib/runs.ts';
import { bodyOf, sound } from '../lib/site.ts';

/** What stands in markup as it is written, and what comes of changing one thing of it. */

const beds = JSON.stringify([
	{ name: 'Beans', sown: '2026-05-01', by: 'A & B' },
	{ name: 'Leeks', sown: '2026-03-01', by: 'C' }
]);

const text = `site "Marrow" { lang en; bands { narrow 0 } }
data beds from "beds.json"
part card(title, tone = plain | ripe) """
  <article class="card {tone}"><h2>{title}</h2>{content}</article>
"""
layout commons at / { region main as main { slot } }
route / {
  title "Beds"
  piece list """
    <p class="lead" title="Fish &amp; chips">Salt &lt; sea, see <a href="/">the start</a>.</p>
    <ul>
      {for bed in data.beds}
        <li class="{if bed.name is "Beans"}first{end}">{bed.name} of {bed.sown as date}</li>
      {else}
        <li>none</li>
      {end}
    </ul>
    {use card title="All \\"beds\\"" tone="ripe"}
      <p>Within</p>
    {end}
    <img src="/a.png" alt="A bed">
  """
}`;

const files = { 'beds.json': beds, 'a.png': 'x' };

function site(): CheckedSite {
	return sound(text, files);
}

function nodesOf(resolved: CheckedSite, name = 'list'): OutlineNode[] {
	const { site: model, reading } = resolved;
	const pieces = layersOf(model).flatMap((layer) => [...piecesIn(layer)]);
	const piece = pieces.find((one) => one.name.text === name);
	assert.ok(piece?.kind === 'markup');
	const file = reading.files.texts.get('site.eave') ?? '';
	return outlineOf({ template: piece.markup, file, book: partBook(model.parts) });
}

function element(resolved: CheckedSite, name: string): OutlineElement {
	const found = nodesOf(resolved).find((one) => one.kind === 'element' && one.name === name);
	assert.ok(found?.kind === 'element');
	return found;
}

function block(resolved: CheckedSite, kind: 'for' | 'if' | 'use'): OutlineBlock {
	const found = nodesOf(resolved).find((one) => one.kind === 'block' && one.tag.kind === kind);
	assert.ok(found?.kind === 'block');
	return found;
}

function write(one: MarkupEdit): Command {
	return { kind: 'write-markup', of: 'list', ...one };
}

/** The text once an edit is made, which must leave a site without problems. */
function after(resolved: CheckedSite, command: Command): string {
	const { changes } = edit(resolved, command);
	const next = applyChanges(resolved.reading.files, changes).texts.get('site.eave');
	assert.ok(next !== undefined);
	sound(next, files);
	return next;
}

function shape(nodes: readonly OutlineNode[]): string[] {
	return nodes.map(
		(one) => `${one.depth} ${one.kind === 'element' ? one.name : one.tag.text.split(' ')[0]}`
	);
}

test('elements, lists, conditions and parts stand in each other as they are written', () => {
	const nodes = nodesOf(site());
	assert.deepEqual(shape(nodes), [
		'0 p',
		'1 a',
		'0 ul',
		'1 for',
		'2 li',
		'2 li',
		'0 use',
		'1 p',
		'0 img'
	]);
	assert.deepEqual(wayTo(nodes, 4), [2, 3, 4], 'a list, then what repeats, then the element');
	assert.deepEqual(wayTo(nodes, 0), [0]);
});

test('an element says its words and attributes as one reads them, values as they are written', () => {
	const resolved = site();
	const p = element(resolved, 'p');
	assert.deepEqual(
		p.words.map((one) => one.text),
		['Salt < sea, see', '.']
	);
	assert.deepEqual(
		p.attributes.map(({ name, text: said }) => [name, said]),
		[
			['class', 'lead'],
			['title', 'Fish & chips']
		]
	);
	const li = element(resolved, 'li');
	assert.deepEqual(
		li.words.map((one) => one.text),
		['{bed.name} of {bed.sown as date}']
	);
	assert.equal(li.words[0]?.value, undefined, 'it is more than a value');
	assert.deepEqual(element(resolved, 'ul').words, []);
	assert.equal(element(resolved, 'img').takesWords, false);
});

test('a value that stands alone is known with how it is written', () => {
	const resolved = sound(
		text.replace('{bed.name} of {bed.sown as date}', '{bed.sown as date}'),
		files
	);
	const [words] = element(resolved, 'li').words;
	assert.deepEqual(words?.value, { path: ['bed', 'sown'], format: 'date', otherwise: undefined });
	assert.equal(words.value && valueText(words.value), '{bed.sown as date}');
});

test('words, attributes and elements are said anew where they stand, and nothing else changes', () => {
	const resolved = site();
	const p = element(resolved, 'p');
	const words = after(resolved, write(setWords(p, p.words[0], 'Tea & <b>')));
	assert.equal(words, text.replace('Salt &lt; sea, see', 'Tea &amp; &lt;b>'));
	const title = after(resolved, write(setAttribute(p, 'title', 'a "b"')));
	assert.equal(title, text.replace('Fish &amp; chips', 'a &quot;b&quot;'));
	const gone = after(resolved, write(setAttribute(p, 'title', undefined)));
	assert.equal(gone, text.replace(' title="Fish &amp; chips"', ''));
	const more = after(resolved, write(setAttribute(element(resolved, 'a'), 'class', 'go')));
	assert.equal(more, text.replace('<a href="/">', '<a href="/" class="go">'));
	const bare = after(resolved, write(setAttribute(element(resolved, 'ul'), 'hidden', '')));
	assert.equal(bare, text.replace('<ul>', '<ul hidden>'));
	const decorative = after(resolved, write(setAttribute(element(resolved, 'img'), 'alt', '')));
	assert.equal(decorative, text.replace('alt="A bed"', 'alt=""'));
	const without = after(resolved, write(takeAway(element(resolved, 'img'))));
	assert.equal(without, text.replace('    <img src="/a.png" alt="A bed">\n', ''), 'with its line');
	const link = element(resolved, 'a');
	assert.equal(after(resolved, write(takeAway(link))), text.replace(link.written, ''));
	const part = after(resolved, write(putBehind(element(resolved, 'img'), '<hr>')));
	assert.equal(part, text.replace('alt="A bed">', 'alt="A bed">\n    <hr>'));
});

test('a list, a condition and what a part is given are chosen anew in their tags', () => {
	const resolved = site();
	const list = block(resolved, 'for');
	assert.equal(list.hasElse, true);
	assert.ok(list.tag.kind === 'for');
	const renamed = propose(resolved, write(setTag(list, forText('bed', 'data.other'))));
	assert.ok(renamed.kind === 'refused');
	assert.match(renamed.sentence, /data\.other/);
	const use = block(resolved, 'use');
	assert.ok(use.tag.kind === 'use');
	const given = givenOf(use.tag, use.written);
	assert.deepEqual(given, [
		{ name: 'title', kind: 'text', said: 'All "beds"' },
		{ name: 'tone', kind: 'text', said: 'ripe' }
	]);
	assert.equal(useText('card', given), '{use card title="All \\"beds\\"" tone="ripe"}');
	const next = given.map((one) =>
		one.name === 'title' ? { ...one, kind: 'path' as const, said: 'site.name' } : one
	);
	const changed = after(resolved, write(setTag(use, useText('card', next))));
	assert.match(changed, /\{use card title=site\.name tone="ripe"\}/);
	assert.match(bodyOf(sound(changed, files), '/'), /<h2>Marrow<\/h2>/);
});

test('a condition is taken away and what is in it stays, a list for its first member', () => {
	const conditional = text.replace(
		'<img src="/a.png" alt="A bed">',
		'{if data.beds}\n      <hr>\n      <p>x</p>\n    {else}\n      <p>y</p>\n    {end}'
	);
	const resolved = sound(conditional, files);
	const test = block(resolved, 'if');
	assert.ok(test.tag.kind === 'if');
	assert.equal(ifText(testsOf(test.tag)), '{if data.beds}');
	const opened = {
		kind: 'open-block',
		of: 'list',
		place: test.span,
		before: test.written
	} as const;
	const proposal = propose(resolved, opened);
	assert.ok(proposal.kind === 'edit');
	assert.deepEqual(proposal.consequences, ['What shows otherwise would go.']);
	const expected = text.replace('<img src="/a.png" alt="A bed">', '<hr>\n    <p>x</p>');
	assert.equal(after(resolved, opened), expected);

	const list = block(site(), 'for');
	const first = after(site(), {
		kind: 'open-block',
		of: 'list',
		place: list.span,
		before: list.written
	});
	assert.match(
		first,
		/<ul>\n {6}<li class="\{if data\.beds\.0\.name is "Beans"\}first\{end\}">\{data\.beds\.0\.name\} of \{data\.beds\.0\.sown as date\}<\/li>\n {4}<\/ul>/
	);
	assert.match(
		bodyOf(sound(first, files), '/'),
		/<li class="first">Beans of May 1, 2026<\/li>\s*<\/ul>/
	);
});

test('what was changed meanwhile is not written over', () => {
	const resolved = site();
	const stale = { ...takeAway(element(resolved, 'img')), before: '<img>' };
	const proposal = propose(resolved, write(stale));
	assert.ok(proposal.kind === 'refused');
	assert.match(proposal.sentence, /has changed there meanwhile/);
});

function pageAt(resolved: CheckedSite, name: string): WrittenPage {
	const declared = pagesOf(resolved.site).find((one) => layerName(one) === name);
	const [instance] = declared ? resolved.instances(declared) : [];
	assert.ok(instance);
	return new WrittenPage(instance, resolved, 2026);
}

test('an element of a page leads to where it is written, in a piece and in a part', () => {
	const resolved = site();
	const page = pageAt(resolved, '/');
	const second = page.elements.findLastIndex(({ name }) => name === 'li');
	const inList = outlineView(page, { kind: 'element', element: second });
	assert.deepEqual(inList.of, { kind: 'piece', name: 'list' });
	const node = inList.nodes[inList.at ?? -1];
	assert.equal(node?.label, '<li>');
	assert.equal(node.shown.length, 2, 'once for each of the list');
	const heading = page.elements.findIndex(({ name }) => name === 'h2');
	const inPart = outlineView(page, { kind: 'element', element: heading });
	assert.deepEqual(inPart.of, { kind: 'part', name: 'card' });
	assert.equal(inPart.nodes[inPart.at ?? -1]?.label, '<h2>');
	const asked = { kind: 'piece', layer: '/', piece: 'list' } as const;
	const scope = scopeAt(page, asked, node.node.span.from);
	assert.ok(scope.values.some(({ path, says }) => path === 'bed.name' && says === 'Beans'));
	assert.ok(scope.lists.some(({ path, count }) => path === 'data.beds' && count === 2));
});

test('text that is read and written again says the same', () => {
	const piece = fc.stringMatching(/^[a-z<>&"'{ ;#\u00a0é]{0,12}$/);
	fc.assert(
		fc.property(fc.array(piece), (pieces) => {
			const said = pieces.join('').replaceAll('{', '').trim();
			assert.equal(decodeText(encodeWords(said)), said);
		}),
		runs(300, 31)
	);
});

test('every element of the demo leads to the outline of its markup, and each said again is the same', async () => {
	const demo = checkSite(readSiteFiles(await readSitePath('demo')));
	let found = 0;
	for (const declared of pagesOf(demo.site)) {
		const page = pageAt(demo, layerName(declared));
		for (const [index, one] of page.elements.entries()) {
			const owner = page.ownerOf(one)?.piece;
			if (owner?.kind !== 'markup' || !page.tree.origins.has(one)) continue;
			const view = outlineView(page, { kind: 'element', element: index });
			const node = view.nodes[view.at ?? -1]?.node;
			assert.ok(node?.kind === 'element', `${layerName(declared)}: ${one.name}`);
			assert.equal(node.name, one.name);
			found++;
			for (const { name, text: said, written } of node.attributes) {
				const { before, after: same } = setAttribute(node, name, said);
				assert.ok(same === before || written.includes('='), `${name} of ${node.written}`);
				if (!written.includes('&')) assert.equal(same, before);
			}
		}
	}
	assert.ok(found > 300, `${found} elements`);
});
