import assert from 'node:assert/strict';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { around } from '../lib/site.ts';
import { openText } from '../lib/source.ts';
import { frames, named, startApp, textOf, until, type App } from '../lib/app.ts';

let app: App;
let folder: string;

before(async () => {
	app = await startApp();
	folder = await mkdtemp(join(tmpdir(), 'eave-test-'));
});
after(async () => {
	await app.close();
	await rm(folder, { recursive: true });
});

const query = (): URLSearchParams => new URL(app.page.url()).searchParams;

async function stageText(selector: string): Promise<string> {
	return textOf(await app.stage(), selector);
}

async function setEditor(find: string, replace: string): Promise<void> {
	await app.page.waitForFunction(
		(words) =>
			[...document.querySelectorAll('[aria-label="Source"] .cm-line')].some((one) =>
				one.textContent?.includes(words)
			),
		{},
		find
	);
	// The editor takes over a selection in its own time, and one that comes while it draws other lines is lost.
	await until(`${find} is selected`, async () => {
		await app.page.evaluate((words) => {
			const lines = [...document.querySelectorAll('[aria-label="Source"] .cm-line')];
			const line = lines.find((one) => one.textContent?.includes(words));
			line?.scrollIntoView({ block: 'center' });
			const range = document.createRange();
			const walker = document.createTreeWalker(line ?? document.body, NodeFilter.SHOW_TEXT);
			for (let node = walker.nextNode(); node; node = walker.nextNode()) {
				const at = node.textContent?.indexOf(words) ?? -1;
				if (at === -1) continue;
				range.setStart(node, at);
				range.setEnd(node, at + words.length);
				break;
			}
			document.querySelector<HTMLElement>('[aria-label="Source"] .cm-content')?.focus();
			getSelection()?.removeAllRanges();
			getSelection()?.addRange(range);
		}, find);
		await frames(app.page, 4);
		const selected = '[aria-label="Source"] .cm-focused .cm-selectionBackground';
		return (await app.page.$(selected)) !== null;
	});
	await app.page.keyboard.type(replace);
}

test('the first visit shows the demo in Plan: routes, the layouts that cover them, the page', async () => {
	await app.load('/');
	assert.equal(new URL(app.page.url()).pathname, '/plan');
	const rows = await app.page.$$eval('[role=option]', (all) =>
		all.map((one) => one.querySelector('.unseen')?.textContent?.trim() ?? '')
	);
	assert.ok(rows.includes('/, Home, under commons, board'));
	assert.ok(rows.some((row) => row.startsWith('/borrow/confirm') && row.endsWith('bare')));
	await until('the page is on the stage', async () =>
		(await stageText('h1')).startsWith('Borrow seed')
	);
	assert.equal(query().get('route'), '/');
	const section = await textOf(app.page, '[aria-label="Cross-section"]');
	assert.match(section, /slot, must be filled/);
});

test('the stage’s edge is dragged and its width is read', async () => {
	await app.open('/plan?route=/');
	const edge = await named(app.page, 'slider', 'Width of the page');
	const box = await edge.boundingBox();
	assert.ok(box);
	const before = Number(await edge.evaluate((one) => one.getAttribute('aria-valuenow')));
	await app.page.mouse.move(box.x + 7, box.y + 100);
	await app.page.mouse.down();
	await app.page.mouse.move(box.x - 193, box.y + 100, { steps: 5 });
	await app.page.mouse.up();
	const width = Number(await edge.evaluate((one) => one.getAttribute('aria-valuenow')));
	assert.ok(width < before - 150, `${before} to ${width}`);
	const stage = await app.stage();
	assert.equal(await stage.evaluate(() => innerWidth), width, 'the page itself has that width');
	await edge.focus();
	await app.page.keyboard.press('ArrowRight');
	await app.page.keyboard.down('Shift');
	await app.page.keyboard.press('ArrowLeft');
	await app.page.keyboard.up('Shift');
	assert.equal(await stage.evaluate(() => innerWidth), width - 9);
	await until('the address has the width', async () => query().get('width') === String(width - 9));
});

