import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { frames, named, startApp, until, type App } from '../lib/app.ts';
import { violationsDayAndNight } from '../lib/axe.ts';

/** Little room: the application at a zoom of 200 %, and its windows on a screen of 320 px. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const views = ['plan', 'sheet', 'sweep', 'source', 'material', 'findings', 'access', 'deliver'];

test('at a zoom of 200 % axe-core finds nothing in any view, and all of the bar can be reached', async () => {
	// 1280 by 800 px of a screen are 640 by 400 px of CSS then.
	await app.page.setViewport({ width: 640, height: 400, deviceScaleFactor: 2 });
	for (const view of views) {
		await app.open(`/${view}?route=/catalogue`);
		await frames(app.page, 4);
		assert.deepEqual(await violationsDayAndNight(app.page), [], view);
		const cut = await app.page.$$eval('.shell > header :is(a, button, select)', (all) =>
			all
				.filter((one) => {
					one.scrollIntoView();
					const { left, right, top, bottom } = one.getBoundingClientRect();
					return left < -1 || right > innerWidth + 1 || top < -1 || bottom > innerHeight + 1;
				})
				.map((one) => one.textContent)
		);
		assert.deepEqual(cut, [], view);
	}
});

/** Windows, by the words of the menu of the site. */
const windows = [
	'New site …',
	'Open on a device …',
	'Bring in pages (HTML) …',
	'Open an example …',
	'States of this site …',
	'All sites kept in this browser …'
];

test('on 320 px axe-core finds nothing in any window, and nothing of one is cut off', async () => {
	const { page } = app;
	await page.setViewport({ width: 320, height: 640 });
	await app.open('/deliver');
	for (const name of windows) {
		await page.click('.site-name');
		await (await named(page, 'menuitem', name)).click();
		const found = await page.waitForSelector('[role=dialog][data-state=open]', { visible: true });
		await frames(page, 4);
		assert.deepEqual(await violationsDayAndNight(page), [], name);
		const [wide, over] = (await found?.evaluate((one) => [
			one.getBoundingClientRect().width,
			one.scrollWidth - one.clientWidth
		])) ?? [0, 0];
		assert.ok((wide ?? 0) <= 320 && (over ?? 0) <= 0, `${name}: ${wide} px, ${over} px beyond`);
		await page.keyboard.press('Escape');
		await until('it is closed', async () => (await page.$('[role=dialog][data-state=open]')) === null); // prettier-ignore
	}
});
