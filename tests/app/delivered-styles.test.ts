import assert from 'node:assert/strict';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { pathToFileURL } from 'node:url';
import { z } from 'zod';
import { openBrowser } from '../lib/browser.ts';
import { run } from '../../src/cli/main.ts';
import { judgeStyles } from '../judge/styles/judge-styles.ts';

/** What styles reach and how margins lie on delivered pages, as a browser shows them. */

const site = `
site "Reach" { bands { narrow 0 } }
layout outer at / {
  style """i { color: rgb(1, 0, 0) } p { margin: 20px 0 10px }"""
  region head as header { piece name """<p><i id="outer-head">a</i></p>""" }
  region side as aside { piece own """<p><i id="outer-side">b</i></p>""" }
  region main as main { slot; piece none """<p><i id="outer-slot">c</i></p>"""; style """i { font-style: normal }""" }
}
layout inner at /in {
  style """:scope { padding-top: 0 } i { color: rgb(2, 0, 0) }"""
  region body as div { slot }
  fill side after { piece more """<p><i id="inner-fill">d</i></p>""" }
}
route / { title "Home" }
route /in {
  title "In"
  style """i { color: rgb(3, 0, 0) }"""
  piece first """<p id="first"><i id="page-first">e</i></p>"""
  piece second """<p id="second"><i id="page-second">f</i></p>"""
  piece words """<i id="page-text">g</i>"""
  fill head after { piece extra """<p><i id="page-fill">h</i></p>""" }
}
`;

test('a style reaches what its own layer wrote and nothing else; margins of pieces collapse', async () => {
	const folder = await mkdtemp(join(tmpdir(), 'eave-reach-'));
	await writeFile(join(folder, 'site.eave'), site);
	const out = join(folder, 'out');
	const said: string[] = [];
	const streams = { out: () => undefined, errors: (text: string) => void said.push(text) };
	assert.equal(
		await run(['build', join(folder, 'site.eave'), '--out', out], streams),
		0,
		said.join('')
	);
	const { browser, close } = await openBrowser();
	try {
		const page = await browser.newPage();
		const colors = async (path: string): Promise<Record<string, string>> => {
			await page.goto(pathToFileURL(join(out, path)).href);
			return page.evaluate(() =>
				Object.fromEntries(
					[...document.querySelectorAll('i')].map((one) => [one.id, getComputedStyle(one).color])
				)
			);
		};
		const [one, two, three] = ['rgb(1, 0, 0)', 'rgb(2, 0, 0)', 'rgb(3, 0, 0)'];
		assert.deepEqual(await colors('index.html'), {
			'outer-head': one,
			'outer-side': one,
			'outer-slot': one
		});
		assert.deepEqual(await colors('in/index.html'), {
			'outer-head': one,
			'page-fill': three,
			'outer-side': one,
			'inner-fill': two,
			'page-first': three,
			'page-second': three,
			'page-text': three
		});
		const [first, second] = await page.$$eval('#first, #second', (all) =>
			all.map((one) => one.getBoundingClientRect().toJSON())
		);
		const gap =
			z.object({ top: z.number() }).parse(second).top -
			z.object({ bottom: z.number() }).parse(first).bottom;
		assert.equal(gap, 16, 'the margins of a browser, of which one of two counts');
	} finally {
		await close();
		await rm(folder, { recursive: true });
	}
});

test('on random sites every rule reaches just the elements of its layer that a browser matches', async () => {
	const { browser, close } = await openBrowser();
	try {
		const { failure, sites, reached } = await judgeStyles(browser, 8, 1);
		assert.equal(failure?.text, undefined, failure?.says);
		assert.ok(sites === 8 && reached > 500, `${reached} elements are not few`);
	} finally {
		await close();
	}
});
