import assert from 'node:assert/strict';
import { test } from 'node:test';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { findPiece, findRegion } from '../../src/core/edit/find.ts';
import { CommandRefused } from '../../src/core/edit/proposal.ts';
import { layerName, layersOf, pagesOf } from '../../src/core/model/site.ts';
import { piecesIn } from '../../src/core/resolve/content/pieces.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { findable, type Findable } from '../../src/core/view-models/words/findable.ts';
import { layerView, siteWordsView } from '../../src/core/view-models/chosen/layer-view.ts';
import { sound } from '../lib/site.ts';

/** What panels and the field that finds things are given to show, as plain data. */

const text = `site "Seed" {
  lang en
  address "https://seed.example/"
  urls files
  roles { visitor; member; keeper }
  bands { narrow 0; medium 640; wide 1024 }
  tokens { --gap: 8px; --gap @wide: 16px; --ink: #111 }
}
data kinds from "data/kinds.json"
part card(title) """<article>{title}</article>"""
layout frame at / {
  title "{page.title} \\"at\\" {site.name}"
  skip "To the seed"
  arrange stack
  wrapper row {
    arrange row @wide
    region menu as nav { pad 4px; pad 8px @wide; piece links nav from / depth 1 }
    wrapper inner { region main as main { slot } }
  }
  region foot as footer { piece small """<p>Lent</p>""" }
}
layout board at /desk { admit member keeper; region tools as div { piece tool """<p>Tool</p>""" }; region body as div { slot } }
layout asked at / on-request { measure by space; region only as div { slot } }
route / { title "Home"; description "Seed that is lent."; piece words """<p>Words</p>"""; fill foot after { piece more """<p>More</p>""" } }
route /kinds/:kind { title "A kind"; each data.kinds by slug; under asked; piece one """<p>{item.slug}</p>""" }
route /old/:year { title "Old"; samples "1990", "2000"; under none; piece list """<p>Old</p>""" }
route /desk { title "Desk"; admit keeper; piece work """{use card title="Work"}""" }
state not-found at / { title "None"; piece none """<p>None</p>""" }
`;
const site = sound(text, { 'data/kinds.json': '[{ "slug": "bean" }]', 'pod.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>' }); // prettier-ignore

function namesOf(kind: Findable['kind']): string[] {
	return findable(site).flatMap((one) => (one.kind === kind ? [one.name] : []));
}

test('what can be found: each thing of a site by its name, once, with what it is', () => {
	assert.deepEqual(namesOf('page'), ['/', '/kinds/:kind', '/old/:year', '/desk', 'not-found at /']);
	assert.deepEqual(namesOf('layout'), ['frame', 'board', 'asked']);
	assert.deepEqual(namesOf('region'), ['row', 'menu', 'inner', 'main', 'foot', 'tools', 'body', 'only']); // prettier-ignore
	assert.deepEqual(namesOf('piece'), ['links', 'small', 'tool', 'words', 'more', 'one', 'list', 'work', 'none']); // prettier-ignore
	assert.deepEqual(namesOf('data'), ['kinds']);
	assert.deepEqual(namesOf('part'), ['card']);
	assert.deepEqual(namesOf('token'), ['--gap', '--ink'], 'a token with two values is one');
	assert.deepEqual(namesOf('file'), ['data/kinds.json', 'pod.svg']);
	const says = new Map(findable(site).map((one) => [`${one.kind} ${one.name}`, one.says]));
	assert.equal(says.get('page /'), 'Home');
	assert.equal(says.get('layout board'), 'layout at /desk');
	assert.equal(says.get('region inner'), 'wrapper of frame');
	assert.equal(says.get('piece more'), 'piece in foot of /');
	assert.equal(says.get('piece small'), 'piece in foot of frame');
	assert.equal(says.get('data kinds'), 'data from data/kinds.json');
});

test('a piece is found with a page on which it can be seen, and where it is held', () => {
	const pieces = findable(site).flatMap((one) => (one.kind === 'piece' ? [one] : []));
	const page = (name: string): string | undefined => pieces.find((one) => one.name === name)?.page;
	assert.equal(page('links'), '/');
	assert.equal(page('tool'), '/desk', 'one that the board covers');
	assert.equal(page('none'), 'not-found at /');
	for (const { piece } of pieces) {
		assert.equal(findPiece(site, piece.holder, piece.piece).name.text, piece.piece);
	}
});

