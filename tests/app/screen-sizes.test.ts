import assert from 'node:assert/strict';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, before, test } from 'node:test';
import { pathToFileURL } from 'node:url';
import type { Page } from 'puppeteer-core';
import { deliver } from '../../src/core/emit/delivery.ts';
import { sound } from '../lib/site.ts';
import { frames, named, startApp, until, type App } from '../lib/app.ts';
import { openValue, typeInto, choose, dragBy, kept, showTracks, sourceText } from '../lib/stage.ts';

let app: App;
let folder: string;
before(async () => {
	app = await startApp();
	folder = await mkdtemp(join(tmpdir(), 'eave-delivered-'));
});
after(async () => {
	await app.close();
	await rm(folder, { recursive: true, force: true });
	assert.deepEqual(app.faults, []);
});

/** Delivers a site into a folder and opens its first page in a window of some size. */
async function openDelivered(
	name: string,
	text: string,
	width: number,
	height: number
): Promise<Page> {
	for (const { path, content } of deliver(sound(text), 2026)) {
		const target = join(folder, name, path);
		await mkdir(dirname(target), { recursive: true });
		await writeFile(target, content);
	}
	const page = await app.page.browserContext().newPage();
	await page.setViewport({ width, height });
	await page.goto(pathToFileURL(join(folder, name, 'index.html')).href);
	return page;
}

test('a track that is dragged has its new size in the text, in the band that is shown', async () => {
	await app.open('/plan?route=/guides/:slug&width=1180');
	await choose(app, 'guide, side');
	await showTracks(app);
	await named(app.page, 'slider', 'Width of column 2 of guide');
	await frames(app.page, 19);
	await dragBy(app, 'slider', 'Width of column 2 of guide', -30);
	await kept(app, 'guide: column 2');
	const text = await sourceText(app, 'layouts/guide.eave');
	const wide = /arrange areas @wide \{[^}]*columns minmax\(0, 1fr\) (\d+)px/.exec(text);
	assert.ok(wide, 'a copy for the band that is shown, with the new size');
	assert.ok(Number(wide[1]) < 140 && Number(wide[1]) > 60, `${wide[1]} px`);
	assert.match(
		text,
		/arrange areas @medium \{[^}]*columns minmax\(0, 1fr\) 150px/,
		'the narrower band stays'
	);
});

test('a breakpoint that is dragged, or moved by keys, has its new width in the text', async () => {
	await app.open('/plan?route=/visit&width=1100');
	await dragBy(app, 'slider', 'Where medium starts', 40);
	await kept(app, 'medium from');
	const moved = Number(/medium (\d+)/.exec(await sourceText(app, 'site.eave'))?.[1]);
	assert.ok(moved > 660 && moved < 740, `${moved} px`);
	await app.open('/plan?route=/visit&width=1100');
	await (await named(app.page, 'slider', 'Where medium starts')).focus();
	await app.page.keyboard.press('ArrowRight');
	await until('it is one more', async () => {
		const slider = await named(app.page, 'slider', 'Where medium starts');
		const now = await slider.evaluate((one) => one.getAttribute('aria-valuenow'));
		return Number(now) === moved + 1;
	});
});

test('the band strip sets a value for one band, says where it comes from, and frees it again', async () => {
	await app.open('/plan?route=/visit&width=1100');
	await choose(app, 'commons, side');
	await openValue(app, 'show of side at narrow');
	await (await named(app.page, 'button', 'drawer')).click();
	// It begins with a whole value, which is changed from there.
	await kept(app, 'side: show drawer left 280px "Menu"');
	await app.page.select('select[aria-label="show: word 2"]', 'right');
	await kept(app, 'drawer right 280px');
	await typeInto(app, 'show: width', '240px');
	await kept(app, 'drawer right 240px');
	await typeInto(app, 'show: label', 'Hours');
	await kept(app, 'drawer right 240px "Hours"');
	const text = await sourceText(app, 'layouts/commons.eave');
	assert.match(text, /show drawer right 240px "Hours"\n\s+show in-place @wide/);

	await app.load('/plan?route=/visit&width=1100');
	await choose(app, 'commons, side');
	await openValue(app, 'pad of side at wide');
	await typeInto(app, 'pad at wide', '40px');
	const says = (): Promise<string> =>
		app.page.$eval('[role=group][aria-label^="Sizes of side"]', (strip) => strip.textContent ?? '');
	await until('pad is set here', async () => /pad\s*set here/.test(await says()));
	await (await named(app.page, 'button', 'Free pad at wide')).click();
	await until('pad comes from narrow', async () => /pad\s*from narrow/.test(await says()));
	// What cannot be is refused with a sentence, and the value stays.
	await openValue(app, 'pad of side at narrow');
	await typeInto(app, 'pad at narrow', '-4px');
	await until('it says why', async () => (await app.page.content()).includes('below zero'));
	assert.match(
		await sourceText(app, 'layouts/commons.eave'),
		/region side[^}]*pad var\(--gutter\)/
	);
});

