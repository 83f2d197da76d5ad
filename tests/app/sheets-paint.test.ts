import assert from 'node:assert/strict';
import { test } from 'node:test';
import type { Page as Tab } from 'puppeteer-core';
import { openBrowser } from '../lib/browser.ts';
import { namedBoxes, openDelivered, sweepOf } from '../lib/delivered-tab.ts';
import { resolve } from '../lib/site.ts';

/** Sheets of the site's own that say everything of how boxes lie, and may only paint them. */

const text = `site "Seed library" { lang en; bands { narrow 0; wide 800 } }
layout shell at / {
  description "Seed that is lent."
  sheet "css/old.css"
  sheets paint
  attributes body """ class="spring" """
  arrange stack { gap 12px }
  region head as header {
    attributes """ class="top" id="top" """
    pad 10px 20px; border 0 0 3px
    piece words """<p>Seed is lent, and brought back after the harvest.</p>"""
  }
  wrapper cols {
    attributes """ class="cols" """
    arrange stack
    arrange columns 200px 1fr @wide { gap 16px }
    region menu as nav { attributes """ class="menu" title="Where to" """; pad 8px; piece links """<ul><li><a href="/">Home</a></li></ul>""" }
    region main as main { slot; attributes """ class="main" """ }
  }
  region foot as footer { attributes """ id="foot" class="top" """; piece words """<p>Behind the old mill</p>""" }
}
route / { title "Home"; piece body """<h1>Home</h1><p>${'Every kind has its season. '.repeat(30)}</p><div class="in">Kale</div>""" }
`;

/** What such a sheet says of content, which it was written for. */
const content = '.in { width: 200px; padding: 0 20px }';

/** What an old sheet says of such boxes, in whatever way it can be said. */
const moves = [
	'float: left; width: 37%; height: 90px; margin: 20px 0 0 -15px; padding: 3em; display: inline-block',
	'position: absolute; top: 30px; left: 40px; z-index: 3; box-sizing: content-box; border: 5px dotted #f00; overflow: hidden',
	'display: flex; flex-direction: row-reverse; gap: 50px; justify-content: space-between; align-items: end; order: 7; flex: 0 0 90px',
	'display: grid; grid-template-columns: 1fr 1fr 1fr; grid-column: 2 / 3; place-self: end; min-width: 700px; max-height: 40px',
	'columns: 3; transform: translate(10px, 20px) rotate(3deg); translate: 5px; scale: 1.2; aspect-ratio: 2; inset-inline: 9px',
	'inline-size: 120px; margin-inline-start: 33px; padding-block: 44px; border-inline-start: 11px solid #0f0; writing-mode: vertical-rl'
];

const selectors = [
	'.top',
	'#foot',
	'.cols',
	'div.cols > .menu',
	'body.spring',
	'body .main',
	'nav[title]'
];

const elements: Readonly<Record<string, string>> = {
	'region shell.head': 'header',
	'region shell.menu': 'nav',
	'region shell.main': 'main',
	'region shell.foot': 'footer'
};

const shown = (tab: Tab, selector: string): Promise<Record<string, number | string>> =>
	tab.evaluate((one) => {
		const element = document.querySelector(one);
		if (!element) throw new Error(`There is no ${one}.`);
		const { x, y, width, height } = element.getBoundingClientRect();
		const { color, borderBottomColor } = getComputedStyle(element);
		return { x, y, width, height, color, borderBottomColor };
	}, selector);

for (const [index, says] of moves.entries()) {
	test(`whatever a sheet says of how boxes lie, they lie as settings say, and are painted: ${index + 1}`, async () => {
		const { browser, close } = await openBrowser();
		try {
			const css = `${selectors.map((one) => `${one} { ${says}; color: rgb(20, 90, 40); border-color: rgb(90, 40, 20) }`).join('\n')}\n${content}`; // prettier-ignore
			const site = resolve(text, { 'css/old.css': css });
			const sweep = await sweepOf(browser, site, '/');
			const tab = await browser.newPage();
			await openDelivered(tab, site);
			// The same without what it says of how they lie, which no one has to hold.
			const plain = resolve(text.replace('  sheets paint\n', ''), {
				'css/old.css':
					selectors.map((one) => `${one} { color: rgb(20, 90, 40) }`).join('\n') + content
			});
			const beside = await browser.newPage();
			await openDelivered(beside, plain);
			for (const width of [320, 799, 800, 1280]) {
				const boxes = namedBoxes(sweep.boxesAt(width));
				for (const one of [tab, beside]) {
					await one.setViewport({ width, height: 800 });
					await one.goto('http://seeds.invalid/');
				}
				assert.equal((await shown(tab, '.in')).width, 240, 'nothing is reset in the content');
				for (const [name, selector] of Object.entries(elements)) {
					const [here, there] = [await shown(tab, selector), await shown(beside, selector)];
					for (const side of ['x', 'y', 'width', 'height'] as const) {
						const where = `${name} at ${width} px: ${side}`;
						assert.ok(Math.abs(Number(here[side]) - Number(there[side])) <= 0.1, `${where} is ${here[side]}, not ${there[side]} px`); // prettier-ignore
						const computed = boxes.get(name)?.[side] ?? NaN;
						assert.ok(Math.abs(Number(here[side]) - computed) <= 0.5, `${where} is ${here[side]}, computed ${computed} px`); // prettier-ignore
					}
					assert.equal(here.color, 'rgb(20, 90, 40)');
					assert.equal(here.borderBottomColor, 'rgb(90, 40, 20)');
				}
			}
		} finally {
			await close();
		}
	});
}
