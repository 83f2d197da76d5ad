import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { answer } from '../../src/core/answer/answer.ts';
import { checkSite } from '../../src/core/check/site.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { handOver, plainHandOver } from '../../src/core/emit/hand-over.ts';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import type { Command } from '../../src/core/model/command.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { findingsOf } from '../lib/findings.ts';

/** Addresses at which pages were once: where they lead, in each form of delivery, and what is said where they cannot. */

const frame = 'layout frame at / { region main as main { slot } }';
const page = (pattern: string, more = '', markup = '<h1>Seed</h1>'): string =>
	`route ${pattern} { title "Seed"; ${more} piece p """${markup}""" }`;

function siteOf(words: string, ...pages: readonly string[]): CheckedSite {
	const text = [`site "Beds" { ${words} }`, frame, ...pages].join('\n');
	return checkSite(readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() }));
}

function asked(resolved: CheckedSite, target: string, role?: string): string {
	const site = { resolved, base: '/', changed: 0, failed: new Set<string>(), headLines: [] };
	const { status, headers } = answer(site, { method: 'GET', target, role, time: 0, headers: {} });
	return [status, headers['location']].filter((one) => one !== undefined).join(' ');
}

function delivered(resolved: CheckedSite): Map<string, string> {
	return new Map(
		[...handOver(resolved, 2026, plainHandOver)].map(({ path, content }) => [
			path,
			typeof content === 'string' ? content : decodeUtf8(content)
		])
	);
}

const codesOf = (resolved: CheckedSite): string[] =>
	findingsOf(resolved)
		.findings.map(({ problem }) => problem.code)
		.filter((code) => /moved/.test(code));

test('each spelling of an old address leads to the page by 308, with what was asked of it', () => {
	const site = siteOf(
		'',
		page('/'),
		page('/visit', 'moved "/find-us" "/old/visit.html" "/büro/Karte/";')
	);
	assert.deepEqual(site.problems, []);
	for (const old of ['/find-us', '/find-us/', '/find-us.html', '/old/visit', '/old/visit.html']) {
		assert.equal(asked(site, old), '308 /visit/', old);
	}
	assert.equal(asked(site, '/b%C3%BCro/Karte'), '308 /visit/');
	assert.equal(asked(site, '/find-us?from=bus'), '308 /visit/?from=bus');
	assert.equal(asked(site, '/find-us/more'), '404');
	assert.equal(asked(site, '/visit/'), '200');
});

test('values go along, and where there is no page for them it is missing', () => {
	const known = siteOf(
		'',
		page('/'),
		page('/kinds/:kind', 'samples "kale"; moved "/sorts/:kind";')
	);
	assert.equal(asked(known, '/sorts/kale'), '308 /kinds/kale/');
	assert.equal(asked(known, '/sorts/bean'), '404');
	const any = siteOf('urls files', page('/'), page('/kinds/*', 'moved "/sorts/*";'));
	assert.equal(asked(any, '/sorts/a/b%20c'), '308 /kinds/a/b%20c.html');
});

test('who may not open a page is not told where it is now', () => {
	const site = siteOf(
		'roles { visitor; keeper }',
		page('/'),
		page('/desk', 'admit keeper; moved "/counter";')
	);
	assert.equal(asked(site, '/counter', 'visitor'), '403');
	assert.equal(asked(site, '/counter', 'keeper'), '308 /desk/');
	assert.equal(delivered(site).has('counter/index.html'), false);
});

