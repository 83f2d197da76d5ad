import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, type App } from '../lib/app.ts';
import { onlyColours, violationsIn } from '../lib/axe.ts';
import { openText, toEnd } from '../lib/source.ts';

/** Nothing that axe-core finds, in any view, menu and dialog, by day and by night. */

let app: App;

before(async () => {
	app = await startApp();
});
after(() => app.close());

let asked: typeof onlyColours | undefined;

/** What axe-core finds in the application; the page on the stage is the site's own affair. */
async function check(where: string): Promise<void> {
	assert.deepEqual(await violationsIn(app.page, asked), [], where);
}

for (const mode of ['day', 'night'] as const) {
	test(`Plan, with its panels, by ${mode}`, async () => {
		asked = mode === 'night' ? onlyColours : undefined;
		await app.open('/plan?route=/catalogue');
		const toNight = await app.page.$('::-p-text(by night)');
		if (mode === 'night') await toNight?.click();
		await app.page.waitForSelector('[role=gridcell]');
		await check('Plan');
		await (await named(app.page, 'button', 'Tracks')).click();
		await (
			await app.page.waitForSelector('[role=gridcell][aria-label^="catalogue, menu"]')
		)?.click();
		await app.page.keyboard.press('Enter');
		await app.page.waitForSelector('[aria-label="Text"] .cm-content');
		await check('Plan with tracks and pieces');
		await app.page.keyboard.press('Escape');
		await (await named(app.page, 'button', 'Tracks')).click();
		for (const panel of ['site', 'catalogue', '/catalogue', 'intro']) {
			if (panel === 'intro') {
				await (
					await app.page.waitForSelector('[role=gridcell][aria-label^="/catalogue, main"]')
				)?.click();
			}
			await (await named(app.page, 'button', panel)).click();
			await check(`the inspector, of ${panel}`);
		}
		await (await app.page.waitForSelector('button[data-value]'))?.click();
		await app.page.waitForSelector('.value-editor .editor');
		await check('a value that is chosen');
	});

	test(`Material, finding and keys, by ${mode}`, async () => {
		for (const [of, there] of [
			['data', '[aria-label="Values of opening"]'],
			['parts', 'article[aria-label^="Part"] iframe'],
			['files', 'article[aria-label^="File"]'],
			['tokens', 'article[aria-label^="Token"]']
		] as const) {
			await app.open(`/material?of=${of}`);
			await app.page.waitForSelector(there);
			await check(`Material, ${of}`);
		}
		await app.open('/findings');
		await named(app.page, 'button', 'Stop ignoring order-differs in guide');
		await check('Findings');
		await app.open('/access');
		await named(app.page, 'button', 'Save as CSV');
		await check('Access');
		await (await named(app.page, 'button', 'find')).click();
		await named(app.page, 'combobox', 'Find by name');
		await app.page.keyboard.type('side');
		await check('finding');
		await app.page.keyboard.press('Escape');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		await (await named(app.page, 'button', 'Words and keys')).click();
		await app.page.waitForSelector('[role=dialog]');
		await check('the keys');
		await app.page.keyboard.press('Escape');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
	});

	test(`Sheet, before and after, and Sweep, by ${mode}`, async () => {
		await app.open('/sheet');
		await app.page.waitForSelector('.drawing');
		await (await app.page.waitForSelector('.hold'))?.evaluate((one) => one instanceof HTMLElement && one.click()); // prettier-ignore
		await app.page.waitForSelector('[aria-label="Held side by side"] .drawing');
		await check('Sheet');
		await (await named(app.page, 'button', 'Before and after')).click();
		await check('before and after, with nothing to compare');
		await app.open('/sweep?route=/catalogue');
		await app.page.waitForSelector('[data-swept]');
		await (await named(app.page, 'button', 'In words')).click();
		await check('Sweep in words');
	});

	test(`what pages are tried with, and what scrolling does, by ${mode}`, async () => {
		await app.open('/plan?route=/catalogue&height=500&try=long');
		await (await named(app.page, 'button', 'Scroll')).click();
		await named(app.page, 'slider', 'Scrolled to');
		await check('Plan with the strip of scrolling');
		await (await named(app.page, 'button', 'Close scrolling')).click();
		await (await app.page.waitForSelector('.try'))?.click();
		await app.page.waitForSelector('.try-menu');
		await check('what pages are tried with');
		await app.page.keyboard.press('Escape');
		await app.open('/sweep?route=/catalogue');
		await (await app.page.waitForSelector('::-p-text(room left)'))?.click();
		await app.page.waitForSelector('::-p-text(on 640 px of height)');
		await check('Sweep with what is left of screens');
	});

	test(`Source, with an error, by ${mode}`, async () => {
		await app.open('/source');
		await app.page.waitForSelector('[aria-label="Source"] .cm-content');
		await check('Source');
		await toEnd(app.page);
		await app.page.keyboard.type('}');
		await app.page.waitForSelector('[aria-label="Errors in the source"]');
		await check('Source with an error');
		await (await app.page.waitForSelector('::-p-text(undo)'))?.click();
		await app.page.waitForSelector('[aria-label="Errors in the source"]', { hidden: true });
	});

	test(`Deliver, menus and dialogs, by ${mode}`, async () => {
		await app.open('/deliver');
		await app.page.waitForSelector('caption');
		await check('Deliver');
		await (await app.page.waitForSelector('.site-name'))?.click();
		await named(app.page, 'menuitem', 'New site …');
		await check('the menu of sites');
		await (await named(app.page, 'menuitem', 'New site …')).click();
		await app.page.waitForSelector('[role=dialog]');
		await check('a new site');
		await app.page.keyboard.press('Escape');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		await (await app.page.waitForSelector('.site-name'))?.click();
		await (await named(app.page, 'menuitem', 'All sites kept in this browser …')).click();
		await app.page.waitForSelector('[role=dialog]');
		await check('kept sites');
		await app.page.keyboard.press('Escape');
	});

	test(`questions before an edit, by ${mode}`, async () => {
		await app.open('/plan?route=/catalogue');
		await (await named(app.page, 'button', 'Add route')).click();
		await app.page.waitForSelector('[role=dialog]');
		await check('adding a route');
		await app.page.keyboard.press('Escape');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		await (await app.page.waitForSelector('::-p-text(change)'))?.click();
		await check('what a page sits under');
		await app.page.keyboard.press('Escape');
	});

	test(`what is chosen in markup and of several pages, parts and lists, by ${mode}`, async () => {
		await app.open('/plan?route=/catalogue');
		const block = '[role=gridcell][aria-label^="/catalogue, main"]';
		await (await app.page.waitForSelector(block))?.click();
		await (await app.page.waitForSelector('b[data-piece=shelf]'))?.click();
		for (const [node, field] of [
			['<div>', 'select[aria-label="A value for class"]'],
			['for each v', 'select[aria-label="The list"]'],
			['part seed-card', 'select[aria-label="A value for title"]']
		] as const) {
			const found = await app.page.waitForSelector(`.listed button::-p-text(${node})`);
			await found?.click();
			await app.page.waitForSelector(field);
			await check(`${node} in the markup of a piece`);
			await app.page.click('nav[aria-label="What it stands in"] button');
		}
		await app.page.focus('[role=listbox]');
		await app.page.keyboard.down('Shift');
		await app.page.keyboard.press('ArrowDown');
		await app.page.keyboard.up('Shift');
		await app.page.waitForSelector('aside ::-p-text(2 pages)');
		await check('several pages');
		await app.open('/material?of=parts');
		await (await named(app.page, 'button', 'Edit it')).click();
		await app.page.waitForSelector('textarea');
		await check('the style and variants of a part');
		await app.open('/material?of=data');
		await (await app.page.waitForSelector('.sources button::-p-text(varieties)'))?.click();
		await app.page.waitForSelector('table[aria-label="data.varieties"]');
		await check('a list as a table');
	});

	test(`what a piece is filled with, by ${mode}`, async () => {
		await app.open('/plan?route=/catalogue');
		const block = '[role=gridcell][aria-label^="/catalogue, main"]';
		await (await app.page.waitForSelector(block))?.click();
		await (await named(app.page, 'button', 'intro')).click();
		await (await named(app.page, 'button', 'Fill from data …')).click();
		await app.page.waitForSelector('[role=dialog] table');
		for (const way of ['if', 'values']) {
			await check(`filling from data, before ${way}`);
			await app.page.click(`[role=dialog] input[value=${way}]`);
		}
		await check('filling with values');
		await app.page.keyboard.press('Escape');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
		await (await named(app.page, 'button', 'Add a picture …')).click();
		const select = await app.page.waitForSelector('[role=dialog] select');
		await check('choosing a picture');
		await select?.select('images/pod.svg');
		await app.page.waitForSelector('[role=dialog] table');
		await check('a picture and what screens load of it');
		await app.page.keyboard.press('Escape');
		await app.page.waitForSelector('[role=dialog]', { hidden: true });
	});
}

