import assert from 'node:assert/strict';
import { test } from 'node:test';
import { generate, parse, walk, type CssNode } from 'css-tree';
import { HtmlValidate } from 'html-validate';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { outlineOf } from '../lib/outline.ts';
import { around, htmlOf, only, resolve, sound } from '../lib/site.ts';

/** What is handed over is what a careful developer would have written. */

const demo = checkSite(readSiteFiles(await readSitePath('demo')));
const files = deliver(demo, 2026);

function textOf(path: string): string {
	const content = files.find((file) => file.path === path)?.content;
	assert.equal(typeof content, 'string', path);
	return String(content);
}

test('no page of the demo breaks a recommended rule of HTML', async () => {
	const judge = new HtmlValidate({ extends: ['html-validate:recommended'] });
	const found: string[] = [];
	for (const { path, kind, content } of files) {
		if (kind !== 'page') continue;
		const { results } = await judge.validateString(String(content));
		for (const { messages } of results) {
			for (const { line, ruleId, message } of messages) {
				found.push(`${path}:${line} ${ruleId}: ${message}`);
			}
		}
	}
	assert.deepEqual(found, []);
});

test('pages have no inline style, no marks, and no attribute that is empty for nothing', () => {
	for (const { path, kind, content } of files) {
		if (kind !== 'page') continue;
		assert.doesNotMatch(String(content), / style=| data-| (?:checked|disabled|hidden)=""/, path);
	}
});

/** The rules of a sheet that no author wrote, each with its selectors and what it says. */
function frameRules(css: string): { selector: CssNode[]; text: string; says: string }[] {
	const rules: { selector: CssNode[]; text: string; says: string }[] = [];
	walk(parse(css), {
		visit: 'Rule',
		enter(node) {
			if (this.atrule?.name === 'keyframes' || node.prelude.type !== 'SelectorList') return;
			for (const one of node.prelude.children) {
				if (one.type !== 'Selector') continue;
				const parts = one.children.toArray().filter(({ type }) => type !== 'Combinator');
				rules.push({ selector: parts, text: generate(one), says: generate(node.block) });
			}
		}
	});
	return rules;
}