test('a link in the page leads the stage and the roofline to its route', async () => {
	await app.open('/plan?route=/');
	const stage = await app.stage();
	await stage.waitForSelector('a[href="/catalogue/red-russian"]');
	await stage.evaluate(() =>
		document.querySelector<HTMLElement>('a[href="/catalogue/red-russian"]')?.click()
	);
	await until('the page changed', async () => (await stageText('h1')) === 'Kale, Red Russian');
	const chosen = await app.page.$eval(
		'[role=option][aria-selected=true]',
		(row) => row.querySelector('.unseen')?.textContent?.trim() ?? ''
	);
	assert.match(chosen, /^\/catalogue\/:variety/);
	await until(
		'the address names the page',
		async () => query().get('page') === '/catalogue/red-russian'
	);
	await app.page.goBack();
	await until('back leads back', async () => (await stageText('h1')).startsWith('Borrow seed'));
});

test('the foot’s text is changed in Source, and every page changes', async () => {
	await app.open('/source?file=layouts/commons.eave');
	await app.page.waitForSelector('[aria-label="Source"] .cm-content');
	await app.page.evaluate(() =>
		document.querySelector('[aria-label="Source"] .cm-scroller')?.scrollTo(0, 100_000)
	);
	await until('the foot is in sight', async () =>
		(await textOf(app.page, '[aria-label="Source"] .cm-content')).includes('lent, not sold')
	);
	await setEditor('lent, not sold', 'free for all');
	await until('the output follows', async () => {
		await app.page.evaluate(() =>
			document.querySelector('[aria-label="What comes out"] .cm-scroller')?.scrollTo(0, 100_000)
		);
		return (await textOf(app.page, '[aria-label="What comes out"] .cm-content')).includes(
			'free for all'
		);
	});
	for (const route of ['/', '/visit', '/guides/:slug']) {
		await until(`${route} has the new foot`, async () => {
			await app.open(`/plan?route=${route}`);
			await frames(app.page, 60);
			return (await stageText('footer')).includes('free for all');
		});
	}
});

test('a mistake is said with its place, the last good state stays, and nothing is lost by a reload', async () => {
	await app.open('/source?file=layouts/commons.eave&at=40&route=/visit');
	await app.page.waitForSelector('[aria-label="Source"] .cm-content');
	await setEditor('height', 'hight');
	await until('the sentence is there', async () =>
		(await textOf(app.page, '[aria-label="Errors in the source"]')).includes('"hight" is nothing')
	);
	const problems = await textOf(app.page, '[aria-label="Errors in the source"]');
	assert.match(problems, /layouts\/commons\.eave:3:3/);
	await (await named(app.page, 'link', 'Plan')).click();
	await until('the stage still shows the page', async () => (await stageText('h1')) === 'Visit us');
	assert.match(await textOf(app.page, '[aria-label="Errors in the source"]'), /before this error/);
	await app.open('/deliver');
	const button = await named(app.page, 'button', 'Download marrow-lane-seed-library.zip');
	assert.equal(await button.evaluate((one) => one.hasAttribute('disabled')), true);

	// After a reload all is there, and undo takes the mistake back.
	await app.load('/source?file=layouts/commons.eave');
	const text = (): Promise<string> => textOf(app.page, '[aria-label="Source"] .cm-content');
	await until('the mistake is still there', async () => (await text()).includes('hight screen'));
	// What is typed with a pause in between is more than one step.
	for (let steps = 0; steps < 12 && !(await text()).includes('height screen'); steps++) {
		const before = await text();
		await (await named(app.page, 'button', 'undo')).click();
		await until('a step is taken back', async () => (await text()) !== before);
	}
	assert.ok((await text()).includes('height screen'), 'it is taken back');
});