const wide = `site "Wide" { lang en; bands { narrow 0; wide 900 } }
layout shell at / {
  arrange areas { "main" auto }
  arrange areas @wide { "main side" auto; columns minmax(0, 1fr) 300px }
  region main as main { slot }
  region side as aside { show hidden; show in-place @wide; piece note """<p>note</p>""" }
}
route / { title "Home"; piece table """<div style="width: 700px; height: 40px"></div>""" }
`;

for (const mode of ['night', 'day'] as const) {
	test(`Sweep with a mend, by ${mode}`, async () => {
		asked = mode === 'night' ? onlyColours : undefined;
		await app.open('/sweep');
		await (await app.page.$(`::-p-text(by ${mode})`))?.click();
		await openText(app.page, wide, 'wide.eave');
		// It is drawn anew as pages are measured, so it is pressed in the page itself.
		await app.page.waitForFunction(() => {
			const mend = document.querySelector('.mend');
			if (!(mend instanceof HTMLElement)) return false;
			mend.click();
			return true;
		});
		await check('Sweep with a mend');
	});
}

test('the first keys of Tab lead to the routes, the page and the inspector, in this order', async () => {
	await app.load('/plan?route=/catalogue');
	const { keyboard } = app.page;
	const focused = (): Promise<string> =>
		app.page.evaluate(
			() =>
				document.activeElement
					?.closest('[role=listbox], [aria-label="Page"], [aria-label="Inspector"]')
					?.getAttribute('aria-label') ?? ''
		);
	const led: string[] = [];
	for (let tabs = 1; tabs <= 3; tabs++) {
		await app.load('/plan?route=/catalogue');
		await app.page.waitForSelector('aside[aria-label="Inspector"] button');
		for (let tab = 0; tab < tabs; tab++) await keyboard.press('Tab');
		await keyboard.press('Enter');
		led.push(await focused());
	}
	assert.deepEqual(led, ['Routes and the layouts that cover them', 'Page', 'Inspector']);
});
