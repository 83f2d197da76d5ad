import assert from 'node:assert/strict';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { test } from 'node:test';
import fc from 'fast-check';
import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { root } from '../../scripts/lib/setup.js';
import { triedCss } from '../../src/core/emit/css/tried.ts';
import { stretched } from '../../src/core/emit/html/stretch.ts';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { drawersAt } from '../../src/core/sheet/drawer-tabs.ts';
import { noTrial, trialOf, trialWords } from '../../src/core/model/trial.ts';
import type { ResolvedSite } from '../../src/core/resolve/site.ts';
import type { Command } from '../../src/core/model/command.ts';
import type { Route } from '../../src/core/model/site.ts';
import { PageLayout } from '../../src/core/geometry/page-layout.ts';
import { sizesByName } from '../judge/boxes/sizes.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { realisticSites } from '../lib/realistic.ts';
import { around, marked, pageNamed, resolve, sound } from '../lib/site.ts';

/** Pages with less and with more content than is written, with larger text, from the other side, on paper. */

const text = `site "Seeds" { }
layout shell at / { region menu as nav { piece links nav from / depth 1 }; region main as main { slot } }
route / { title "Home"
  piece body """
    <p>Sow in spring.</p>
    <p>Save in autumn.</p>
  """ short """<p>Sow.</p>""" long """
    <p>Sow in spring, once the ground is warm.</p>
    <p>Save in autumn, from at least six plants.</p>
  """
  piece aside """<p>Bring a label</p>"""
}
route /catalogue { title "Catalogue"; piece list """<ul><li>Bean</li><li>Kale</li></ul>""" }
`;
const home = { layer: { kind: 'route', name: '/' }, region: undefined } as const;

function staged(words: string, page = '/', source = text): string {
	const site = resolve(source).tried(trialOf([words]));

	const found = site.site.routes.find(({ pattern }) => pattern.text === page);
	const [own] = found ? site.instances(found) : [];
	assert.ok(own);
	return own ? stageHtml(own, site, new Map(), 2026) : '';
}

test('a stand-in is read behind its word, shown where the page is tried with it, and never delivered', () => {
	const site = sound(text);
	assert.match(staged('short'), /<p[^>]*>Sow\.<\/p>/);
	assert.match(staged('long'), /once the ground is warm/);
	assert.match(staged(''), /Sow in spring\.<\/p>/);
	const written = [...deliver(site, 2026)].map(({ content }) => String(content)).join('\n');
	assert.doesNotMatch(written, /Sow\.<|warm|Labell/);
	const wrong = 'piece b """<p>a b c</p>""" wide """<p>x</p>""" short """<p>y</p>""" short """<p>z</p>"""';
	const found = (piece: string): string[] =>
		resolve(around(`route /x { title "X"; ${piece} }`)).problems.map(({ code }) => code);
	assert.deepEqual(found(wrong), ['choice-invalid', 'said-twice']);
	assert.equal(marked(resolve(around(`route /x { ${wrong} }`)), 'choice-invalid'), 'wide');
	assert.deepEqual(found('piece b """<p>a</p>""" short'), ['unexpected-text']);
	assert.deepEqual(found('piece b nav from / depth 1 """x""" long """y"""').sort(), ['unexpected-text', 'unexpected-text']);
	assert.deepEqual(found('piece b """<p>a</p>""" long """<p>{nowhere} and more</p>"""'), ['expression-unknown']);
}); // prettier-ignore

test('what no one wrote is made: words longer by 40 %, rows twice, or the first block alone', () => {
	for (const [markup, long, short] of [
		['<p>Bring seed.</p>', '<p>Bringbr seedse.</p><p>Bringbr seedse.</p>', '<p>Bring seed.</p>'],
		['<h1>A, b</h1><p>of 12 kg</p>', '<h1>A, b</h1><p>ofo 12 kgk</p><p>ofo 12 kgk</p>', '<h1>A, b</h1>'],
		['<ul><li id="x">Kale</li></ul>', '<ul><li id="x">Kaleka</li><li>Kaleka</li></ul>', '<ul><li id="x">Kale</li></ul>'],
		['<div><b>a</b></div><div>b</div>', '<div><b>a</b></div><div>b</div><div><b>a</b></div><div>b</div>', '<div><b>a</b></div>'],
		['<pre>code</pre>text', '<pre>code</pre>textte', '<pre>code</pre>'],
		['<form><p>In</p><input></form><p>Out</p>', '<form><p>Ini</p><p>Ini</p><input></form><p>Outo</p><p>Outo</p>', '<form><p>In</p><input></form>'],
		['<table><tbody><tr><td>a</td></tr><tr><td>b</td></tr></tbody></table>', '<table><tbody><tr><td>a</td></tr><tr><td>b</td></tr><tr><td>a</td></tr><tr><td>b</td></tr></tbody></table>', '<table><tbody><tr><td>a</td></tr></tbody></table>'],
		['Only words', 'Onlyon wordswo', 'Only words'],
		['<p>Catalogue</p>', '<p>Cataloguecatacataloguecata</p><p>Cataloguecatacataloguecata</p>', '<p>Catalogue</p>']
	] as const) {
		assert.equal(stretched(markup, 'long'), long);
		assert.equal(stretched(markup, 'short'), short);
	}
	const links = staged('long').match(/<li><a href="\/catalogue"/g)?.length;
	assert.equal(links, 2, 'lists of links grow too');
	assert.equal(staged('short', '/catalogue').match(/<li>/g)?.length, 2, 'one link, one kind');
}); // prettier-ignore

