import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { heavySites, openHeavy } from '../../scripts/bench/heavy.ts';
import { frames, startApp, until, type App } from '../lib/app.ts';

/**
 * Heavy sites hold nothing up: what is drawn of them is no more than what is seen, however large they are. It is
 * counted, which no machine can slow; how long it takes, the benchmark says.
 */

let app: App;

before(async () => {
	app = await startApp();
});
after(() => app.close());

/** Elements that stand in the application's own page: as many as in the demo, and some more rows. */
const mostElements = 3500;

async function elements(): Promise<number> {
	return app.page.evaluate(() => document.querySelectorAll('*').length);
}

for (const site of heavySites) {
	test(`${site.what}: no view draws more than can be seen, and none is kept when one leaves it`, async () => {
		await app.load('/plan');
		await openHeavy(app.page, site);
		const first = await elements();
		for (const view of ['source', 'deliver', 'plan']) {
			await app.page.click(`nav a[href^="/${view}"]`);
			await app.page.waitForSelector(`nav a[href^="/${view}"][aria-current="page"]`);
			await until(`${view} is drawn`, async () => (await app.page.$('.busy')) === null);
			await frames(app.page, 20);
			const count = await elements();
			assert.ok(count < mostElements, `${view} has ${count} elements`);
		}
		const last = await elements();
		assert.ok(last < first * 1.2 + 100, `${last} elements where there were ${first}`);
		assert.deepEqual(app.faults, []);
	});
}
