import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { openPage } from '../../scripts/lib/browser.ts';
import { openBrowser } from '../lib/browser.ts';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';

/** Visitors, shared data through the real server route, another device, and parts: as a user has them. */

let app: App;
before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const words = async (): Promise<string> =>
	(await app.stage()).evaluate(() => document.body.textContent ?? '');

async function seenBy(role: string): Promise<void> {
	const select = await app.page.waitForSelector('header select');
	await select?.select(role);
}

test('one page is seen by three roles: who is let in, what only they get, and where links lead', async () => {
	await app.open('/plan?route=/');
	await until('the page', async () => (await words()).includes('Borrow seed'));
	const links = (): Promise<boolean> =>
		app
			.stage()
			.then((frame) => frame.evaluate(() => document.querySelector('a[href="/desk"]') !== null));
	for (const [role, tools, mine] of [
		['visitor', false, false],
		['member', false, true],
		['keeper', true, true]
	] as const) {
		await seenBy(role);
		await until(`what ${role} gets`, async () => {
			const text = await words();
			return text.includes('To the desk') === tools && text.includes('Your season') === mine;
		});
		assert.equal(await links(), tools, `links to the desk for ${role}`);
		assert.ok(app.page.url().includes(`as=${role}`), 'the address says for whom');
	}
	await app.open('/plan?route=/desk/loans&as=member');
	await app.page.waitForSelector('::-p-text(403: denied at /desk is shown to member)');
	await until('the state', async () => (await words()).includes('The desk is for keepers'));
	const row = await app.page.waitForSelector('[role=option][id="row /desk/loans"]');
	assert.match((await row?.evaluate((one) => one.textContent)) ?? '', /closed for member/);
	await seenBy('keeper');
	await until('the page itself', async () => (await words()).includes('Okafor'));
});

test('in the access table a cell is closed and opened, and the text follows', async () => {
	await app.open('/access');
	await (await named(app.page, 'gridcell', '/visit, visitor: opens')).click();
	await (await named(app.page, 'button', 'Close it for visitor')).click();
	await app.page.waitForSelector(
		'[aria-label^="/visit, visitor: 403 /visit (admit member keeper)"]'
	);
	await (
		await named(app.page, 'gridcell', '/desk/loans, visitor: 403 desk (admit keeper)')
	).click();
	await (await named(app.page, 'button', 'Open it to visitor')).click();
	await app.page.waitForSelector('[role=alert]::-p-text(open it to visitor there first)');
	await app.page.keyboard.down('Control');
	await app.page.keyboard.press('z');
	await app.page.keyboard.up('Control');
	await named(app.page, 'gridcell', '/visit, visitor: opens');
});

test('shared data goes stale and comes anew through the server; failures are said and pages still draw', async () => {
	await app.open('/plan?route=/visit');
	await until('the copy', async () => (await words()).includes('Marrow Lane 8'));
	await app.open('/material?of=data&route=/visit');
	const field = await app.page.waitForSelector('[aria-label="data.opening.address"]');
	await field?.click({ count: 3 });
	await app.page.keyboard.type('The old laundry');
	await app.page.keyboard.press('Enter');
	await app.page.waitForSelector('::-p-text(The source says something else by now)');
	await (await named(app.page, 'link', 'Plan')).click();
	await until('the old value, since the copy is young', async () =>
		(await words()).includes('Marrow Lane 8')
	);
	await (await named(app.page, 'link', 'Material')).click();
	await (await named(app.page, 'button', 'Ask again')).click();
	await app.page.waitForSelector('::-p-text(the source gave it anew)');
	await (await named(app.page, 'link', 'Plan')).click();
	await until('the new value', async () => (await words()).includes('The old laundry'));
	await (await named(app.page, 'link', 'Material')).click();
	const does = await named(app.page, 'combobox', 'What the stub service does');
	await does.select('no-json');
	await (await named(app.page, 'button', 'Ask again')).click();
	await app.page.waitForSelector('::-p-text(It could not be had: what it answers is not JSON)');
	await (await named(app.page, 'link', 'Plan')).click();
	await until('the last copy', async () => (await words()).includes('The old laundry'));
	await (await named(app.page, 'link', 'Material')).click();
	const fails = await named(app.page, 'combobox', 'when it fails');
	await fails.select('shown');
	await until('what that means', () =>
		app.page.$eval('.service p', (one) =>
			(one.textContent ?? '').includes('Pages show the nearest state failed')
		)
	);
	await (await named(app.page, 'link', 'Plan')).click();
	await app.page.waitForSelector('::-p-text(503: its data could not be had)');
	await until('the state', async () => (await words()).includes('That did not work'));
	await app.page.keyboard.down('Control');
	await app.page.keyboard.press('z');
	await app.page.keyboard.up('Control');
	await until('the last copy again', async () => (await words()).includes('The old laundry'));
});

