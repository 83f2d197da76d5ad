import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { onlyColours, violationsIn } from '../lib/axe.ts';
import { holdWorker } from '../lib/hold.ts';
import { openText } from '../lib/source.ts';

/** States that are there only for a moment, unless what reads the site is held: they are brought about here on purpose. */

let app: App;

before(async () => {
	app = await startApp();
});
after(async () => {
	await app.page.emulateMediaFeatures([]);
	await app.close();
	assert.deepEqual(app.faults, []);
});

/** By how much the window is wider than the screen, px. */
function beyond(): Promise<number> {
	return app.page.evaluate(() => {
		const { scrollWidth, clientWidth } = document.documentElement;
		const edges = [...document.querySelectorAll('header *')].map(
			(one) => one.getBoundingClientRect().right
		);
		return Math.max(scrollWidth - clientWidth, ...edges.map((edge) => edge - innerWidth));
	});
}

/** Controls that something which says that it works lies over. */
function covered(): Promise<string[]> {
	return app.page.evaluate(() => {
		const over = [...document.querySelectorAll('.busy, .busy *')].filter(
			(one) => getComputedStyle(one).pointerEvents !== 'none'
		);
		const edges = over.map((one) => one.getBoundingClientRect());
		return [...document.querySelectorAll('button, a, input, select, textarea, [tabindex]')]
			.filter((one) => !one.closest('.busy') && !one.contains(over[0] ?? null))
			.filter((one) => {
				const at = one.getBoundingClientRect();
				return edges.some(
					(edge) =>
						at.left < edge.right &&
						edge.left < at.right &&
						at.top < edge.bottom &&
						edge.top < at.bottom
				);
			})
			.map((one) => one.outerHTML.slice(0, 80));
	});
}

const views = ['plan', 'sheet', 'sweep', 'source', 'material', 'findings', 'deliver'];

/** Goes to a view by the bar, as one does. */
async function goTo(view: string): Promise<void> {
	await app.page.click(`nav a[href^="/${view}"]`);
	await app.page.waitForSelector(`nav a[href^="/${view}"][aria-current="page"]`);
}

test('while it works nothing moves and nothing is cut, in any view, at two sizes', async () => {
	const { page } = app;
	await app.load('/plan');
	for (const width of [1280, 1024]) {
		await page.setViewport({ width, height: 800 });
		for (const view of views) {
			await goTo(view);
			const button = await named(page, 'button', 'find');
			const before = await button.boundingBox();
			const release = await holdWorker(page);
			// Another role is another look at the whole site, which is asked for in every view.
			const seenBy = 'select[aria-label="Seen by"]';
			const role = await page.$eval(seenBy, (one) =>
				one instanceof HTMLSelectElement ? one.value : ''
			);
			await page.select(seenBy, role === 'member' ? 'keeper' : 'member');
			await until('it says that it works', async () => (await page.$('.busy')) !== null);
			assert.ok((await beyond()) <= 0, `${view} at ${width} px is wider than the screen`);
			assert.deepEqual(await button.boundingBox(), before, `${view} at ${width} px moves`);
			assert.deepEqual(await covered(), [], `${view} at ${width} px is covered`);
			await release();
			await until('it is done', async () => (await page.$('.busy')) === null);
		}
	}
	await page.setViewport({ width: 1280, height: 800 });
});

test('drawings of the sheet that still wait have a name, and stopping is offered to all', async () => {
	const { page } = app;
	await app.load('/plan');
	const release = await holdWorker(page);
	await goTo('sheet');
	await until('it says that it works', async () => (await page.$('.busy')) !== null);
	await named(page, 'button', 'Stop');
	assert.deepEqual(await violationsIn(page), []);
	await release();
	await page.waitForSelector('.drawing');
	assert.deepEqual(await violationsIn(page), []);
});

test('what is stopped in any view is said, is no failure, and is read again where one asks for it', async () => {
	const { page } = app;
	for (const view of views) {
		await app.load('/plan');
		// It is never let go: what stops it ends it.
		await holdWorker(page);
		await goTo(view);
		await page.select('select[aria-label="Seen by"]', 'keeper');
		await (await named(page, 'button', 'Stop')).click();
		await page.waitForSelector('::-p-text(Reading the site stopped: you stopped it)');
		await (await named(page, 'button', 'Read it again')).click();
		await until(
			`${view} goes on`,
			async () => (await page.$('::-p-text(Reading the site stopped)')) === null
		);
		await until('it is done', async () => (await page.$('.busy')) === null);
	}
});

test('where the system prefers dark, what can be chosen is read as well as by day', async () => {
	const { page } = app;
	await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'dark' }]);
	await app.load('/plan');
	await page.evaluate(() => localStorage.clear());
	for (const view of ['sheet', 'sweep', 'plan', 'findings', 'material', 'deliver']) {
		await app.load(`/${view}`);
		assert.equal(await page.evaluate(() => document.documentElement.dataset['mode']), 'night');
		assert.deepEqual(await violationsIn(page, onlyColours), [], view);
	}
});

test('while a view waits for what it shows, it says so, and nothing of a site that is not read yet', async () => {
	const { page } = app;
	for (const [view, says] of [
		['sheet', 'pages are laid out'],
		['findings', 'The site is being looked over'],
		['material', 'Reading what the site is made of']
	] as const) {
		await app.load('/plan');
		const release = await holdWorker(page);
		await goTo(view);
		const shown = await until(`${view} says it`, async () => {
			const text = await page.$eval('main', (one) => one.innerText);
			return text.includes(says) && text;
		});
		assert.doesNotMatch(shown, /no pages|\b0 (pages|errors|warnings|hints)|no shared data/);
		await release();
		await until(
			'it is there',
			async () => !(await page.$eval('main', (one) => one.innerText)).includes(says)
		);
	}
});

test('an empty page under no layout says so, and a piece is added to it', async () => {
	const { page } = app;
	await app.load('/plan');
	await openText(page, 'site "Bare" { lang en }\nroute / { title "Home" }\n');
	await page.waitForSelector('aside ::-p-text(Nothing stands on / yet.)');
	await goTo('sweep');
	await page.waitForSelector('::-p-text(/ sits under no layout, so there is no region)');
	await goTo('plan');
	await (await named(page, 'button', 'Add piece …')).click();
	await (await page.waitForSelector('[role=dialog] input'))?.type('first');
	await page.keyboard.press('Enter');
	await page.waitForSelector('b[data-piece=first]');
});
