import assert from 'node:assert/strict';
import { test } from 'node:test';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import type { HolderRef, LayerRef, PieceRef } from '../../src/core/model/command.ts';
import type { Answers } from '../../src/workers/desk/answers.ts';
import { Desk } from '../../src/workers/desk/desk.ts';

/** What the worker says of the open site, asked as the views ask; and nothing of what is not there any more. */

const text = `site "Seeds" { lang en; roles { visitor; keeper }; bands { narrow 0; wide 900 }; tokens { --gap: 8px; --ink: #222; --ink @night: #eee } }
data list from "list.json"
layout shell at / {
  title "{page.title} · Seeds"
  region head as header { height 60px; piece name """<b>Seeds</b>"""; piece hours """<p>Open at {data.list.0.open}</p>""" }
  region main as main { slot }
  style """header { color: var(--ink) }"""
}
layout desk at /desk { region body as div { slot } }
part card(title, tone = plain | ripe) """<article class="{tone}"><h2>{title}</h2></article>"""
route / { title "Home"; piece one """<article><p>Kale</p><p>Red</p></article>"""; piece two """<article><p>Bean</p><p>Broad</p></article>""" }
route /kinds/:slug { each data.list by slug; title "{item.name}"; piece body """<h1>{item.name}</h1>{use card title=item.name}""" }
route /old { title "Now"; moved "/older"; piece a """<p>x</p>""" }
route /desk { title "Desk"; admit keeper; piece work """<h1>Desk</h1>""" }
state not-found at / { title "Gone"; piece a """<h1>Gone</h1>""" }
state denied at /desk { title "No"; piece a """<h1>No</h1>""" }
`;
const list = '[{"slug":"kale","name":"Kale","open":"9"},{"slug":"bean","name":"Bean","open":"10"}]';

function opened(source = text): Answers {
	const desk = new Desk(2026);
	const assets = new Map([['list.json', encodeUtf8(list)]]);
	const { site } = desk.open({ texts: new Map([['site.eave', source]]), assets }, undefined, 0);
	if (source === text) assert.deepEqual(site.problems, []);
	return desk.answers;
}

const layer = (kind: LayerRef['kind'], name: string): LayerRef => ({ kind, name });
const held = (of: LayerRef, region?: string): HolderRef => ({
	layer: of,
	region: region === undefined ? undefined : { layout: of.name, region }
});
const home = layer('route', '/');
const piece = (name: string, holder = held(home)): PieceRef => ({ holder, piece: name });

test('an address is served by its page, by where it moved to, or by the nearest state for what is missing', () => {
	const answers = opened();
	const at = (address: string): unknown => answers.pageAt(address);
	assert.deepEqual(at('/kinds/kale'), { page: '/kinds/:slug', address: '/kinds/kale', missing: false }); // prettier-ignore
	assert.deepEqual(at('/older'), { page: '/old', address: '/old', missing: false });
	for (const address of ['/nope', '/kinds/kale/more', '/desk/nope']) {
		assert.deepEqual(at(address), { page: 'not-found at /', address: undefined, missing: true });
	}
});

test('from one page to another, what both have stays and the rest goes or comes', () => {
	const answers = opened();
	const there = answers.between('/', '/desk');
	assert.deepEqual([there?.stays, there?.goes, there?.comes], [['shell'], [], ['desk']]);
	const back = answers.between('/desk', '/');
	assert.deepEqual([back?.stays, back?.goes, back?.comes], [['shell'], ['desk'], []]);
	const same = answers.between('/', '/');
	assert.deepEqual([same?.goes, same?.comes], [[], []]);
	assert.equal(answers.between('/', '/gone'), undefined);
});

test('what a page could sit under says which it does now', () => {
	const choices = opened().underChoices(layer('route', '/desk'));
	assert.deepEqual(
		choices.map(({ under, now }) => [under, now]),
		[
			['shell', false],
			['desk', true],
			['none', false]
		]
	);
});

test('pieces are told with their markup, and the others that are alike but for their words', () => {
	const answers = opened();
	const pieces = answers.piecesIn(held(layer('layout', 'shell'), 'head'));
	assert.deepEqual(
		pieces.map(({ name, markup }) => [name, markup]),
		[
			['name', '<b>Seeds</b>'],
			['hours', '<p>Open at {data.list.0.open}</p>']
		]
	);
	assert.deepEqual(answers.alikePieces(piece('one')), [piece('two')]);
	assert.deepEqual(answers.alikePieces(piece('name', held(layer('layout', 'shell'), 'head'))), []);
});

test('the values of data that a piece shows are told as they are now', () => {
	const answers = opened();
	assert.deepEqual(answers.valuesIn('shell', 'hours'), [{ path: 'list.*.open', says: '9' }]);
	assert.deepEqual(answers.valuesIn('shell', 'name'), []);
});

test('what could become a part is told with where the same stands, and what data can fill', () => {
	const answers = opened();
	const [article] = answers.partStarts(piece('one'));
	assert.equal(article?.element, 'article');
	assert.deepEqual(
		article.others.map(({ owner, piece: name }) => [owner, name]),
		[['/', 'two']]
	);
	assert.deepEqual(
		article.parameters.map(({ value }) => value),
		['Kale', 'Red']
	);
	const [first] = answers.fillable(piece('one'));
	assert.deepEqual(first?.words, ['Kale', 'Red']);
	assert.deepEqual(
		first.lists.map(({ path, count }) => [path, count]),
		[['data.list', 2]]
	);
});