test('areas are painted, and the edit is one that undo takes back', async () => {
	await app.open('/plan?route=/visit&width=1100');
	await choose(app, 'commons, menu');
	await showTracks(app);
	const cell = await app.page.waitForSelector(
		'[aria-label^="Cell 2, 3 of commons"][aria-label*="Put menu here"]'
	);
	await cell?.focus();
	await app.page.keyboard.press('Enter');
	await until('the refusal says which area', async () =>
		(await app.page.content()).includes('not one rectangle')
	);
	await choose(app, 'commons, foot');
	const own = await app.page.waitForSelector(
		'[aria-label^="Cell 2, 3 of commons"][aria-label*="Put foot here"]'
	);
	await own?.focus();
	await app.page.keyboard.press('Enter');
	await kept(app, 'Areas of commons');
	const text = await sourceText(app, 'layouts/commons.eave');
	assert.match(text, /"menu main side" 1fr\n\s+"\. foot \." auto/);
});

test('a common screen is chosen and turned, and one goes to the next jump', async () => {
	await app.open('/plan?route=/visit&width=900');
	const size = (): Promise<(number | undefined)[]> =>
		app.page.$eval('.pages iframe', (frame) => {
			const inner = frame.contentWindow;
			return [inner?.innerWidth, inner?.innerHeight];
		});
	await app.page.select('[aria-label="Common screen sizes"]', '2');
	await until('it is upright', async () => (await size()).join() === '390,844');
	await (await named(app.page, 'button', 'Turn')).click();
	await until('it lies', async () => (await size()).join() === '844,390');
	await until('the address says so', async () => app.page.url().includes('width=844&height=390'));
	await app.open('/plan?route=/visit&width=700&height=500');
	await until('a link brings its screen', async () => (await size()).join() === '700,500');
	const next = await named(app.page, 'button', 'Next jump');
	await until('jumps are worked out', () => next.evaluate((one) => !one.hasAttribute('disabled')));
	await next.click();
	await until('the menu comes in place', async () => (await size())[0] === 1024);
	await app.page.$eval('[aria-label="Height of the screen in px"]', (input) => {
		if (input instanceof HTMLInputElement) input.value = '';
		input.dispatchEvent(new Event('change'));
	});
});

const drawerSite = `site "Drawer" { bands { narrow 0; wide 900 } }
layout f at / {
  height screen
  arrange areas { "head" auto; "main" 1fr; "foot" auto }
  arrange areas @wide { "head head" auto; "menu main" 1fr; "foot foot" auto; columns 200px 1fr }
  region head as header { piece brand """<b>Brand</b>""" }
  region menu as nav { show drawer left 240px "Menu"; show in-place @wide; piece links """<a href="/">Home</a>""" }
  region main as main { slot }
  region foot as footer { piece small """<p>foot</p>""" }
}
route / { piece body """<p>short</p>""" }`;

test('on the delivered page a drawer opens by its button and closes by Escape and by a click beside it', async () => {
	const page = await openDelivered('drawer', drawerSite, 500, 700);
	const seen = (): Promise<boolean> => page.$eval('nav', (nav) => nav.getClientRects().length > 0);
	assert.equal(await seen(), false);
	await page.click('button[popovertarget]');
	assert.equal(await seen(), true);
	const box = await page.$eval('nav', (nav) => {
		const { x, width, height } = nav.getBoundingClientRect();
		return [x, width, height];
	});
	assert.deepEqual(box, [0, 240, 700]);
	await page.keyboard.press('Escape');
	assert.equal(await seen(), false);
	await page.click('button[popovertarget]');
	await page.mouse.click(450, 400);
	assert.equal(await seen(), false);
	await page.setViewport({ width: 1000, height: 700 });
	assert.equal(await seen(), true, 'wide, it stands in place');
	assert.equal(
		await page.$eval('button', (one) => one.getClientRects().length),
		0,
		'without its button'
	);
	await page.close();
});

