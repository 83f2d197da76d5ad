import assert from 'node:assert/strict';
import { test } from 'node:test';
import { z } from 'zod';
import { completeTag } from '../../src/core/view-models/markup/complete-tag.ts';
import { dataViews } from '../../src/core/view-models/material/data-view.ts';
import { partViews } from '../../src/core/view-models/material/part-view.ts';
import { valueUses } from '../../src/core/resolve/content/value-uses.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { partStarts } from '../../src/core/edit/content/make-part.ts';
import { bestStart } from '../../src/core/edit/content/part-start.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { Command } from '../../src/core/model/command.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { around, pageNamed, resolve, sound } from '../lib/site.ts';

/** Parts and shared data by hand: made of pieces, renamed through all uses, edited value by value. */

const withParts = around(`
part card(title, tone = plain | ripe) {
  style """.ripe { color: green }"""
} """
  <article class="{tone}"><h3>{title}</h3>{if tone is "ripe"}<b>ripe</b>{end}{if title and tone is not "ripe"}<i>{title}</i>{end}{content}</article>
"""
part shelf(list) """<div>{for x in list}{use card title=x.name tone="ripe"}<p>{x.name}</p>{end}{end}</div>"""
route /x { title "{site.name}"; piece a """{use card title="The {site.name}" tone="ripe"}<i>in</i>{end}""" }`);

test('a part, what it is given and what that can be are renamed through all uses', () => {
	const renamed = makeOn(withParts, { kind: 'rename-part', name: 'card', to: 'packet' });
	assert.equal(renamed.text.match(/\bcard\b/g), null);
	const given = makeOn(withParts, {
		kind: 'rename-parameter',
		part: 'card',
		name: 'title',
		to: 'head'
	});
	assert.match(given.text, /part card\(head, tone/);
	assert.match(given.text, /<h3>\{head\}<\/h3>/);
	assert.match(given.text, /if head and tone is not "ripe"\}<i>\{head\}/);
	assert.match(given.text, /use card head=x\.name/);
	assert.match(given.text, /use card head="The \{site\.name\}"/);
	assert.match(given.text, /title "\{site\.name\}"/, 'another title is not this one');
	const value = makeOn(withParts, { kind: 'rename-variant', part: 'card', parameter: 'tone', value: 'ripe', to: 'ready' }); // prettier-ignore
	assert.match(value.text, /plain \| ready/);
	assert.match(value.text, /if tone is "ready"/);
	assert.match(value.text, /title and tone is not "ready"/);
	assert.equal(value.text.match(/tone="ready"/g)?.length, 2);
	assert.match(value.said, /still names \.ripe/);
	assert.match(refusal(withParts, { kind: 'remove-part', name: 'card' }), /used in 2 places/);
});

test('each variant of a part is drawn with what a page gives it', () => {
	const views = partViews(sound(withParts), { get: () => undefined }, 2026);
	const card = views.find(({ name }) => name === 'card');
	assert.deepEqual(
		card?.variants.map(({ label }) => label),
		['tone plain', 'tone ripe']
	);
	assert.match(card?.variants[0]?.html ?? '', /class="plain part-card"><h3>The Test<\/h3>/);
	assert.match(card?.variants[1]?.html ?? '', /<b>ripe<\/b>/);
	assert.ok(card?.wraps && card.uses.length === 2);
});