test('a source that gives notice is shown anew at once, and what a lost notice does is drawn', async () => {
	await app.open('/material?of=data&route=/visit');
	await (await named(app.page, 'combobox', 'fresh')).select('notice');
	await (await named(app.page, 'combobox', 'What the stub service does')).select('none');
	await app.page.waitForSelector('::-p-text(It has not said yet that anything changed)');
	await app.page.waitForSelector('::-p-text(given at 10:00:00)');
	const field = await app.page.waitForSelector('[aria-label="data.opening.address"]');
	await field?.click({ count: 3 });
	await app.page.keyboard.type('The new laundry');
	await app.page.keyboard.press('Enter');
	await app.page.waitForSelector('::-p-text(ago that something changed)');
	await (await named(app.page, 'link', 'Plan')).click();
	await until('the new value', async () => (await words()).includes('The new laundry'));
	await (await named(app.page, 'link', 'Material')).click();
	await (await named(app.page, 'checkbox', 'the notice gets lost')).click();
	await until('nothing was given', async () =>
		app.page.$$eval('.fresh em', (all) => all.length === 0)
	);
});

test('a second browser is a device: it follows an edit, and is a mark on the ruler', async () => {
	await app.open('/plan?route=/visit');
	await (await app.page.waitForSelector('.site-name'))?.click();
	await (await app.page.waitForSelector('::-p-text(Open on a device)'))?.click();
	const link = await app.page.waitForSelector('a[href*="/preview/"]');
	const address = (await link?.evaluate((one) => one.getAttribute('href'))) ?? '';
	await app.page.waitForSelector('svg[aria-label="The address as a QR code"]');
	const { browser, close } = await openBrowser();
	try {
		const phone = await openPage(browser);
		await phone.setViewport({ width: 391, height: 700 });
		await phone.goto(`${address}catalogue/`);
		const onPhone = (text: string): Promise<boolean> =>
			phone.$eval('body', (one, wanted) => (one.textContent ?? '').includes(wanted), text);
		await until('the page', () => onPhone('Runner bean, climbing'));
		assert.equal(
			await phone.evaluate(() => {
				try {
					return String(localStorage.length);
				} catch {
					return 'nothing';
				}
			}),
			'nothing',
			'it reaches nothing that the application keeps'
		);
		await app.page.waitForSelector('::-p-text(391 × 700)');
		await (await named(app.page, 'button', 'Done')).click();
		await (await app.page.waitForSelector('[aria-label^="A device of 391 by 700 px"]'))?.click();
		await until(
			'the stage has its size',
			async () => (await (await app.stage()).evaluate(() => innerWidth)) === 391
		);
		await (await named(app.page, 'link', 'Material')).click();
		await (
			await app.page.waitForSelector('[aria-label="Sources"] button::-p-text(varieties)')
		)?.click();
		const field = await app.page.waitForSelector('[aria-label="name of member 1"]');
		await field?.click({ count: 3 });
		await app.page.keyboard.type('Broad bean, early');
		await app.page.keyboard.press('Enter');
		await until('the edit is on the phone', () => onPhone('Broad bean, early'));
	} finally {
		await close();
	}
});

test('a part is made of a piece with the places that are like it, and renamed in all of them', async () => {
	const hand = new Hand(app);
	await app.open('/plan?route=/');
	await hand.block('/, main');
	await (await app.page.waitForSelector('b[data-piece="new-in"]'))?.click();
	await hand.press('button', 'Make a part …');
	await hand.fill('Its name', 'arrival');
	await app.page.waitForSelector('::-p-text(Its parameters)');
	await hand.press('button', 'Make the part');
	await app.page.waitForSelector('::-p-text(would use arrival too)');
	await hand.press('button', 'Do it all');
	await until('the page is the same', async () =>
		(await words()).includes('stood out the January frost')
	);
	await app.open('/material?of=parts&route=/');
	const part = await app.page.waitForSelector('[aria-label="Part arrival"]');
	assert.match((await part?.evaluate((one) => one.textContent)) ?? '', /used in [23] places/);
	// Pictures of parts come one after the other and move what stands below, so it is done by keyboard.
	await (await part?.waitForSelector('[aria-label="What can be done with arrival"]'))?.focus();
	await app.page.keyboard.press('Enter');
	await app.page.waitForSelector('[role=menuitem][data-highlighted]::-p-text(Rename)');
	await app.page.keyboard.press('Enter');
	await hand.fill('New name', 'newcomer');
	await hand.press('button', 'Rename it');
	await app.page.waitForSelector('[aria-label="Part newcomer"]');
	await app.open('/plan?route=/');
	await until('and still is', async () => (await words()).includes('stood out the January frost'));
});
