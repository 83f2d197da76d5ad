import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { judgeFits } from '../judge/boxes/fits.ts';
import { openBrowser } from '../lib/browser.ts';
import { named, startApp, until, type App } from '../lib/app.ts';
import { openText } from '../lib/source.ts';

test('what scrolls sideways, is cut or covered on random sites is what the browser shows', async () => {
	const { browser, close } = await openBrowser();
	try {
		const { shown, missed, invented } = await judgeFits(browser, 25, 7);
		assert.ok(shown > 200, `${shown} things do not fit`);
		assert.deepEqual(missed, []);
		assert.deepEqual(invented, []);
	} finally {
		await close();
	}
});

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const doubtful = `site "Doubtful" { lang en; bands { narrow 0; wide 1000 } }
layout frame at / {
  description "Seed that is lent."
  arrange areas { "main" 1fr; "foot" auto }
  region main as main { slot }
  region foot as footer { piece small """<p>&copy; 2024 Seeds, <b>&copy; 2023</b></p>""" }
}
route / { title "Home"; piece body { width 500px } """<h1>Seeds</h1><h3>Beans</h3>""" }
route /two { title "Two"; piece body """<h1>Two</h1><a href="/">Home</a>""" }
`;

let opened = 0;

/** Puts the doubtful site into the application, and waits until all of it has been looked over. */
async function openDoubtful(): Promise<void> {
	await app.open('/findings');
	// By its name one sees that it is open, and not the one before.
	const name = `Doubtful ${++opened}`;
	await openText(app.page, doubtful.replace('"Doubtful"', `"${name}"`), 'doubtful.eave');
	await until('it is open', async () =>
		(await app.page.$eval('header', (one) => one.textContent ?? '')).includes(name)
	);
	await kindsAre('all is found', (all) =>
		['foot-floats', 'heading-skips', 'year-fixed'].every((one) => all.includes(one))
	);
}

/** Kinds of findings in the list, in their order. */
function kinds(): Promise<string[]> {
	return app.page.$$eval('section.kind', (all) =>
		all.map((one) => one.getAttribute('aria-label') ?? '')
	);
}

async function kindsAre(what: string, holds: (kinds: readonly string[]) => boolean): Promise<void> {
	let last: string[] = [];
	await until(`${what}: ${last.join()}`, async () => holds((last = await kinds())));
}

async function press(text: string): Promise<void> {
	await (await app.page.waitForSelector(`.view ::-p-text(${text})`))?.click();
}

test('a finding says where it is, shows the page there, and its mend before it is taken; undo brings it back', async () => {
	const { page } = app;
	await openDoubtful();
	await until('the bar counts them', async () =>
		/warning/.test(await page.$eval('nav .counts', (one) => one.textContent ?? ''))
	);
	await press('Where a page is short');
	await until('the address says which', async () => page.url().includes('finding=foot-floats'));
	await until(
		'the page is drawn before and after',
		async () => (await page.$$('.mend .drawings svg')).length === 2
	);
	await until('the pages are named', async () =>
		/2 pages come out differently/.test(await page.$eval('.mend', (one) => one.textContent ?? ''))
	);
	await press('Fix it');
	await kindsAre('it goes by itself', (all) => !all.includes('foot-floats'));
	await page.keyboard.down('Control');
	await page.keyboard.press('z');
	await page.keyboard.up('Control');
	await kindsAre('undo brings it back', (all) => all.includes('foot-floats'));
});

test('all of a kind are mended in one step of undo, and one is set aside with a reason and told again', async () => {
	const { page } = app;
	await openDoubtful();
	await press('Fix all 2');
	await kindsAre('both years are gone', (all) => !all.includes('year-fixed'));
	await (await named(page, 'button', 'undo')).click();
	await kindsAre('one step brings both back', (all) => all.includes('year-fixed'));
	await press('This heading of level 3');
	await press('Ignore, with a reason …');
	await (await page.waitForSelector('.reason input'))?.type('beans are small');
	await page.keyboard.press('Enter');
	await kindsAre('it is set aside', (all) => !all.includes('heading-skips'));
	await until('its reason is listed', async () =>
		/beans are small/.test(
			await page.$eval('[aria-label="Ignored, with a reason"]', (one) => one.textContent ?? '')
		)
	);
	await press('Stop ignoring');
	await kindsAre('it is told again', (all) => all.includes('heading-skips'));
});

test('show goes to the page, the width and the region; the drawings and the source carry marks', async () => {
	const { page } = app;
	await openDoubtful();
	await press('The page scrolls sideways');
	await until('it is chosen', async () => page.url().includes('finding=page-scrolls-sideways'));
	await press('Show on the page');
	await until('the stage is at a width where it is so', async () => {
		const url = new URL(page.url());
		const width = Number(url.searchParams.get('width'));
		return (
			url.pathname === '/plan' &&
			url.searchParams.get('route') === '/' &&
			width >= 280 &&
			width < 500
		);
	});
	await page.waitForSelector('.row .found svg');
	await page.waitForSelector('.lands .found svg');
	await page.waitForSelector('.ruler .found');
	await (await named(page, 'link', 'Source')).click();
	await page.waitForSelector('.cm-lintRange-hint');
	await page.waitForSelector('.cm-lint-marker-warning');
});
