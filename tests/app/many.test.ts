import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import type { ElementHandle } from 'puppeteer-core';
import { frames, named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { atRest, sourceText } from '../lib/stage.ts';
import { openText } from '../lib/source.ts';

/** Many at once: pages in the roofline, pieces of a place, those that are alike; each in one step that undo takes back. */

let app: App;
before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

async function row(page: string): Promise<ElementHandle> {
	const found = await app.page.waitForSelector(`[id="row ${page}"]`);
	assert.ok(found);
	return found;
}

/** Opens a site of one file; by its name one sees that it is open. */
async function open(text: string, name: string): Promise<void> {
	await app.open('/plan?route=/');
	await openText(app.page, text, 'site.eave');
	await until('it is open', async () =>
		(await app.page.$eval('header', (one) => one.textContent ?? '')).includes(name)
	);
}

const cards = `site "Cards" { lang en; bands { narrow 0; wide 700 } }
layout commons at / { region main as main { slot } }
route / {
  title "Home"
  description "Three cards and a line."
  piece one """<article><h2>One</h2><p>first</p></article>"""
  piece two """<article><h2>Two</h2><p>second</p></article>"""
  piece line """<p>A line</p>"""
  piece three """<article><h2>Three</h2><p>third</p></article>"""
}
`;

const routes = `site "Many" { lang en; bands { narrow 0 } }
layout commons at / { region main as main { slot } }
layout plain at / on-request { region main as main { slot } }
${['/', '/a', '/b', '/c'].map((route) => `route ${route} { title "${route}"; piece body """<p>${route}</p>""" }`).join('\n')}
`;

test('pages chosen together in the roofline sit under something else, and are moved, in one step each', async () => {
	await open(routes, 'Many');
	await app.open('/plan?route=/a');
	const hand = new Hand(app);
	const { keyboard } = app.page;
	await keyboard.down('Control');
	await (await row('/c')).click({ offset: { x: 110, y: 14 } });
	await keyboard.up('Control');
	await app.page.waitForSelector('aside ::-p-text(2 pages)');
	await (await named(app.page, 'combobox', 'under')).select('plain');
	const under = (layout: string): Promise<string[]> =>
		app.page.$$eval(
			'[role=option]',
			(all, name) =>
				all.filter((one) => one.textContent?.includes(`, ${name}`)).map((one) => one.id),
			layout
		);
	await until('both are', async () => (await under('plain')).join() === 'row /a,row /c');
	await hand.press('button', 'undo');
	await until('neither is', async () => (await under('plain')).length === 0);
	// By keyboard, from the chosen row on.
	await app.page.focus('[role=listbox]');
	await keyboard.down('Shift');
	await keyboard.press('ArrowDown');
	await keyboard.up('Shift');
	await until('the next is chosen, too', async () => {
		const chosen = await app.page.$$eval('[role=option][aria-selected=true]', (all) =>
			all.map((one) => one.id).join()
		);
		return chosen === 'row /a,row /b';
	});
	await hand.press('button', 'Move below …');
	await hand.fill('Below', '/old');
	await hand.press('button', 'Move them');
	await row('/old/a');
	await row('/old/b');
	await row('/c');
});

async function piecesOf(block: string): Promise<string[]> {
	return app.page.$$eval(`[role=gridcell][aria-label^="${block}"] [data-piece]`, (all) =>
		all.map((one) => one.textContent ?? '')
	);
}

async function order(names: readonly string[]): Promise<void> {
	await until(
		`the pieces are ${names.join(', ')}`,
		async () => (await piecesOf('/, main')).join() === names.join()
	);
}

test('pieces that are alike are chosen, ordered as a group by dragging, copied and made a part of', async () => {
	await open(cards, 'Cards');
	await app.open('/plan?route=/');
	const hand = new Hand(app);
	await hand.block('/, main');
	await (await app.page.waitForSelector('b[data-piece=one]'))?.click();
	await hand.press('button', 'Choose all 3 alike');
	await app.page.waitForSelector('aside ::-p-text(3 chosen)');
	await hand.press('button', 'Make a part of them …');
	await hand.fill('Its name', 'card');
	await hand.press('button', 'Make the part');
	await hand.press('button', 'Do it all');
	const made = await until('all three use it', async () => {
		const text = await sourceText(app, 'site.eave');
		return text.match(/\{use card title="(One|Two|Three)"/g)?.length === 3 && text;
	});
	assert.match(made, /<p>A line<\/p>/);

	await app.open('/plan?route=/');
	await hand.block('/, main');
	await (await app.page.waitForSelector('b[data-piece=one]'))?.click();
	await app.page.keyboard.down('Control');
	await (await app.page.waitForSelector('b[data-piece=two]'))?.click();
	await app.page.keyboard.up('Control');
	await app.page.waitForSelector('aside ::-p-text(2 chosen)');
	const [from, to] = await Promise.all(
		['two', 'three'].map(async (name) => {
			const found = await app.page.waitForSelector(`b[data-piece=${name}]`);
			assert.ok(found);
			return atRest(app, found);
		})
	);
	assert.ok(from && to);
	await app.page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
	await app.page.mouse.down();
	await app.page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
	await app.page.waitForSelector('::-p-text(one and two go behind three)');
	await app.page.mouse.up();
	await order(['line', 'three', 'one', 'two']);
	await frames(app.page, 8);
	await hand.press('button', 'Copy them');
	await order(['line', 'three', 'one', 'two', 'one-2', 'two-2']);
	await hand.press('button', 'Move them up');
	await order(['line', 'one', 'two', 'three', 'one-2', 'two-2']);
	for (let step = 0; step < 3; step++) await hand.press('button', 'undo');
	await order(['one', 'two', 'line', 'three']);
});

test('pasted rows are pieces, which are chosen one after the other by keyboard and dragged together on the page', async () => {
	await open(cards.replace('"Cards"', '"Rows"'), 'Rows');
	await app.open('/plan?route=/');
	const hand = new Hand(app);
	await hand.block('/, main');
	await hand.press('button', 'Add piece …');
	const field = await app.page.waitForSelector('[role=dialog] textarea');
	await field?.type('Kind\tSown\nKale\tMay\nLeek\tJune');
	await hand.press('button', 'Add it');
	await order(['one', 'two', 'line', 'three', 'kale', 'leek']);
	await app.page.waitForSelector('aside ::-p-text(2 chosen)');
	await hand.block('/, main');
	await app.page.keyboard.press('.');
	await app.page.waitForSelector('aside ::-p-text(a piece of /)');
	await app.page.keyboard.down('Shift');
	await app.page.keyboard.press('Period');
	await app.page.keyboard.up('Shift');
	await app.page.waitForSelector('aside ::-p-text(2 chosen)');
	const label = async (name: string) => {
		const found = await app.page.waitForSelector(`::-p-xpath(//span[contains(@class, "box-name")][normalize-space(text())="${name}"])`); // prettier-ignore
		assert.ok(found);
		return atRest(app, found);
	};
	const from = await label('two');
	const to = await (await app.page.waitForSelector('.box[data-name="three"]'))?.boundingBox();
	assert.ok(from && to);
	await app.page.mouse.move(from.x + 4, from.y + 4);
	await app.page.mouse.down();
	await app.page.mouse.move(to.x + to.width / 2, to.y + to.height - 2, { steps: 8 });
	await app.page.waitForSelector('::-p-text(one and two below three)');
	await app.page.mouse.up();
	await order(['line', 'three', 'one', 'two', 'kale', 'leek']);
});
