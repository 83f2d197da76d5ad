import assert from 'node:assert/strict';
import { test } from 'node:test';
import { answer } from '../../src/core/answer/answer.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { deliver, deliveredPlaces } from '../../src/core/emit/delivery.ts';
import { searchFiles } from '../../src/core/emit/search-files.ts';
import { decodeUtf8, encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';

/** The files by which search engines find pages: all that are open, none that is closed. */

const frame = 'layout frame at / { region main as main { slot } }';
const page = (pattern: string, more = ''): string =>
	`route ${pattern} { title "Seed"; ${more} piece p """<h1>Seed</h1>""" }`;

function siteOf(words: string, pages: readonly string[], own: readonly string[] = []): CheckedSite {
	return checkSite(
		readSiteFiles({
			texts: new Map([['site.eave', [`site "Beds" { ${words} }`, frame, ...pages].join('\n')]]),
			assets: new Map(own.map((path) => [path, encodeUtf8('own')]))
		})
	);
}

const pages = [
	page('/'),
	page('/a%26b'),
	page('/kinds/:kind', 'samples "kale", "bean";'),
	page('/find/*'),
	page('/desk', 'admit keeper; moved "/counter";'),
	'state not-found at / { title "Not found"; piece p """<p>No.</p>""" }'
];
const roles = 'roles { visitor; keeper }';

test('a site with an address names all pages that everyone may open, and no other', () => {
	const site = siteOf(`address "https://seeds.example/"; ${roles}`, pages);
	const [map, robots, ...rest] = searchFiles(site);
	assert.deepEqual(rest, []);
	const urls = [...(map?.content ?? '').matchAll(/<loc>([^<]*)<\/loc>/g)].map(([, url]) => url);
	assert.deepEqual(urls, [
		'https://seeds.example/',
		'https://seeds.example/a%26b/',
		'https://seeds.example/kinds/kale/',
		'https://seeds.example/kinds/bean/'
	]);
	assert.equal(
		robots?.content,
		'User-agent: *\nAllow: /\n\nSitemap: https://seeds.example/sitemap.xml\n'
	);
	const delivered = new Map(deliver(site, 2026).map(({ path, content }) => [path, content]));
	assert.equal(delivered.get('sitemap.xml'), map?.content);
	assert.ok(deliveredPlaces(site, 2026).some(({ path }) => path === 'robots.txt'));
	const asked = answer(
		{ resolved: site, base: '/', changed: 0, failed: new Set(), headLines: [] },
		{ method: 'GET', target: '/sitemap.xml', role: undefined, time: 0, headers: {} }
	);
	assert.equal(asked.status, 200);
	assert.equal(decodeUtf8(asked.body ?? new Uint8Array()), map?.content);
});

test('without an address there is none, on a part of a host no robots.txt, and a file of the site comes first', () => {
	const names = (words: string, own: readonly string[] = []): string[] =>
		searchFiles(siteOf(words, pages, own)).map(({ path }) => path);
	assert.deepEqual(names(roles), []);
	assert.deepEqual(names(`address "https://seeds.example/lib/"; ${roles}`), ['sitemap.xml']);
	assert.deepEqual(names(`address "https://seeds.example/"; ${roles}`, ['robots.txt']), [
		'sitemap.xml'
	]);
});

test('more pages than one sitemap takes are in several, which an index names', () => {
	const kinds = Array.from({ length: 7 }, (_, index) => `"k${index}"`).join(', ');
	const site = siteOf('address "https://seeds.example/lib/"', [
		page('/'),
		page('/:kind', `samples ${kinds};`)
	]);
	const files = searchFiles(site, 3);
	assert.deepEqual(
		files.map(({ path, content }) => [path, content.match(/<loc>/g)?.length]),
		[
			['sitemap.xml', 3],
			['sitemap-1.xml', 3],
			['sitemap-2.xml', 3],
			['sitemap-3.xml', 2]
		]
	);
	assert.match(
		files[0]?.content ?? '',
		/<loc>https:\/\/seeds\.example\/lib\/sitemap-2\.xml<\/loc>/
	);
});
