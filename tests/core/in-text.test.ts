import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { deliver } from '../../src/core/emit/delivery.ts';
import { around, resolve } from '../lib/site.ts';

/** Lists, conditions, formats and parts in text: what comes out, held against trees that parse5 reads. */

const data = {
	list: [
		{ name: 'Kale <Red>', date: '2026-04-18', packets: 12345.5 },
		{ name: 'Bean', packets: 0, note: 'rare' }
	],
	none: []
};

/** The content of the page /x whose only piece is some markup. */
function shown(markup: string, more = '', given: unknown = data): string {
	const text = around(`data d from "d.json"\n${more}\nroute /x { piece a """\n${markup}\n""" }`);
	const site = resolve(text, { 'd.json': JSON.stringify(given) });
	assert.deepEqual(
		site.problems.filter(({ severity }) => severity === 'error').map(({ code }) => code),
		[]
	);
	const page = deliver(site, 2026).find(({ path }) => path === 'x/index.html');
	const main = /<main[^>]*>([^]*)<\/main>/.exec(String(page?.content))?.[1] ?? '';
	return main.replace(/\s+/g, ' ').trim();
}

/** The tree of some HTML as nested names and texts. */
function outline(html: string): unknown {
	const of = (node: Tree.ChildNode): unknown =>
		'tagName' in node
			? [node.tagName, ...node.childNodes.map(of)]
			: 'value' in node
				? node.value.trim()
				: '';
	return parseFragment(html).childNodes.map(of);
}

test('a list shows once for each member, and what stands behind {else} where there is none', () => {
	const list = '<ul>{for v in data.d.list}<li>{v.name}</li>{else}<li>None.</li>{end}</ul>';
	assert.deepEqual(
		outline(shown(list)),
		outline('<ul><li>Kale &lt;Red&gt;</li><li>Bean</li></ul>')
	);
	assert.match(shown(list.replace('d.list', 'd.none')), /<ul><li>None\.<\/li><\/ul>/);
});

test('rows stand in tables and options in menus, as if each were written out', () => {
	const row = '<tr><td>{v.name}</td></tr>';
	const written = '<tr><td>Kale &lt;Red&gt;</td></tr><tr><td>Bean</td></tr>';
	assert.deepEqual(
		outline(shown(`<table>{for v in data.d.list}${row}{end}</table>`)),
		outline(`<table>${written}</table>`)
	);
	assert.deepEqual(
		outline(shown(`<table><tr><th>Kind</th></tr>{for v in data.d.list}${row}{end}</table>`)),
		outline(`<table><tr><th>Kind</th></tr>${written}</table>`)
	);
	assert.deepEqual(
		outline(shown('<p><select>{for v in data.d.list}<option>{v.name}</option>{end}</select></p>')),
		outline('<p><select><option>Kale &lt;Red&gt;</option><option>Bean</option></select></p>')
	);
	assert.deepEqual(
		outline(
			shown('<table>{for v in data.d.list}{use line v=v}{end}</table>', `part line(v) """${row}"""`)
		),
		outline(`<table>${written}</table>`)
	);
});

test('conditions: there or not, or one text; also in the values of attributes', () => {
	const of = (condition: string): string => shown(`<p>{if ${condition}}yes{else}no{end}</p>`);
	assert.match(of('data.d.list'), /yes/);
	assert.match(of('data.d.none'), /no/);
	assert.match(of('data.d.list.1.packets'), /no/);
	assert.match(of('data.d.list.1.note is "rare"'), /yes/);
	assert.match(of('data.d.list.1.note is "common"'), /no/);
	const link =
		'<a class="k{if data.d.none} gone{else} here{end}" href="/go/{if data.d.list}{data.d.list.0.name}{end}?a=1&amp;b">a</a>';
	assert.match(shown(link), /class="k here" href="\/go\/Kale%20%3CRed%3E\?a=1&amp;b"/);
});

test('conditions on a part of a value, several of them, and on members of a list', () => {
	const icons = { list: [{ to: 'https://social.example/seed', kinds: ['bean', 'pea'] }, { to: 'tel:123', kinds: [] }, {}] };
	const of = (condition: string): string =>
		shown(`<p>{for x in data.d.list}{if ${condition}}y{else}n{end}{end}</p>`, '', icons).replace(/\W|p/g, '');
	assert.equal(of('x.to contains "social."'), 'ynn');
	assert.equal(of('x.to starts "tel:"'), 'nyn');
	assert.equal(of('x.to ends "seed"'), 'ynn');
	assert.equal(of('x.to is not "tel:123"'), 'yny', 'what is not there is another');
	assert.equal(of('x.kinds contains "bean"'), 'ynn');
	assert.equal(of('x.kinds contains "be"'), 'nnn', 'of a list a whole member counts');
	assert.equal(of('x.to and x.kinds'), 'ynn');
	assert.equal(of('x.to and x.to is  not "tel:123" and x.kinds contains "pea"'), 'ynn');
	assert.match(shown('<a class="icon {if data.d.list.0.to contains "social"}social{else}other{end}">a</a>', '', icons), /icon social/);
}); // prettier-ignore