test('a layer, a box, several of each, and the site say what they are', () => {
	const answers = opened();
	const old = answers.layerView(layer('route', '/old'));
	assert.deepEqual([old?.title, old?.moved, old?.roles], ['Now', ['/older'], ['visitor', 'keeper']]); // prettier-ignore
	const head = answers.boxView({ layout: 'shell', box: 'head' }, 1000);
	assert.deepEqual([head?.name, head?.bands, head?.band], ['head', ['narrow', 'wide'], 1]);
	assert.ok(head);
	assert.deepEqual(head.members, ['name', 'hours']);
	assert.equal(answers.boxView({ layout: 'shell', box: 'head' }, 500)?.band, 0);
	const both = answers.manyView([{ layout: 'shell', box: 'head' }, { layout: 'shell', box: 'main' }], 1000); // prettier-ignore
	assert.deepEqual(both?.names, ['head', 'main']);
	const layers = answers.manyLayers([home, layer('route', '/old')]);
	assert.deepEqual(layers?.admits.map(({ role, by }) => [role, by]), [['visitor', 'none'], ['keeper', 'none']]); // prettier-ignore
	const site = answers.siteWords();
	assert.deepEqual([site?.parts.name, site?.parts.lang], ['Seeds', 'en']);
	assert.ok(site);
	assert.deepEqual(site.roles, [
		{ name: 'visitor', admittedBy: [] },
		{ name: 'keeper', admittedBy: ['/desk'] }
	]);
	for (const ref of [undefined, layer('layout', 'shell'), home]) {
		assert.deepEqual(answers.documentView(ref)?.files, []);
	}
});

test('tokens, files, data and parts are told with where they are used', () => {
	const answers = opened();
	const material = answers.material();
	assert.deepEqual(
		material?.tokens.map(({ name, values, uses }) => [name, values, uses.map(({ owner }) => owner)]), // prettier-ignore
		[
			['--gap', ['8px', undefined, undefined], []],
			['--ink', ['#222', undefined, '#eee'], ['shell']]
		]
	);
	assert.deepEqual(
		material.files.map(({ path, size }) => [path, size]),
		[['list.json', list.length]]
	);
	const [data] = answers.data();
	assert.deepEqual([data?.name, data?.file, data?.text], ['list', 'list.json', list]);
	const [card] = answers.parts(new Map());
	assert.deepEqual(card?.variants.map(({ label }) => label), ['tone plain', 'tone ripe']); // prettier-ignore
	// It is drawn as on the page that has it.
	assert.match(card.variants[0]?.html ?? '', /<h2[^>]*>Kale<\/h2>/);
});

test('who may open what is told by role, with what says so, and as comma-separated values', () => {
	const answers = opened();
	const table = answers.access();
	assert.deepEqual(table?.roles, ['visitor', 'keeper']);
	const cells = table.rows.map(({ route, cells: of }) => [route, of.map(({ status }) => status)]);
	assert.deepEqual(cells, [
		['/', [200, 200]],
		['/kinds/:slug', [200, 200]],
		['/old', [200, 200]],
		['/desk', [403, 200]]
	]);
	const lines = answers.accessCsv().split('\r\n');
	assert.equal(lines[0], 'route,pages,visitor,visitor by,keeper,keeper by');
	assert.match(lines[4] ?? '', /^\/desk,1,403,admit keeper \(site\.eave:14:\d+\),200,/);
});

test('everything that has a name can be found by it', () => {
	const found = opened().findable();
	for (const [kind, name] of [
		['page', '/kinds/:slug'],
		['page', 'denied at /desk'],
		['layout', 'shell'],
		['region', 'head'],
		['piece', 'hours'],
		['part', 'card'],
		['data', 'list'],
		['token', '--ink']
	] as const) {
		assert.ok(
			found.some((one) => one.kind === kind && one.name === name),
			`${kind} ${name}: ${[...new Set(found.map((one) => one.kind))].join(' ')}`
		);
	}
	assert.ok(found.some(({ name, says }) => name === '/old' && says.includes('/older')));
});

test('of what is not there any more nothing is said, rather than that it fails', () => {
	const answers = opened();
	const gone = layer('route', '/gone');
	assert.equal(answers.layerView(gone), undefined);
	assert.equal(answers.documentView(gone), undefined);
	assert.equal(answers.manyLayers([home, gone]), undefined);
	assert.equal(answers.boxView({ layout: 'shell', box: 'gone' }, 1000), undefined);
	assert.equal(answers.manyView([{ layout: 'gone', box: 'head' }], 1000), undefined);
	assert.deepEqual(answers.alikePieces(piece('gone')), []);
	assert.deepEqual(answers.partStarts(piece('gone')), []);
	assert.deepEqual(answers.fillable(piece('gone')), []);
});

test('of a site that was never open nothing is said at all', () => {
	const { answers } = new Desk(2026);
	assert.equal(answers.pageAt('/'), undefined);
	assert.equal(answers.between('/', '/'), undefined);
	for (const asked of [answers.siteWords(), answers.material(), answers.access()]) {
		assert.equal(asked, undefined);
	}
	assert.deepEqual([answers.data(), answers.findable(), answers.parts(new Map())], [[], [], []]);
	assert.deepEqual([answers.underChoices(home), answers.valuesIn('a', 'b')], [[], []]);
	assert.equal(answers.accessCsv(), '');
});

test('while the text has an error, what is drawn is told as it was last without', () => {
	const desk = new Desk(2026);
	const files = { texts: new Map([['site.eave', text]]), assets: new Map([['list.json', encodeUtf8(list)]]) }; // prettier-ignore
	desk.open(files, undefined, 0);
	const at = text.indexOf('title "Now"');
	desk.change([{ kind: 'edit', file: 'site.eave', from: at, to: at, insert: 'nonsense; ' }], undefined, 0); // prettier-ignore
	assert.equal(desk.answers.layerView(layer('route', '/old'))?.title, 'Now');
	assert.equal(desk.answers.access()?.rows.length, 4);
});
