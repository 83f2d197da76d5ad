import assert from 'node:assert/strict';
import { test } from 'node:test';
import { openBrowser } from '../lib/browser.ts';
import { namedBoxes, openDelivered, sweepOf } from '../lib/delivered-tab.ts';
import { resolve } from '../lib/site.ts';

/** Boxes of frames of own markup at all widths, held against what a browser shows of the delivered page. */

const text = `site "Seed library" { lang en; bands { narrow 0 } }
layout shell at / {
  attributes html """ class="spring" """
  sheet "css/site.css"
  frame """
    <div id="wrap">
      <header class="top">{region head}<p>Seed is lent, and brought back after the harvest.</p>{end}</header>
      <div class="cols"><nav>{region menu}<a href="/">Home</a>{end}</nav><div class="main">
        <p class="crumbs">Here</p>
        {slot}
        <p class="end">Behind it</p>
      </div></div>
      <div class="wide">{region table}<table><tr><td>aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa</td></tr></table>{end}</div>
    </div>
  """
}
layout guide at /guide {
  frame """<ul class="near">{region near}<li>Kale</li><li>Bean</li>{end}</ul><article>{slot}</article>"""
}
route / { title "Home"; piece body """<h1>Home</h1><p id="words">${'Every kind has its season. '.repeat(30)}</p>""" }
route /guide {
  title "Guide"
  piece body """<h1>Guide</h1><p>Sow it in April.</p>"""
  fill menu instead { piece links """<a href="/">Home</a> <a href="/guide">Guide</a>""" }
  fill shell.table empty
}
`;

const css = `
	body { margin: 8px 3%; font: 16px/1.5 serif }
	.spring .crumbs { padding-left: 31px; line-height: 47px }
	.top { float: left; width: 100%; background: #eee }
	.cols { clear: both; display: grid; grid-template-columns: 180px 1fr; gap: 2vw }
	@media (max-width: 700px) { .cols { display: block } .crumbs { display: none } nav { position: relative; left: 10px } }
	@media (min-width: 1100px) { nav { display: none } .main { grid-column: 1 / -1 } }
	.wide { overflow: auto; width: 50%; max-width: 400px }
`;

/** The elements that the places of the frame are, found without any mark. */
const elements: Readonly<Record<string, string>> = {
	'region shell.head': 'header.top',
	'region shell.menu': 'nav',
	'region guide.near': '.near',
	'region guide.slot': 'article',
	'region shell.table': '.wide'
};

for (const [route, path, widths] of [
	['/', '/', [280, 333, 512, 700, 701, 702, 1000, 1099, 1100, 1333, 1760]],
	['/guide', '/guide/', [280, 699, 700, 701, 888, 1099, 1100, 1500]]
] as const) {
	test(`the regions of ${route} lie at every width where the delivered page has them`, async () => {
		const { browser, close } = await openBrowser();
		try {
			const site = resolve(text, { 'css/site.css': css });
			const sweep = await sweepOf(browser, site, route);
			const tab = await browser.newPage();
			await openDelivered(tab, site);
			await tab.goto(`http://seeds.invalid${path}`);
			let compared = 0;
			for (const width of widths) {
				await tab.setViewport({ width, height: 800 });
				const boxes = namedBoxes(sweep.boxesAt(width));
				for (const [name, selector] of Object.entries(elements)) {
					const shown = await tab.evaluate((one) => {
						const rect = document.querySelector(one)?.getBoundingClientRect();
						return rect && rect.width + rect.height > 0
							? { x: rect.x + scrollX, y: rect.y + scrollY, width: rect.width, height: rect.height }
							: undefined;
					}, selector);
					const box = boxes.get(name);
					assert.equal(
						box !== undefined,
						shown !== undefined,
						`${name} at ${width} px is there in both`
					);
					for (const side of ['x', 'y', 'width', 'height'] as const) {
						const by = (box?.[side] ?? 0) - (shown?.[side] ?? 0);
						assert.ok(Math.abs(by) <= 0.5, `${name} at ${width} px: ${side} differs by ${by} px`);
						compared++;
					}
				}
			}
			assert.ok(compared > 100);
			const at = namedBoxes(sweep.boxesAt(1000));
			if (route === '/') {
				const slot = at.get('region shell.slot');
				assert.ok(slot, `a place among other markup has its box: ${[...at.keys()].join(', ')}`);
				const words = await tab.evaluate(
					() => document.querySelector('#words')?.getBoundingClientRect().bottom ?? 0
				);
				const end = sweep
					.boxesAt(1760)
					.find(({ name }) => name.region === 'slot' && name.kind === 'region');
				assert.ok(
					end && Math.abs(end.y + end.height - words) <= 0.5,
					'it ends where what stands in it does'
				);
			}
		} finally {
			await close();
		}
	});
}