test('the foot of a short page is at the bottom of the screen, that of a long page after the content', async () => {
	const sizes = [[320, 568], [390, 844], [768, 1024], [1024, 768], [1440, 900]] as const; // prettier-ignore
	const long = drawerSite.replace('<p>short</p>', '<p>long</p>'.repeat(120));
	for (const [text, isLong] of [
		[drawerSite, false],
		[long, true]
	] as const) {
		const page = await openDelivered(isLong ? 'long' : 'short', text, 320, 568);
		for (const [width, height] of sizes) {
			await page.setViewport({ width, height });
			const [foot, main, whole] = await page.evaluate(() => [
				document.querySelector('footer')?.getBoundingClientRect().bottom ?? 0,
				document.querySelector('main')?.getBoundingClientRect().bottom ?? 0,
				document.documentElement.scrollHeight
			]);
			const size = `${width} × ${height}`;
			if (isLong) {
				assert.ok((foot ?? 0) > height && Math.abs((foot ?? 0) - (whole ?? 0)) < 1, size);
				assert.ok((main ?? 0) < (foot ?? 0), size);
			} else {
				assert.ok(Math.abs((foot ?? 0) - height) < 1, `${size}: ${foot}`);
				assert.equal(whole, height, `${size}: nothing to scroll`);
			}
		}
		await page.close();
	}
});

test('what sticks in an inner layout stays below what sticks in the outer one', async () => {
	const text = `site "Stuck" { }
layout f at / {
  region head as header { stick top; height 60px; piece b """<b>head</b>""" }
  region bar as div { stick top; height 30px; piece c """<b>bar</b>""" }
  region main as main { slot }
}
layout g at /in {
  region tools as div { stick top; shrink 80px to 40px; piece t """<b>tools</b>""" }
  region text as div { slot }
}
layout h at /in/deep {
  region note as div { stick top; height 20px; piece n """<b>note</b>""" }
  region body as div { slot }
}
route / { piece a """<p>a</p>""" }
route /in/deep { piece body """${'<p>line</p>'.repeat(200)}""" }`;
	const page = await openDelivered('stuck', text, 800, 600);
	await page.goto(pathToFileURL(join(folder, 'stuck', 'in/deep/index.html')).href);
	await page.evaluate(() => window.scrollTo(0, 900));
	const stack = await until('the head has shrunk', async () => {
		const boxes = await page.evaluate(() =>
			['f-head', 'f-bar', 'g-tools', 'h-note'].map((name) => {
				const rect = document.querySelector(`.${name}`)?.getBoundingClientRect();
				return [rect?.top ?? -1, rect?.bottom ?? -1];
			})
		);
		return boxes[2]?.[1] === 130 && boxes;
	});
	assert.deepEqual(stack, [[0, 60], [60, 90], [90, 130], [130, 150]]); // prettier-ignore
	await page.close();
});

test('content is scrolled over a head that lies behind, and under one that stays in front', async () => {
	const text = (stick: string): string => `site "Behind" { }
layout f at / {
  region head as header { background #dde7da; stick ${stick}; height 90px; piece b """<b>head</b>""" }
  region tabs as div { background #ffffff; stick top; height 30px; piece t """<b>tabs</b>""" }
  region main as main { background #ffffff; slot }
}
route / { piece body """${'<p>line</p>'.repeat(120)}""" }`;
	/** What is seen at the top of the screen once one has scrolled by 400 px, and where head and tabs are. */
	const scrolled = async (stick: string): Promise<readonly (string | number)[]> => {
		const page = await openDelivered(stick.replace(' ', '-'), text(stick), 800, 600);
		await page.evaluate(() => window.scrollTo(0, 400));
		const found = await page.evaluate(() => {
			const seen = (y: number): string => {
				const at = document.elementFromPoint(400, y);
				return at?.closest('[class*="f-"]')?.className ?? '';
			};
			const top = (name: string): number =>
				document.querySelector(`.${name}`)?.getBoundingClientRect().top ?? -1;
			return [seen(5), seen(70), top('f-head'), top('f-tabs'), Math.round(window.scrollY)];
		});
		await page.close();
		return found;
	};
	assert.deepEqual(await scrolled('top'), ['f-head', 'f-head', 0, 90, 400]);
	assert.deepEqual(await scrolled('top behind'), ['f-tabs', 'f-main', 0, 0, 400]);
});
