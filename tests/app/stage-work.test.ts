import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { frames, named, startApp, textOf, until, type App } from '../lib/app.ts';
import { holdWorker } from '../lib/hold.ts';
import { atRest, choose, dragBy, openValue, kept, showTracks, sourceText } from '../lib/stage.ts';

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

function ruler(): Promise<string> {
	return textOf(app.page, '.ruler');
}

test('what an edit changes in other bands is marked before it is made, and after', async () => {
	await app.open('/plan?route=/catalogue&width=1100');
	await choose(app, 'commons, head');
	await openValue(app, 'height of head at medium');
	await (await named(app.page, 'combobox', 'height at medium')).focus();
	await app.page.keyboard.type('70px');
	await until('medium would change too', async () =>
		(await ruler()).includes('medium from 640changes too')
	);
	await until('the pages that have the head are marked', () =>
		app.page.$$eval('[role=option]', (rows) => {
			const marked = rows.filter((row) => row.textContent.includes('changes'));
			return (
				marked.length ===
				rows.filter((row) => row.querySelector('.unseen')?.textContent?.includes('commons')).length
			);
		})
	);
	await app.page.keyboard.press('Enter');
	await until('medium has changed too', async () =>
		(await ruler()).includes('medium from 640changed too')
	);
	assert.doesNotMatch(await ruler(), /narrow from 0change|wide from 1024change/);
	await (await named(app.page, 'button', 'undo')).click();
	await until('nothing is marked any more', async () => !(await ruler()).includes('change'));
});

test('while a track is dragged, it says which other bands change with it', async () => {
	await app.open('/plan?route=/catalogue&width=500');
	await choose(app, 'commons, head');
	await showTracks(app);
	const handle = await named(app.page, 'slider', 'Height of row 1 of commons');
	const box = await handle.boundingBox();
	assert.ok(box);
	const [x, y] = [box.x + 60, box.y + box.height / 2];
	await app.page.mouse.move(x, y);
	await app.page.mouse.down();
	await app.page.mouse.move(x, y + 24, { steps: 4 });
	await until('it reads the size and the band', () =>
		app.page.$$eval('.tracks b', (all) =>
			all.some((one) => /^\d+ px; also medium$/.test(one.textContent))
		)
	);
	await app.page.mouse.up();
	await kept(app, 'commons: row 1');
	assert.match(await sourceText(app, 'layouts/commons.eave'), /"head" \d+px/);
});

test('the end of an area is dragged over grid lines, and of a span over columns', async () => {
	await app.open('/plan?route=/visit&width=1100');
	await choose(app, 'commons, foot');
	await showTracks(app);
	const end = await named(app.page, 'slider', 'Columns of the area foot');
	await end.focus();
	await app.page.keyboard.press('ArrowLeft');
	await kept(app, 'Areas of commons');
	await app.open('/plan?route=/visit&width=1100');
	await choose(app, 'two-up, right');
	await named(app.page, 'slider', 'Columns that right spans');
	await frames(app.page, 19);
	await dragBy(app, 'slider', 'Columns that right spans', -45);
	await kept(app, 'right: span');
	assert.match(await sourceText(app, 'layouts/commons.eave'), /"foot foot \." auto/);
	assert.match(await sourceText(app, 'layouts/guide.eave'), /span 3 @wide\s+offset 1 @wide/);
});

test('distances between two regions stay until they are taken away', async () => {
	await app.open('/plan?route=/catalogue&width=1100');
	const lines = (): Promise<string[]> =>
		app.page.$$eval('.distances text', (all) => all.map((text) => text.textContent));
	await choose(app, 'commons, menu');
	await app.page.keyboard.press('m');
	await choose(app, 'commons, side');
	await app.page.keyboard.press('m');
	await choose(app, 'commons, foot');
	// Beside the content, with 190 px of menu before it and 230 px of side after it.
	await until('the space between menu and side', async () => (await lines()).includes('680 px'));
	await (await named(app.page, 'button', 'Clear the distances')).click();
	await until('they are away', async () => (await lines()).length === 0);
	// With the mouse: Alt and a click on the page keeps what is drawn while Alt is held.
	const stage = await app.stage();
	await app.page.keyboard.down('Alt');
	await (await stage.waitForSelector('[data-region=menu]'))?.click();
	await app.page.keyboard.up('Alt');
	await until('the space between foot and menu is kept', async () => (await lines()).length > 0);
});