test('what is delivered opens without a server and is the page that the stage showed', async () => {
	await app.open('/plan?route=/catalogue/:variety&width=900');
	const measure = (): string => {
		const boxes = [
			...document.querySelectorAll('header, nav, main, aside, footer, h1, p, table')
		].map((one) => {
			const { x, y, width, height } = one.getBoundingClientRect();
			return [one.tagName, x, y, width, height].join(' ');
		});
		return [document.title, document.body.innerText, ...boxes].join('\n');
	};
	const stage = await app.stage();
	await until('the page is there', async () => (await stageText('h1')) === 'Runner bean, climbing');
	await until('fonts and images are there', async () =>
		stage.evaluate(() => document.images[0]?.complete)
	);
	const shown = await stage.evaluate(measure);
	const height = await stage.evaluate(() => innerHeight);

	await app.open('/deliver');
	const download = await named(app.page, 'button', 'Download marrow-lane-seed-library.zip');
	await until('there is something to hand over', () =>
		download.evaluate((one) => !one.hasAttribute('disabled'))
	);
	await download.click();
	const files = unzipSync(await app.downloaded('marrow-lane-seed-library.zip'));
	for (const [path, bytes] of Object.entries(files)) {
		await mkdir(dirname(join(folder, path)), { recursive: true });
		await writeFile(join(folder, path), bytes);
	}
	const outside = await app.page.browserContext().newPage();
	await outside.setViewport({ width: 900, height });
	await outside.goto(`file://${folder}/index.html`);
	await outside.click('a[href="catalogue/runner-bean/index.html"]');
	await outside.waitForSelector('h1');
	assert.equal(await outside.evaluate(measure), shown);
	await outside.close();
});

test('the source is downloaded as a zip of .eave files and can be opened again', async () => {
	await app.open('/plan?route=/visit');
	await until('the page is there', async () => (await stageText('h1')) === 'Visit us');
	const foot = await stageText('footer');
	await app.open('/deliver');
	await (await named(app.page, 'button', 'Download marrow-lane-seed-library-source.zip')).click();
	const bytes = await app.downloaded('marrow-lane-seed-library-source.zip');
	const paths = Object.keys(unzipSync(bytes));
	assert.ok(paths.includes('layouts/commons.eave') && paths.includes('images/pod.svg'));
	await writeFile(join(folder, 'again.zip'), bytes);
	await openText(app.page, around('route /other { title "Other" }'), 'other.eave');
	await app.page.click('nav a[href^="/plan"]');
	await app.page.waitForSelector('[id="row /other"]');
	await openFile(join(folder, 'again.zip'));
	// Until it is open, it goes to a page of its own.
	await app.page.waitForSelector('[id="row /visit"]');
	await app.open('/plan?route=/visit');
	await until('it is the site', async () => (await stageText('footer')) === foot);
});

async function openFile(path: string): Promise<void> {
	const input = await app.page.$('input[type=file]');
	assert.ok(input);
	await input.uploadFile(path);
	await frames(app.page, 19);
}

test('a file that cannot be opened gets a sentence, and the open site stays', async () => {
	await app.open('/plan?route=/visit');
	await until('the page is there', async () => (await stageText('h1')) === 'Visit us');
	await writeFile(join(folder, 'broken.zip'), 'PK but not a zip');
	await writeFile(join(folder, 'latin.eave'), new Uint8Array([0x73, 0xe9, 0x20]));
	for (const [file, sentence] of [
		['broken.zip', /broken\.zip is not a zip file.*open site is as it was/],
		['latin.eave', /latin\.eave is not UTF-8 text/]
	] as const) {
		await openFile(join(folder, file));
		const said = await until('it is said', async () => textOf(app.page, '.notice'));
		assert.match(said, sentence);
		assert.equal(await stageText('h1'), 'Visit us');
	}
});

test('nothing went wrong unseen', () => {
	assert.deepEqual(app.faults, []);
});