test('a part is drawn in what stands around it on a page that has it, which can be another one', () => {
	const site = around(`
part tag(word) """<b class="tag">{word}</b>"""
part hidden() """<i>never</i>"""
layout inner at /in { region box as section { slot }; style """.tag { color: green }""" }
route /in { title "In"; piece a """<ul class="list"><li>{use tag word="One"}</li></ul>""" }
route /in/two { title "Two"; piece b """<em>{use tag word="Two"}</em>""" }
route /never { title "Never"; piece c """{if page.description is "nowhere"}{use hidden}{end}""" }
`);
	const drawn = (on: ReadonlyMap<string, string>): (typeof views)[number] => {
		const view = partViews(sound(site), new Map(), 2026, on).find(({ name }) => name === 'tag');
		assert.ok(view);
		return view;
	};
	const views = partViews(sound(site), new Map(), 2026);
	const [first] = views;
	assert.deepEqual(first?.pages, ['/in', '/in/two']);
	assert.equal(first.on, '/in');
	const html = first.variants[0]?.html ?? '';
	assert.match(
		html,
		/<section[^>]*><ul class="list[^>]*><li[^>]*><b class="tag[^>]*>One<\/b>\s*<\/li><\/ul>/
	);
	assert.match(html, /green/, 'the sheets of the page are in it');
	assert.doesNotMatch(html, /[\ue000-\uf8ff]/);
	const other = drawn(new Map([['tag', '/in/two']]));
	assert.equal(other.on, '/in/two');
	assert.match(other.variants[0]?.html ?? '', /<em[^>]*><b class="tag/);
	const away = drawn(new Map([['tag', '/gone']]));
	assert.equal(away.on, '/in', 'a page that has it no more gives way to one that has');
	assert.equal(views.find(({ name }) => name === 'hidden')?.on, undefined);
});

const repeated = around(`
route /x {
  piece a """
    <ul>
      <li><a href="/x/one">One</a> <b>1</b></li>
      <li><a href="/x/two?a=1&amp;b">Two "2" &amp; &lt;more&gt;</a> <b>2</b></li>
    </ul>
  """
  piece b """
    <ol><li><a href="/x/three">Three</a> <b>1</b></li></ol>
  """
}`);

test('an element becomes a part, with what differs as parameters, and all pages stay as they were', () => {
	const before = sound(repeated);
	const piece = {
		holder: { layer: { kind: 'route', name: '/x' } as const, region: undefined },
		piece: 'a'
	};
	const starts = partStarts(before, piece);
	const start = starts.findIndex(({ element, others }) => element === 'li' && others.length === 2);
	assert.ok(start >= 0, JSON.stringify(starts));
	assert.deepEqual(
		starts[start]?.parameters.map(({ name }) => name),
		['href', 'label', 'text']
	);
	const { text, said, resolved } = makeOnFiles(before, { kind: 'make-part', piece, start, name: 'entry', others: [0, 1] }); // prettier-ignore
	assert.match(said, /2 other places/);
	assert.equal(text('site.eave').match(/\{use entry /g)?.length, 3);
	assert.match(
		text('parts.eave'),
		/part entry\(href, label, text\) """\n {2}<li><a href="\{href\}">\{label\}<\/a> <b>\{text\}<\/b><\/li>/
	);
	assert.equal(pageOf(resolved), pageOf(before), 'what comes out is the same');
	const some = makeOnFiles(before, { kind: 'make-part', piece, start, name: 'entry', others: [1] });
	assert.equal(
		some.text('site.eave').match(/\{use entry /g)?.length,
		2,
		'the other place was left out'
	);
	assert.equal(pageOf(some.resolved), pageOf(before));
});

function pageOf(site: CheckedSite): string {
	const page = deliver(site, 2026).find(({ path }) => path === 'x/index.html');
	// A quotation mark in text may be written as it is, or as a reference.
	return String(page?.content).replace(/\s+/g, ' ').replaceAll('&quot;2&quot;', '"2"');
}

/** Makes an edit that may touch several files; sees that undoing gives them all back. */
function makeOnFiles(before: CheckedSite, command: Command) {
	const proposal = propose(before, command);
	assert.ok(proposal.kind === 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	const { texts, assets, inverse } = applyChanges(before.reading.files, proposal.changes);
	const back = applyChanges({ texts, assets }, inverse);
	assert.deepEqual([...back.texts], [...before.reading.files.texts]);
	const all = (files: ReadonlyMap<string, Uint8Array>) =>
		[...files].map(([path, one]) => [path, decodeUtf8(one)]).sort();
	assert.deepEqual(all(back.assets), all(before.reading.files.assets));
	const resolved = checkSite(readSiteFiles({ texts, assets }));
	assert.ok(isSound(resolved), JSON.stringify(resolved.problems));
	const said = proposal.consequences.join(' ');
	return {
		resolved,
		said,
		text: (path: string) => texts.get(path) ?? '',
		json: (path: string): unknown => JSON.parse(decodeUtf8(assets.get(path) ?? new Uint8Array()))
	};
}

const list =
	'[\n\t{"slug": "kale", "name": "Kale", "idle": 1},\n\t{"slug": "bean", "name": "Bean", "idle": 2}\n]\n';
const withData = around(`
data list from "list.json"
part line(v) """<b>{v.name}</b>"""
route /all { piece a """{for x in data.list}{use line v=x}{end}""" }
route /x/:slug { each data.list by slug; piece a """<p>{item.name}</p>""" }`);
const given = { 'list.json': list };

test('text over several lines is given in one, but not that of a pre; paragraphs alone are no telling likeness', () => {
	const site = (markup: string): CheckedSite =>
		sound(
			`site "Beds" { lang en; bands { narrow 0 } }\nlayout frame at / { region main as main { slot } }\nroute / { title "Home"; piece a """${markup}""" }\n`
		);
	const piece = { holder: { layer: { kind: 'route', name: '/' } as const, region: undefined }, piece: 'a' }; // prettier-ignore
	const made = (markup: string): ReturnType<typeof propose> => {
		const before = site(markup);
		const starts = partStarts(before, piece);
		const start = starts.findIndex(({ element }) => element !== undefined && element !== 'h1');
		assert.equal(starts[start]?.isTelling, false);
		return propose(before, { kind: 'make-part', piece, start, name: 'entry', others: [0] });
	};
	const proposal = made('<h1>x</h1><p>one\n  and more</p><p>two</p>\n');
	assert.ok(proposal.kind === 'edit', JSON.stringify(proposal));
	assert.ok(
		proposal.changes.some((one) => one.kind === 'edit' && one.insert.includes('one and more'))
	);
	const refused = made('<h1>x</h1><pre>one\n  and more</pre><pre>two</pre>\n');
	assert.match(refused.kind === 'refused' ? refused.sentence : '', /several lines of a pre/);
});

test('of a list that data fills, what each member has is the most likely part', () => {
	const before = sound(
		`site "Beds" { lang en; bands { narrow 0 } }\ndata list from "list.json"\nlayout frame at / { region main as main { slot } }\nroute / { title "Home"; piece a """<h1>x</h1>{for one in data.list}<p>{one}</p>{end}""" }\n`,
		{ 'list.json': '["Kale"]' }
	);
	const piece = { holder: { layer: { kind: 'route', name: '/' } as const, region: undefined }, piece: 'a' }; // prettier-ignore
	const starts = partStarts(before, piece);
	assert.equal(starts[bestStart(starts)]?.element, 'p');
});

test('each value says which pages and pieces use it, through lists, parts and pages for each', () => {
	const site = sound(withData, given);
	const uses = valueUses(site.site).map(({ path, owner, piece }) =>
		`${path} ${owner} ${piece ?? ''}`.trim()
	);
	assert.deepEqual([...new Set(uses)].sort(), [
		'list /all a', 'list /x/:slug', 'list.* /all a', 'list.*.name /all a',
		'list.*.name /x/:slug a', 'list.*.slug /x/:slug'
	]); // prettier-ignore
	const [view] = dataViews(site);
	const idle = view?.rows.filter((row) => row.idle).map(({ path }) => path.join('.'));
	assert.deepEqual(idle, ['0.idle', '1.idle'], 'and which nothing uses');
	assert.deepEqual(view?.tables.map(({ columns, pages }) => [columns, pages]), [[['slug', 'name', 'idle'], ['/x/:slug']]]); // prettier-ignore
});

test('values, members and names are edited in place; a new member is a new page', () => {
	const site = sound(withData, given);
	const set = makeOnFiles(site, {
		kind: 'set-value',
		name: 'list',
		path: [1, 'name'],
		value: 'Broad bean'
	});
	assert.match(pageText(set.resolved, 'x/bean/index.html'), /Broad bean/);
	const more = makeOnFiles(site, { kind: 'add-member', name: 'list', path: [] });
	assert.deepEqual(more.json('list.json'), [...z.array(z.unknown()).parse(JSON.parse(list)), { slug: 'new', name: 'new', idle: 0 }]); // prettier-ignore
	assert.equal(more.resolved.instances(pageNamed(more.resolved, '/x/:slug')).length, 3);
	const renamed = makeOnFiles(site, { kind: 'rename-data', name: 'list', to: 'kinds' });
	assert.equal(renamed.text('site.eave').match(/data\.list/g), null);
	assert.match(renamed.text('site.eave'), /data kinds from "list\.json"/);
	const kept = makeOnFiles(site, { kind: 'keep-shape', name: 'list' });
	assert.match(kept.text('site.eave'), /shape "data\/list\.schema\.json"/);
	const wrong = propose(kept.resolved, {
		kind: 'set-value',
		name: 'list',
		path: [0, 'name'],
		value: 5
	});
	assert.ok(
		wrong.kind === 'refused' && /does not keep to data\/list\.schema\.json/.test(wrong.sentence)
	);
	const broken = propose(site, { kind: 'set-json', name: 'list', text: '[1,' });
	assert.ok(
		broken.kind === 'refused' && /line 1, column 4/.test(broken.sentence),
		JSON.stringify(broken)
	);
	const used = propose(site, { kind: 'remove-data', name: 'list' });
	assert.ok(used.kind === 'refused' && /used in 2 places/.test(used.sentence));
});

function pageText(site: CheckedSite, path: string): string {
	return String(deliver(site, 2026).find((file) => file.path === path)?.content);
}

test('in a tag, the names that are in scope are offered, each with a value that it has', () => {
	const site = sound(withData, given);
	const offered = (before: string, name = '/all') =>
		completeTag(before, pageNamed(site, name), site, 2026)?.options.map(
			({ word, says }) => `${word}: ${says}`
		) ?? [];
	assert.ok(offered('<p>{').includes('data.list: a list of 2'));
	assert.ok(offered('{for v in data.list}<b>{v.').includes('name: Kale'));
	assert.ok(
		!offered('{for v in data.list}{end}<b>{').some((one) => one.startsWith('v:')),
		'only inside'
	);
	assert.ok(offered('{it', '/x/:slug').some((one) => one.startsWith('item: slug, name')));
	assert.ok(offered('{use ').includes('line: a part of the site'));
	assert.deepEqual(offered('{use line '), ['v: must be given']);
	assert.deepEqual(offered('<p>no tag'), []);
});

test('data from elsewhere that has given nothing yet is said, and pages still draw', () => {
	const site = resolve(
		around(
			'data far from "https://far.example/x" { fresh always; failed shown }\nroute /x { piece a """<p>{data.far.a.b}{for v in data.far.list}x{end}</p>""" }'
		)
	);
	assert.deepEqual(
		site.problems.map(({ code, severity }) => `${severity} ${code}`),
		['warning data-no-copy']
	);
	assert.match(pageText(site, 'x/index.html'), /<p><\/p>/);
});

test('a part that begins with an element without an end closes nothing around it', () => {
	const site = resolve(
		around(
			'part rule """<hr><b>r</b>"""\nroute /x { piece a """<div>{use rule}</div><section>s</section>""" }'
		)
	);
	const written = deliver(site, 2026).find(({ path }) => path === 'x/index.html');
	assert.match(String(written?.content), /<div><hr><b>r<\/b><\/div><section>s<\/section>/);
});

test('what a part wraps is not its own, also where it stands in another of the same part', () => {
	const box = 'part box { style """p { color: red }""" } """<div>{content}</div>"""';
	const inside = '{use box}{use box}<p>in</p>{end}<p>between</p>{end}';
	const site = resolve(around(`${box}\nroute /x { piece a """${inside}""" }`));
	const files = new Map(deliver(site, 2026).map(({ path, content }) => [path, String(content)]));
	assert.match(
		files.get('x/index.html') ?? '',
		/<div class="part-box"><div class="part-box-in-1 part-box-content"><p class="part-box-in-1-content">in<\/p><\/div><p class="part-box-content">between<\/p><\/div>/
	);
	assert.match(
		files.get('styles/parts.css') ?? '',
		/p:where\(:is\(\.part-box, \.part-box \*\):not\(\.part-box-content, \.part-box-content \*\), :is\(\.part-box-in-1, /
	);
});

test('a part gets a style, a variant and another one by fields, and its uses stay as they are', () => {
	const site = sound(`site "T" { lang en; bands { narrow 0 } }
part card(title) """
  <p class="{title}">{title}</p>
"""
layout top at / { region main as main { slot } }
route / { title "Home"; piece body """{use card title="a"}""" }`);
	const styled = makeOnFiles(site, {
		kind: 'set-part-style',
		name: 'card',
		css: ':scope { margin: 0 }\n:scope.ripe { color: green }'
	});
	assert.match(
		styled.text('site.eave'),
		/part card\(title\) \{\n {2}style """\n {4}:scope \{ margin: 0 \}\n {4}:scope\.ripe \{ color: green \}\n {2}"""\n\} """\n/
	);
	const given = makeOnFiles(styled.resolved, {
		kind: 'add-parameter',
		part: 'card',
		name: 'tone',
		values: ['plain', 'very ripe']
	});
	assert.match(given.text('site.eave'), /part card\(title, tone = plain \| "very ripe"\) \{/);
	const more = makeOnFiles(given.resolved, {
		kind: 'add-variant',
		part: 'card',
		parameter: 'tone',
		value: 'dry'
	});
	assert.match(more.text('site.eave'), /tone = plain \| "very ripe" \| dry\)/);
	const [view] = partViews(more.resolved, new Map(), 2026);
	assert.deepEqual(view?.variants.map(({ label }) => label), ['tone plain', 'tone very ripe', 'tone dry']); // prettier-ignore
	assert.equal(view.style, ':scope { margin: 0 }\n:scope.ripe { color: green }');
	const again = makeOnFiles(more.resolved, {
		kind: 'set-part-style',
		name: 'card',
		css: view.style
	});
	assert.equal(again.text('site.eave'), more.text('site.eave'), 'the same changes nothing');
	const bare = makeOnFiles(more.resolved, { kind: 'set-part-style', name: 'card', css: '' });
	assert.doesNotMatch(bare.text('site.eave'), /style/);
	assert.throws(() => makeOnFiles(more.resolved, { kind: 'add-variant', part: 'card', parameter: 'tone', value: 'dry' }), /dry already/); // prettier-ignore
});
