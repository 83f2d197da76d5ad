import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';

/** What comes before the first page is drawn: what that takes, and no more. All else comes when it is asked for. */

let app: App;
/** What came, by the path that it was asked for at: its text, and how large it was on its way, bytes. */
const came = new Map<string, { readonly text: string; readonly sent: number }>();
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
});

/** Words of what has no part in drawing a page: each stands in the code of what it is about alone. */
const later: Readonly<Record<string, string>> = {
	'the editor': 'cm-editor',
	'a new site': 'What regions does your page have?',
	'bringing in': 'The tool finds what your pages share',
	'arranging a frame': 'Its frame becomes boxes that this tool arranges',
	'states of a site': 'A state is the whole site as it was',
	'the folder': 'Edits go to the folder as you make them',
	'several sizes of a picture': 'Several sizes of one picture become one picture',
	'the picture for a camera': 'The chosen QR Code version cannot contain this amount of data',
	'sentences of findings': 'is set only for the night, so by day it has no value'
};

test('until the first page is drawn, nothing is asked for that only other views and windows need', async () => {
	const session = await app.page.createCDPSession();
	await session.send('Network.enable');
	const paths = new Map<string, string>();
	const isScript = (url: string): boolean => url.endsWith('.js') && !url.includes('/workers/');
	session.on('Network.responseReceived', ({ requestId, response: { url } }) => {
		if (isScript(url)) paths.set(requestId, new URL(url).pathname);
	});
	let isDrawn = false;
	const bodies: Promise<void>[] = [];
	session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
		const path = paths.get(requestId);
		if (path === undefined || isDrawn) return;
		bodies.push(
			session.send('Network.getResponseBody', { requestId }).then(({ body }) => {
				came.set(path, { text: body, sent: encodedDataLength });
			})
		);
	});
	await app.page.goto(app.address);
	await app.page.waitForSelector('[data-ready]');
	isDrawn = true;
	await Promise.all(bodies);
	const all = [...came.values()];
	assert.ok(
		all.some(({ text }) => text.includes('Cross-section')),
		'the Plan has come'
	);
	for (const [what, words] of Object.entries(later)) {
		assert.ok(!all.some(({ text }) => text.includes(words)), what);
	}
	// A bound on what comes, not on how long it takes: the benchmark has the figure.
	const kB = all.reduce((sum, { sent }) => sum + sent, 0) / 1000;
	assert.ok(kB > 50 && kB < 350, `${kB} kB`);
});

test('a window whose code cannot be had says so, takes itself back, and comes when the page is loaded again', async () => {
	const { page } = app;
	const openStates = async (): Promise<void> => {
		await page.click('.site-name');
		await (await named(page, 'menuitem', 'States of this site …')).click();
	};
	await page.setRequestInterception(true);
	// What came with the first page comes; what is asked for behind it or later does not, as without a connection.
	page.on('request', (request) => {
		const { pathname } = new URL(request.url());
		const isLater =
			pathname.endsWith('.js') && !pathname.includes('/workers/') && !came.has(pathname);
		void (isCut && isLater ? request.abort() : request.continue());
	});
	let isCut = true;
	await app.load('/plan');
	await openStates();
	await until('it is said', () =>
		page.$$eval('[role=alert]', (all) =>
			all.some((one) => one.textContent.includes('The window could not be loaded'))
		)
	);
	assert.equal(await page.$('.question'), null);
	isCut = false;
	await app.load('/plan');
	await openStates();
	await named(page, 'dialog', 'States of Marrow Lane Seed Library');
});

test('what is made as it opens can be used by keyboard at once: a menu, an explanation, a window', async () => {
	const { page } = app;
	await app.load('/plan');
	await page.focus('.site-name');
	await page.keyboard.press('Enter');
	await until(
		'the first of the menu is where one is',
		() =>
		page.$$eval('[role=menuitem][data-highlighted]', ([one]) => one?.textContent.trim() === 'New site …') // prettier-ignore
	);
	await page.keyboard.press('Enter');
	const window = await named(page, 'dialog', 'What regions does your page have?');
	await until('the focus is in the window', () =>
		window.evaluate((one) => one.contains(document.activeElement))
	);
	await page.keyboard.press('Escape');
	await until('it is gone, and one is back at the menu', () =>
		page.evaluate(
			() =>
				document.querySelector('.question[data-state=open]') === null &&
				document.activeElement?.classList.contains('site-name') === true
		)
	);
	await page.focus('.term');
	await until('the word is explained', () =>
		page.$$eval('[role=tooltip]', (all) => all.some((one) => one.textContent.length > 20))
	);
	await page.keyboard.press('Escape');
	await until('the explanation is gone', async () => (await page.$('[role=tooltip]')) === null);
	await page.focus('.try');
	await page.keyboard.press('Enter');
	const tried = await named(page, 'dialog', 'Try the pages with');
	await until('one is in what opened', () =>
		tried.evaluate((one) => one.contains(document.activeElement))
	);
});