test('markup in pieces never runs in the application', async () => {
	const attack =
		'<script>parent.document.title = "ran"</script><img src="x" onerror="parent.document.title=\'ran\'">' +
		'<a id="js" href="javascript:parent.document.title=\'ran\'">x</a><form action="/deliver"><button id="go">go</button></form>';
	const text = around(`route /x { piece bad """${attack}""" }`);
	await writeFile(join(folder, 'attack.eave'), encodeUtf8(text));
	await app.open('/plan');
	await openFile(join(folder, 'attack.eave'));
	await app.open('/plan?route=/x');
	const stage = await app.stage();
	await stage.waitForSelector('#go');
	await stage.evaluate(() => {
		document.querySelector<HTMLElement>('#js')?.click();
		document.querySelector<HTMLElement>('#go')?.click();
	});
	await frames(app.page, 12);
	assert.equal(await app.page.title(), 'Plan · Long Eave');
	assert.ok(await stage.$('#go'), 'the page is still the page');
});

test('a new site starts from the regions the user names', async () => {
	await app.open('/plan');
	await app.page.click('.site-name');
	await (await named(app.page, 'menuitem', 'New site …')).click();
	const name = await named(app.page, 'textbox', 'Name of the site');
	await name.click({ count: 3 });
	await name.type('Harbour');
	const words = await named(app.page, 'textbox', 'Regions, with commas between');
	await words.click({ count: 3 });
	await words.type('banner, content, news, foot');
	const tile = (name: string) =>
		until(
			`${name} is in the picture`,
			async () => (await (await app.page.$(`[data-region="${name}"]`))?.boundingBox()) ?? undefined
		);
	const isLeftOf = async (one: string, other: string): Promise<boolean> =>
		(await tile(one)).x + (await tile(one)).width <= (await tile(other)).x;
	const isAbove = async (one: string, other: string): Promise<boolean> =>
		(await tile(one)).y + (await tile(one)).height <= (await tile(other)).y;
	assert.ok(await isLeftOf('content', 'news'), 'news stand to the right by their name');
	const [from, to] = [await tile('news'), await tile('content')];
	const { mouse, keyboard } = app.page;
	await mouse.move(from.x + 20, from.y + 20);
	await mouse.down();
	await mouse.move(from.x, from.y + 30, { steps: 4 });
	await mouse.move(to.x - 2, to.y + 30, { steps: 6 });
	await until('the picture shows it to the left', () => isLeftOf('news', 'content'));
	await keyboard.press('Escape');
	await until('it is given up', () => isLeftOf('content', 'news'));
	await mouse.up();
	await (await app.page.waitForSelector('[data-region="news"]'))?.focus();
	await keyboard.press('ArrowUp');
	await until('a key moves it to the top', () => isAbove('news', 'content'));
	await keyboard.press('ArrowLeft');
	await until('a key moves it to the left', () => isLeftOf('news', 'content'));
	await app.page.click('input[name=look][value=tool]');
	await (await named(app.page, 'button', 'Make the site')).click();
	await until('the first page shows', async () => (await stageText('main h1')) === 'Home');
	const lies = await (
		await app.stage()
	).evaluate(() => {
		const of = (selector: string): DOMRect | undefined =>
			document.querySelector(selector)?.getBoundingClientRect();
		return {
			isLeft: (of('aside')?.right ?? 0) <= (of('main')?.left ?? 0),
			size: getComputedStyle(document.body).fontSize
		};
	});
	assert.deepEqual(lies, { isLeft: true, size: '14px' });
	const section = await textOf(app.page, '[aria-label="Cross-section"]');
	for (const region of ['banner', 'content', 'news', 'foot'])
		assert.ok(section.includes(region), region);
	await app.page.click('.site-name');
	await named(app.page, 'menuitem', 'Open the demo site');
	const kept = await app.page.$$eval('[role=menuitem]', (all) =>
		all.map((one) => one.textContent ?? '')
	);
	assert.ok(
		kept.some((one) => one.includes('Marrow Lane Seed Library')),
		'the demo is still kept'
	);
});
