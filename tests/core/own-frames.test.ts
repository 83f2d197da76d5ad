import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Command } from '../../src/core/model/command.ts';
import { propose } from '../../src/core/edit/propose.ts';
import { sourcesOf } from '../../src/core/answer/freshness.ts';
import { deliver, sheetsOf } from '../../src/core/emit/delivery.ts';
import { activeMarkup } from '../../src/core/resolve/content/active.ts';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { makeOn } from '../lib/edits.ts';
import { lookOver } from '../lib/findings.ts';
import { pageNamed, resolve, sound } from '../lib/site.ts';

/** Frames of a layout's own markup, and what layers say of the document around the body. */

const shell = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / {
  attributes html """ class="no-js" """
  attributes body """ class="home" data-page="{page.address}" """
  head """
    <meta name="viewport" content="width=device-width">
    <title>{page.title} — Seeds</title>
    {slot}
    <link rel="icon" href="favicon.svg">
  """
  sheet "css/site.css" media "screen"
  script "js/menu.js" defer
  frame """
    <div id="wrap">
      <header class="top">{region head}<p>Default</p>{end}</header>
      <div class="cols"><nav>{region menu}…{end}</nav><main>
        {slot}
      </main></div>
    </div>
  """
  region head { locked }
}
`;

/** The files of a delivery, by their paths. */
function delivered(text: string, assets: Record<string, string> = {}): Map<string, string> {
	const resolved = sound(text, assets);
	return new Map(
		deliver(resolved, 2026).flatMap(({ path, content }) =>
			typeof content === 'string' ? [[path, content] as const] : []
		)
	);
}

/** The elements of a page with their attributes and text, as one line a node. */
function outline(html: string): string[] {
	const lines: string[] = [];
	const walk = (node: Tree.ParentNode, depth: number): void => {
		for (const child of node.childNodes) {
			if ('tagName' in child) {
				const attrs = child.attrs.map(({ name, value }) => `${name}=${value}`).join(' ');
				lines.push(`${'.'.repeat(depth)}${child.tagName} ${attrs}`.trimEnd());
				walk(child, depth + 1);
			} else if ('value' in child && child.value.trim() !== '') {
				lines.push(`${'.'.repeat(depth)}"${child.value.trim().replace(/\s+/g, ' ')}"`);
			}
		}
	};
	walk(parse(html), 0);
	return lines;
}

test('a frame of own markup has what lands in its places, and nothing that no layer says', () => {
	const files = delivered(
		`${shell}route / { title "Home"; piece body """<h1>Home</h1>Text"""; fill menu { piece m """<a href="/about">About</a>""" } }
		route /about { title "About"; piece body """<h1>About</h1>""" }`,
		{ 'css/site.css': 'p { margin: 0 }', 'js/menu.js': '', 'favicon.svg': '<svg/>' }
	);
	assert.deepEqual(outline(files.get('index.html') ?? ''), [
		'html lang=en class=no-js',
		'.head',
		'..meta charset=utf-8',
		'..meta name=viewport content=width=device-width',
		'..title',
		'..."Home — Seeds"',
		'..link rel=icon href=favicon.svg',
		'..link rel=stylesheet href=css/site.css media=screen',
		'..script src=js/menu.js defer=',
		'.body class=home data-page=/',
		'..div id=wrap',
		'...header class=top',
		'....p',
		'....."Default"',
		'...div class=cols',
		'....nav',
		'.....a href=about/index.html',
		'......"About"',
		'....main',
		'.....h1',
		'......"Home"',
		'....."Text"'
	]);
	assert.match(files.get('about/index.html') ?? '', /href="\.\.\/css\/site\.css"/);
	assert.match(files.get('about/index.html') ?? '', /<nav>…<\/nav>/);
	assert.ok(![...files.keys()].some((path) => path.startsWith('styles/')), 'no sheet of ours');
});

test('a layout of boxes in a frame of own markup brings its sheets, and resets nothing around it', () => {
	const files = delivered(
		`${shell}layout guide at /guides { region side as aside { }; region main as main { slot }; arrange row { gap 8px } }
		route /guides { title "Guides"; piece body """<h1>Guides</h1>""" }`
	);
	const page = files.get('guides/index.html') ?? '';
	assert.ok(outline(page).includes('.....div class=guide'));
	// One main part is in the frame already.
	assert.ok(outline(page).includes('......div class=guide-main'));
	assert.deepEqual(
		[...page.matchAll(/href="([^"]*styles[^"]*)"/g)].map(([, path]) => path),
		['../styles/base.css', '../styles/layouts/guide.css']
	);
	assert.doesNotMatch(files.get('styles/base.css') ?? '', /body|margin/);
});

test('heads stand in chain order, or where an outer one has a slot; each sheet and script once', () => {
	const files = delivered(
		`site "Seeds" { lang en; bands { narrow 0 }; sheet "a.css"; script "x.js" module async }
		layout outer at / { head """<meta name="one" content="{page.title}">{slot}<meta name="three">"""; region main as main { slot } }
		layout inner at /in { sheet "a.css"; sheet "b.css"; region main as main { slot } }
		route /in { title "In"; head """{if page.description}<meta name="two">{end}"""; description "d"; script "x.js"; piece body """<h1>In</h1>""" }`,
		{ 'a.css': '', 'b.css': '', 'x.js': '' }
	);
	const said = outline(files.get('in/index.html') ?? '')
		.filter((line) => /a\.css|b\.css|x\.js|name=(one|two|three)/.test(line))
		.map((line) => line.replace(/^\.+/, ''));
	assert.deepEqual(said, [
		'link rel=stylesheet href=../a.css',
		'script src=../x.js type=module async=',
		'meta name=one content=In',
		'link rel=stylesheet href=../b.css',
		'meta name=two',
		'meta name=three'
	]);
});

test('of attributes that two layers say the nearer has the last word; classes add up', () => {
	const files = delivered(
		`site "Seeds" { lang en; bands { narrow 0 }; attributes html """ class="a" data-x="1" """ }
		layout outer at / { attributes html """ class="b a" """; attributes body """ data-y="{page.address}" """; region main as main { slot } }
		route / { title "Home"; attributes html """ lang="de" data-x="2" """; attributes body """ class="own" """; piece body """<h1>Home</h1>""" }`
	);
	const [html, body] = outline(files.get('index.html') ?? '').filter((line) =>
		/^(html|\.body)/.test(line)
	);
	assert.equal(html, 'html lang=de class=a b data-x=2');
	assert.equal(body, '.body class=outer own data-y=/');
});

test('the stage has the sheets of a site in its pages, asks for nothing elsewhere and runs nothing', () => {
	const text = `${shell}route / { title "Home"; sheet "https://type.example/one.css"; head """<base href="/x/"><meta http-equiv="refresh" content="0;url=/y">"""; piece body """<h1>Home</h1>""" }`;
	const css = '@import "parts/more.css" (min-width: 10px);\n.top { background: url(../pod.svg) }';
	const files = {
		'css/site.css': css,
		'css/parts/more.css': 'p { color: green } b { background: url("../../pod.svg#a") }',
		'pod.svg': '<svg/>'
	};
	const resolved = sound(text, files);
	const [instance] = resolved.instances(pageNamed(resolved, '/'));
	assert.ok(instance);
	const urls = {
		get: (path: string) => (path in files ? `blob:${path}` : undefined)
	};
	const html = stageHtml(instance, resolved, urls, 2026);
	assert.match(html, /<style data-sheet="css\/site\.css" media="screen">/);
	assert.match(html, /@media \(min-width: 10px\) \{\np \{ color: green \}/);
	assert.equal(html.match(/url\('blob:pod\.svg'\)/g)?.length, 2);
	assert.doesNotMatch(html, /type\.example|<base|http-equiv|<script|<link/);
});

test('what a place cannot be says so where it is', () => {
	const codes = (text: string): string[] => resolve(text).problems.map(({ code }) => code);
	const around = (frame: string, more = ''): string =>
		`site "Seeds" { lang en; bands { narrow 0 } }\nlayout shell at / { frame """${frame}"""; ${more} }\nroute / { title "Home"; piece body """<h1>x</h1>""" }`;
	assert.deepEqual(codes(around('<main>{slot}</main>')), []);
	assert.deepEqual(codes(around('<p>{region a}x{end}{region a}{end}</p>{slot}')), ['region-twice']);
	assert.deepEqual(codes(around('<p>{region a}x</p>{slot}')), ['tag-unclosed']);
	assert.deepEqual(codes(around('{region a}{region b}x{end}{end}{slot}')), ['frame-place-inside']);
	assert.deepEqual(codes(around('<p>x</p>')), ['layout-no-slot']);
	assert.deepEqual(codes(around('<main title="{slot}"></main>')), ['tag-not-here']);
	assert.deepEqual(codes(around('{slot}', 'region slot { piece x """x""" }')), [
		'unknown-statement'
	]);
	assert.deepEqual(codes(around('{slot one}{slot two}')), ['layout-two-slots']);
});

test('a route that names a file of HTML is that file', () => {
	const files = delivered(
		`${shell}route / { title "Home"; piece body """<h1>x</h1><a href="/git/add.html#o">Add</a>""" }
		route /git/add.html { title "Add"; piece body """<h1>Add</h1><a href="/">Up</a>""" }`
	);
	assert.match(files.get('index.html') ?? '', /href="git\/add\.html#o"/);
	assert.match(files.get('git/add.html') ?? '', /href="\.\.\/index\.html"/);
});

test('random markup in a frame and in its places comes out as the same tree', () => {
	const inline = fc.constantFrom('b', 'i', 'span', 'a');
	const block = fc.constantFrom('div', 'section', 'p', 'ul');
	const words = fc.constantFrom('seed', 'kale & bean', 'one  two', '{', '"quoted"', 'ü');
	const leaf = fc.tuple(inline, words).map(([tag, word]) => `<${tag}>${escape(word)}</${tag}>`);
	const tree = fc
		.array(
			fc
				.tuple(block, fc.array(leaf, { maxLength: 3 }))
				.map(([tag, inner]) => `<${tag}>${inner.join('')}</${tag}>`),
			{ minLength: 1, maxLength: 3 }
		)
		.map((parts) => parts.join('\n'));
	fc.assert(
		fc.property(tree, tree, tree, (before, own, after) => {
			const brace = (text: string): string => text.replaceAll('{', '\\{');
			const text = `site "Seeds" { lang en; bands { narrow 0 } }
