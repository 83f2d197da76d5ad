import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { stageHtml } from '../../src/core/emit/stage.ts';
import { pageNamed, sound } from '../lib/site.ts';
import { named, startApp, until, type App } from '../lib/app.ts';

/** Pages tried with other content and other visitors, and what scrolling does, as a user sees it. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

/** What stands in a piece on the stage. */
async function onStage(selector: string): Promise<string> {
	return (await app.stage()).$eval(selector, (one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim()); // prettier-ignore
}

/** Once the stage has been held against the calculation: what differs, or nothing. */
async function compared(): Promise<string> {
	return until('the stage is compared', async () => {
		const said = await app.page.$eval('.pane[data-compared]', (one) => one.getAttribute('data-compared')); // prettier-ignore
		return said !== null && `${said}.`;
	});
}

async function tryWith(label: string): Promise<void> {
	await app.page.bringToFront();
	await (await app.page.waitForSelector('.try'))?.click();
	const menu = await app.page.waitForSelector('.try-menu');
	const box = await menu?.waitForSelector(`::-p-text(${label})`);
	await box?.click();
	await app.page.keyboard.press('Escape');
	await app.page.waitForSelector('.try-menu', { hidden: true });
}

test('long content is on the stage, in the address and in all views, and boxes are where they are computed', async () => {
	const { page } = app;
	await app.load('/plan?route=/catalogue&width=1180');
	await page.waitForSelector('.try');
	await tryWith('long');
	await until('what is written as long is there', async () =>
		(await onStage('[data-piece=label]')).startsWith('Bring a label for every packet')
	);
	assert.equal(await onStage('[data-piece=intro] h1'), 'Cataloguecatacataloguecata');
	await until('the address says so', async () => page.url().includes('try=long'));
	assert.equal(await compared(), '.', 'every box is where the calculation has it');
	await (await named(page, 'link', 'Sheet')).click();
	await until('the sheet says so', async () =>
		page.$eval('.try', (one) => /try: long/.test(one.textContent ?? ''))
	);
	const trouble = await until('it draws what does not fit', async () => page.$('.drawing .beyond'));
	assert.ok(trouble);
	await page.reload();
	await page.waitForSelector('.drawing');
	assert.match(await page.$eval('.try', (one) => one.textContent ?? ''), /long/);
	await tryWith('All as written');
	await until('nothing is left of it', async () => !page.url().includes('try='));
});

test('mirrored, with large text and on paper the page is as it is computed, and drawers are not printed', async () => {
	const { page } = app;
	for (const [word, check] of [
		['mirrored', async () => (await app.stage()).$eval('html', (one) => one.dir === 'rtl')],
		['large', async () => (await app.stage()).$eval('[data-piece=intro] p', (one) => getComputedStyle(one).fontSize === '32px')],
		['printed', async () => (await app.stage()).$eval('[data-region=head]', (one) => getComputedStyle(one).position === 'static')]
	] as const) {
		await app.load(`/plan?route=/catalogue&width=700&try=${word}`);
		await until(`the page is ${word}`, check);
		assert.equal(await compared(), '.', word);
	}
	const openers = await (await app.stage()).$$eval('[data-opener]', (all) => all.filter((one) => one.getClientRects().length > 0).length); // prettier-ignore
	assert.equal(openers, 0);
	await app.load('/sheet?try=printed');
	await page.waitForSelector('.drawing');
	assert.match(await page.$eval('.cell:nth-child(2) .cap', (one) => one.textContent ?? ''), /A4\s+718/);
	assert.equal((await page.$$('.drawing .tab')).length, 0);
}); // prettier-ignore

test('a stand-in is written where its piece is, seen at once, and taken back', async () => {
	const { page } = app;
	await app.load('/plan?route=/catalogue&width=1180');
	await (await page.waitForSelector('[role=gridcell][aria-label^="/catalogue, main"]'))?.click();
	await page.keyboard.press('Enter');
	const section = await page.waitForSelector('section[aria-label="Piece intro"]');
	await (await section?.waitForSelector('::-p-text(Write a short one)'))?.click();
	await until('it is tried', async () => page.url().includes('try=short'));
	await until(
		'the stage has it',
		async () => (await onStage('[data-piece=intro]')) === 'Catalogue'
	);
	const own = await page.waitForSelector('section[aria-label="Piece intro"] .cm-content >>> ::-p-text(Catalogue)'); // prettier-ignore
	assert.ok(own);
	const editors = await page.$$('section[aria-label="Piece intro"] .cm-content');
	assert.equal(editors.length, 2, 'what it is, and what stands in for it');
	await (await named(page, 'button', 'Make it again: the short intro')).click();
	await until('it is made again', async () => (await page.$$('section[aria-label="Piece intro"] .cm-content')).length === 1); // prettier-ignore
	// Words that are made cannot be written anew where they stand.
	await tryWith('long');
	const words = await until('made words are there', async () => (await (await app.stage()).$('[data-piece=intro] p')) ?? undefined); // prettier-ignore
	await words.click({ count: 2 });
	await page.waitForSelector('::-p-text(made longer or shorter)');
	assert.equal(await page.$('.words textarea'), null, 'nothing can be written there');
});

test('the strip of scrolling moves the stage, follows it, and has two places side by side', async () => {
	const { page } = app;
	await app.load('/plan?route=/catalogue&width=1180&height=500');
	await (await named(page, 'button', 'Scroll')).click();
	const strip = await page.waitForSelector('[aria-label="Scrolling"][data-reach]');
	const reach = Number(await strip?.evaluate((one) => one.getAttribute('data-reach')));
	const real = await (await app.stage()).evaluate(() => document.documentElement.scrollHeight - innerHeight); // prettier-ignore
	assert.ok(Math.abs(reach - real) <= 1, `${reach} for ${real}`);
	const handle = await named(page, 'slider', 'Scrolled to');
	await handle.focus();
	for (let index = 0; index < 9; index++) {
		await page.keyboard.down('Shift');
		await page.keyboard.press('ArrowRight');
		await page.keyboard.up('Shift');
	}
	await until('the stage is scrolled', async () => (await app.stage()).evaluate(() => Math.round(scrollY) === 90)); // prettier-ignore
	const words = await strip?.evaluate((one) => one.textContent ?? '');
	assert.match(
		words ?? '',
		/scrolled\s+90 px of \d+ px; head, menu(, like-it)? stick; 440 px, 88 %/
	);
	const stuck = await (await app.stage()).$eval('[data-region=head]', (one) => one.getBoundingClientRect().top); // prettier-ignore
	assert.equal(stuck, 0);
	await (await app.stage()).evaluate(() => scrollTo(0, 40));
	await until('the handle follows', async () =>
		handle.evaluate((one) => one.getAttribute('aria-valuenow') === '40')
	);
	await page.waitForSelector('.pane[data-compared]');
	assert.equal(await compared(), '.', 'scrolled boxes are where they are computed, too');
	await (await named(page, 'button', 'Two places')).click();
	const second = await until('the second stage is at the end', async () => {
		const frames = await page.$$('.page iframe');
		const inner = await frames[1]?.contentFrame();
		return inner?.evaluate(() => Math.round(scrollY));
	});
	assert.ok(Math.abs(second - reach) <= 1, `${second} of ${reach}`);
	await (await named(page, 'button', 'Close scrolling')).click();
	await page.waitForSelector('[aria-label="Scrolling"]', { hidden: true });
});

test('a link to a heading lands below what sticks', async () => {
	const page = await app.page.browserContext().newPage();
	const filler = Array.from({ length: 40 }, (_, index) => `<p>${index}</p>`).join('');
	const site = sound(`site "T" { bands { narrow 0 } }
layout f at / { region head as header { height 70px; stick top; piece name """<b>Head</b>""" }; region main as main { slot } }
layout g at /g { region tabs as nav { height 30px; stick top; piece tabs """<b>Tabs</b>""" }; region deep as div { slot } }
route /g { title "G"; piece body """${filler}<h2 id="deep">Deep</h2>${filler}""" }`);
	const [instance] = site.instances(pageNamed(site, '/g'));
	assert.ok(instance);
	await page.setViewport({ width: 700, height: 400 });
	await page.setContent(stageHtml(instance, site, new Map(), 2026));
	await page.$eval('#deep', (one) => one.scrollIntoView());
	const [head, heading] = await page.evaluate(() => [
		document.querySelector('[data-region=tabs]')?.getBoundingClientRect().bottom ?? 0,
		document.querySelector('#deep')?.getBoundingClientRect().top ?? 0
	]);
	await page.close();
	assert.ok((head ?? 0) > 0 && (heading ?? 0) >= (head ?? 0) - 0.5, `${heading} below ${head}`);
});

test('the sheet has the colours that pages have by night, and Sweep how much is left of screens', async () => {
	const { page } = app;
	await app.load('/sheet?colours=night');
	await until('pages are dark', async () => page.$('.drawing [style*="#23201c"]'));
	await app.load('/sweep?route=/catalogue&width=1180');
	await (await page.waitForSelector('::-p-text(room left)'))?.click();
	await until(
		'it is worked out',
		async () =>
		/on 640 px of height\s*580 px, 91 %/.test(await page.$eval('aside', (one) => one.textContent ?? '')) // prettier-ignore
	);
	// By keyboard: the line of controls may move while other pages are measured.
	await (await named(page, 'button', 'In words')).focus();
	await page.keyboard.press('Enter');
	await page.waitForSelector('::-p-text(On screens 360 px high, at least 300 px)');
});

test('all drawers are open on the stage, where they are computed, and closed again at a width at which they stand in place', async () => {
	const { page } = app;
	await app.load('/plan?route=/catalogue&width=500&try=open');
	const open = async (): Promise<string[]> =>
		(await app.stage()).$$eval('[popover]:popover-open', (all) =>
			all.map((one) => one.getAttribute('data-region') ?? '')
		);
	await until('the drawers are open', async () => (await open()).length > 0);
	assert.equal(await compared(), '.', 'every box is where the calculation has it');
	assert.match(await page.$eval('.try', (one) => one.textContent ?? ''), /drawers open/);
	await app.open('/plan?route=/catalogue&width=1180&try=open');
	await until('none is open', async () => (await open()).length === 0);
	assert.equal(await compared(), '.');
	await tryWith('All as written');
	await until('the address says nothing of it', async () => !page.url().includes('try='));
});