test('a condition that cannot be read is said with how it is written', () => {
	const told = (condition: string): string[] =>
		resolve(around(`route /x { piece a """<p>{if ${condition}}a{end}</p>""" }`)).problems.filter(({ severity }) => severity === 'error').map(({ code }) => code);
	for (const wrong of ['site.name contains', 'site.name and', 'and site.name', 'site.name is "a" or site.lang', 'site.name has "a"', 'site.name not "a"']) {
		assert.deepEqual(told(wrong), ['tag-invalid', 'tag-stray'], wrong);
	}
	assert.deepEqual(told('site.name and site.lang is not "en"'), []);
	assert.deepEqual(told('site.name is "a and b"'), []);
}); // prettier-ignore

test('what a condition tests need not be there, but may be missing where it only is not some text', () => {
	const text = (condition: string): string => `{for x in data.d.list}{if ${condition}}<p>{x.note}</p>{end}{end}`;
	const missing = (condition: string): boolean =>
		resolve(around(`data d from "d.json"\nroute /x { piece a """${text(condition)}""" }`), { 'd.json': JSON.stringify(data) }).problems.some(({ code }) => code === 'expression-no-value');
	assert.equal(missing('x.note'), false);
	assert.equal(missing('x.note starts "r" and x.name'), false);
	assert.equal(missing('x.note is not "r"'), true);
}); // prettier-ignore

test('formats are those of the language of the site, and what is missing has another word', () => {
	assert.match(shown('<p>{data.d.list.0.date as date}</p>'), /April 18, 2026/);
	assert.match(shown('<p>{data.d.list.0.packets as number}</p>'), /12,345\.5/);
	assert.match(
		shown('<p>{for v in data.d.list}{v.date as date ?? "soon"}; {end}</p>'),
		/2026; soon;/
	);
});

test('a part is written with what it is given, and what it wraps', () => {
	const card =
		'part card(title, tone = plain | ripe) """<article class="{tone}"><h3>{title}</h3>{content}</article>"""';
	assert.deepEqual(
		outline(shown('{use card title="The {data.d.list.0.name}" tone="ripe"}<p>in</p>{end}', card)),
		outline('<article><h3>The Kale &lt;Red&gt;</h3><p>in</p></article>')
	);
	const outer = `${card}\npart shelf(list) """<div>{for v in list}{use card title=v.name}{v.name}{end}{end}</div>"""`;
	assert.match(shown('{use shelf list=data.d.list}', outer), /class="plain"><h3>Bean<\/h3>Bean/);
});

test('the style of a part begins at it and ends at what it wraps', () => {
	const part =
		'part card { style """p { color: red }""" } """<div class="own"><p>a</p>{content}</div>"""';
	const site = resolve(around(`${part}\nroute /x { piece a """{use card}<p>b</p>{end}""" }`));
	const files = new Map(deliver(site, 2026).map(({ path, content }) => [path, String(content)]));
	assert.match(
		files.get('styles/parts.css') ?? '',
		/p:where\(\.part-card, \.part-card \*\):where\(:not\(\.part-card-content, /
	);
	assert.match(
		files.get('x/index.html') ?? '',
		/<div class="own part-card"><p>a<\/p><p class="part-card-content">b/
	);
	assert.ok(!files.get('index.html')?.includes('parts.css'), 'only pages that use it bring it in');
});

test('whatever stands in lists and parts, values never become markup', () => {
	const nasty = fc.string({
		unit: fc.constantFrom('<', '>', '"', "'", '&', '{', '}', 'a', '/', '=', ' ')
	});
	const markup =
		'<p title="{for v in data.d}{v}{end}">{for v in data.d}{use it v=v}{end}</p><a href="{for v in data.d}{v}{end}">x</a>';
	fc.assert(
		fc.property(fc.array(nasty, { maxLength: 3 }), (values) => {
			const html = shown(markup, 'part it(v) """<b data-v="{v}">{v}</b>"""', values);
			const tags = [...html.matchAll(/<\/?[a-z]+/g)].map(([tag]) => tag);
			const expected = ['<p', ...values.flatMap(() => ['<b', '</b']), '</p', '<a', '</a'];
			assert.deepEqual(
				tags.filter((tag) => !tag.includes('div')),
				expected
			);
		}),
		{ numRuns: 200 }
	);
});

test('random texts of tags are read, and what is not closed hides nothing', () => {
	const bits = fc.constantFrom(
		'{if site.name}',
		'{for v in data.d.list}',
		'{else}',
		'{end}',
		'{use box}',
		'WORD',
		'<b>',
		'</b>',
		'{content}',
		'"',
		'{v ?? "x"}'
	);
	fc.assert(
		fc.property(fc.array(bits, { maxLength: 12 }), (parts) => {
			const text = around(
				`data d from "d.json"\npart box """<i>{content}</i>"""\nroute /x { piece a """\n${parts.join('')}\n""" }`
			);
			const site = resolve(text, { 'd.json': JSON.stringify(data) });
			const page = deliver(site, 2026).find(({ path }) => path === 'x/index.html');
			const isBroken = site.problems.some(({ severity }) => severity === 'error');
			if (!isBroken) return;
			assert.ok(site.problems.every(({ span }) => span.from >= 0 && span.to <= text.length));
			assert.ok(!String(page?.content).includes('\ue006'), 'no mark of ours is left');
		}),
		{ numRuns: 300 }
	);
});