test('pieces change their order, and a file comes and goes', async () => {
	await app.open('/plan?route=/catalogue&width=1100');
	await choose(app, '/catalogue, main');
	await app.page.keyboard.press('Enter');
	await (await named(app.page, 'button', 'intro')).click();
	const down = await named(app.page, 'button', 'Move intro down');
	// What is chosen opens its panel, and that may move what is about to be pressed.
	await frames(app.page, 20);
	await down.click();
	await until('intro comes second', () =>
		app.page.$$eval(
			'[aria-label=Text] section[aria-label^=Piece]',
			(all) => all[1]?.ariaLabel === 'Piece intro'
		)
	);
	await kept(app, 'Move the piece intro');
	const text = await sourceText(app, 'routes/2-catalogue.eave');
	assert.ok(text.indexOf('piece shelf') < text.indexOf('piece intro'));

	await (await named(app.page, 'button', 'Add file')).click();
	await (await named(app.page, 'textbox', 'Name of the new file')).type('pages/about');
	await app.page.keyboard.press('Enter');
	await until('it is open', async () =>
		(await textOf(app.page, '.tabs [data-part=trigger]')).includes('about.eave')
	);
	await kept(app, 'Add pages/about.eave');
	await app.page.reload();
	await app.page.waitForSelector('[data-ready] .cm-content');
	await (await named(app.page, 'button', 'Remove file')).click();
	await until(
		'it is gone',
		async () => !(await textOf(app.page, '.tabs [data-part=trigger]')).includes('about.eave')
	);
	const files = async (): Promise<string | undefined> =>
		/(\d+) files/.exec(await textOf(app.page, '.tabs'))?.[1];
	const without = Number(await files());
	await (await named(app.page, 'button', 'undo')).click();
	await until('undo brings it back', async () => Number(await files()) === without + 1);
});

test('a region is dragged by its name onto the body of another, over the page itself', async () => {
	await app.open('/plan?route=/visit&width=1180');
	await choose(app, 'commons, head');
	const name = await app.page.waitForSelector('.box-name.handle[title^="Drag side "]');
	assert.ok(name);
	const from = await atRest(app, name);
	const stage = await app.page.waitForSelector('iframe[title^="The page"]');
	const frame = await stage?.boundingBox();
	const menu = await (
		await app.stage()
	).$eval('[data-region=menu]', (one) => {
		const { x, y, width, height } = one.getBoundingClientRect();
		return { x, y, width, height };
	});
	assert.ok(frame);
	const scale = frame.width / 1180;
	const { mouse } = app.page;
	await mouse.move(from.x + 6, from.y + 5);
	// What is dragged is chosen by that; what there is to say of it comes when the pointer rests already.
	const release = await holdWorker(app.page);
	await mouse.down();
	await mouse.move(from.x + 30, from.y + 40, { steps: 3 });
	const [x, y] = [
		menu.x + menu.width / 2,
		menu.y + Math.min(menu.height, frame.height / scale) / 2
	];
	await mouse.move(frame.x + x * scale, frame.y + y * scale, { steps: 8 });
	await release();
	await until('it says what it would do', async () =>
		(await app.page.$$eval('.zone', (all) => all.map((one) => one.textContent))).includes(
			'side changes places with menu'
		)
	);
	await app.page.waitForSelector('.as-if');
	await mouse.up();
	await until('they have changed places', async () =>
		(await sourceText(app, 'layouts/commons.eave')).includes('"side main menu" 1fr')
	);
	await app.open('/plan?route=/visit&width=1180');
	await (await named(app.page, 'button', 'undo')).click();
});

test('what a choice would do is gone with the choice', async () => {
	await app.open('/plan?route=/visit&width=1180');
	await choose(app, 'commons, side');
	await showTracks(app);
	const columns = (): Promise<number> =>
		app.page.$$eval('button[aria-label^="Remove column"]', (all) => all.length);
	await until('its tracks are there', async () => (await columns()) > 0);
	const last = (await app.page.$$('button[aria-label^="Remove column"]')).at(-1);
	const before = await columns();
	await last?.hover();
	const place = JSON.stringify(await last?.boundingBox());
	await app.page.waitForSelector('.as-if');
	await frames(app.page, 30);
	assert.equal(await columns(), before, 'what is pointed at stays');
	assert.equal(JSON.stringify(await last?.boundingBox()), place, 'where it is');
	await last?.click();
	await until('the column is away', async () => (await columns()) < before);
	// Its button went with it, so nobody leaves that; what came to lie under the pointer may show something of its own.
	await app.page.mouse.move(2, 2);
	await app.page.waitForSelector('.as-if', { hidden: true });
	await frames(app.page, 30);
	assert.equal(await app.page.$('.as-if'), null);
});

test('a text that was written in a hurry is tidied, and that is taken back', async () => {
	await app.load('/source?file=layouts/guide.eave');
	const { keyboard } = app.page;
	const editor = await app.page.waitForSelector('[aria-label="Source"] .cm-content');
	await editor?.focus();
	await keyboard.down('Control');
	await keyboard.press('Home');
	await keyboard.up('Control');
	for (let line = 0; line < 3; line++) await keyboard.press('ArrowDown');
	await keyboard.press('Home');
	await keyboard.type('     ');
	await until('it is out of line', async () => / {7}arrange areas/.test(await sourceText(app, 'layouts/guide.eave'))); // prettier-ignore
	await (await named(app.page, 'button', 'Tidy the text')).click();
	await kept(app, 'Tidy layouts/guide.eave');
	assert.match(await sourceText(app, 'layouts/guide.eave'), /\n {2}arrange areas/);
	await (await named(app.page, 'button', 'Tidy the text')).click();
	await app.page.waitForSelector('::-p-text(layouts/guide.eave is tidy as it is.)');
	await app.page.evaluate(() => [...document.querySelectorAll('button')].find(({ textContent }) => textContent.trim() === 'undo')?.click()); // prettier-ignore
	await until('it is out of line again', async () => / {7}arrange areas/.test(await sourceText(app, 'layouts/guide.eave'))); // prettier-ignore
});