const letters = (markup: string): number => textOf(parseFragment(markup)).replace(/\s/g, '').length;

function textOf(node: Tree.Node): string {
	if ('value' in node && node.nodeName === '#text') return node.value;
	return 'childNodes' in node ? node.childNodes.map(textOf).join('') : '';
}

test('real markup gets longer and shorter, no id stands twice, and the short of the short is the same', async () => {
	const texts = await Promise.all(
		(await realisticSites()).map((path) => readFile(join(root, path, 'site.eave'), 'utf8'))
	);
	const pieces = texts.flatMap((one) => [...one.matchAll(/"""([^]*?)"""/g)].map(([, inner = '']) => inner)).filter((one) => /<[a-z]/.test(one)); // prettier-ignore
	assert.ok(pieces.length > 60, `${pieces.length} pieces`);
	fc.assert(
		fc.property(fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 3 }), (chosen) => {
			const markup = chosen.join('\n');
			const [long, short] = [stretched(markup, 'long'), stretched(markup, 'short')];
			assert.ok(letters(long) >= letters(markup), long);
			assert.ok(letters(short) <= letters(markup), short);
			assert.equal(stretched(short, 'short'), short);
			const ids = [...long.matchAll(/ id="([^"]*)"/g)].map(([, id]) => id);
			const before = [...markup.matchAll(/ id="([^"]*)"/g)].map(([, id]) => id);
			assert.ok(ids.length <= before.length, 'no more ids than before');
		}),
		{ numRuns: 60, seed: 5 }
	);
});

test('stand-ins are written, changed and taken away by commands, and go along with their piece', () => {
	const set = (of: 'short' | 'long', markup: string | undefined, name = 'aside'): Command => {
		return { kind: 'set-stand-in', holder: home, name, of, markup };
	};
	const one = makeOn(text, set('short', '<p>Label</p>'));
	assert.match(one.text, /piece aside """<p>Bring a label<\/p>""" short """<p>Label<\/p>"""\n/);
	const both = makeOn(one.text, set('long', '<p>Bring a label</p>\n<p>and a pen</p>'));
	assert.match(both.text, /short """<p>Label<\/p>""" long """\n {4}<p>Bring a label<\/p>\n {4}<p>and a pen<\/p>\n {2}"""/); // prettier-ignore
	const other = makeOn(both.text, set('short', '<p>Tag</p>'));
	assert.match(other.text, /short """<p>Tag<\/p>"""/);
	const without = makeOn(makeOn(other.text, set('long', undefined)).text, set('short', undefined));
	assert.equal(without.text, text, 'what is taken away leaves nothing behind');
	assert.match(refusal(text, set('short', undefined)), /Nothing short stands in for aside/);
	assert.match(refusal(text, set('long', 'a """ b')), /three quotes/);
	const menu = { layer: { kind: 'layout', name: 'shell' }, region: { layout: 'shell', region: 'menu' } } as const; // prettier-ignore
	const nav: Command = {
		kind: 'set-stand-in',
		holder: menu,
		name: 'links',
		of: 'long',
		markup: 'x'
	};
	assert.match(refusal(text, nav), /made from routes/);
	const parts = text.replace('<p>Sow.</p>', '{use tag}<a href="/catalogue">Sow</a>') + 'part tag """<b>!</b>"""\n'; // prettier-ignore
	assert.match(makeOn(parts, { kind: 'rename-part', name: 'tag', to: 'mark' }).text, /short """\{use mark\}/); // prettier-ignore
	const moved = makeOn(parts, { kind: 'move-route', pattern: '/catalogue', to: '/shelf' });
	assert.match(moved.text, /short """\{use tag\}<a href="\/shelf">/, 'links in them move along');
});