test('a delivery of files has a page at each old address that leads on, and links lead to the page itself', () => {
	const site = siteOf(
		'address "https://seeds.example/lib/"',
		page('/', '', '<h1>Seed</h1><a href="/find-us?x=1#hours">Find us</a>'),
		page('/visit', 'moved "/find-us" "/old/visit.html";'),
		page('/kinds/:kind', 'samples "kale", "bean"; moved "/sorts/:kind";')
	);
	const files = delivered(site);
	assert.match(files.get('index.html') ?? '', /<a href="visit\/\?x=1#hours">/);
	const old = files.get('old/visit.html') ?? '';
	assert.match(old, /<meta http-equiv="refresh" content="0; url=\.\.\/visit\/">/);
	assert.match(old, /<link rel="canonical" href="https:\/\/seeds\.example\/lib\/visit\/">/);
	assert.match(files.get('find-us/index.html') ?? '', /<a href="\.\.\/visit\/">Seed<\/a>/);
	assert.match(files.get('sorts/kale/index.html') ?? '', /url=\.\.\/\.\.\/kinds\/kale\//);
	assert.match(files.get('sorts/bean/index.html') ?? '', /url=\.\.\/\.\.\/kinds\/bean\//);
});

test('a page that was a file by its name leads on from there, where its file is another now', () => {
	const folders = siteOf('', page('/'), page('/visit', 'moved "/visit.html";'));
	assert.deepEqual(codesOf(folders), []);
	assert.match(delivered(folders).get('visit.html') ?? '', /url=visit\/index\.html/);
	const files = siteOf('urls files', page('/'), page('/visit', 'moved "/visit.html";'));
	assert.deepEqual(codesOf(files), ['moved-shadowed']);
	assert.doesNotMatch(delivered(files).get('visit.html') ?? '', /refresh/);
});

test('what cannot lead on is said, with what to do', () => {
	const visit = page('/visit', 'moved "/find-us";');
	assert.deepEqual(codesOf(siteOf('', page('/'), visit, page('/find-us'))), ['moved-shadowed']);
	assert.deepEqual(codesOf(siteOf('', page('/'), visit, page('/:any'))), ['moved-shadowed']);
	assert.deepEqual(codesOf(siteOf('', page('/'), visit, page('/find-us', 'moved "/visit";'))), [
		'moved-circle'
	]);
	assert.deepEqual(codesOf(siteOf('', page('/'), page('/visit', 'moved "/visit/";'))), [
		'moved-shadowed'
	]);
	assert.deepEqual(codesOf(siteOf('', page('/'), visit, page('/map', 'moved "/find-us";'))), [
		'moved-twice'
	]);
	assert.deepEqual(codesOf(siteOf('', page('/'), page('/a/:b', 'moved "/c/:b";'))), ['moved-open']);
	for (const [wrong, says] of [
		['moved "/sorts";', /needs the parameters of \/kinds\/:kind/],
		['moved "/sorts/:sort";', /needs the parameters of \/kinds\/:kind/],
		['moved "sorts/:kind";', /it does not start with \//],
		['moved "/a?b=:kind";', /has characters that a segment cannot have/],
		['moved;', /What moved/],
		['moved "/a/:kind" "/a/:kind";', /listed twice/]
	] as const) {
		const { problems } = siteOf('', page('/'), page('/kinds/:kind', wrong));
		assert.match(problems.map(sentenceOf).join(' '), says, wrong);
	}
});

test('a route that is moved leaves its address behind where that is wanted, and takes old ones along', () => {
	const make = (text: string, command: Command): string => makeOn(text, command).text;
	const text = ['site "Beds" {}', frame, page('/'), page('/shop'), page('/shop/:pen')].join('\n');
	const once = make(text, {
		kind: 'move-route',
		pattern: '/shop',
		to: '/store',
		leaveBehind: true
	});
	assert.match(once, /route \/store \{ moved "\/shop"; /);
	assert.match(once, /route \/store\/:pen \{ moved "\/shop\/:pen"; /);
	const renamed = make(once, { kind: 'move-route', pattern: '/store/:pen', to: '/store/:ink' });
	assert.match(renamed, /route \/store\/:ink \{ moved "\/shop\/:ink"; /);
	const back = make(once, {
		kind: 'move-route',
		pattern: '/store',
		to: '/shop',
		leaveBehind: true
	});
	assert.match(back, /route \/shop \{ moved "\/store"; /);
	const gone = make(once, { kind: 'set-moved', pattern: '/store', addresses: [] });
	assert.match(gone, /route \/store \{ title/);
	const other = makeOn(once, { kind: 'move-route', pattern: '/store/:pen', to: '/pens' });
	assert.match(other.said, /Nothing would redirect from \/shop\/:pen/);
	assert.match(
		refusal(once, { kind: 'set-moved', pattern: '/store', addresses: ['/:x'] }),
		/the parameters of \/store/
	);
});

test('from whatever address of once, a visitor ends at a page in one step', () => {
	const word = fc.constantFrom('a', 'b', 'c', 'd');
	const path = fc.array(word, { minLength: 1, maxLength: 2 }).map((words) => `/${words.join('/')}`);
	const pages = fc.uniqueArray(
		fc.record({ at: path, moved: fc.uniqueArray(path, { maxLength: 3 }) }),
		{ selector: ({ at }) => at, minLength: 1, maxLength: 5 }
	);
	fc.assert(
		fc.property(pages, (all) => {
			const site = siteOf(
				'',
				...all.map(({ at, moved }) =>
					page(at, moved.length > 0 ? `moved ${moved.map((one) => `"${one}"`).join(' ')};` : '')
				)
			);
			assert.deepEqual(
				site.problems.filter(({ severity }) => severity === 'error'),
				[]
			);
			for (const old of all.flatMap(({ moved }) => moved)) {
				const said = asked(site, `${old}/`);
				const target = /^308 (.*)$/.exec(said)?.[1];
				assert.equal(target === undefined ? said : asked(site, target), '200', `${old}: ${said}`);
			}
		}),
		{ numRuns: 60 }
	);
});
