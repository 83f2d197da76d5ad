import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { sourceText } from '../lib/stage.ts';

/** A page that is renamed leads on from where it was: said in a dialog or in its panel, seen in Deliver and on the stage. */

let app: App;
before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

test('a page that is moved leaves a way on, which is said, followed, delivered and taken back', async () => {
	const { page } = app;
	await app.load('/plan?route=/visit');
	const hand = new Hand(app);
	await page.click('[id="row /visit"]');
	await hand.press('button', 'Rename or move');
	await hand.fill('New route', '/find-us');
	const choice = await named(page, 'combobox', 'At the old address');
	await choice.select('a redirect, for visitors of the old address');
	await hand.press('button', 'Move it');
	await page.waitForSelector('::-p-text(would redirect to what moved)');
	await hand.press('button', 'Do it all');
	await page.waitForSelector('[id="row /find-us"]');
	assert.match(
		await sourceText(app, 'routes/1-public.eave'),
		/route \/find-us \{\n\s*moved "\/visit"/
	);

	await app.open('/plan?route=/find-us');
	const field = await named(page, 'textbox', 'was at');
	assert.equal(
		await field.evaluate((one) => (one instanceof HTMLInputElement ? one.value : '')),
		'/visit'
	);
	await hand.type('was at', '/visit, /old/visit.html');
	await app.open('/deliver');
	await page.waitForSelector('::-p-text(Redirects, at the old addresses)');
	await page.waitForSelector('::-p-text(old/visit.html)');

	// A link to an old address leads to the page of today.
	await app.load('/plan?route=/visit');
	await until('it is the page of today', async () => {
		return new URL(page.url()).searchParams.get('route') === '/find-us';
	});
	await hand.press('button', 'undo');
	await hand.press('button', 'undo');
	await page.waitForSelector('[id="row /visit"]');
});
