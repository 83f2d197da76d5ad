import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { frames, named, startApp, textOf, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { openValue, sourceText, typeInto } from '../lib/stage.ts';

let app: App;

before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
});

async function stageText(selector: string): Promise<string> {
	return textOf(await app.stage(), selector);
}

/** What the roofline says of a page. */
async function row(page: string): Promise<string> {
	// What the row is called, as it is read out.
	return app.page.$eval(`[id="row ${page}"] .unseen`, (one) => one.textContent?.trim() ?? '');
}

async function says(page: string, end: string): Promise<void> {
	await until(`${page} is ${end}`, async () => (await row(page)).endsWith(end));
}

async function undo(): Promise<void> {
	await (await named(app.page, 'button', 'undo')).click();
}

/** The middle of something, once it stays where it is: drawings come a little after what they are of. */
async function center(selector: string): Promise<{ x: number; y: number }> {
	let before = '';
	const box = await until(`${selector} rests`, async () => {
		const now = await (await app.page.waitForSelector(selector))?.boundingBox();
		const rests = JSON.stringify(now) === before;
		before = JSON.stringify(now);
		await frames(app.page, 6);
		return rests && (now ?? undefined);
	});
	return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** What a layer brings to a column, wherever that stands in the drawing. */
async function cell(layer: string, column: string): Promise<string> {
	const selector = `[role=gridcell][aria-label^="${layer}, ${column}:"]`;
	await app.page.waitForSelector(selector);
	return selector;
}

test('a page is made bare by dragging its mark off the bar, with what it takes along', async () => {
	await app.open('/plan?route=/');
	await says('/guides', 'under commons, guide');
	const from = await center('[id="row /guides"] .grip');
	await app.page.mouse.move(from.x, from.y);
	await app.page.mouse.down();
	await app.page.mouse.move(from.x + 150, from.y, { steps: 6 });
	const hint = await until('the hint says so', async () => textOf(app.page, '.hint'));
	assert.equal(hint.trim(), 'Take /guides out of all layouts');
	await until('the routes it touches are marked', async () =>
		(await textOf(app.page, '[id="row /guides"]')).includes('changes')
	);
	assert.ok(!(await textOf(app.page, '[id="row /visit"]')).includes('changes'));
	await app.page.mouse.up();
	await says('/guides', 'bare');
	await undo();
	await says('/guides', 'under commons, guide');
});

test('while it is dragged, a layout out of scope refuses and says why', async () => {
	await app.open('/plan?route=/');
	const from = await center('[id="row /guides"] .grip');
	await app.page.mouse.move(from.x, from.y);
	await app.page.mouse.down();
	await app.page.mouse.move(from.x + 30, from.y + 10, { steps: 3 });
	const desk = await center('li[data-drop="desk"]');
	await app.page.mouse.move(desk.x, desk.y, { steps: 6 });
	const hint = await until('it refuses', async () => {
		const words = await textOf(app.page, '.hint.refused');
		return words.includes('desk') && words;
	});
	assert.match(hint, /can be picked only at \/desk/);
	await app.page.mouse.up();
	await frames(app.page, 12);
	await says('/guides', 'under commons, guide');
});

test('a page is made bare, and goes under a layout, by keyboard', async () => {
	await app.open('/plan?route=/catalogue/swaps');
	const list = await app.page.waitForSelector('[role=listbox]');
	await list?.focus();
	await app.page.keyboard.press('u');
	await named(app.page, 'menuitem', 'no layout: let it be bare');
	await app.page.keyboard.press('ArrowUp');
	await app.page.keyboard.press('ArrowUp');
	await app.page.keyboard.press('Enter');
	await until('it asks first: the page fills a region', async () =>
		(await textOf(app.page, '[role=alertdialog]')).includes(
			'This also removes what /catalogue/swaps puts into shelf'
		)
	);
	await (await named(app.page, 'button', 'Do it all')).click();
	await says('/catalogue/swaps', 'bare');
	await undo();
	await says('/catalogue/swaps', 'under commons, catalogue');
});

test('an "instead" becomes an "after", and the lost heading comes back', async () => {
	await app.open('/plan?route=/catalogue');
	await until('the heading is lost', async () =>
		(await stageText('aside')).includes('Grown by others')
	);
	assert.ok(!(await stageText('aside')).includes('Open today'));
	await app.page.click(await cell('catalogue', 'side'));
	await app.page.keyboard.press('a');
	await until('it is back', async () => (await stageText('aside')).includes('Open today'));
	assert.match(await stageText('aside'), /Open today[^]*Grown by others/);
	await undo();
	await until('and gone again', async () => !(await stageText('aside')).includes('Open today'));
});

test('a layout is renamed with its uses, and all is undone, over a reload too', async () => {
	await app.open('/plan?route=/visit');
	await (
		await app.page.waitForSelector(
			'::-p-xpath(//button[contains(@class,"layout-name")][contains(.,"two-up")])'
		)
	)?.click();
	await (await named(app.page, 'button', 'Rename')).click();
	const field = await named(app.page, 'textbox', 'New name');
	await field.click({ count: 3 });
	await field.type('pair');
	await (await named(app.page, 'button', 'Rename it')).click();
	await says('/visit', 'under commons, pair');
	await says('/guides/compare', 'under commons, pair');
	assert.ok(await until('the page is whole', async () => (await stageText('h1')) === 'Visit us'));
	await frames(app.page, 31);
	await app.open('/plan?route=/visit');
	await says('/visit', 'under commons, pair');
	for (let step = 0; step < 20; step++) {
		const button = await named(app.page, 'button', 'undo');
		if (await button.evaluate((one) => one.hasAttribute('disabled'))) break;
		await button.click();
		await frames(app.page, 6);
	}
	await says('/visit', 'under commons, two-up');
});

test('removing a layout says what would break, and is made only with that', async () => {
	await app.open('/plan?route=/visit');
	await (
		await app.page.waitForSelector(
			'::-p-xpath(//button[contains(@class,"layout-name")][contains(.,"two-up")])'
		)
	)?.click();
	await (await named(app.page, 'button', 'Remove')).click();
	await until('it asks', async () =>
		/\/visit and \/guides\/compare ask for two-up by name/.test(
			await textOf(app.page, '[role=alertdialog]')
		)
	);
	await (await named(app.page, 'button', 'Cancel')).click();
	await says('/visit', 'under commons, two-up');
});

test('pieces are edited at the side, live on the stage; what cannot be is not lost', async () => {
	await app.open('/plan?route=/guides');
	await app.page.click(await cell('/guides', 'main'));
	await app.page.keyboard.press('Enter');
	const editor = await app.page.waitForSelector('[aria-label="Markup of body"]');
	await editor?.focus();
	await app.page.keyboard.down('Control');
	await app.page.keyboard.press('Home');
	await app.page.keyboard.up('Control');
	await app.page.keyboard.type('<p>Rain today.</p>');
	await until('the stage follows', async () =>
		(await stageText('article')).includes('Rain today.')
	);
	await app.page.keyboard.type('{{nowhere}');
	const refused = await until('it is refused', async () => textOf(app.page, '.refused'));
	assert.match(refused, /Not in the site yet/);
	assert.ok((await stageText('article')).includes('Rain today.'));
	assert.match(await textOf(app.page, '[aria-label="Markup of body"]'), /nowhere/);
});

test('what is pointed at lights up in every drawing, and says where it is written', async () => {
	await app.open('/plan?route=/catalogue');
	const block = await center(await cell('catalogue', 'side'));
	await app.page.mouse.move(block.x, block.y);
	await until('the box on the stage is lit', async () =>
		(await textOf(app.page, '.box-name.lit')).includes('like-it')
	);
	await until('its place is said', async () =>
		(await textOf(app.page, '.work')).includes(
			'like-it, of catalogue is written in layouts/catalogue.eave, line'
		)
	);
	await app.page.hover('li ::-p-text(guide)');
	await until('the layout’s bars are lit', async () => (await app.page.$$('.bar.lit')).length > 0);
});

test('coming from another page, what stays and what goes is marked; a page is held beside', async () => {
	await app.open('/plan?route=/catalogue');
	await app.page.select('[aria-label="Coming from"]', '/visit');
	const heads = await until('fates are marked', async () => {
		const text = await textOf(app.page, '[aria-label="Cross-section"] .head');
		return text.includes('kept') && text;
	});
	assert.match(heads, /head\s*kept\s*menu\s*refilled\s*trail\s*new/);
	await (await named(app.page, 'button', 'Hold')).click();
	await until('two pages are there', async () => (await app.page.$$('.pages iframe')).length === 2);
	await (await named(app.page, 'button', 'Let go')).click();
});

test('branches fold, and a search finds a route', async () => {
	await app.open('/plan?route=/catalogue');
	await (await app.page.waitForSelector('[role=listbox]'))?.focus();
	await app.page.keyboard.press('ArrowLeft');
	await until(
		'the branch is folded',
		async () => (await app.page.$('[id="row /catalogue/print"]')) === null
	);
	await app.page.keyboard.press('ArrowRight');
	await app.page.waitForSelector('[id="row /catalogue/print"]');
	await (await named(app.page, 'searchbox', 'Find a route')).type('Label');
	await until('one is found', async () => (await app.page.$$('[role=option]')).length === 1);
	await app.page.keyboard.press('Enter');
	await until('it is shown', async () => (await stageText('.labels')).includes('Kale'));
});

test('a route and a layout are added, and a bar’s end is dragged over another branch', async () => {
	await app.load('/plan?route=/borrow');
	await (await named(app.page, 'button', 'Add route')).click();
	const route = await named(app.page, 'textbox', 'Route');
	await route.type('thanks');
	await (await named(app.page, 'textbox', 'Title')).type('Thank you');
	await (await named(app.page, 'button', 'Add it')).click();
	await says('/borrow/thanks', 'under commons');
	await (await named(app.page, 'button', 'Add layout')).click();
	const name = await named(app.page, 'textbox', 'Name');
	await name.type('lending');
	await (await named(app.page, 'button', 'Add it')).click();
	await says('/borrow/thanks', 'under commons, lending');
	const tip = await center('.bar[title="lending"] .top');
	const target = await center('[id="row /borrow/thanks"]');
	await app.page.mouse.move(tip.x, tip.y);
	await app.page.mouse.down();
	await app.page.mouse.move(tip.x + 2, tip.y + 12, { steps: 3 });
	await app.page.mouse.move(tip.x + 2, target.y, { steps: 6 });
	await until('the hint says so', async () =>
		(await textOf(app.page, '.hint')).includes('Let lending cover /borrow/thanks')
	);
	await app.page.mouse.up();
	await says('/borrow', 'under commons');
	await says('/borrow/thanks', 'under commons, lending');
	assert.deepEqual(app.faults, []);
});

test('a value is set only on one page, in its own text; the others keep theirs, and undo takes it back', async () => {
	const pad = async (): Promise<string> =>
		(await app.stage()).$eval('aside', (side) => getComputedStyle(side).paddingTop);
	await app.open('/plan?route=/visit&width=1100');
	await new Hand(app).block('commons, side');
	await (await named(app.page, 'button', 'only on /visit')).click();
	await until('it says for which pages', async () =>
		/only on \/visit:\s+1\s+page\./.test(await textOf(app.page, '.scope'))
	);
	await openValue(app, 'pad of side at wide');
	await typeInto(app, 'pad at wide', '3px');
	await until('the page has it', async () => (await pad()) === '3px');
	await app.page.waitForSelector('[role=gridcell][aria-label="/visit, side: lets it pass, says its own pad"]'); // prettier-ignore
	await app.open('/plan?route=/catalogue&width=1100');
	await until('another page has not', async () => !['3px', '0px'].includes(await pad()));
	assert.match(await sourceText(app, 'routes/1-public.eave'), /adjust side \{ pad 3px @wide \}/);
	await app.open('/plan?route=/visit&width=1100');
	await undo();
	await until('it is as it was', async () => (await pad()) !== '3px');
});

test('five cards with three arrangements and a span of their own are made in under 20 steps', async () => {
	await app.open('/plan?route=/visit&width=1180');
	const hand = new Hand(app);
	await hand.block('commons, foot');
	await hand.press('button', 'Add piece …');
	await hand.fill('Name', 'bean, pea, kale, beet, leek');
	await hand.press('button', 'Add it');
	await hand.block('commons, foot');
	const inColumns = async (band: string, count: string): Promise<void> => {
		await hand.press('button', 'columns: columns that members fill in order and span');
		await hand.type(`Columns of foot at ${band}`, count);
		await hand.type(`Columns that each takes in foot at ${band}`, '1');
	};
	await inColumns('wide', '3');
	await hand.type('Width of the page in px', '800');
	await inColumns('medium', '2');
	await hand.type('Width of the page in px', '400');
	await hand.press('button', 'stack: members one below the other');
	await hand.press('button', 'bean');
	await hand.setting('bean', 'span');
	await hand.type('span at narrow', '2');
	const text = await until('it is said', async () => {
		const said = await sourceText(app, 'layouts/commons.eave');
		return said.includes('span 2') && said;
	});
	for (const said of ['columns 3 each 1 @wide', 'columns 2 each 1 @medium', 'arrange stack'])
		assert.ok(text.includes(said), said);
	assert.equal(text.match(/piece (bean|pea|kale|beet|leek) /g)?.length, 5);
	assert.ok(hand.steps < 20, `${hand.steps} steps`);
});