layout shell at / {
  frame """
    ${brace(before).replaceAll('\n', '\n    ')}
    <main>{slot}</main>
    ${brace(after).replaceAll('\n', '\n    ')}
  """
}
route / {
  title "Home"
  piece body """
    ${brace(own).replaceAll('\n', '\n    ')}
  """
}`;
			const page = delivered(text).get('index.html') ?? '';
			const wanted = `<html lang="en"><head><meta charset="utf-8"><title>Home</title></head><body>${before}<main>${own}</main>${after}</body>`;
			assert.deepEqual(outline(page), outline(wanted));
		}),
		{ numRuns: 60 }
	);
});

function escape(text: string): string {
	return text.replaceAll('&', '&amp;');
}

test('what would change a frame by its boxes is refused; what layers bring to its places is made as anywhere', () => {
	const text = `${shell}route / { title "Home"; piece body """<h1>Home</h1>""" }`;
	const resolved = resolve(text);
	const region = { layout: 'shell', region: 'menu' };
	const page = { kind: 'route', name: '/' } as const;
	const layout = { kind: 'layout', name: 'shell' } as const;
	const refused: readonly Command[] = [
		{ kind: 'rename-region', region, to: 'links' },
		{ kind: 'add-region', layout: 'shell', name: 'side', element: 'aside' },
		{ kind: 'remove-piece', holder: { layer: layout, region }, name: 'menu' },
		{
			kind: 'add-piece',
			holder: { layer: layout, region },
			name: 'more',
			start: { kind: 'markup', markup: '<p>x</p>' }
		}
	];
	for (const command of refused) {
		const proposal = propose(resolved, command);
		assert.equal(proposal.kind, 'refused', command.kind);
		assert.match(proposal.kind === 'refused' ? proposal.sentence : '', /frame of its own markup/);
	}
	const fill = propose(resolved, { kind: 'set-fill', layer: page, region, fill: 'empty' });
	assert.equal(fill.kind, 'edit');
});

test('a sheet or script that is not there is told where it is named, and what lies elsewhere is known to be', () => {
	const text = `site "Seeds" { lang en; bands { narrow 0 }; script "js/none.js" }
