import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { sourceText } from '../lib/stage.ts';

/** What data fills is filled by choosing: a list, a condition, values. The steps of the first are counted. */

let app: App;
before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const paragraphs = async (): Promise<string[]> =>
	(await app.stage()).evaluate(() =>
		[...document.querySelectorAll('main p')].map((one) => (one.textContent ?? '').trim())
	);

test('a new page fills a list from data with a part, in less than 15 steps', async () => {
	await app.load('/plan?route=/visit');
	const hand = new Hand(app);
	await hand.press('button', 'Add route');
	await hand.fill('Route', '/sowing');
	await hand.fill('Title', 'Sowing');
	await hand.press('button', 'Add it');
	await hand.block('/sowing, main');
	await hand.press('button', 'Add piece …');
	await hand.fill('Name', 'kinds');
	await hand.press('button', 'Add it');
	await hand.press('button', 'Fill from data …');
	const become = await named(app.page, 'combobox', 'What New becomes');
	await become.select('{variety.name}');
	hand.steps++;
	await app.page.waitForSelector('::-p-text(Runner bean, climbing)');
	await hand.press('button', 'Fill it');
	await until('the page has them all', async () => {
		const all = await paragraphs();
		return all.length >= 4 && all.includes('Kale, Red Russian');
	});
	await hand.press('button', 'Make a part …');
	await hand.fill('Its name', 'kind');
	await hand.press('button', 'Make the part');
	const text = await until('the part is used', async () => {
		const written = await sourceText(app, 'routes/5-desk.eave');
		return written.includes('{use kind') && written;
	});
	assert.match(
		text,
		/\{for variety in data\.varieties\}\s+\{use kind text="\{variety\.name\}"\}\s+\{end\}/
	);
	assert.ok(hand.steps < 15, `${hand.steps} steps`);
	await app.load('/plan?route=/sowing');
	await until('and the page is the same', async () =>
		(await paragraphs()).includes('Kale, Red Russian')
	);
});

test('an element is shown only where something is so, with a value in its words, and both are taken back', async () => {
	await app.load('/plan?route=/visit');
	const hand = new Hand(app);
	await hand.block('/visit, right');
	await (await named(app.page, 'button', 'bus')).click();
	await hand.press('button', 'Fill from data …');
	const element = await app.page.waitForSelector('[role=dialog] select');
	const options =
		(await element?.$$eval('option', (all) => all.map((one) => one.textContent ?? ''))) ?? [];
	const paragraph = options.findIndex((one) => one.startsWith('<p>'));
	await element?.select(String(paragraph));
	await app.page.click('[role=dialog] input[value=if]');
	await hand.pick('The value', 'data.opening.today');
	await hand.pick('How', 'contains');
	await hand.fill('What', 'Sunday');
	await hand.press('button', 'Fill it');
	const hasBus = async (): Promise<boolean> =>
		(await (await app.stage()).evaluate(() => document.body.textContent ?? '')).includes('Gate');
	await until('it is not shown', async () => !(await hasBus()));
	await (await named(app.page, 'button', 'undo')).click();
	await until('it is shown again', hasBus);
});

/** Pastes a text into a field, as a keyboard does. */
async function paste(selector: string, text: string): Promise<void> {
	await app.page.waitForSelector(selector);
	await app.page.$eval(
		selector,
		(field, pasted) => {
			const clipboardData = new DataTransfer();
			clipboardData.setData('text/plain', pasted);
			const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
			if (field instanceof HTMLElement) field.focus();
			if (field.dispatchEvent(event)) document.execCommand('insertText', false, pasted);
		},
		text
	);
}

test('a pasted table is shared data, and pasted lines are as many pieces', async () => {
	await app.load('/material?of=data&route=/visit');
	// The line says so once the data is there; before that the view still moves.
	await app.page.waitForSelector('::-p-text(in markup as data.NAME)');
	const hand = new Hand(app);
	await hand.press('button', 'Add data …');
	await hand.fill('Name', 'beds');
	await hand.fill('File or URL', 'data/beds.json');
	await paste('.question textarea', 'Crop\tSown in\nKale\tMay\nPeas\tMarch');
	await hand.press('button', 'Add it');
	await app.page.waitForSelector('::-p-text(data.beds)');
	await app.page.waitForSelector(
		'input[aria-label="data.beds.1.sown-in"], [aria-label*="sown-in"]'
	);
	await app.load('/plan?route=/visit');
	await hand.block('/visit, main');
	await hand.press('button', 'Add piece …');
	await paste('.question input:focus', 'one\ntwo\n three\n');
	await hand.press('button', 'Add it');
	await until('all three are there', async () => {
		const block = await app.page.$('[role=gridcell][aria-label^="/visit, main"]');
		const said = (await block?.evaluate((one) => one.textContent)) ?? '';
		return ['one', 'two', 'three'].every((name) => said.includes(name));
	});
});