test('in the demo whatever is found is there, and nothing with a name is left out', async () => {
	const demo = checkSite(readSiteFiles(await readSitePath('demo')));
	const found = findable(demo);
	for (const one of found) {
		if (one.kind === 'region') {
			const layout = demo.site.layouts.find(({ name }) => name.text === one.region.layout);
			assert.ok(layout);
			const isRegion = layout.regions.some(({ name }) => name.text === one.name);
			if (isRegion) assert.equal(findRegion(demo, one.region).name.text, one.name);
		}
		if (one.kind === 'piece') findPiece(demo, one.piece.holder, one.piece.piece);
		assert.notEqual(one.says.trim(), '');
	}
	const pages = found.flatMap((one) => (one.kind === 'page' ? [one.name] : []));
	assert.deepEqual(pages, pagesOf(demo.site).map(layerName));
	// A layout on request that nobody asks for has no page to show its pieces on.
	const covered = layersOf(demo.site).filter(
		(layer) =>
			layer.kind !== 'layout' ||
			pagesOf(demo.site).some((page) => demo.structure.chainOf(page).includes(layer))
	);
	const pieces = covered.flatMap(piecesIn).map(({ name }) => name.text);
	const known = new Set(found.flatMap((one) => (one.kind === 'piece' ? [one.name] : [])));
	assert.deepEqual(pieces.filter((name) => !known.has(name)), []); // prettier-ignore
});

test('a layout says where it stands, what it has, and who asks for it', () => {
	const frame = layerView(site, { kind: 'layout', name: 'frame' });
	assert.equal(frame.title, '{page.title} "at" {site.name}');
	assert.equal(frame.description, undefined);
	assert.deepEqual(frame.layout, {
		at: '/',
		onRequest: false,
		framed: false,
		measure: 'screen',
		sheets: 'move',
		hasSheets: false,
		slot: 'main',
		skip: 'To the seed',
		regions: ['menu', 'main', 'foot'],
		wrappers: ['row', 'inner'],
		asked: []
	});
	const { layout } = layerView(site, { kind: 'layout', name: 'asked' });
	assert.ok(layout);
	assert.deepEqual([layout.onRequest, layout.measure, layout.asked], [true, 'space', ['/kinds/:kind']]); // prettier-ignore
	assert.deepEqual(layerView(site, { kind: 'layout', name: 'board' }).admits, ['member', 'keeper']);
});

test('a route says which pages it has, what it sits under, and whom it lets in', () => {
	const route = (name: string) => layerView(site, { kind: 'route', name });
	assert.deepEqual(route('/').pages, { kind: 'one' });
	assert.deepEqual(route('/kinds/:kind').pages, { kind: 'each', data: 'data.kinds', field: 'slug' }); // prettier-ignore
	assert.deepEqual(route('/old/:year').pages, { kind: 'samples', values: ['1990', '2000'] });
	assert.deepEqual(
		['/', '/kinds/:kind', '/old/:year'].map((name) => [route(name).under, route(name).isPattern]),
		[
			[undefined, false],
			['asked', true],
			['none', true]
		]
	);
	assert.equal(route('/').description, 'Seed that is lent.');
	assert.deepEqual(route('/desk').admits, ['keeper']);
	assert.deepEqual(route('/desk').roles, ['visitor', 'member', 'keeper']);
	assert.equal(route('/desk').layout, undefined);
	const state = layerView(site, { kind: 'state', name: 'not-found at /' });
	assert.deepEqual([state.title, state.pages, state.admits], ['None', undefined, []]);
	assert.equal(state.place?.file, 'site.eave');
	assert.throws(() => route('/gone'), CommandRefused);
});

test('a site says its own words, how much is said for each band, and who admits each role', () => {
	const words = siteWordsView(site);
	assert.deepEqual(words.parts, { name: 'Seed', lang: 'en', dir: 'ltr', address: 'https://seed.example/', urls: 'files' }); // prettier-ignore
	assert.deepEqual(
		words.bands.map(({ name, from }) => [name, from]),
		[['narrow', 0], ['medium', 640], ['wide', 1024]] // prettier-ignore
	);
	const [narrow, medium, wide] = words.bands.map(({ said }) => said);
	assert.equal(medium, 0);
	assert.equal(wide, 3, 'a token, a padding and an arrangement');
	assert.equal(typeof narrow, 'number');
	assert.deepEqual(words.roles, [
		{ name: 'visitor', admittedBy: [] },
		{ name: 'member', admittedBy: ['board'] },
		{ name: 'keeper', admittedBy: ['board', '/desk'] }
	]);
	assert.deepEqual(
		words.patterns.map(({ layout, title }) => [layout, title]),
		[['frame', '{page.title} "at" {site.name}'], ['board', undefined], ['asked', undefined]] // prettier-ignore
	);
});