layout shell at / {
  head """<link rel="stylesheet" href="css/lost.css"><link rel="icon" href="pod.svg">"""
  sheet "css/site.css"
  sheet "https://type.example/one.css"
  frame """<main>{slot}</main>"""
}
route / { title "Home"; piece body """<h1>x</h1>""" }`;
	const files = { 'css/site.css': 'h1 { background: url(../pod.svg) }', 'pod.svg': '<svg/>' };
	const found = lookOver(text, files).findings.map(({ problem }) => problem);
	const told = found.filter(({ code }) => /^document-|asset-unused/.test(code));
	assert.deepEqual(told.map(({ code, details }) => [code, details[0]]).sort(), [
		['document-elsewhere', 'https://type.example/one.css'],
		['document-file-missing', 'css/lost.css'],
		['document-file-missing', 'js/none.js']
	]);
});

test('a site that has no layout yet is a site of pages by themselves', () => {
	const files = delivered(
		'site "Seeds" { lang en; bands { narrow 0 } }\nroute / { title "Home"; piece body """<h1>Home</h1>""" }'
	);
	assert.ok(outline(files.get('index.html') ?? '').includes('..main class=page'));
});

test('what stands in a frame alone counts: a part in it has its style, a source is asked for, scripts are told of', () => {
	const text = `site "Seeds" { lang en; bands { narrow 0 } }
