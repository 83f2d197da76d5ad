import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { HolderRef, NavSaid } from '../../src/core/model/command.ts';
import { piecesIn } from '../../src/core/resolve/content/pieces.ts';
import { navLinks, type NavLink } from '../../src/core/resolve/content/nav.ts';
import { layersOf, layerName } from '../../src/core/model/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { makeOn } from '../lib/edits.ts';
import { codes, resolve, sound } from '../lib/site.ts';

/** Lists of links that are made from the routes. */
const site = (list: string): string => `site "Seed library" { lang en; roles { visitor; keeper } }
layout commons at / {
  region menu as nav { piece links ${list} }
  region main as main { slot }
}
route / { title "Home"; piece t """<h1>Home</h1>""" }
route /guides { title "Guides"; piece t """<h1>Guides</h1>""" }
route /guides/sowing { title "Sowing"; piece t """<h1>Sowing</h1>""" }
route /desk { title "Desk"; admit keeper; piece t """<h1>Desk</h1>""" }
`;

function words(links: readonly NavLink[]): string {
	return links
		.map(({ route, links: inner }) => `${route.pattern.text}${inner.length > 0 ? ` (${words(inner)})` : ''}`)
		.join(' '); // prettier-ignore
}

function linksOf(of: CheckedSite, role?: string): string {
	const layer = layersOf(of.site).find((one) => layerName(one) === 'commons');
	const [piece] = layer ? [...piecesIn(layer)] : [];
	assert.ok(piece?.kind === 'nav');
	return words(navLinks(piece, { site: of.site, structure: of.structure, role }));
}

test('the page that a list is made from is the first of its links where the list says so', () => {
	assert.equal(linksOf(sound(site('nav from / depth 1'))), '/guides /desk');
	assert.equal(linksOf(sound(site('nav from / depth 1 with-start'))), '/ /guides /desk');
	assert.equal(linksOf(sound(site('nav from / depth 2 with-start'))), '/ /guides (/guides/sowing) /desk');
	assert.equal(linksOf(sound(site('nav from /guides with-start for keeper'))), '/guides /guides/sowing');
	assert.equal(linksOf(sound(site('nav from /desk depth 1 with-start')), 'visitor'), '', 'it keeps visitors out');
	assert.equal(linksOf(sound(site('nav from /desk depth 1 with-start')), 'keeper'), '/desk');
}); // prettier-ignore

test('a list that begins with a page that is not there is told', () => {
	const told = (list: string): boolean =>
		codes(resolve(site(list))).some((one) => one.includes('nav-no-start'));
	assert.ok(told('nav from /none depth 1 with-start'));
	assert.ok(!told('nav from /guides depth 1 with-start'));
	assert.ok(!told('nav from /none depth 1'));
});

test('by hand a list begins with its page, or not, and keeps for whom it is', () => {
	const holder: HolderRef = {
		layer: { kind: 'layout', name: 'commons' },
		region: { layout: 'commons', region: 'menu' }
	};
	const set = (list: string, said: NavSaid): string =>
		makeOn(site(list), { kind: 'set-nav', holder, name: 'links', said }).text;
	const before = site('nav from / depth 1 for keeper { pad 4px }');
	const start = { from: '/', depth: 1, withStart: true };
	const after = set('nav from / depth 1 for keeper { pad 4px }', start);
	assert.match(after, /nav from \/ depth 1 with-start for keeper \{ pad 4px \}/);
	const back = makeOn(after, { kind: 'set-nav', holder, name: 'links', said: { ...start, withStart: false } }); // prettier-ignore
	assert.equal(back.text, before);
	assert.match(set('nav from / with-start', { ...start, from: '/guides', depth: 3 }), /nav from \/guides depth 3 with-start/); // prettier-ignore
});
