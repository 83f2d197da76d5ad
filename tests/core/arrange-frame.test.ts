import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Command } from '../../src/core/model/command.ts';
import { makeOn, refusal } from '../lib/edits.ts';
import { pageNamed } from '../lib/site.ts';

/** Boxes take the place of a frame of own markup: what lands in its places goes on landing there, and undo takes all of it back. */

const site = (settings: string, more = ''): string => `site "Seeds" { lang en${settings} }
layout shell at / {
  frame """
    <div id="wrap">
      <header class="top">{region head}<p>Seeds</p>{end}</header>
      <main>{slot}</main>
    </div>
  """
  region head { required }
}
route / { title "Home"; fill shell.head { piece name """<b>Seeds</b>""" }; piece body """<h1>Home</h1>""" }
${more}`;

const lines = [
	'arrange areas { "top" auto; "main" 1fr }',
	'region top as header {',
	'  piece words """<p>Marrow Lane</p>"""',
	'}',
	'region main as main { slot }'
];

const arrange = (more: Partial<Extract<Command, { kind: 'arrange-frame' }>> = {}): Command => ({
	kind: 'arrange-frame',
	layout: 'shell',
	lines,
	around: undefined,
	bands: [],
	...more
});

/** A page that fills nothing of the frame. */
const plain = (settings: string): string =>
	site(settings).replace(' fill shell.head { piece name """<b>Seeds</b>""" };', '').replace('  region head { required }\n', ''); // prettier-ignore

/** The names of the regions that a page ends up with. */
function regionsOf(made: ReturnType<typeof makeOn>, page = '/'): string[] {
	const { regions } = made.resolved.page(pageNamed(made.resolved, page));
	return regions.map(({ layout, region }) => `${layout.name.text}.${region.name.text}`);
}

test('the lines stand where the frame stood, and nothing of it is left', () => {
	const made = makeOn(plain(''), arrange());
	assert.doesNotMatch(made.text, /frame|wrap/);
	assert.match(made.text, /layout shell at \/ \{\n {2}arrange areas/);
	assert.deepEqual(regionsOf(made), ['shell.top', 'shell.main']);
	const [layout] = made.resolved.site.layouts;
	assert.equal(layout?.frame, undefined);
});

test('bands that the lines speak of come to the site: all of them where it has none, the others beside those it has', () => {
	const bands = [
		{ name: 'from-700', from: 700 },
		{ name: 'from-1100', from: 1100 }
	];
	const wide = [...lines, 'pad 8px @from-700', 'pad 16px @from-1100'];
	const none = makeOn(plain(''), arrange({ lines: wide, bands }));
	assert.deepEqual(
		none.resolved.site.settings.bands.map(({ name, from }) => [name.text, from]),
		[
			['narrow', 0],
			['from-700', 700],
			['from-1100', 1100]
		]
	);
	const some = makeOn(plain('; bands { small 0; large 900 }'), arrange({ lines: wide, bands }));
	assert.deepEqual(
		some.resolved.site.settings.bands.map(({ name, from }) => [name.text, from]),
		[
			['small', 0],
			['from-700', 700],
			['large', 900],
			['from-1100', 1100]
		]
	);
});

test('what stays around is a layout of its own, which the boxes land in; who may fill its places, and what fills them, goes there', () => {
	const inner = ['arrange stack', 'region body as main { slot }'];
	const markup = '<div id="wrap"><header class="top">{region head}<p>Seeds</p>{end}</header>{slot}</div>'; // prettier-ignore
	const around = { name: 'shell-frame', markup, regions: ['head'] };
	const made = makeOn(site('', 'route /b { title "B"; piece body """<h1>B</h1>"""; fill shell.head { piece other """<b>B</b>""" } }'), arrange({ lines: inner, around })); // prettier-ignore
	assert.match(made.text, /layout shell at \/ \{\n {2}under shell-frame\n/);
	assert.match(made.text, /layout shell-frame at \/ on-request \{\n {2}under none\n/);
	assert.match(made.text, /region head \{ required \}/);
	assert.equal(made.text.match(/fill shell-frame\.head/g)?.length, 2);
	assert.doesNotMatch(made.text, /fill shell\.head/);
	const { chain } = made.resolved.page(pageNamed(made.resolved, '/'));
	assert.deepEqual(chain.map(({ name }) => name.text), ['shell-frame', 'shell']); // prettier-ignore
	assert.ok(regionsOf(made).includes('shell.body'));
});

test('a layout that sits under another has what stays around between the two', () => {
	const nested = `${plain('')}layout inner at /in {
  frame """<section><div>{slot}</div></section>"""
}
route /in { title "In"; piece body """<h1>In</h1>""" }
`;
	const around = { name: 'inner-frame', markup: '<section>{slot}</section>', regions: [] };
	const made = makeOn(
		nested,
		arrange({ layout: 'inner', lines: ['region body as div { slot }'], around })
	);
	const { chain } = made.resolved.page(pageNamed(made.resolved, '/in'));
	assert.deepEqual(chain.map(({ name }) => name.text), ['shell', 'inner-frame', 'inner']); // prettier-ignore
});

test('a layout that has no such frame, or is gone, is left as it is, with the reason', () => {
	const boxes = makeOn(plain(''), arrange()).text;
	assert.match(refusal(boxes, arrange()), /shell has no frame of its own markup any more/);
	assert.match(refusal(boxes, arrange({ layout: 'gone' })), /gone/);
});

test('what would land nowhere any more is told, and lines that cannot be read are refused', () => {
	const made = makeOn(site(''), arrange());
	assert.equal(made.said, 'This also removes what / puts into head.');
	assert.match(refusal(plain(''), arrange({ lines: ['region main as main { slot'] })), /\w/);
});

test('it does not matter what the layout says before its frame, or behind it', () => {
	const inner = ['region body as main { slot }'];
	const around = { name: 'shell-frame', markup: '<div>{region head}x{end}{slot}</div>', regions: ['head'] }; // prettier-ignore
	const frame = 'frame """<div>{region head}x{end}{slot}</div>"""';
	for (const own of [
		[frame, 'region head { required }'],
		['region head { required }', frame],
		['title "{page.title} · Seeds"', frame, 'region head { required }'],
		['region head { required }', 'title "{page.title} · Seeds"', frame],
		['// What all pages have.', frame, 'region head { required }']
	]) {
		const text = (between: string, end: string): string =>
			`site "Seeds" { lang en }\nlayout shell at / {${between}${own.join(end)}${between}}\nroute / { title "Home"; fill shell.head { piece name """<b>Seeds</b>""" }; piece body """<h1>Home</h1>""" }\n`; // prettier-ignore
		const isInLine = !own.some((line) => line.startsWith('//'));
		for (const whole of [text('\n  ', '\n  '), ...(isInLine ? [text(' ', '; ')] : [])]) {
			const made = makeOn(whole, arrange({ lines: inner, around }));
			assert.equal(made.said, '', whole);
			const { chain } = made.resolved.page(pageNamed(made.resolved, '/'));
			assert.deepEqual(chain.map(({ name }) => name.text), ['shell-frame', 'shell'], made.text); // prettier-ignore
			assert.match(made.text, /fill shell-frame\.head/);
		}
	}
});
