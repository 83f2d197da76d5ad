import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import type { Browser, Page as Tab } from 'puppeteer-core';
import { NotBoxes } from '../../src/core/arranging/frame/frame-tree.ts';
import { isSame } from '../../src/core/arranging/part-shift.ts';
import { FrameReader, type Arranged } from '../lib/arranging.ts';
import { openBrowser } from '../lib/browser.ts';
import { openDelivered } from '../lib/delivered-tab.ts';
import { framedSite, lookedFor, manners } from '../lib/framed-manners.ts';
import { resolve } from '../lib/site.ts';

/**
 * Frames of own markup become boxes: what is delivered then is held against what was delivered before, in a browser that
 * knows nothing of how they were read, also at widths at which they were not, and on a page that was not.
 */

let browser: Browser;
let close: () => Promise<void>;
let reader: FrameReader;
before(async () => {
	({ browser, close } = await openBrowser());
	reader = await FrameReader.open(browser);
});
after(() => close());

type Places = Readonly<Partial<Record<string, readonly number[]>>>;

/** Where what is looked for stands on the page, px. */
function places(tab: Tab): Promise<Places> {
	return tab.evaluate((ids) => {
		const found = ids.flatMap((id) => {
			const rect = document.getElementById(id)?.getBoundingClientRect();
			if (!rect || rect.width + rect.height === 0) return [];
			return [[id, [rect.x + scrollX, rect.y + scrollY, rect.width, rect.height]] as const];
		});
		return Object.fromEntries(found);
	}, lookedFor);
}

function arranged(
	text: string,
	css: string,
	wish?: Parameters<FrameReader['arrange']>[3]
): Promise<Arranged> {
	return reader.arrange(resolve(text, { 'css/site.css': css }), 'shell', '/', wish);
}

const widths = [320, 411, 599, 602, 699, 702, 799, 802, 1111, 1777];

for (const [name, { frame, css, edges }] of Object.entries(manners)) {
	test(`a frame of ${name} becomes boxes, and everything stays where it is at every width, on each page`, async () => {
		const site = resolve(framedSite({ frame }), { 'css/site.css': css });
		const { command, after: made, shifts } = await arranged(framedSite({ frame }), css);
		assert.deepEqual(
			made.problems.filter(({ severity }) => severity === 'error'),
			[]
		);
		assert.deepEqual(
			command.bands.map(({ from }) => from),
			edges,
			'bands begin where media queries do'
		);
		assert.deepEqual(
			shifts.filter((one) => !isSame(one)),
			[],
			'nothing is said to lie elsewhere'
		);
		const [old, now] = [await browser.newPage(), await browser.newPage()];
		await openDelivered(old, site);
		await openDelivered(now, made);
		let compared = 0;
		for (const width of widths) {
			for (const address of ['', 'lend/']) {
				for (const tab of [old, now]) {
					await tab.setViewport({ width, height: 800 });
					await tab.goto(`http://seeds.invalid/${address}`);
				}
				const [was, is] = [await places(old), await places(now)];
				assert.deepEqual(Object.keys(is), Object.keys(was), `the same is shown at ${width} px`);
				for (const [id, box] of Object.entries(was)) {
					const off = Math.max(...(box ?? []).map((one, side) => Math.abs(one - (is[id]?.[side] ?? NaN)))); // prettier-ignore
					assert.ok(off <= 0.5, `#${id} of /${address} at ${width} px: ${was[id]?.join()} is ${is[id]?.join()}`); // prettier-ignore
					compared++;
				}
			}
		}
		assert.ok(compared > 80, `${compared} were compared`);
		await Promise.all([old, now].map((tab) => tab.close()));
	});
}

const floats = manners['floats'] ?? { frame: '', css: '', edges: [] };

test('one element of a frame becomes boxes, and what is around it stays as it was written', async () => {
	const text = framedSite(floats).replace(
		'route /lend {',
		'route /lend {\n  fill shell.menu { piece menu """<a href="/">Home</a>""" }\n '
	);
	const wish = { only: 0, opened: new Set<number>() };
	const { after: made, command, shifts } = await arranged(text, floats.css, wish);
	assert.equal(command.around?.markup, '{slot wrap}');
	assert.ok(Math.max(...shifts.map(({ by }) => by)) <= 0.5);
	const part = await arranged(text, floats.css, { only: 4, opened: new Set() });
	const layouts = part.after.site.layouts;
	assert.deepEqual(layouts.map(({ name, frame }) => [name.text, frame !== undefined]), [['shell', false], ['shell-page', true]]); // prettier-ignore
	assert.deepEqual(
		layouts.map(({ regions }) => regions.map(({ name }) => name.text)),
		[
			['side', 'crumbs', 'slot'],
			['menu', 'cols']
		]
	);
	const [page] = part.after.routes.filter(({ pattern }) => pattern.text === '/lend');
	assert.deepEqual(page?.fills.map(({ layout, region }) => [layout, region]), [['shell-page', 'menu']]); // prettier-ignore
	assert.deepEqual(
		made.problems.filter(({ severity }) => severity === 'error'),
		[]
	);
});

