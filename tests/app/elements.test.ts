import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { frames, named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { sourceText } from '../lib/stage.ts';

/** Elements of markup are chosen on the stage, up to their piece, and said anew in fields; lists, conditions and parts, too. */

let app: App;
before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

/** Clicks the middle of what an element of the page has first, where it is seen. */
async function clickOnPage(selector: string): Promise<void> {
	const stage = await app.stage();
	const at = await stage.$eval(selector, (one) => {
		const [rect] = one.getClientRects();
		return rect && { x: rect.x + 6, y: rect.y + rect.height / 2, width: innerWidth };
	});
	const frame = await (await app.page.$('iframe[title^="The page"]'))?.boundingBox();
	if (!at || !frame) return;
	const scale = frame.width / at.width;
	await app.page.mouse.click(frame.x + at.x * scale, frame.y + at.y * scale);
}

/** Clicks something on the page until the inspector speaks of it: its region first, then its piece, then itself. */
async function choose(selector: string, label: string): Promise<void> {
	await until(`${label} is chosen`, async () => {
		const found = await app.page.$$eval('aside [aria-current=true]', (all) =>
			all.map((one) => one.textContent?.trim() ?? '')
		);
		if (found.includes(label)) return true;
		await clickOnPage(selector);
		await frames(app.page, 8);
		return false;
	});
}

/** Waits until the main content of the page on the stage is written so. */
async function shows(pattern: RegExp): Promise<void> {
	await until(`the page has ${String(pattern)}`, async () => {
		const stage = await app.stage();
		const html = await stage.$eval('main', (one) => one.innerHTML);
		return pattern.test(html.replace(/ data-[a-z]+="[^"]*"/g, '').replace(/\s+/g, ' '));
	});
}

async function type(label: string, text: string): Promise<void> {
	const field = await named(app.page, 'textbox', label);
	await field.click({ count: 3 });
	await app.page.keyboard.type(text);
	await app.page.keyboard.press('Enter');
}

test('an element chosen on the page gives its words and attributes to be changed, and undo takes them back', async () => {
	await app.load('/plan?route=/visit');
	const hand = new Hand(app);
	await choose('main h2', '<h2>');
	const words = await named(app.page, 'textbox', 'words');
	const said = await words.evaluate((one) => (one instanceof HTMLInputElement ? one.value : ''));
	assert.equal(said, 'Hours');
	await type('words', 'Hours & days');
	await shows(/<h2>Hours &amp; days<\/h2>/);
	await type('class', 'quiet');
	await shows(/<h2 class="quiet[^"]*">Hours &amp; days<\/h2>/);
	const more = await app.page.waitForSelector('label.more select');
	await more?.select('id');
	await type('id', 'hours');
	await shows(/<h2 (class="quiet[^"]*" id="hours"|id="hours" class="quiet[^"]*")>/);
	for (let step = 0; step < 3; step++) await hand.press('button', 'undo');
	await shows(/<h2>Hours<\/h2>/);
});

test('it is shown only where something is so, that is changed by choosing, and taken away', async () => {
	await app.load('/plan?route=/visit');
	const hand = new Hand(app);
	await choose('main h2', '<h2>');
	await hand.press('button', 'Only if …');
	await until('the condition is chosen', () => app.page.$('[aria-label="Condition 1"]'));
	await hand.pick('The value', 'data.opening.today');
	await app.page.waitForSelector('aside [aria-current]::-p-text(if data.opening.today)');
	await hand.pick('How', 'contains');
	await app.page.waitForSelector('[aria-label="Condition 1"] input');
	await type('What', 'Sunday');
	await until('the page has it no more', async () =>
		(await app.stage()).$eval('main', (one) => !one.innerHTML.includes('Hours'))
	);
	const before = await sourceText(app, 'routes/1-public.eave');
	assert.match(before, /\{if data\.opening\.today contains "Sunday"\}\s+<h2>Hours<\/h2>\s+\{end\}/);
	await app.open('/plan?route=/visit');
	await hand.press('button', 'Show it always');
	await shows(/<h2>Hours<\/h2>/);
	assert.match(await sourceText(app, 'routes/1-public.eave'), /\n {4}<h2>Hours<\/h2>\n/);
});

test('a list and a part are changed by choosing, reached from the page and from the piece', async () => {
	await app.load('/plan?route=/catalogue');
	const hand = new Hand(app);
	await choose('main article p', '<p>');
	await app.page.waitForSelector('::-p-text(It is written in the part seed-card)');
	await app.page.click('nav[aria-label="What it stands in"] button');
	const list = await app.page.waitForSelector('.listed button::-p-text(for each v)');
	await list?.click();
	await app.page.waitForSelector('select[aria-label="The list"]');
	await hand.press('button', 'part seed-card');
	const title = await named(app.page, 'combobox', 'A value for title');
	await title.select('data.opening.today');
	await shows(/<article[^>]*> <h2><a [^>]*>Wednesday, 14 to 18<\/a>/);
	await hand.press('button', 'undo');
	await until('as before', async () =>
		(await app.stage()).$eval('main', (one) => !one.innerHTML.includes('14 to 18</a>'))
	);
});

test('a part is put behind an element, and the way up is gone by keyboard', async () => {
	await app.load('/plan?route=/visit');
	const hand = new Hand(app);
	await choose('main h2', '<h2>');
	await hand.press('button', 'Use a part …');
	await (await app.page.waitForSelector('[role=dialog] select'))?.select('seed-card');
	await hand.press('button', 'Use it');
	await shows(/<h2>Hours<\/h2>\s*<article/);
	await (await named(app.page, 'button', 'part seed-card')).focus();
	await app.page.keyboard.press('ArrowUp');
	await app.page.waitForSelector('aside ::-p-text(a piece of /visit)');
	await hand.press('button', 'undo');
	await shows(/<h2>Hours<\/h2>\s*<table/);
});

test('in a chosen piece a link is chosen, led elsewhere and followed; elsewhere it is followed at once', async () => {
	await app.load('/plan?route=/');
	const hand = new Hand(app);
	await hand.block('/, main');
	await (await app.page.waitForSelector('b[data-piece=welcome]'))?.click();
	await app.page.waitForSelector('.listed button::-p-text(<a>)');
	await choose('main a.go', '<a>');
	const href = await named(app.page, 'combobox', 'href');
	await href.click({ count: 3 });
	await app.page.keyboard.type('/visit');
	await app.page.keyboard.press('Enter');
	await shows(/<a class="go[^"]*" href="[^"]*visit[^"]*">/);
	// The page is drawn before the panel knows what stands there now.
	await app.page.waitForSelector('button[title="Goes to /visit"]');
	await hand.press('button', 'Follow the link');
	await until(
		'it leads there',
		async () => new URL(app.page.url()).searchParams.get('route') === '/visit'
	);
	await hand.press('button', 'undo');
	await app.open('/plan?route=/');
	await hand.block('commons, foot');
	await clickOnPage('main a.go');
	await until(
		'it is followed',
		async () => new URL(app.page.url()).searchParams.get('route') === '/catalogue'
	);
});
