import assert from 'node:assert/strict';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { pageDifference } from '../../src/core/bring-in/proving/same-page.ts';
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
			{
				path,
				title: path,
				content: `<h1>${path}</h1><p>${`Own words of ${path}. `.repeat(40)}</p>`
			},
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
		'#top { background: rgb(1, 2, 3) } #side { float: left; width: 120px } #content { margin-left: 140px } #foot { clear: both }'
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
	const input = await app.page.waitForSelector('input[aria-label="A folder of pages"]');
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

test('the frame that was found is arranged here: read, held over what is there, taken, and taken back', async () => {
	const place = async (): Promise<string> => {
		const stage = await app.stage();
		return stage.evaluate(() => {
			const { x, y, width } = document.querySelector('h1')?.getBoundingClientRect() ?? { x: 0, y: 0, width: 0 }; // prettier-ignore
			return [x, y, width].map(Math.round).join();
		});
	};
	const isArranged = async (): Promise<boolean> => {
		const stage = await app.stage();
		return stage.evaluate(() => document.querySelector('[data-wrapper]') !== null);
	};
	const before = await place();
	await (await app.page.waitForSelector('[role=gridcell][aria-label^="site,"]'))?.click();
	await (await app.page.waitForSelector('[aria-label="What is chosen"] button.mono'))?.click();
	await (await app.page.waitForSelector('::-p-text(Arrange it here …)'))?.click();
	await until('it has been read', async () =>
		(await dialogText()).includes('everything lies where it lay')
	);
	assert.match(await dialogText(), /sheets paint[\s\S]*wrapper/);
	await (await named(app.page, 'button', 'Draw it at 320 px')).click();
	await app.page.waitForSelector('::-p-text(at 320 px)');
	await (await named(app.page, 'button', 'Arrange it here')).click();
	await until('the stage has boxes', isArranged);
	await until('everything is where it was', async () => (await place()) === before);
	await (await named(app.page, 'button', 'undo')).click();
	await until('it is a frame again', async () => !(await isArranged()));
	assert.equal(await place(), before);
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
	const input = await app.page.waitForSelector('input[aria-label="A folder of pages"]');
	await input?.uploadFile(join(folder, 'css'));
	await until('it says why', async () =>
		(await dialogText()).includes('There is no page among these files')
	);
	await (await named(app.page, 'button', 'Cancel')).click();
	const stage = await app.stage();
	assert.match(await stage.evaluate(() => document.body.textContent ?? ''), /Own/);
});

test('dropped pages are put right by a click, come out box for box, and are delivered as they came', async () => {
	const pages = ['index', 'seeds', 'visit'].map((name) => {
		const path = `${name}.html`;
		const html = oldPage(
			{ path, title: name, content: `<h1>${name}</h1><p>Own words of ${name}.</p>` },
			'tables'
		);
		// A picture that does not come along would be asked for, and refused.
		return { path, html: html.replace(/<img[^>]*>/, '') };
	});
	await app.page.evaluate((all) => {
		const transfer = new DataTransfer();
		for (const { path, html } of all) transfer.items.add(new File([html], path));
		const event = { dataTransfer: transfer, bubbles: true, cancelable: true };
		document.body.dispatchEvent(new DragEvent('drop', event));
	}, pages);
	const same = async (): Promise<boolean> => {
		const text = await dialogText();
		return (
			/3 of 3 pages\s+come out the same/.test(text) &&
			/3 of 3 pages\s+have every box where it was,/.test(text)
		);
	};
	await until('they are the same', same);
	const frame = await app.page.waitForSelector('.question iframe[title^="The page"]');
	assert.ok(frame);
	await until('it shows the page', () =>
		frame.evaluate((one) => one.contentDocument?.querySelector('#foot') !== null)
	);
	const point = await frame.evaluate((one) => {
		const outer = one.getBoundingClientRect();
		const foot = one.contentDocument?.querySelector('#foot')?.getBoundingClientRect();
		const scale = outer.width / one.offsetWidth;
		return {
			x: outer.x + ((foot?.x ?? 0) + 20) * scale,
			y: outer.y + ((foot?.y ?? 0) + 4) * scale
		};
	});
	await app.page.mouse.click(point.x, point.y);
	await until('it says what it is', async () =>
		/div#foot is of the frame site: it is said once/.test((await dialogText()).replace(/\s+/g, ' '))
	);
	await (await named(app.page, 'button', 'a region')).click();
	await until('it is a region', async () =>
		/div#foot is in the region foot of site/.test((await dialogText()).replace(/\s+/g, ' '))
	);
	await until('they are still the same', same);
	await (await named(app.page, 'button', 'Take the last one back')).click();
	await until('it is as before', async () => !(await dialogText()).includes('chosen by you'));
	await (await named(app.page, 'button', 'a region')).click();
	await until('it is a region again', same);
	await (await named(app.page, 'button', 'Open as a site')).click();
	await until('it is open', async () => (await app.page.$('[id="row /seeds.html"]')) !== null);
	await until('its region is in the cross-section', async () =>
		(await app.page.$eval('main', (main) => main.textContent ?? '')).includes('foot')
	);
	await app.open('/deliver');
	const download = await named(app.page, 'button', 'Download seed-library.zip');
	await until('there is something to hand over', () =>
		download.evaluate((one) => !one.hasAttribute('disabled'))
	);
	await download.click();
	const delivered = unzipSync(await app.downloaded('seed-library.zip'));
	for (const { path, html } of pages) {
		const now = new TextDecoder().decode(delivered[path]);
		assert.equal(pageDifference(html, now, path), undefined, path);
	}
	await app.open('/plan');
});

test('a page that is pasted becomes a frame of the open site, which a page of it then fills', async () => {
	await openDialog();
	const area = await app.page.waitForSelector('.question textarea');
	await area?.evaluate((one) => {
		if (!(one instanceof HTMLTextAreaElement)) return;
		one.value =
			'<!DOCTYPE html><title>Shell</title><div class="wrap"><header>Shell head</header><main><h1>Sample</h1></main></div>';
		one.dispatchEvent(new Event('input', { bubbles: true }));
	});
	await (await named(app.page, 'button', 'Bring this page in')).click();
	await until('it is the same', async () =>
		/1 of 1 page\s+come out the same/.test(await dialogText())
	);
	await (await named(app.page, 'button', 'Add to Seed library …')).click();
	await (await named(app.page, 'button', 'Add')).click();
	await until('it is in the site', async () =>
		(await app.page.$eval('body', (body) => body.textContent ?? '')).includes(
			'The frame is in the site.'
		)
	);
	await app.page.click('[id="row /visit.html"]');
	await (await named(app.page, 'button', 'change')).click();
	await (await named(app.page, 'menuitem', 'frame')).click();
	const stage = await app.stage();
	await until('the page stands in it', async () => {
		const text = await stage.evaluate(() => document.body.textContent ?? '');
		return text.includes('Shell head') && text.includes('Own words of visit');
	});
});
