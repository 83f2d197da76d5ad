import assert from 'node:assert/strict';
import { readFile, readdir } from 'node:fs/promises';
import { test } from 'node:test';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { generate, parse, type CssNode } from 'css-tree';
import { unzipSync } from 'fflate';
import { parse as parseHtml } from 'parse5';
import { layoutSheet, pageSheet } from '../../src/core/emit/css/sheets.ts';
import { siteSheet } from '../../src/core/emit/css/site-sheet.ts';
import { deliver, deliverPage, packSource } from '../../src/core/emit/delivery.ts';
import { classNames } from '../../src/core/emit/names.ts';
import { outputOf, sourceOf, traceOutput, traceSource } from '../../src/core/emit/html/trace.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { membersIn } from '../../src/core/resolve/boxes/members.ts';
import { takeIn } from '../../src/core/source/intake.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { makeOn } from '../lib/edits.ts';
import { outlineOf } from '../lib/outline.ts';
import { around, bodyOf, htmlOf, markedOf, only, pageNamed, resolve, sound } from '../lib/site.ts';

test('outer layers wrap inner ones, and each element says whose it is', () => {
	const resolved = sound(
		around(
			'layout shop at /shop { region shelf as div { slot }; fill head after { piece cart """<i>cart</i>""" } }\n' +
				'route /shop { piece body """<p>shop</p>""" }'
		)
	);
	assert.deepEqual(outlineOf(htmlOf(resolved, '/shop')), [
		'body.outer',
		'  header.outer-head',
		'    div',
		'      b: Test',
		'    div',
		'      i: cart',
		'  main.outer-main',
		'    div.shop',
		'      div.shop-shelf',
		'        p: shop',
		'  footer.outer-foot',
		'    p: foot'
	]);
	const marked = outlineOf(
		markedOf(resolved, '/shop'),
		'data-layout',
		'data-route',
		'data-region',
		'data-piece',
		'data-part',
		'data-slot'
	);
	assert.deepEqual(
		marked.filter((line) => line.includes('data-')).map((line) => line.trim()),
		[
			'body.outer[data-layout=outer]',
			'header.outer-head[data-layout=outer][data-region=head]',
			'div[data-layout=outer][data-piece=name][data-part]',
			'div[data-layout=shop][data-piece=cart][data-part]',
			'main.outer-main[data-layout=outer][data-region=main][data-slot]',
			'div.shop[data-layout=shop]',
			'div.shop-shelf[data-layout=shop][data-region=shelf][data-slot]',
			'p[data-route=/shop][data-piece=body][data-part]: shop',
			'footer.outer-foot[data-layout=outer][data-region=foot]',
			'p[data-layout=outer][data-piece=small][data-part]: foot'
		]
	);
});

test('apart from the marks, a page with them is the page without', async () => {
	for (const resolved of [
		checkSite(readSiteFiles(await readSitePath('demo'))),
		sound(around('route /x { piece p """<p data-piece="my own">x</p>""" }'))
	]) {
		const marked = deliver(resolved, 2026, 'all').filter((file) => file.kind === 'page');
		const plain = deliver(resolved, 2026).filter((file) => file.kind === 'page');
		assert.equal(marked.length, plain.length);
		for (const [index, { path, content }] of plain.entries()) {
			const without = String(marked[index]?.content).replaceAll(
				/ data-(?:layout|route|state|space|region|wrapper|piece|part|opener|slot)(?:="(?!my own)[^"]*")?(?=[ >])/g,
				''
			);
			assert.equal(without, content, path);
		}
	}
});

