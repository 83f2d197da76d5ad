import assert from 'node:assert/strict';
import { test } from 'node:test';
import { searchFiles } from '../../src/core/emit/search-files.ts';
import { makeOn, refusal } from '../lib/edits.ts';

/** Routes of a sitemap or a list of addresses: each that is not there yet, once; what cannot be taken is said. */

const text = `site "Beds" { lang en; address "https://seeds.example/lib/" }
layout frame at / { region main as main { slot } }
route / { title "Beds"; piece p """<h1>Beds</h1>""" }
route /kinds/:kind { moved "/sorts/:kind"; title "Kind"; piece p """<h1>Kind</h1>""" }
`;
const take = (
	list: string
): { added: string[]; said: string; after: ReturnType<typeof makeOn> } => {
	const after = makeOn(text, { kind: 'add-routes', text: list });
	const added = after.resolved.routes.map(({ pattern }) => pattern.text);
	return {
		added: added.filter((one) => one !== '/' && one !== '/kinds/:kind'),
		said: after.said,
		after
	};
};
const refused = (list: string): string => refusal(text, { kind: 'add-routes', text: list });

test('a sitemap becomes routes, without those that there are, and without what is no page', () => {
	const { added, said, after } = take(`<?xml version="1.0" encoding="UTF-8"?>
<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:image="urn:pictures">
  <url><loc>https://seeds.example/lib/</loc><lastmod>2026-01-01</lastmod></url>
  <url><loc> https://seeds.example/lib/find-us/?a=1&amp;b=2 </loc>
    <image:image><image:loc>https://seeds.example/lib/pod.png</image:loc></image:image></url>
  <url><loc>https://seeds.example/lib/a%26b/c&amp;d</loc></url>
  <url><loc><![CDATA[https://seeds.example/lib/old_page.html]]></loc></url>
  <url><loc>https://seeds.example/lib/find-us</loc></url>
  <url><loc>https://seeds.example/lib/kinds/kale/</loc></url>
  <url><loc>https://seeds.example/lib/sorts/kale/</loc></url>
</urlset>`);
	assert.deepEqual(added, ['/find-us', '/a%26b/c%26d', '/old_page.html']);
	assert.equal(said, '3 routes would be written; 3 addresses are there already.');
	assert.match(after.text, /route \/old_page\.html \{\n {2}title "Old page"/);
	assert.match(after.text, /<h1>Find us<\/h1>/);
});

test('a list has an address a line; what a site says of its own pages comes back as routes', () => {
	assert.deepEqual(
		take('/a\n\n  https://seeds.example/lib/b/   2026-01-01\n# no address\n/a/\n/index.html').added,
		['/a', '/b']
	);
	const whole = take('/a\n/b/c\n/d%C3%BC').after.resolved;
	const [map] = searchFiles(whole);
	const again = refusal(take('/a\n/b/c\n/d%C3%BC').after.text, {
		kind: 'add-routes',
		text: map?.content ?? ''
	});
	assert.match(again, /a page at each of these addresses already/);
});

test('what cannot be taken is a sentence, and nothing is written', () => {
	assert.match(
		refused('<sitemapindex><sitemap><loc>https://x.example/1.xml</loc></sitemap></sitemapindex>'),
		/index of 1 sitemap, which are not asked for/
	);
	assert.match(refused('<urlset></urlset>'), /no address in the list/);
	assert.match(
		refused('https://a.example/x\nhttps://b.example/y'),
		/several hosts: https:\/\/a\.example and https:\/\/b\.example/
	);
	assert.match(refused('/a//b'), /\/a\/\/b cannot be a route: it has an empty segment/);
	assert.match(refused('find-us'), /does not start with \//);
	assert.match(
		refused(Array.from({ length: 2001 }, (_, at) => `/p${at}`).join('\n')),
		/2001 addresses in the list .* 2000 is the most/
	);
	const millions = `<urlset>${'<url><loc>/a</loc></url>'.repeat(2_200_000)}</urlset>`;
	assert.match(refused(millions), /more than 50 MB/);
});
