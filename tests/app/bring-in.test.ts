import assert from 'node:assert/strict';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { oldPage } from '../lib/brought.ts';
import { png } from '../lib/pictures.ts';

/** Pages that one has become a site by hand, and a shell is pasted and filled. */

let app: App;
let folder: string;
before(async () => {
	app = await startApp();
	folder = await mkdtemp(join(tmpdir(), 'eave-pages-'));
	const pages = ['index', 'seeds/kale', 'seeds/bean', 'visit/index'].map((name) => `${name}.html`);
	for (const path of pages) {
		const html = oldPage(
			{ path, title: path, content: `<h1>${path}</h1><p>Own words of ${path}.</p>` },
			'floats'
		);
		await mkdir(dirname(join(folder, path)), { recursive: true });
		await writeFile(join(folder, path), html);
	}
	await mkdir(join(folder, 'images'));
	await writeFile(join(folder, 'images/pod.png'), png(8, 8));
	await mkdir(join(folder, 'css'));
	await writeFile(
		join(folder, 'css/site.css'),
		'#top { background: rgb(1, 2, 3) } #side { float: left; width: 120px }'
	);
});
after(async () => {
	await app.close();
	await rm(folder, { recursive: true });
	assert.deepEqual(app.faults, []);
});

async function openDialog(): Promise<void> {
	await (await app.page.waitForSelector('.site-name'))?.click();
	await (await named(app.page, 'menuitem', 'Bring in pages (HTML) …')).click();
	await until('the dialog is there', async () => (await dialogText()).includes('Bring in pages'));
}

async function dialogText(): Promise<string> {
	return app.page.$$eval('.question', (all) => all.map((one) => one.textContent ?? '').join(' '));
}

test('a folder of pages is looked through, shown to stay the same, and opened as a site whose stage has its sheets', async () => {
	await app.load('/plan');
	await openDialog();
	const input = await app.page.$('input[aria-label="A folder of pages"]');
	await input?.uploadFile(folder);
	await until('all pages are the same', async () =>
		/4 of 4 pages\s+come out the same/.test(await dialogText())
	);
	assert.match(await dialogText(), /site\s*\/\s*around 4 pages/);
	await (await named(app.page, 'button', 'Open as a site')).click();
	await until('it is open', async () =>
		(await app.page.$eval('header', (bar) => bar.textContent ?? '')).includes('Seed library')
	);
	const stage = await app.stage();
	await until(
		'the stage has the page with its sheet',
		async () =>
			(await stage.evaluate(() => {
				const top = document.querySelector('#top');
				return top ? getComputedStyle(top).backgroundColor : '';
			})) === 'rgb(1, 2, 3)'
	);
	assert.ok(
		await app.page.$('[id="row /seeds/kale.html"]'),
		'each page stands at the path it came from'
	);
});

test('the HTML of one page that is pasted is a site: its landmarks are regions, its main part the slot', async () => {
	await openDialog();
	const area = await app.page.waitForSelector('.question textarea');
	await area?.evaluate((one) => {
		if (one instanceof HTMLTextAreaElement)
			one.value =
				'<!DOCTYPE html><title>Pasted</title><header><b>Top</b></header><main><h1>Own</h1></main><footer>Foot</footer>';
		one.dispatchEvent(new Event('input', { bubbles: true }));
	});
	await (await named(app.page, 'button', 'Bring this page in')).click();
	await until('it is the same', async () =>
		/1 of 1 page\s+come out the same/.test(await dialogText())
	);
	assert.match(await dialogText(), /head \(0\), foot \(0\)/);
	await (await named(app.page, 'button', 'Open as a site')).click();
	const stage = await app.stage();
	await until('the stage has it', async () =>
		(await stage.evaluate(() => document.body.textContent ?? '')).includes('TopOwnFoot')
	);
});

test('what has no page in it is refused in a sentence, and the open site stays', async () => {
	await openDialog();
	const input = await app.page.$('input[aria-label="A folder of pages"]');
	await input?.uploadFile(join(folder, 'css'));
	await until('it says why', async () =>
		(await dialogText()).includes('There is no page among these files')
	);
	await (await named(app.page, 'button', 'Cancel')).click();
	const stage = await app.stage();
	assert.match(await stage.evaluate(() => document.body.textContent ?? ''), /Own/);
});