test('styles begin at what their layer wrote, and end where another layer’s begins', () => {
	const resolved = sound(
		around(
			'layout shop at /shop { region shelf as div { slot }; fill head after { piece cart """<i>c</i>""" }; style """i { color: red }""" }\n' +
				'route /shop { piece body """<i>s</i>"""; style """i { color: blue }""" }'
		)
	);
	const { site, structure } = resolved;
	const [, shop] = site.layouts;
	const page = pageNamed(resolved, '/shop');
	assert.ok(shop && page.kind === 'route');
	assert.deepEqual(
		rulesOf(layoutSheet(shop, site, structure).css).filter((one) => one.startsWith('i:')),
		['i:where(.shop,.shop *,.shop-brought,.shop-brought *):where(:not(.shop-shelf *)){color:red}']
	);
	assert.deepEqual(
		rulesOf(pageSheet(page, site, structure)?.css ?? '').filter((one) => one.startsWith('i:')),
		['i:where(.shop-shelf *){color:blue}']
	);
	const classes = outlineOf(htmlOf(resolved, '/shop')).map((line) => line.trim());
	assert.ok(classes.includes('div.shop-brought'), 'the piece in the head');
	assert.ok(classes.includes('div'), 'the page’s own text, which needs no name: it is in the slot');
});

test('of the frame, no two boxes share a class, whatever their names are', () => {
	const resolved = sound(
		`site "T" { }
		layout a at / { wrapper b { region b-c as div { slot } }; region page as div { piece x { pad 1px } """x""" } }
		layout a-b at /in { region c as div { slot }; region b-c-opener as div { piece page """x""" } }
		route /in { piece c { pad 2px } """y""" }`
	);
	const names = classNames(resolved.site);
	const all = resolved.site.layouts.flatMap((layout) => [
		names.layout(layout),
		names.space(layout),
		names.brought(layout),
		...membersIn(layout.members).flatMap(({ name }) => [
			names.member(layout, name.text),
			names.opener(layout, name.text)
		])
	]);
	assert.equal(new Set(all).size, all.length, all.join(' '));
});

test('titles go through the nearest pattern, descriptions come from the nearest layer', () => {
	const resolved = sound(
		around(`
layout a at /a { region s as div { slot }; title "{page.title} – {site.name}"; description "all of a" }
layout b at /a/b { region s as div { slot } }
route /a/b { title "Kale & peas"; piece p """x""" }
route /a/c { title "C"; description "only \\"c\\""; piece p """{page.description}""" }`)
	);
	const html = htmlOf(resolved, '/a/b');
	assert.match(html, /<title>Kale &amp; peas – Test<\/title>/);
	assert.match(html, /<meta name="description" content="all of a">/);
	assert.match(htmlOf(resolved, '/a/c'), /content="only &quot;c&quot;"/);
	assert.match(htmlOf(resolved, '/'), /<title>\/<\/title>/);
});

test('values are escaped for where they stand', () => {
	const json = JSON.stringify({
		text: '<b>"&\u00a0',
		path: 'a/b?c',
		script: 'java\nscript:alert(1)',
		css: 'red; background: url(x)'
	});
	const resolved = sound(
		around(
			'data d from "d.json"\nroute /v { piece p """<p title="{data.d.text}">{data.d.text}</p>' +
				'<a href="/x/{data.d.path}?q={data.d.path}">l</a><a href="{data.d.script}">s</a>' +
				'<i style="color: {data.d.css}">i</i>""" }'
		),
		{ 'd.json': json }
	);
	const body = bodyOf(resolved, '/v');
	assert.match(body, /<p title="&lt;b&gt;&quot;&amp;&nbsp;">&lt;b&gt;&quot;&amp;&nbsp;<\/p>/);
	assert.match(body, /href="\/x\/a%2Fb%3Fc\?q=a%2Fb%3Fc"/);
	assert.match(body, /<a href="#">s<\/a>/, 'a value cannot bring a script');
	assert.match(body, /style="color: red\\3b  background\\3a  url\\28 x\\29 "/);
});

test('expressions where no value can stand are errors', () => {
	const places = ['<p {site.name}="1">', '<p onclick="{site.name}">', '<script>{site.name}</script>', '<!-- {site.name} -->'];
	for (const markup of places) {
		const { problems } = resolve(around(`route /x { piece p """${markup}""" }`));
		assert.ok(only(problems, 'expression-place'), markup);
	}
}); // prettier-ignore