test('rules of the frame have two simple selectors at most, and none says what only other containers read', () => {
	const sheets = files.filter(({ path }) => path.startsWith('styles/layouts/'));
	assert.ok(sheets.length >= 7);
	for (const { path, content } of sheets) {
		const css = String(content);
		assert.doesNotMatch(css, /@scope/, `${path}: not every browser knows scopes`);
		// What an author wrote is held to its layer by a test that adds no weight.
		const rules = frameRules(css).filter(({ text }) => !text.includes(':where('));
		assert.ok(rules.length > 3, path);
		for (const { selector, text, says } of rules) {
			assert.ok(selector.length <= 2, `${path}: ${text}`);
			assert.ok(!selector.some(({ type }) => type === 'AttributeSelector'), `${path}: ${text}`);
			if (says.includes('display:grid')) assert.doesNotMatch(says, /flex-direction/);
		}
	}
	assert.equal((textOf('styles/site.css').match(/^ {2}:root \{/gm) ?? []).length, 1);
});

test('data that only feeds pages stays at home; what a page links to goes along', () => {
	const text =
		'data d from "d.json"; data e from "e.json"; route /x { piece p """{data.d.a}{data.e.a}<a href="/e.json">raw</a>""" }';
	const json = '{"a": "1"}';
	const resolved = sound(around(text), { 'd.json': json, 'e.json': json });
	const paths = deliver(resolved, 2026).map(({ path }) => path);
	assert.ok(!paths.includes('d.json'));
	assert.ok(paths.includes('e.json'));
});

test('addresses in styles and in sets of pictures lead to the site’s files from wherever they stand', () => {
	const resolved = sound(
		around(
			'route /deep/x { piece p """<img alt="" src="/i/a.svg" srcset="/i/a.svg 1x, i/b.svg 2x">"""; style """i { background: url("/i/a.svg") } b { background: url(https://x.test/c.png) }""" }'
		),
		{ 'i/a.svg': '<svg/>', 'i/b.svg': '<svg/>' }
	);
	const delivered = deliver(resolved, 2026);
	const contentOf = (path: string): string =>
		String(delivered.find((file) => file.path === path)?.content);
	assert.match(
		contentOf('deep/x/index.html'),
		/srcset="\.\.\/\.\.\/i\/a\.svg 1x, \.\.\/\.\.\/i\/b\.svg 2x"/
	);
	const css = contentOf('styles/pages/deep-x.css');
	assert.match(css, /url\('\.\.\/\.\.\/i\/a\.svg'\)/);
	assert.match(css, /url\(https:\/\/x\.test\/c\.png\)/);
});

test('a site says where it will be, and whether pages are folders or files', () => {
	const site = (more: string): ReturnType<typeof sound> =>
		sound(
			around(
				'route /a/b { piece p """<a href="/">home</a>""" }; state not-found at / { piece p """x""" }'
			).replace('lang en;', `lang en; ${more};`)
		);
	const pages = (more: string): Map<string, string> =>
		new Map(deliver(site(more), 2026).map(({ path, content }) => [path, String(content)]));
	const folders = pages('address "https://seeds.example/lib"');
	assert.match(
		folders.get('a/b/index.html') ?? '',
		/rel="canonical" href="https:\/\/seeds\.example\/lib\/a\/b\/"/
	);
	assert.match(
		folders.get('index.html') ?? '',
		/rel="canonical" href="https:\/\/seeds\.example\/lib\/"/
	);
	assert.match(folders.get('404.html') ?? '', /href="\/lib\/styles\/site\.css"/);
	const plain = pages('address "https://seeds.example/lib/"; urls files');
	assert.match(
		plain.get('a/b.html') ?? '',
		/rel="canonical" href="https:\/\/seeds\.example\/lib\/a\/b\.html"/
	);
	assert.match(plain.get('a/b.html') ?? '', /href="\.\.\/index\.html"/);
	assert.doesNotMatch(pages('urls files').get('a/b.html') ?? '', /canonical/);
	const wrong = around('').replace('lang en;', 'lang en; address "seeds.example";');
	assert.match(only(resolve(wrong).problems, 'site-address-invalid').sentence, /starts with https/);
});

test('accessible by default: a skip link, one main part, names of lists of links, a way out of a drawer', () => {
	const resolved = sound(`site "T" { bands { narrow 0; wide 900 } }
layout f at / {
  skip "Skip to the content"
  region head as header { piece a """x""" }
  region side-menu as nav { show drawer left 200px "Menu" close "Shut"; show in-place @wide; piece links nav from / depth 2 }
  region main as main { slot }
}
layout g at /in { region body as main { slot } }
route /in { title "In"; piece p """<h1>In</h1>""" }
route /in/deep { title "Deep"; piece p """<h1>Deep</h1>""" }`);
	const outline = outlineOf(htmlOf(resolved, '/in'), 'href', 'id', 'tabindex', 'aria-label').map(
		(line) => line.trim()
	);
	assert.equal(outline[1], 'a.skip-link[href=#f-main]: Skip to the content');
	assert.ok(outline.includes('main.f-main[id=f-main][tabindex=-1]'));
	assert.ok(outline.includes('div.g-body'), 'a main in a main is a plain box');
	assert.ok(outline.includes('nav.f-side-menu.drawer[id=f-side-menu][aria-label=Side menu]'));
	assert.ok(outline.includes('button.drawer-closer: Shut'));
});

test('a label names a region, and says so where it has no effect', () => {
	const layout = (element: string): string =>
		around(`layout f at /x { region menu as ${element} { label "Main menu" }; region m as div { slot } }
route /x { piece p """x""" }`);
	assert.ok(
		outlineOf(htmlOf(sound(layout('nav')), '/x'), 'aria-label').some(
			(line) => line.trim() === 'nav.f-menu[aria-label=Main menu]'
		)
	);
	assert.match(only(resolve(layout('div')).problems, 'label-idle').sentence, /a div has no role/);
});
