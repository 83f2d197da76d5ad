import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Measurer } from '../../src/cli/measure/measurer.ts';
import { openBrowser } from '../lib/browser.ts';
import { judgeMeasured, openJudge, pageOf } from '../judge/boxes/judge.ts';
import { runOracle } from '../judge/boxes/run.ts';

const seed = 2;

test('the boxes of 50 random sites at eight widths are those of the browser', async () => {
	const { browser, close } = await openBrowser();
	try {
		// The one known corner, shares as the least of tracks that repeat by the room there is, is not among these.
		const result = await runOracle(browser, 50, seed);
		assert.equal(result.sites, 50);
		assert.ok(result.boxes > 2500, 'they are not empty');
		assert.equal(result.failure?.text, undefined, result.failure?.says);
		assert.equal(result.agree, result.boxes);
		assert.ok(result.largest <= 0.5);
	} finally {
		await close();
	}
});

test('what floats in content that stands in a region pushes no piece, layout or opener behind it aside', async () => {
	const { browser, close } = await openBrowser();
	try {
		const { resolved, instance } = pageOf(floating, '/in');
		const [measurer, page] = [await Measurer.open(browser), await openJudge(browser)];
		const { boxes, differences } = await judgeMeasured({ measurer, page, resolved, instance }, [300, 500, 700, 1200]); // prettier-ignore
		assert.ok(boxes > 20, 'they are not empty');
		assert.deepEqual(differences, []);
		// The judge is shown a page in which it would matter.
		const { y = 0, height = 0 } = await page.evaluate(() => {
			const inner = document.querySelector('iframe')?.contentDocument;
			const { y = 0, height = 0 } = inner?.querySelector('.pod')?.getBoundingClientRect() ?? {};
			const lines = inner?.querySelector('.pod + p')?.getBoundingClientRect().bottom ?? 0;
			return { y, height: y + height > lines ? height : 0 };
		});
		assert.ok(y >= 0 && height > 0, 'what floats reaches beyond the lines beside it');
	} finally {
		await close();
	}
});

const floating = `site "Seed library" { lang en; bands { narrow 0; wide 900 } }
layout outer at / {
  region head as header {
    piece words """<i class="pod"></i><p>Seed is lent.</p>"""
    piece note { pad 4px } """<p>And brought back.</p>"""
  }
  region menu as nav { show drawer left 200px "Menu"; piece links """<a href="/">Home</a>""" }
  region main as main { piece words """<i class="pod"></i><p>Kinds</p>"""; slot }
  style global """.pod { float: left; width: 120px; height: 90px } p { margin: 0 }"""
}
layout inner at /in { region body as div { slot } }
route /in { piece text """<p>Beans</p>""" }
`;