test('markup that was left open cannot swallow the page', () => {
	const resolved = resolve(around('route /x { piece p """<div><b>never closed <!-- nor this""" }'));
	assert.deepEqual(
		resolved.problems.map(({ code }) => code),
		['element-open', 'element-open']
	);
	const body = bodyOf(resolved, '/x');
	assert.match(body, /<div><b>never closed <!-- nor this--><\/b><\/div><\/main>/);
});

test('white space that shows is left as it is', () => {
	const resolved = sound(around('route /x {\n  piece p """\n    <pre>a\n      b</pre>\n  """\n}'));
	assert.match(htmlOf(resolved, '/x'), /<pre>a\n {2}b<\/pre>/);
});

test('lists of links are made from the routes below, the current one marked', () => {
	const resolved = sound(
		around(`
route /a { title "A"; piece p nav from / depth 2 }
route /a/b { title "B"; piece p """x""" }
route /a/b/c { title "C"; piece p """x""" }
route /a/:x { title "X"; piece p """x""" }
route /d/e { title "E"; piece p """x""" }`)
	);
	const outline = outlineOf(htmlOf(resolved, '/a'), 'role', 'href', 'aria-current', 'aria-label');
	const from = outline.findIndex((line) => line.includes('nav-list'));
	assert.deepEqual(
		outline.slice(from - 1, from + 8).map((line) => line.trim()),
		[
			'nav[aria-label=P]',
			'ul.nav-list',
			'li',
			'a[href=/a][aria-current=page]: A',
			'ul',
			'li',
			'a[href=/a/b]: B',
			'li',
			'a[href=/d/e]: E'
		]
	);
});

test('style sheets are CSS that can be read back, and say what the text says', () => {
	const resolved = sound(
		[
			'site "T" { bands { narrow 0; wide 900 }; tokens { --a: 1px; --a @wide: 2px } }',
			'layout f at / { height screen; arrange areas { "head" auto; "main" 1fr; columns 1fr; gap 4px }',
			'  region head as header { piece a """x"""; style """p { margin: 0 }""" }',
			'  region main as main { slot }',
			'  style """a:hover { color: red }""" }',
			'route / { piece a """x"""; style """h1 { color: blue }""" }'
		].join('\n')
	);
	const { site, structure } = resolved;
	const [layout] = site.layouts;
	const [route] = site.routes;
	assert.ok(layout && route);
	const sheets = [
		siteSheet(site, structure),
		layoutSheet(layout, site, structure),
		pageSheet(route, site, structure)
	];
	const css = sheets.map((sheet) => sheet?.css ?? '').join('\n');
	const problems: string[] = [];
	parse(css, { onParseError: (problem) => problems.push(problem.message) });
	assert.deepEqual(problems, []);
	const flat = css.replace(/\s+/g, ' ');
	assert.match(flat, /@layer site, layout-f, pages;/);
	assert.match(flat, /:root \{ --a: 1px; \} @media \(min-width: 900px\) \{ :root \{ --a: 2px; \} \}/);
	assert.match(flat, /display: grid; grid-template-columns: 1fr; grid-template-rows: auto 1fr; grid-template-areas: 'head' 'main'; gap: 4px; min-height: 100dvh;/);
	assert.match(flat, /a:hover:where\(:not\(\.f-main \*\)\) \{ color: red \} p:where\(\.f-head \*\) \{ margin: 0 \}/);
	assert.equal(sheets[2]?.path, 'styles/pages/home.css');
}); // prettier-ignore