test('an element that holds no place is looked into where one wishes it', async () => {
	const { frame, css } = manners['flex lines'] ?? floats;
	const text = framedSite({ frame });
	const plain = await arranged(text, css);
	assert.match(plain.command.lines.join('\n'), /<footer class="foot">/);
	const number = [...frame.matchAll(/<[a-z]/g)].findIndex(({ index }) => frame.startsWith('<footer', index)); // prettier-ignore
	// What stands in places is none of the frame's own elements.
	const inPlaces = (/[\s\S]*<footer/.exec(frame)?.[0].match(/\{region[\s\S]*?\{end\}/g) ?? []).join('').match(/<[a-z]/g)?.length ?? 0; // prettier-ignore
	const wish = { only: undefined, opened: new Set([number - inPlaces]) };
	const opened = await arranged(text, css, wish);
	const said = opened.command.lines.join('\n');
	assert.match(said, /wrapper foot as footer/);
	assert.match(said, /arrange columns 1fr 1fr 1fr @from-701 \{ gap 0 24px \}/);
	assert.ok(Math.max(...opened.shifts.map(({ by }) => by)) <= 0.5);
});

test('a page whose lines run from right to left is arranged from where they begin', async () => {
	const text = framedSite(floats).replace('{ lang en }', '{ lang en; dir rtl }');
	const css = floats.css
		.replaceAll('left', '*')
		.replaceAll('right', 'left')
		.replaceAll('*', 'right');
	const { command, shifts } = await arranged(text, css);
	assert.match(
		command.lines.join('\n'),
		/arrange columns 200px minmax\(0, 1fr\) @from-601 \{ gap 0 20px \}/
	);
	assert.ok(Math.max(...shifts.map(({ by }) => by)) <= 0.5);
	const said = framedSite(floats).replace(
		'sheet "',
		'attributes html """ dir="rtl" """\n  sheet "'
	);
	await assert.rejects(() => arranged(said, css), /write "dir rtl" in the site first/);
});

test('boxes that change their order without a media query get a band at the very px', async () => {
	const frame =
		'<div class="wrap"><div class="side">{region menu}<p>Pages</p>{end}</div><main>{slot}</main></div>';
	const css =
		'body { margin: 0 } .wrap { display: flex; flex-wrap: wrap } .side { flex: 1 1 300px } main { flex: 3 1 500px; min-width: 0 }';
	const { command, shifts } = await arranged(framedSite({ frame }), css);
	assert.deepEqual(command.bands, [{ name: 'from-800', from: 800 }]);
	assert.equal(shifts.find(({ width }) => width === 799)?.by ?? 0, 0);
});

test('what is off is told for each width, with the element, and nothing is hidden', async () => {
	const frame = '<div class="a">{region menu}<p>Pages</p>{end}</div><main>{slot}</main>';
	// Boxes that lie over each other have no words in settings.
	const css = 'body { margin: 0 } .a { margin-bottom: -30px; height: 60px; background: #eee }';
	const { shifts } = await arranged(framedSite({ frame }), css);
	for (const { by, name } of shifts) {
		assert.ok(by >= 29, `${by} px`);
		assert.ok(name !== undefined);
	}
});

test('what cannot be boxes says why, with its place', async () => {
	for (const [frame, why] of [
		['<ul>{region menu}<li>Home</li>{end}</ul><main>{slot}</main>', /menu is a ul/],
		['{if page.title}<nav>{region menu}{end}</nav>{end}<main>{slot}</main>', /condition/]
	] as const) {
		await assert.rejects(
			() => reader.arrange(resolve(framedSite({ frame }), { 'css/site.css': '' }), 'shell', '/'),
			(failure) => failure instanceof NotBoxes && why.test(failure.message)
		);
	}
	const inner = { only: 3, opened: new Set<number>() };
	await assert.rejects(
		() => reader.arrange(resolve(framedSite(floats), { 'css/site.css': floats.css }), 'shell', '/', inner), // prettier-ignore
		NotBoxes
	);
});
