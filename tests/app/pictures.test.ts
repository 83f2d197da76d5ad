import assert from 'node:assert/strict';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { png } from '../lib/pictures.ts';
import { sourceText } from '../lib/stage.ts';

/** A picture is put among words by hand, in four steps: and the browser shows it as wide as its text says. */

let app: App;
let folder: string;
before(async () => {
	app = await startApp();
	folder = await mkdtemp(join(tmpdir(), 'eave-pictures-'));
});
after(async () => {
	await app.close();
	await rm(folder, { recursive: true });
	assert.deepEqual(app.faults, []);
});

/** Files of a picture, by their widths. */
async function pictures(...widths: readonly number[]): Promise<string[]> {
	return Promise.all(
		widths.map(async (width) => {
			const path = join(folder, `bed-${width}.png`);
			await writeFile(path, png(width, (width * 3) / 4));
			return path;
		})
	);
}

/** Drags files over the words of the stage that contain some, into their upper or lower half, and lets them go. */
async function dropOn(words: string, half: 'upper' | 'lower', files: string[]): Promise<void> {
	const place = await until(`${words} is shown`, async () => {
		const frame = await app.page.$('iframe:not([title="Measuring"])');
		const box = await frame?.boundingBox();
		const inner = await frame?.contentFrame();
		const rect = await inner?.evaluate((wanted) => {
			const found = [...document.querySelectorAll('p')].find((one) =>
				one.textContent?.includes(wanted)
			);
			const { x = 0, y = 0, height = 0 } = found?.getBoundingClientRect() ?? {};
			return found && { x, y, height, all: innerWidth };
		}, words);
		return rect && box ? { x: box.x, y: box.y, scale: box.width / rect.all, rect } : undefined;
	});
	const { rect, scale } = place;
	const at = {
		x: place.x + (rect.x + 30) * scale,
		y: place.y + (rect.y + rect.height * (half === 'upper' ? 0.25 : 0.75)) * scale
	};
	const data = { items: [], files, dragOperationsMask: 1 };
	const session = await app.page.createCDPSession();
	for (const type of ['dragEnter', 'dragOver', 'drop'] as const) {
		await session.send('Input.dispatchDragEvent', { type, ...at, data });
	}
	await session.detach();
}

/** How wide the picture is shown, and how wide its text says that it is, as the browser itself reads that. */
async function widths(): Promise<{ shown: number; said: number }> {
	return (await app.stage()).evaluate(() => {
		const image = document.querySelector<HTMLImageElement>('img[srcset]');
		const holds = (image?.sizes ?? '').split(/, (?=\(|calc|\d)/).find((one) => {
			const condition = /^\((.*?)\) /.exec(one)?.[0].trim();
			return condition === undefined || matchMedia(condition).matches;
		});
		const probe = document.createElement('div');
		probe.style.cssText = `position: absolute; width: ${holds?.replace(/^\(.*?\) /, '') ?? 0}`;
		document.body.append(probe);
		const said = probe.getBoundingClientRect().width;
		probe.remove();
		return { shown: image?.getBoundingClientRect().width ?? 0, said };
	});
}

test('three sizes of a picture dropped among words are one picture, and as wide as its text says on every screen', async () => {
	await app.load('/plan?route=/visit&width=1180');
	const hand = new Hand(app);
	await dropOn('The library is the low brick', 'lower', await pictures(320, 640, 1280));
	hand.steps++;
	await app.page.waitForSelector('::-p-text(more than needed)');
	const rows = await app.page.$$eval('table tbody tr', (all) =>
		all.map((one) => one.textContent ?? '')
	);
	assert.ok(
		rows.some((row) => row.includes('640 wide')),
		rows.join('\n')
	);
	await hand.press('button', 'Put it there');
	await app.page.waitForSelector(
		'::-p-text(Say what it shows, or that it shows nothing that matters)'
	);
	hand.steps--;
	await hand.fill('What it shows, in words', 'A bed in spring');
	await hand.press('button', 'Put it there');
	assert.ok(hand.steps <= 4, `${hand.steps} steps`);
	await until('it is on the page', async () =>
		(await app.stage()).evaluate(() => document.querySelector('p + img[srcset]') !== null)
	);
	for (const width of [320, 639, 650, 700, 1023, 1024, 1500, 1900]) {
		await hand.type('Width of the page in px', String(width));
		const { shown, said } = await until(`it is ${width} px wide`, async () => {
			const isSo = await (await app.stage()).evaluate((px) => innerWidth === px, width);
			return isSo && widths();
		});
		assert.ok(shown > 0 && Math.abs(shown - said) <= 2, `${width}: ${shown} shown, ${said} said`);
	}
	const text = await sourceText(app, 'routes/1-public.eave');
	assert.match(text, /<img src="images\/bed-1280\.png" srcset="images\/bed-320\.png 320w, /);
	assert.match(text, /alt="A bed in spring" width="1280" height="960">/);
	assert.match(text, /img \{ max-width: 100%; height: auto; \}/);
	await app.load('/plan?route=/visit');
	await (await named(app.page, 'button', 'undo')).click();
	await until('one undo takes all of it back', async () =>
		(await app.stage()).evaluate(() => document.querySelector('img[srcset]') === null)
	);
});

test('pictures that are not one are refused with what they are; a file of the site is chosen with the keyboard alone', async () => {
	await app.load('/plan?route=/visit');
	const odd = join(folder, 'odd.png');
	await writeFile(odd, png(90, 90));
	await dropOn('The library is the low brick', 'upper', [odd, ...(await pictures(320))]);
	await app.page.waitForSelector('::-p-text(These are no sizes of one picture)');
	await app.page.keyboard.press('Escape');
	await dropOn('The library is the low brick', 'upper', [join(folder, 'gone.png')]);
	await app.page.waitForSelector('::-p-text(gone.png could not be read)');
	const hand = new Hand(app);
	await hand.block('/visit, main');
	await (await named(app.page, 'button', 'how')).click();
	await hand.press('button', 'Add a picture …');
	const select = await app.page.waitForSelector('[role=dialog] select');
	await select?.select('images/pod.svg');
	await app.page.waitForSelector('::-p-text(a vector)');
	await app.page.click('::-p-text(It shows nothing that matters)');
	await hand.press('button', 'Put it there');
	await until('it is the last of the piece', async () =>
		(await app.stage()).evaluate(
			() => document.querySelector('dl + img[alt=""], main img[alt=""]') !== null
		)
	);
});