test('a delivery links relatively, and no two of its files share a path', () => {
	const resolved = sound(
		around(`
route /a/b { piece p """<a href="/">h</a><a href="/a/b#x">b</a><a href="/p/kale?q">k</a><img src="i/x.svg"><a href="/none">n</a><a href="https://a.test/">o</a>""" }
route /p/:v { samples "kale"; piece p """x"""; style """p { margin: 0 }""" }
route /p/v { piece p """x"""; style """p { margin: 0 }""" }
state not-found at / { piece p """x""" }
state not-found at /a { piece p """x""" }`),
		{ 'i/x.svg': '<svg/>' }
	);
	const files = deliver(resolved, 2026);
	const paths = files.map((file) => file.path);
	assert.equal(new Set(paths).size, paths.length);
	for (const path of ['index.html', 'a/b/index.html', 'p/kale/index.html', '404.html', 'a/not-found.html', 'i/x.svg', 'styles/pages/p-v.css', 'styles/pages/p-v-2.css']) {
		assert.ok(paths.includes(path), `${path} in ${paths.join(' ')}`);
	}
	const page = files.find((file) => file.path === 'a/b/index.html')?.content;
	assert.ok(typeof page === 'string');
	const links = [...page.matchAll(/(?:href|src)="([^"]*)"/g)].map(([, url]) => url);
	assert.deepEqual(links.slice(-6), [
		'../../index.html', '../../a/b/index.html#x', '../../p/kale/index.html?q', '../../i/x.svg', '/none', 'https://a.test/'
	]);
	assert.ok(links.includes('../../styles/layouts/outer.css'));
}); // prettier-ignore

test('a site packed as source and taken in again is the same site', async () => {
	const files = await readSitePath('demo');
	const again = takeIn('demo.zip', packSource(files));
	assert.deepEqual([...again.texts].sort(), [...files.texts].sort());
	assert.deepEqual([...again.assets.keys()].sort(), [...files.assets.keys()].sort());
	const other = packSource({ texts: new Map([['a.txt', 'x']]), assets: new Map() });
	assert.deepEqual(Object.keys(unzipSync(other)), ['a.txt']);
});

test('the demo has no problems, and every page of it is whole HTML', async () => {
	const resolved = checkSite(readSiteFiles(await readSitePath('demo')));
	assert.deepEqual(resolved.problems.map(sentenceOf), []);
	const pages = deliver(resolved, 2026).filter((file) => file.kind === 'page');
	assert.ok(pages.length >= 20);
	for (const { path, content } of pages) {
		const problems: string[] = [];
		parseHtml(String(content), { onParseError: (problem) => problems.push(problem.code) });
		assert.deepEqual(problems, [], path);
	}
	assert.ok((await readdir('demo')).length > 0);
	assert.match(await readFile('demo/site.eave', 'utf8'), /Marrow Lane Seed Library/);
});

test('a place of the text leads to its box on the page, and the box back to the text', () => {
	const text = around(
		'layout shop at /shop { region shelf as div { slot }; fill head after { piece cart """<i>cart</i>""" } }\n' +
			'route /shop { piece body """<p>shop</p>""" }'
	);
	const resolved = sound(text);
	const [instance] = resolved.instances(pageNamed(resolved, '/shop'));
	assert.ok(instance);
	const page = deliverPage(instance, resolved, 2026);
	const { html } = page;
	assert.ok(!html.includes('data-'));
	for (const words of ['cart</i>', '<p>shop', '<b>Test']) {
		const offset = text.indexOf(words);
		const trace = traceSource(resolved, 'site.eave', offset);
		assert.ok(trace);
		const stretch = outputOf(page, trace);
		assert.ok(stretch && html.slice(stretch.from, stretch.to).includes(words), words);
		const back = traceOutput(page, html.indexOf(words));
		assert.ok(back);
		const span = sourceOf(resolved, back);
		assert.ok(span && span.from <= offset && offset < span.to, words);
	}
	assert.ok(pageNamed(resolved, '/shop'));
});

/** What a sheet says, rule by rule: the at-rules around it, the selector, and its declarations. */
function rulesOf(css: string): string[] {
	const rules: string[] = [];
	const visit = (node: CssNode, around: string): void => {
		if (node.type === 'Rule') {
			rules.push(`${around}${generate(node.prelude)}{${generate(node.block).slice(1, -1)}}`);
		} else if (node.type === 'Atrule' && node.block) {
			const head = `@${node.name} ${node.prelude ? generate(node.prelude) : ''}`;
			const isLayer = node.name === 'layer';
			node.block.children.forEach((child) => visit(child, isLayer ? around : `${around}${head} `));
		} else if (node.type === 'StyleSheet') {
			node.children.forEach((child) => visit(child, around));
		}
	};
	const problems: string[] = [];
	visit(parse(css, { onParseError: (problem) => problems.push(problem.message) }), '');
	assert.deepEqual(problems, []);
	return rules;
}

