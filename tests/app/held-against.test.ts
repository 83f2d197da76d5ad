import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { openText } from '../lib/source.ts';
import { startApp, textOf, until, type App } from '../lib/app.ts';

/** The stage keeps the calculation honest: what is shown is held against what was computed. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const site = `site "Moved" { }
layout shell at / {
  arrange areas { "head" auto; "main" auto }
  style """header { margin-bottom: 30px }"""
  region head as header { piece name """<p>Moved</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece a """<p>text</p>""" }
`;

/** Waits until the page on the stage has been compared; gives what differs. */
async function compared(): Promise<string | undefined> {
	await until('it has been compared', async () => app.page.$('[data-compared]'));
	return app.page.$eval('[data-compared]', (one) => one.getAttribute('data-compared') || undefined);
}

test('on the demo nothing differs, at widths of all bands', async () => {
	for (const [route, width] of [
		['/', 1180],
		['/catalogue', 700],
		['/catalogue/:variety', 360],
		['/desk/loans', 905]
	] as const) {
		await app.open(`/plan?route=${route}&width=${width}`);
		assert.equal(await compared(), undefined, `${route} at ${width}`);
	}
});

test('a style that moves a box is named, by how much, with its place', async () => {
	await app.open('/plan');
	const { page } = app;
	await openText(page, site);
	await until('it is open', async () => (await textOf(page, 'header')).includes('Moved'));
	// The page that stood there before had been compared as well.
	const said = await until('it has been compared anew', compared);
	assert.match(said, /^main of shell is 30 px further down than computed, /);
	assert.match(said, /because of "margin-bottom" at "header" in the style of shell\.$/);
	const link = await page.waitForSelector('[role=status] a');
	assert.match((await link?.evaluate((one) => one.textContent)) ?? '', /line 4/);
});
