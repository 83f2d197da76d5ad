import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { answer } from '../../src/core/answer/answer.ts';
import type { SiteAnswer, SiteRequest } from '../../src/core/answer/exchange.ts';
import { decodeUtf8, encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { httpDate, httpDateMs, isoMs, utcTime } from '../../src/core/lib/utc.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { resolve } from '../lib/site.ts';

/** What a site answers, with a clock of the test's own: held against HTTP (RFC 9110, RFC 9111). */

const text = (urls = 'folders'): string => `
site "T" { roles { visitor; member; keeper }; urls ${urls} }
data hours from "https://hours.example/now" { fresh 60s; failed shown }
data list from "list.json"
layout frame at / {
  region menu as nav { piece links nav from / depth 1; piece tools for keeper """<p>tools</p>""" }
  region main as main { slot }
  style """p { background: url(images/a.svg) }"""
}
layout desk at /desk { admit member keeper; region main as div { slot } }
route / { title "Home"; piece b """<p><a href="/visit?x=1">v</a> {year}</p>""" }
route /visit { title "Visit"; piece b """<p>{data.hours.today}</p>""" }
route /desk { title "Desk"; piece b """<p>desk</p>""" }
route /desk/loans { title "Loans"; under none; admit keeper; piece b """<p>loans</p>""" }
route /kinds/:slug { each data.list by slug; piece b """<p>{item.slug}</p>""" }
route /any/:name { piece b """<p>{route.name}</p>""" }
state not-found at / { piece b """<p>nothing here</p>""" }
state not-found at /kinds { piece b """<p>no such kind</p>""" }
state denied at /desk { piece b """<p>keep out</p>""" }
state failed at / { piece b """<p>broken</p>""" }
`;
const files = {
	'list.json': '[{"slug": "kale"}, {"slug": "a b"}]',
	'copies/hours.json': '{"today": "closed"}',
	'images/a.svg': '<svg xmlns="http://www.w3.org/2000/svg"/>'
};
const noon = isoMs('2031-06-01T12:00:00Z') ?? 0;
const site = resolve(text(), files);
assert.deepEqual(site.problems.filter(({ severity }) => severity === 'error'), []); // prettier-ignore

function ask(
	target: string,
	more: Partial<SiteRequest> = {},
	resolved: CheckedSite = site,
	failed: readonly string[] = []
): SiteAnswer & { text: string } {
	const request = { method: 'GET', target, role: undefined, time: noon, headers: {}, ...more };
	const given = {
		resolved,
		base: '/',
		changed: noon - 5000,
		failed: new Set(failed),
		headLines: []
	};
	const answered = answer(given, request);
	return { ...answered, text: answered.body ? decodeUtf8(answered.body) : '' };
}

test('each page has one address, and what means the same leads there', () => {
	assert.equal(ask('/').status, 200);
	assert.equal(ask('/visit/').status, 200);
	for (const other of ['/visit', '//visit', '/visit//', '/visit/index.html', '/%76isit']) {
		const { status, headers } = ask(other);
		assert.deepEqual([status, headers['location']], [301, '/visit/'], other);
	}
	assert.equal(ask('/visit?a=1').headers['location'], '/visit/?a=1');
	assert.equal(ask('//evil.example/index.html').status, 404);
	const asFiles = resolve(text('files'), files);
	assert.equal(ask('/visit.html', {}, asFiles).status, 200);
	assert.equal(ask('/visit', {}, asFiles).headers['location'], '/visit.html');
});

test('lists, parameters and what is not there: the nearest missing page', () => {
	assert.match(ask('/kinds/kale/').text, /kale/);
	assert.match(ask('/kinds/a%20b/').text, /a b/);
	assert.match(ask('/any/%3Cb%3E/').text, /&lt;b&gt;/);
	const missing = ask('/kinds/nothing/');
	assert.equal(missing.status, 404);
	assert.match(missing.text, /no such kind/);
	assert.match(ask('/nowhere').text, /nothing here/);
	assert.equal(ask('/list.json').status, 404, 'data that only feeds pages is not handed out');
});

test('who is not let in gets the nearest state denied, and no link there', () => {
	const closed = ask('/desk/');
	assert.equal(closed.status, 403);
	assert.match(closed.text, /keep out/);
	assert.match(closed.headers['cache-control'] ?? '', /no-store/);
	assert.equal(ask('/desk/', { role: 'member' }).status, 200);
	assert.equal(ask('/desk/loans/', { role: 'member' }).status, 403, 'an inner one narrows');
	assert.equal(ask('/desk/loans/', { role: 'keeper' }).status, 200);
	assert.equal(ask('/desk/loans/', { role: 'nobody' }).status, 403, 'who is unknown is a visitor');
	assert.doesNotMatch(ask('/').text, /\/desk\/|tools/);
	assert.match(ask('/', { role: 'keeper' }).text, /href="\/desk\/"[^]*tools/);
	assert.match(ask('/').headers['cache-control'] ?? '', /private/);
	assert.equal(ask('/').headers['vary'], 'cookie');
});

test('what whoever asks has already is not sent again', () => {
	const first = ask('/');
	const tag = first.headers['etag'] ?? '';
	assert.equal(ask('/', { headers: { 'if-none-match': `"x", W/${tag}` } }).status, 304);
	assert.equal(ask('/', { headers: { 'if-none-match': '"x"' } }).status, 200);
	assert.equal(ask('/', { headers: { 'if-modified-since': httpDate(noon) } }).status, 304);
	assert.equal(ask('/', { headers: { 'if-modified-since': httpDate(noon - 9000) } }).status, 200);
	const both = { 'if-none-match': '"x"', 'if-modified-since': httpDate(noon) };
	assert.equal(ask('/', { headers: both }).status, 200, 'the tag counts before the date');
	const keeper = ask('/', { role: 'keeper', headers: { 'if-none-match': tag } });
	assert.equal(keeper.status, 200, 'another visitor gets another page');
	const head = ask('/', { method: 'HEAD' });
	assert.deepEqual([head.status, head.body, head.headers['etag']], [200, undefined, tag]);
	assert.equal(ask('/', { method: 'POST' }).headers['allow'], 'GET, HEAD');
});

test('parts of a file: right, or not at all', () => {
	const whole = files['images/a.svg'];
	const of = (range: string, more = {}) => ask('/images/a.svg', { headers: { range, ...more } });
	assert.equal(of('bytes=0-3').text, whole.slice(0, 4));
	assert.equal(of('bytes=0-3').headers['content-range'], `bytes 0-3/${whole.length}`);
	assert.equal(of('bytes=-5').text, whole.slice(-5));
	assert.equal(of('bytes=5-').text, whole.slice(5));
	assert.equal(of('bytes=900-').status, 416);
	assert.equal(of('bytes=900-').headers['content-range'], `bytes */${whole.length}`);
	for (const odd of ['bytes=3-1', 'bytes=0-1,3-4', 'lines=1-2', 'bytes=-']) {
		assert.deepEqual([of(odd).status, of(odd).text], [200, whole], odd);
	}
	assert.equal(of('bytes=0-3', { 'if-range': '"other"' }).status, 200);
	assert.equal(ask('/', { headers: { range: 'bytes=0-3' } }).status, 200);
	assert.equal(ask('/images/a.svg').headers['content-type'], 'image/svg+xml; charset=utf-8');
});

test('pages are as fresh as their data, and say so when it cannot be had', () => {
	assert.match(ask('/visit/').headers['cache-control'] ?? '', /max-age=60/);
	assert.match(ask('/').headers['cache-control'] ?? '', /no-cache/);
	const failing = ask('/visit/', {}, site, ['hours']);
	assert.equal(failing.status, 503);
	assert.match(failing.text, /broken/);
	assert.ok(Number(failing.headers['retry-after']) > 0);
	assert.equal(ask('/', {}, site, ['hours']).status, 200);
});

test('the year, links and sheets of an answer are right wherever the site stands', () => {
	assert.match(ask('/').text, /2031/);
	const given = {
		resolved: site,
		base: '/sub/',
		changed: noon,
		failed: new Set<string>(),
		headLines: []
	};
	const request = { method: 'GET', role: undefined, time: noon, headers: {} };
	const body = (target: string): string =>
		decodeUtf8(answer(given, { ...request, target }).body ?? encodeUtf8(''));
	assert.match(body('/'), /href="\/sub\/visit\/\?x=1"/);
	const sheets = [...body('/').matchAll(/href="\/sub(\/styles\/[^"]+)"/g)].map(
		([, path = '']) => path
	);
	assert.ok(sheets.length > 1);
	for (const path of sheets)
		assert.equal(ask(path).headers['content-type'], 'text/css; charset=utf-8');
	assert.match(body('/styles/layouts/frame.css'), /url\(["']?\/sub\/images\/a\.svg/);
});

test('whatever is asked for, something is answered', () => {
	const target = fc.string({
		unit: fc.constantFrom('/', '.', '%', '2', 'e', 'd', 'k', '?', '#', '\\', ':', 'é', '\0')
	});
	fc.assert(
		fc.property(target, fc.constantFrom('GET', 'HEAD', 'PUT'), (path, method) => {
			const { status, headers } = ask(`/${path}`, { method });
			assert.ok([200, 301, 403, 404, 405].includes(status));
			assert.ok(!headers['location']?.startsWith('//'), 'never to another host');
		}),
		{ numRuns: 500 }
	);
});

test('dates are those of UTC, and go there and back', () => {
	assert.equal(httpDate(784_111_777_000), 'Sun, 06 Nov 1994 08:49:37 GMT');
	assert.equal(isoMs('2026-02-30'), undefined);
	assert.equal(isoMs('2024-02-29T01:00:00+02:00'), Date.UTC(2024, 1, 28, 23));
	fc.assert(
		fc.property(fc.integer({ min: -62_000_000_000, max: 250_000_000_000 }), (second) => {
			const ms = second * 1000;
			assert.equal(httpDateMs(httpDate(ms)), ms);
			const date = new Date(ms);
			const { year, month, day, weekday } = utcTime(ms);
			assert.deepEqual(
				[year, month, day, weekday],
				[date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate(), date.getUTCDay()]
			);
		})
	);
});

test('an answer is the same whether the site was read at once or after edits', () => {
	const texts = new Map([['site.eave', text()]]);
	const assets = new Map(Object.entries(files).map(([path, one]) => [path, encodeUtf8(one)]));
	const before = readSiteFiles({ texts, assets });
	const changed = text().replace('>desk<', '>the desk<');
	const after = checkSite(
		readSiteFiles({ texts: new Map([['site.eave', changed]]), assets }, before)
	);
	const fresh = resolve(changed, files);
	for (const target of ['/', '/desk/', '/visit/', '/styles/site.css']) {
		assert.equal(
			ask(target, { role: 'keeper' }, after).text,
			ask(target, { role: 'keeper' }, fresh).text
		);
	}
});

test('in a branch that is closed, no one else learns what is there and what is not', () => {
	for (const path of ['/desk/nothing', '/desk/nothing/at/all/', '/desk/nothing.html']) {
		assert.equal(ask(path).status, 403, path);
		assert.match(ask(path).text, /keep out/);
		assert.equal(ask(path, { role: 'keeper' }).status, 404, path);
	}
	assert.equal(ask('/kinds%2fkale/').status, 404, 'an escaped slash parts no segments');
	assert.match(ask('/kinds%2fkale/').text, /nothing here/);
});

test('of two missing pages as deep, the more specific one stands there', () => {
	const odd = resolve(
		text().replace(
			'state not-found at /kinds',
			'state not-found at /:x { piece b """<p>any branch</p>""" }\nstate not-found at /kinds'
		),
		files
	);
	assert.match(ask('/kinds/none', {}, odd).text, /no such kind/);
	assert.match(ask('/else/none', {}, odd).text, /any branch/);
});