test('each band says only what changes with it, in media queries', () => {
	const resolved = sound(`site "T" { bands { narrow 0; medium 600; wide 1000 }; dir rtl }
layout f at / {
  height screen
  arrange stack { gap 8px }
  arrange areas @wide { "head head" auto; "menu main" 1fr; columns 200px 1fr }
  region head as header { stick top; height 60px; pad 4px 12px; shadow always }
  region menu as nav { show drawer left 280px "Menu"; show in-place @wide; pad 4px 12px; piece links """x""" }
  region main as main { slot; contain 700px; size fill; pad 10px; pad 10px @medium }
}
route / { piece a { width 50% @medium } """x""" }`);
	const { site, structure } = resolved;
	const [layout] = site.layouts;
	const [route] = site.routes;
	assert.ok(layout && route);
	const rules = rulesOf(layoutSheet(layout, site, structure).css);
	const of = (start: string): string[] =>
		rules.filter((one) => one.startsWith(start)).map((one) => one.slice(one.indexOf('{')));
	assert.deepEqual(of('.f{'), ['{display:flex;flex-direction:column;gap:8px;min-height:100dvh}']);
	assert.deepEqual(of('@media (min-width:1000px) .f{'), ['{display:grid;grid-template-columns:200px 1fr;grid-template-rows:auto 1fr;grid-template-areas:"head head""menu main";gap:normal}']);
	assert.deepEqual(rules.filter((one) => one.startsWith('@media (min-width:600px)')), [], 'nothing changes there');
	assert.deepEqual(of('.f-head{'), ['{position:sticky;inset-block-start:0;z-index:var(--stuck);height:60px;padding:4px 12px;box-shadow:var(--shadow);view-transition-name:f-head}']);
	assert.deepEqual(of('.f-main{'), ['{flex:1 1 0px;padding:10px max(10px,(100% - 700px)/2)}']);
	assert.deepEqual(of('.f-menu:not(:popover-open){'), ['{display:none}']);
	assert.deepEqual(of('@media (min-width:1000px) .f-menu:not'), ['{display:flow-root}']);
	assert.deepEqual(of('@media (min-width:1000px) .f-head>.f-menu-opener'), ['{display:none}']);
	const page = rulesOf(pageSheet(route, site, structure)?.css ?? '');
	assert.deepEqual(page, ['.f-main>.page-main-a{display:flow-root}', '@media (min-width:600px) .f-main>.page-main-a{width:50%}'], 'a box of its own in a region that arranges nothing');
	assert.match(htmlOf(resolved, '/'), /<html lang="en" dir="rtl">/);
	const outline = outlineOf(htmlOf(resolved, '/'), 'id', 'popover', 'popovertarget', 'popovertargetaction', 'aria-label').map((line) => line.trim());
	for (const line of ['div.f-menu-opener', 'button[popovertarget=f-menu]: Menu', 'nav.f-menu.drawer[id=f-menu][popover][aria-label=Menu]', 'button.drawer-closer[popovertarget=f-menu][popovertargetaction=hide]: Close']) {
		assert.ok(outline.includes(line), line);
	}
	const sheet = siteSheet(site, structure).css;
	assert.ok(!sheet.includes('--under'), 'nothing is written that nothing uses');
	assert.match(sheet, /--stuck: 1;/);
}); // prettier-ignore

