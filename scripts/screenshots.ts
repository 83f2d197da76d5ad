// npm run screenshots [-- NAME …]: takes the pictures of docs/screenshots from the demo site in the built application.
import { mkdir, mkdtemp, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { zipSync } from 'fflate';
import type { Page } from 'puppeteer-core';
import { oldPage, type OldPage } from '../tests/lib/brought.ts';
import { openBrowser } from './lib/browser.ts';
import { build, serve } from './lib/setup.js';

interface Picture {
	readonly name: string;
	readonly path: string;
	/** Width and height of the window, px; 1280 by 800 where nothing is said. */
	readonly size?: readonly [number, number];
	readonly tracks?: true;
	/** Brings the view into the state that the picture shows. */
	readonly prepare?: (page: Page) => Promise<void>;
}

const pictures: readonly Picture[] = [
	{
		name: 'plan',
		path: '/plan?route=/catalogue/:variety&width=1180',
		prepare: chooseBlock('catalogue, side')
	},
	{
		name: 'plan-wide',
		tracks: true,
		path: '/plan?route=/visit&width=1180',
		prepare: chooseBlock('commons, side')
	},
	{
		name: 'plan-1024',
		path: '/plan?route=/catalogue&width=1180',
		size: [1024, 768],
		prepare: chooseInMarkup
	},
	{ name: 'bring-in', path: '/plan', prepare: bringPagesIn },
	{ name: 'arrange', path: '/plan', prepare: arrangeHere },
	{
		name: 'plan-night',
		path: '/plan?route=/catalogue/:variety&width=1180',
		prepare: byNight('catalogue, side')
	},
	{
		name: 'plan-scroll',
		path: '/plan?route=/catalogue&width=1180&height=560&try=long',
		prepare: showScrolling
	},
	{ name: 'sheet', path: '/sheet', prepare: waitForSheet },
	{ name: 'sheet-night', path: '/sheet?only=side&group=route&colours=night', prepare: holdAtNight },
	{ name: 'changes', path: '/plan?route=/catalogue&width=1100', prepare: changeAndCompare },
	{ name: 'sweep', path: '/sweep?route=/desk/loans&width=420', prepare: waitForSweep },
	{ name: 'material-data', path: '/material?route=/catalogue&of=data', prepare: showTable },
	{ name: 'material-parts', path: '/material?route=/catalogue&of=parts', prepare: editPart },
	{ name: 'findings', path: '/findings', prepare: showFindings },
	{ name: 'findings-mend', path: '/findings', prepare: showMend },
	{ name: 'access', path: '/access', prepare: chooseCell('/desk/loans, member') },
	{
		name: 'seen-by',
		path: '/plan?route=/desk/loans&as=visitor&width=1100',
		prepare: chooseBlock('denied at /desk, main')
	},
	{ name: 'source', path: '/source?route=/catalogue/:variety&file=layouts/commons.eave&at=600' },
	{ name: 'deliver', path: '/deliver' }
];

/** The demo with some of what goes wrong. */
async function openDoubtfulDemo(page: Page): Promise<void> {
	const files: Record<string, Uint8Array> = {};
	const changes: Readonly<Record<string, readonly (readonly [string, string])[]>> = {
		'layouts/commons.eave': [
			['  height screen ', '  // height screen '],
			['"main" 1fr', '"main" auto'],
			['"menu main side" 1fr', '"menu main side" auto'],
			['&copy; {year}', '&copy; 2024'],
			['    p, li, dd { max-width: 42em; }', '    b { color: #6e7f5c; }']
		],
		'layouts/desk.eave': [['#fdf8ee; }', '#7d6d5a; }']],
		'routes/1-public.eave': [
			['<a class="go" href="/catalogue">', '<a class="go" href="/cataloge">']
		],
		'routes/3-guides.eave': [['<h2>Care</h2>', '<h4>Care</h4>']]
	};
	for (const name of await readdir('demo', { recursive: true })) {
		const path = join('demo', name);
		if (!(await stat(path)).isFile()) continue;
		let text = await readFile(path, 'utf8');
		for (const [from, to] of changes[name] ?? []) text = text.replace(from, to);
		files[name] = changes[name] ? new TextEncoder().encode(text) : await readFile(path);
	}
	const folder = await mkdtemp(join(tmpdir(), 'eave-pictures-'));
	await writeFile(join(folder, 'marrow-lane.zip'), zipSync(files));
	const input = await page.$('input[type=file]');
	await (await input?.toElement('input'))?.uploadFile(join(folder, 'marrow-lane.zip'));
	await page.waitForSelector('[data-finding]');
	// Until all that was guessed has been measured.
	await new Promise((resolve) => setTimeout(resolve, 20_000));
	await rm(folder, { recursive: true });
}

async function showFindings(page: Page): Promise<void> {
	await openDoubtfulDemo(page);
	await (await page.waitForSelector('::-p-text(get up to)'))?.click();
	await waitABit();
}

async function showMend(page: Page): Promise<void> {
	await openDoubtfulDemo(page);
	await (await page.waitForSelector('::-p-text(Where a page is short)'))?.click();
	await page.waitForSelector('.mend .drawings svg');
	await waitABit();
}

/** What scrolling does, with the stage scrolled a little. */
async function showScrolling(page: Page): Promise<void> {
	await (await page.waitForSelector('::-p-aria([name="Scroll"][role="button"])'))?.click();
	const handle = await page.waitForSelector('::-p-aria([name="Scrolled to"][role="slider"])');
	await handle?.focus();
	for (let index = 0; index < 12; index++) {
		await page.keyboard.down('Shift');
		await page.keyboard.press('ArrowRight');
		await page.keyboard.up('Shift');
	}
	await waitABit();
}

function chooseBlock(name: string): (page: Page) => Promise<void> {
	return async (page) => {
		const block = await page.waitForSelector(`[role=gridcell][aria-label^="${name}"]`);
		await block?.click();
		await page.mouse.move(640, 20);
	};
}

/** Chooses what a piece shows a part with. */
async function chooseInMarkup(page: Page): Promise<void> {
	await chooseBlock('/catalogue, main')(page);
	await (await page.waitForSelector('b[data-piece=shelf]'))?.click();
	await (await page.waitForSelector('.listed button::-p-text(for each v)'))?.click();
	await (await page.waitForSelector('aside .inside button'))?.click();
	await page.waitForSelector('select[aria-label="A value for title"]');
	await page.mouse.move(640, 20);
}

async function showTable(page: Page): Promise<void> {
	await (await page.waitForSelector('.sources button::-p-text(varieties)'))?.click();
	await waitABit();
}

async function editPart(page: Page): Promise<void> {
	await (await page.waitForSelector('article button::-p-text(Edit it)'))?.click();
	await waitABit();
}

function byNight(block: string): (page: Page) => Promise<void> {
	return async (page) => {
		await (await page.waitForSelector('::-p-text(by night)'))?.click();
		await chooseBlock(block)(page);
		await new Promise((resolve) => setTimeout(resolve, 500));
	};
}

/** Waits until all pages of the sheet have been measured. */
async function waitForSheet(page: Page): Promise<void> {
	await page.waitForFunction("Number(document.querySelector('.sheet')?.dataset.measured) >= 19");
	await waitABit();
}

/** Pages of the library as they were before, looked through. */
async function bringPagesIn(page: Page): Promise<void> {
	const folder = await mkdtemp(join(tmpdir(), 'eave-pages-'));
	for (const [path, html] of oldSite()) {
		await mkdir(dirname(join(folder, path)), { recursive: true });
		await writeFile(join(folder, path), html);
	}
	await (await page.waitForSelector('.site-name'))?.click();
	await (await page.waitForSelector('::-p-text(Bring in pages)'))?.click();
	await page.waitForSelector('.question textarea');
	const input = await page.waitForSelector('input[aria-label="A folder of pages"]');
	await input?.uploadFile(folder);
	await page.waitForFunction("document.body.innerText.includes('have every box where it was,')");
	const frame = await page.$('.question iframe[title^="The page"]');
	const foot = await frame?.evaluate((one) => {
		const outer = one.getBoundingClientRect();
		const found = one.contentDocument?.querySelector('#foot')?.getBoundingClientRect();
		const scale = outer.width / one.offsetWidth;
		return found && { x: outer.x + (found.x + 20) * scale, y: outer.y + (found.y + 8) * scale };
	});
	if (foot) await page.mouse.click(foot.x, foot.y);
	await waitABit();
	await rm(folder, { recursive: true });
}

/** The frame that was found in pages, on its way to boxes. */
async function arrangeHere(page: Page): Promise<void> {
	await bringPagesIn(page);
	await (await page.waitForSelector('::-p-aria([name="Open as a site"][role="button"])'))?.click();
	await chooseBlock('site,')(page);
	await (await page.waitForSelector('[aria-label="What is chosen"] button.mono'))?.click();
	await (await page.waitForSelector('::-p-text(Arrange it here …)'))?.click();
	await (await page.waitForSelector('::-p-text(what would be written)'))?.click();
	await waitABit();
}

const oldSheet = `body { margin: 0; font: 17px/1.5 Georgia, serif }
#top { background: #24452f; color: #fff; padding: 12px 20px } #side { float: left; width: 170px; padding: 12px 20px }
.menu { margin: 0; padding: 0; list-style: none } #content { margin-left: 240px; padding: 4px 20px 12px }
.note { border-left: 4px solid #999; padding-left: 10px } #foot { clear: both; background: #ece8dd; padding: 12px 20px }`;

/** Pages of two kinds, and their sheet, by their paths. */
function oldSite(): Map<string, string> {
	const names = ['kale', 'bean', 'leek', 'pea', 'chard', 'beet'];
	const seeds = names.map((name): OldPage => ({
		path: `seeds/${name}.html`,
		title: name,
		content: `<p class="crumbs"><a href="../index.html">Home</a> &gt; <a href="kale.html">All the seeds that the library lends, from A to Z</a></p><h1>${name}</h1><p>How ${name} is sown, and when its seed is kept.</p><form action="../lend"><label>How many packets of these seeds would you like to borrow this spring? <input name="n"></label><button>Put them aside for me</button></form>`
	}));
	const others = ['index', 'about', 'visit/index', 'visit/hours'].map((name): OldPage => ({
		path: `${name}.html`,
		title: name,
		content: `<h1>${name}</h1><p>Some words of ${name}.</p>`,
		...(name === 'about' && { aside: '<p>Founded in a shed.</p>' })
	}));
	const pages = [...seeds, ...others].map((one) => [one.path, oldPage(one, 'floats')] as const);
	return new Map([...pages, ['css/site.css', oldSheet]]);
}

async function goByNight(page: Page): Promise<void> {
	await (await page.waitForSelector('::-p-text(by night)'))?.click();
}

/** Two drawings of the sheet, held beside each other. */
async function holdAtNight(page: Page): Promise<void> {
	await goByNight(page);
	await waitForSheet(page);
	for (const name of ['/ at 1024', '/visit at 640', '/visit at 1024']) {
		const hold = await page.waitForSelector(`::-p-aria(Hold ${name} px beside others)`);
		await hold?.evaluate((one) => one instanceof HTMLElement && one.click());
	}
	await page.mouse.move(1240, 60);
	await waitABit();
}

/** What an edit of the outermost frame did to all pages. */
async function changeAndCompare(page: Page): Promise<void> {
	await chooseBlock('commons, head')(page);
	const value = await page.waitForSelector('button[aria-label^="height of head at medium"]');
	await value?.click();
	await (await page.waitForSelector('input[aria-label="height at medium"]'))?.focus();
	await page.keyboard.type('96px');
	await page.keyboard.press('Enter');
	await waitABit();
	await (await page.waitForSelector('::-p-aria([name="Sheet"][role="link"])'))?.click();
	await (await page.waitForSelector('::-p-text(Before and after)'))?.click();
	await page.waitForSelector('article .after');
	await page.waitForFunction("!document.body.innerText.includes('by guessed sizes')");
	await waitABit();
}

async function waitForSweep(page: Page): Promise<void> {
	await page.waitForFunction("Number(document.querySelector('.sweep')?.dataset.others) >= 19");
	await waitABit();
}

/** Waits until nothing is worked out any more, and what is shown has stayed the same for a while. */
async function rests(page: Page): Promise<void> {
	let [before, same] = ['', 0];
	for (let looks = 0; same < 5 && looks < 100; looks++) {
		const now = String(
			await page.evaluate(
				"document.querySelector('.busy') ? '' : document.querySelector('main')?.innerText ?? ''"
			)
		);
		same = now !== '' && now === before ? same + 1 : 0;
		before = now;
		await new Promise((resolve) => setTimeout(resolve, 300));
	}
}

async function waitABit(): Promise<void> {
	await new Promise((resolve) => setTimeout(resolve, 1500));
}

function chooseCell(name: string): (page: Page) => Promise<void> {
	return async (page) => {
		await (await page.waitForSelector(`[role=gridcell][aria-label^="${name}"]`))?.click();
		await page.mouse.move(640, 20);
	};
}

build();
const { server, address } = await serve(4399);
const { browser, close } = await openBrowser();
try {
	const wanted = process.argv.slice(2);
	for (const { name, path, size, tracks = false, prepare } of pictures) {
		if (wanted.length > 0 && !wanted.includes(name)) continue;
		// What one picture leaves open or folded is no matter of the next.
		const context = await browser.createBrowserContext();
		const page = await context.newPage();
		const [width, height] = size ?? [1280, 800];
		await page.setViewport({ width, height });
		await page.goto(address + path);
		await page.waitForSelector('[data-ready]');
		await new Promise((resolve) => setTimeout(resolve, 1200));
		if (tracks) await page.click('::-p-aria([name="Tracks"][role="button"])');
		await prepare?.(page);
		await rests(page);
		await page.screenshot({ path: `docs/screenshots/${name}.png` });
		console.log(`docs/screenshots/${name}.png`);
		await context.close();
	}
} finally {
	await close();
	server.kill();
}