test('with large text boxes in rem grow and those in px stay; styles say what they would say then', () => {
	const source = `site "T" { tokens { --bar: 3rem; --type: 15px } }
layout f at / { arrange areas { "head" var(--bar); "main" auto; columns 10rem 1fr }; arrange areas { "head main" auto; columns 10rem 200px }
  region head as div { piece fix-20-20 """x""" }; region main as div { slot } }
route / { piece fix-50-20 """x""" }`.replace(/arrange areas \{ "head" var\(--bar\)[^}]*\}; /, '');
	const plain = sound(source);
	const widths = [plain, plain.tried(trialOf(['large']))].map((site) => {
		const page = site.page(pageNamed(plain, '/'));
		const layout = new PageLayout({ page, site: site.site, sizes: sizesByName, open: new Set() });
		const boxes = layout.boxesAt({ width: 900, height: 600 });
		return boxes.filter(({ name }) => name.kind === 'region').map(({ width }) => width);
	});
	assert.deepEqual(widths, [
		[160, 200],
		[320, 200]
	]);
	const { tokens } = plain.site.settings;
	const large = trialOf(['large']);
	for (const [css, then] of [
		['p { font-size: 14px }', 'p { font-size: 28px }'],
		['p { font: 700 14px/20px var(--face); width: 14px }', 'p { font: 700 28px/40px var(--face); width: 14px }'],
		['p { font-size: 1.2em; line-height: 1.5 }', 'p { font-size: 1.2em; line-height: 1.5 }'],
		['p { font-size: var(--type) }', 'p { font-size: calc(2 * var(--type)) }'],
		['@media (min-width: 40px) { p { font-size: 1rem } }', '@media (min-width: 40px) { p { font-size: 1rem } }']
	] as const) {
		assert.equal(triedCss(css, large, tokens), then);
	}
	assert.match(staged('large'), /:root \{ font-size: 200%; \}/);
}); // prettier-ignore

test('queries for print and motion hold as they would then, and no others change', () => {
	const tried = (query: string, word: string): string =>
		triedCss(`@media ${query} { a { b: c } }`, trialOf([word]), [])
			.replace(/^@media /, '')
			.replace(/ \{.*/, '');
	assert.equal(tried('print', 'printed'), 'all');
	assert.equal(tried('only print and (width > 4px)', 'printed'), 'all and (width > 4px)');
	assert.equal(tried('screen and (width > 4px), print', 'printed'), 'not all, all');
	assert.equal(tried('not screen', 'printed'), 'all');
	assert.equal(tried('(prefers-reduced-motion: no-preference)', 'printed'), '(prefers-reduced-motion: no-preference)'); // prettier-ignore
	assert.equal(tried('(prefers-reduced-motion: no-preference)', 'still'), '(width < 0)');
	assert.equal(tried('(prefers-reduced-motion)', 'still'), '(width >= 0)');
	assert.equal(tried('print', 'still'), 'print');
});

test('a trial and its words are the same thing, and nothing tried is the site itself', () => {
	fc.assert(
		fc.property(
			fc.record({
				content: fc.constantFrom('short' as const, 'typical' as const, 'long' as const),
				mirrored: fc.boolean(),
				largeText: fc.boolean(),
				printed: fc.boolean(),
				lessMotion: fc.boolean(),
				drawersOpen: fc.boolean()
			}),
			(trial) => assert.deepEqual(trialOf(trialWords(trial)), { ...trial })
		)
	);
	const site = sound(text);
	assert.equal(site.tried(noTrial).site, site.site);
	const mirrored = site.tried(trialOf(['mirrored']));
	assert.equal(mirrored.site, site.tried(trialOf(['mirrored'])).site, 'the same object each time');
	assert.equal(mirrored.site.settings.dir, 'rtl');
	assert.equal(site.site.settings.dir, 'ltr');
});

test('drawers are open at the widths at which they are drawers, and where they stand in place nothing is another', () => {
	const shell = sound(`site "Seeds" { bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { piece fix-90-20 """x""" }
  region menu as nav { show drawer left 240px "Menu"; show in-place @wide; piece fix-300-40 """x""" }
  region side as aside { show drawer right 30% "More"; piece fix-50-30 """x""" }
  region main as main { slot }
}
route / { title "Home"; piece fix-100-60 """x""" }`);
	const homeOf = ({ site: { routes } }: ResolvedSite): Route => {
		const [home] = routes;
		assert.ok(home);
		return home;
	};
	const boxesAt = (site: ResolvedSite, width: number): string[] => {
		const page = site.page(homeOf(site));
		const layout = new PageLayout({ page, site: site.site, sizes: sizesByName, open: new Set() });
		return layout
			.boxesAt({ width, height: 500 })
			.filter(({ name }) => name.kind === 'region')
			.map(({ name, x, y, width: w, height }) => `${name.region} ${[x, y, w, height].join(' ')}`);
	};
	const tried = shell.tried(trialOf(['open']));
	const closed = boxesAt(shell, 400);
	const open = boxesAt(tried, 400);
	assert.deepEqual(open.slice(0, closed.length), closed, 'what is behind them stays');
	assert.deepEqual(open.slice(closed.length), ['menu 0 0 240 500', 'side 280 0 120 500']);
	assert.deepEqual(boxesAt(tried, 1000).filter((one) => one.startsWith('menu')), boxesAt(shell, 1000).filter((one) => one.startsWith('menu'))); // prettier-ignore
	const page = tried.page(homeOf(tried));
	assert.deepEqual(drawersAt(page, tried, 400, new Map()), []);
	assert.deepEqual(drawersAt(page, shell, 400, new Map()).map(({ region }) => region), ['menu', 'side']); // prettier-ignore
	const [own] = tried.instances(homeOf(tried));
	assert.ok(own);
	assert.equal(stageHtml(own, tried, new Map(), 2026).match(/popover="manual"/g)?.length, 2);
	assert.doesNotMatch(deliver(shell, 2026).map(({ content }) => String(content)).join(''), /popover="manual"/); // prettier-ignore
});