test('a slot hands on what is kept before it where something that lands in it keeps to the same edge', () => {
	const sheetOf = (rest: string): string => {
		const { site, structure } = sound(`site "T" { bands { narrow 0; wide 1000 } }
layout f at / { region head as header { stick top; height 60px }; region main as main { slot } }
${rest}`);
		const [layout] = site.layouts;
		return layout ? layoutSheet(layout, site, structure).css : '';
	};
	const handsOn = /\.f-main \{\s*--top-inside: var\(--f-head-height\);/;
	assert.doesNotMatch(sheetOf('route / { piece a """x""" }'), /-inside/);
	assert.doesNotMatch(sheetOf('route / { piece a { stick bottom } """x""" }'), /-inside/, 'another edge');
	assert.match(sheetOf('route / { piece a { stick top @wide } """x""" }'), handsOn);
	assert.match(
		sheetOf('layout g at /in { region bar as div { shrink 80px to 40px }; region m as div { slot } }; route /in { }'),
		handsOn
	);
	assert.doesNotMatch(
		sheetOf('layout g at /in { region m as div { slot } }; route /out { under none; piece a { stick top } """x""" }'),
		/-inside/,
		'a page that is not in it'
	);
}); // prettier-ignore

test('what another layer brings with an overlap stays over the background of its region', () => {
	const sheetOf = (rest: string): string => {
		const { site, structure } = sound(`site "T" { }
layout f at / { region side as aside { style """:scope { background: white }""" }; region main as main { slot } }
${rest}`);
		const [layout] = site.layouts;
		return layout ? layoutSheet(layout, site, structure).css : '';
	};
	const isolated = (region: string): RegExp =>
		new RegExp(`\\.f-${region} \\{\\s*isolation: isolate;`);
	const fill = 'route / { fill side after { piece a { overlap 8px } """x"""; piece b """y""" } }';
	assert.match(sheetOf(fill), isolated('side'));
	assert.doesNotMatch(sheetOf(fill), isolated('main'));
	assert.match(sheetOf('route / { piece a { overlap 8px } """x""" }'), isolated('main'));
	assert.doesNotMatch(sheetOf('route / { piece a { pad 8px } """x""" }'), /isolation/);
}); // prettier-ignore

test('bands by space are container queries, heads that shrink are animations with a fallback', () => {
	const resolved = sound(`site "T" { bands { narrow 0; wide 700 } }
layout f at / { region m as main { slot } }
layout g at /in {
  measure by space
  region bar as header { shrink 128px to 56px; shadow scrolled }
  region body as div { slot; overlap 20px @wide; style @wide """p { color: red }""" }
}
route / { }
route /in { }`);
	const { site, structure } = resolved;
	const inner = site.layouts[1];
	assert.ok(inner);
	const { css } = layoutSheet(inner, site, structure);
	assert.ok(rulesOf(css).length > 5);
	const flat = css.replace(/\s+/g, ' ');
	assert.match(flat, /\.g-space \{ container: layout-g \/ inline-size; \}/);
	assert.match(flat, /@container layout-g \(min-width: 700px\) \{ \.g \{ isolation: isolate; \} \.g-body \{ position: relative; z-index: var\(--under\); margin-block-end: -20px; \} \}/);
	assert.match(flat, /@supports \(animation-timeline: scroll\(\)\) \{ \.g-bar \{ animation: shrink-g-bar linear both, shadow-scrolled linear both; animation-timeline: scroll\(\), scroll\(\); animation-range: 0 calc\(128px - 56px\), 0 24px; \}/);
	assert.match(flat, /@supports not \(animation-timeline: scroll\(\)\) \{ \.g-bar \{ height: 56px; \} \}/);
	assert.match(flat, /@container layout-g \(min-width: 700px\) \{ p:where\(\.g-body \*\)/);
	assert.ok(outlineOf(htmlOf(resolved, '/in')).join('\n').includes('div.g-space\n      div.g\n'));
}); // prettier-ignore

test('a style of a main part reaches its box where that is written as a div, since one stands around it', () => {
	const { site, structure } = sound(`site "T" { lang en }
layout f at / { region main as main { slot } }
layout g at /in { region body as main { slot; style """div { color: red } p { margin: 0 }"""; piece note """x""" } }
route / { piece a """x""" }
route /in { piece a """x""" }`);
	const [, inner] = site.layouts;
	assert.ok(inner);
	const { css } = layoutSheet(inner, site, structure);
	assert.match(css, /div:where\(\.g-body, \.g-body \*\)/);
	assert.match(css, /p:where\(\.g-body \*\)/);
});

test('tokens have other values by night, and on paper nothing sticks or slides in', () => {
	const text = `site "N" { bands { narrow 0; wide 900 }; tokens { --ink: #111; --ink @night: #eee; --ink @wide: #222 } }
layout shell at / {
  arrange areas { "head"; "menu"; "main" }
  region head as header { height 50px; stick top }
  region menu as nav { show drawer left 200px "Menu"; show in-place @wide }
  region main as main { slot }
}
route / { title "Home" }
`;
	const resolved = sound(text);
	const css = new Map(
		[...deliver(resolved, 2026)].map(({ path, content }) => [path, String(content)])
	);
	const site = css.get('styles/site.css') ?? '';
	assert.match(site, /color-scheme: light dark;\s+--ink: #111;/);
	assert.match(site, /@media \(prefers-color-scheme: dark\) \{\s+:root \{\s+--ink: #eee;/);
	assert.match(site, /@media \(prefers-reduced-motion: no-preference\) \{\s+@view-transition/);
	const paper =
		/@media print \{[^]*?\n {2}\}/.exec(css.get('styles/layouts/shell.css') ?? '')?.[0] ?? '';
	assert.match(paper, /\.shell \{\s+display: flex;/);
	const said = (selector: string): string =>
		new RegExp(`(?:^|[\\s,])${selector}(?:,[^{}]*)? \\{([^}]*)\\}`).exec(paper)?.[1] ?? '';
	assert.match(said('.shell-head'), /position: static;/);
	assert.match(said('.shell-menu:popover-open'), /display: none;/);
	assert.match(said('.shell-menu-opener'), /display: none;/);
	assert.match(said('.shell-head'), /order: -2;/);
	assert.match(said('.shell-main'), /order: -1;/);
	const night = makeOn(text, {
		kind: 'set-token',
		name: '--ink',
		value: '#ddd',
		band: 'night'
	});
	assert.match(night.text, /--ink @night: #ddd/);
	const renamed = makeOn(text, { kind: 'rename-token', name: '--ink', to: '--soot' });
	assert.equal(renamed.text.match(/--ink/g), null);
	const freed = makeOn(text, {
		kind: 'set-token',
		name: '--ink',
		value: undefined,
		band: 'night'
	});
	assert.doesNotMatch(freed.text, /night/);
});

test('a drawer is painted as its setting says, and like a page where nothing does', () => {
	const sheetOf = (more: string): string => {
		const site = sound(`site "T" { bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { piece name """<b>T</b>""" }
  region menu as nav { label "Menu"; show drawer left 280px "Menu"; show in-place @wide; ${more}piece list """<a href="/">Home</a>""" }
  region main as main { slot }
}
route / { title "Home"; piece body """<p>a</p>""" }`);
		const [layout] = site.site.layouts;
		assert.ok(layout);
		const [common, own] = [siteSheet(site.site, site.structure), layoutSheet(layout, site.site, site.structure)]; // prettier-ignore
		return common.css + own.css;
	};
	const openGround =
		/@layer site \{[^]*\.drawer:popover-open \{\s*background: Canvas;[^]*@layer layout-shell \{/;
	assert.match(
		sheetOf(''),
		openGround,
		'the ground of a page, which everything of the layout wins over'
	);
	assert.doesNotMatch(sheetOf(''), /background-color/);
	assert.match(
		sheetOf('background #eef @wide; '),
		/min-width: 900px\) \{[^@]*background-color: #eef;/
	);
	const own = sheetOf('background #eef; ');
	assert.doesNotMatch(own, /min-width: 900px\) \{[^@]*background-color/);
	assert.match(own, /background-color: #eef;/);
});