data bins from "https://stock.example/bins" { fresh 60s }
part badge { style """b { color: green }""" } """<b>Open</b>"""
layout shell at / {
  script "js/menu.js"
  frame """<header>{use badge} {data.bins.now ?? "none"}</header><main>{slot}</main><script>1</script>"""
}
route / { title "Home"; piece body """<h1>Home</h1>""" }`;
	const resolved = resolve(text, { 'js/menu.js': '', 'copies/bins.json': '{"now": "3"}' });
	const page = pageNamed(resolved, '/');
	assert.deepEqual(
		sheetsOf(page, resolved).map(({ path }) => path),
		['styles/base.css', 'styles/parts.css']
	);
	assert.deepEqual(
		sourcesOf(page, resolved).map(({ name }) => name.text),
		['bins']
	);
	assert.deepEqual(
		activeMarkup(resolved).map(({ what, layer, piece }) => [what, layer, piece]),
		[
			['<script>', 'shell', 'head'],
			['<script>', 'shell', 'frame']
		]
	);
});

test('who may fill a place is said by choosing, beside the frame, and taken back', () => {
	const text = `${shell}route / { title "Home"; piece body """<h1>Home</h1>""" }`;
	const flag = (from: string, region: string, name: 'locked' | 'required', on: boolean): string => {
		const ref = { layout: 'shell', region };
		return makeOn(from, { kind: 'set-flag', region: ref, flag: name, on }).text;
	};
	const said = (from: string, region: string): readonly boolean[] => {
		const found = resolve(from).site.layouts[0]?.regions.find(({ name }) => name.text === region);
		return [found?.locked ?? false, found?.required ?? false];
	};
	const locked = flag(text, 'menu', 'locked', true);
	assert.match(locked, /\n {2}region menu \{ locked \}\n\}/);
	assert.deepEqual(said(locked, 'menu'), [true, false]);
	const both = flag(locked, 'menu', 'required', true);
	assert.deepEqual(said(both, 'menu'), [true, true]);
	assert.deepEqual(said(flag(flag(both, 'menu', 'locked', false), 'menu', 'required', false), 'menu'), [false, false]); // prettier-ignore
	assert.deepEqual(said(flag(text, 'head', 'locked', false), 'head'), [false, false]);
});
