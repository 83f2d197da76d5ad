import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { packSource } from '../../src/core/emit/delivery.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { named, startApp, textOf, until, type App } from '../lib/app.ts';
import { editorText, openFile, toEnd } from '../lib/source.ts';

/** Sheets of the site's own: named by choosing, edited as text, seen on the stage, taken back. */

let app: App;
before(async () => (app = await startApp()));
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const text = `site "Sheets" { lang en; bands { narrow 0 } }
layout shell at / {
  sheet "css/site.css"
  attributes html """ class="spring" """
  frame """<header class="top">Top</header><main>{slot}</main>"""
}
route / { title "Home"; piece body """<h1>Seed</h1>""" }
`;

async function colour(selector: string): Promise<string> {
	const stage = await app.stage();
	return stage.evaluate((one) => {
		const found = document.querySelector(one);
		return found ? getComputedStyle(found).color : '';
	}, selector);
}

async function undo(): Promise<void> {
	await (await named(app.page, 'button', 'undo')).click();
}

test('a sheet is edited in Source with completion, the stage follows, and undo takes it back', async () => {
	await app.load('/plan');
	const zip = packSource({
		texts: new Map([['site.eave', text]]),
		assets: new Map([
			[
				'css/site.css',
				encodeUtf8('.top { color: rgb(1, 2, 3) } .spring main { color: rgb(7, 7, 7) }\n')
			],
			['css/more.css', encodeUtf8('h1 { color: rgb(9, 8, 7) }\n')]
		])
	});
	await openFile(app.page, 'sheets.zip', [...zip]);
	await until('the sheet holds', async () => (await colour('.top')) === 'rgb(1, 2, 3)');
	assert.equal(await colour('main'), 'rgb(7, 7, 7)', 'the root has the class that a layer says');
	await app.open('/source?file=css/site.css');
	await until('it is there as text', async () => (await editorText(app.page)).includes('.top {'));
	await toEnd(app.page);
	await app.page.keyboard.type('.top { backg');
	const offered = await app.page.waitForSelector('.cm-tooltip-autocomplete');
	assert.match((await offered?.evaluate((one) => one.textContent)) ?? '', /background/);
	await app.page.keyboard.press('Escape');
	await app.page.keyboard.type('round: none; color: rgb(4, 5, 6)');
	await app.open('/plan');
	await until('the stage has it', async () => (await colour('.top')) === 'rgb(4, 5, 6)');
	await undo();
	await until('it is taken back', async () => (await colour('.top')) === 'rgb(1, 2, 3)');
});

test('a further sheet is named on the layout, and taken away again', async () => {
	await app.open('/plan?route=/');
	await (await app.page.waitForSelector('button.layer'))?.click();
	const field = await app.page.waitForSelector('input[aria-label="A sheet or script to add"]');
	await field?.type('css/more.css');
	await app.page.keyboard.press('Enter');
	await until('the stage has it', async () => (await colour('h1')) === 'rgb(9, 8, 7)');
	await until('it is listed behind the other', async () =>
		/css\/site\.css[^]*css\/more\.css/.test(
			await textOf(app.page, '[aria-label="Sheets and scripts"]')
		)
	);
	await (await named(app.page, 'button', 'Remove css/more.css')).click();
	await until('it is gone', async () => (await colour('h1')) !== 'rgb(9, 8, 7)');
	await undo();
	await until('it is there again', async () => (await colour('h1')) === 'rgb(9, 8, 7)');
});
