import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { z } from 'zod';
import { editorText, openText, toEnd } from '../lib/source.ts';
import { frames, named, startApp, until, type App } from '../lib/app.ts';

/** The sheet of the demo: complete, right against the stage, and redrawn only where an edit touched it. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

/** Waits until all pages are measured; gives how many drawings were made so far. */
async function settled(): Promise<number> {
	const { page } = app;
	await until('all pages are measured', async () =>
		page.$eval('.sheet', (one) => Number(one.getAttribute('data-measured')) >= 19)
	);
	return page.$eval('.sheet', (one) => Number(one.getAttribute('data-drawn')));
}

/** Scrolls the sheet, and waits until what is in sight is drawn. */
async function scrollTo(top: number): Promise<void> {
	await app.page.$eval('.body', (one, at) => one.scrollTo(0, at), top);
	await frames(app.page, 4);
	await until('it is drawn', async () => (await app.page.$('.waiting')) === null);
}

/** How many more pages draw like one, by its name. */
async function stacks(): Promise<[string, number][]> {
	const said = await app.page.$$eval('article', (all) =>
		all.map((one) => [one.ariaLabel, one.querySelector('.stack')?.textContent ?? ''])
	);
	return said.flatMap(([name, words]): [string, number][] => {
		const count = /and (\d+) more/.exec(words ?? '')?.[1];
		return name && count ? [[name, Number(count)]] : [];
	});
}

const rectangles = z.array(z.object({ x: z.number(), width: z.number() }));

test('every page of the demo is on it at every band, and what it draws is what the stage shows', async () => {
	await app.open('/sheet');
	const { page } = app;
	await settled();
	const said = await page.$eval('.bar .cap', (one) => one.textContent ?? '');
	assert.match(said, /^19 pages at 3 widths, drawn from computed boxes$/);
	const names = new Set<string>();
	const behind = new Map<string, number>();
	for (let top = 0; top < 6000; top += 400) {
		await scrollTo(top);
		for (const name of await page.$$eval('article', (all) =>
			all.map((one) => one.ariaLabel ?? '')
		)) {
			names.add(name);
		}
		for (const [name, count] of await stacks()) behind.set(name, count);
	}
	const more = [...behind.values()].reduce((sum, count) => sum + count, 0);
	assert.equal(names.size + more, 19, [...names].join());
	await scrollTo(0);

	// The regions of /visit where wide begins, as they are drawn, against the page itself.
	const link = await page.waitForSelector('[data-drawing="/visit 1024"]');
	const drawn = rectangles.parse(
		await link?.evaluate((one) => {
			const scale = Number(one.closest<HTMLElement>('.sheet')?.dataset['scale']);
			return [...one.querySelectorAll('.ground, .open')].map((rect) => {
				const [x, width] = ['x', 'width'].map((name) => Number(rect.getAttribute(name)) / scale);
				return { x, width };
			});
		})
	);
	await link?.click();
	await until('it is on the stage at that width', async () => page.url().includes('route=/visit') && page.url().includes('width=1024')); // prettier-ignore
	// The frame may be another one until the view has settled.
	const inner = await until('the page is on the stage', async () => {
		const stage = await app.stage();
		return (await stage.$('[data-region]')) ? stage : undefined;
	});
	const shown = rectangles.parse(
		await inner.$$eval('[data-region]', (all) =>
			all
				.map((one) => one.getBoundingClientRect())
				.filter(({ width, height }) => width > 0 && height > 0)
				.map(({ x, width }) => ({ x, width }))
		)
	);
	assert.equal(drawn.length, shown.length, 'as many regions are drawn as are shown');
	for (const one of shown) {
		const found = drawn.some(
			({ x, width }) => Math.abs(x - one.x) < 2 && Math.abs(width - one.width) < 2
		);
		assert.ok(found, `a region at ${one.x}, ${one.width} px wide, is drawn`);
	}
});

test('the sheet is saved as SVG with as many drawings as it shows, and one region is singled out', async () => {
	const { page } = app;
	await app.open('/sheet?only=side');
	await settled();
	assert.ok((await page.$$('.drawing .faded')).length > 10, 'other regions are drawn faintly');
	await page.click('.save summary');
	await (await named(page, 'button', 'As SVG')).click();
	const svg = new TextDecoder().decode(await app.downloaded('marrow-lane-seed-library-sheet.svg'));
	const drawings = await page.evaluate((text) => {
		const read = new DOMParser().parseFromString(text, 'image/svg+xml');
		return read.querySelector('parsererror') ? -1 : read.querySelectorAll('g.drawing').length;
	}, svg);
	const shown = new Set<string>();
	for (let top = 0; top < 6000; top += 400) {
		await scrollTo(top);
		for (const one of await page.$$eval('article', (all) =>
			all.map((row) => row.ariaLabel ?? '')
		)) {
			shown.add(one);
		}
	}
	assert.equal(drawings, shown.size * 3);
	assert.doesNotMatch(svg, /var\(--/, 'it has its colours in it');
});

const small = `site "Small" { bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { piece name """<p>Small</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece a """<p>home</p>""" }
route /a { title "A"; piece a """<p>one</p>"""; fill head after { piece more """<p>more</p>""" } }
route /b { title "B"; fill head before { piece sign """<p>sign</p>""" }; piece a """<h1>B</h1><p>End</p>""" }
`;

/** Goes to another view as a visitor does, without loading anew. */
async function view(name: string): Promise<void> {
	await (await named(app.page, 'link', name)).click();
	await until(`${name} is there`, async () => app.page.url().includes(name.toLowerCase()));
}

test('an edit redraws only what it touched and marks it; before and after shows what moved', async () => {
	const { page } = app;
	await app.open('/sheet?group=route');
	await openText(page, small);
	const counts = (): Promise<{ made: number; drawn: number; measured: number }> =>
		page.$eval('.sheet', (one) => ({
			made: Number(one.getAttribute('data-made')),
			drawn: Number(one.getAttribute('data-drawn')),
			measured: Number(one.getAttribute('data-measured'))
		}));
	await until('all of it is drawn', async () => (await page.$$('article .drawing')).length === 6);
	await view('Source');
	await editorText(page);
	await toEnd(page);
	for (let index = 0; index < 10; index++) await page.keyboard.press('ArrowLeft');
	await page.keyboard.type('<p>of it</p><p>all</p>');
	await until('it is in the text', async () => (await editorText(page)).includes('all</p>'));
	await view('Sheet');
	await until('its pages are measured', async () => (await counts()).measured === 3);
	assert.equal((await counts()).made, 1, 'only the page that was edited was laid out again');

	const before = await counts();
	await (await named(page, 'button', 'undo')).click();
	const marked = await until('what changed is marked', async () => {
		const names = await page.$$eval('article.changed', (all) => all.map((one) => one.ariaLabel));
		return names.length > 0 && names;
	});
	assert.deepEqual(marked, ['/b']);
	await until('they are measured again', async () => (await counts()).measured === 3);
	assert.ok((await counts()).drawn - before.drawn <= 2, 'by guesses, and once it is measured');

	await (await named(page, 'button', 'redo')).click();
	await (await named(page, 'button', 'Before and after')).click();
	await until('all are compared', async () =>
		(await page.$eval('.bar .cap', (one) => one.textContent ?? '')).startsWith(
			'1 of 3 pages changed'
		)
	);
	const changed = await page.$$eval('article', (all) => all.map((one) => one.ariaLabel));
	assert.deepEqual(changed, ['/b']);
	await page.waitForSelector('article .after');
	assert.ok((await page.$$('article .before')).length > 0);
	assert.match(
		await page.$eval('article > .words', (one) => one.textContent ?? ''),
		/main: \d.* px taller/
	);
});

test('arrows go from drawing to drawing and from line to line, and H holds the one that has the focus', async () => {
	const { page } = app;
	await app.load('/sheet?group=route');
	await openText(page, small);
	await until('all of it is drawn', async () => (await page.$$('article .drawing')).length === 6);
	const at = (): Promise<string | undefined> =>
		page.evaluate(() =>
			document.activeElement instanceof HTMLElement
				? document.activeElement.dataset['drawing']
				: undefined
		);
	await page.focus('[data-drawing="/ 360"]');
	await page.keyboard.press('ArrowRight');
	assert.equal(await at(), '/ 900');
	await page.keyboard.press('ArrowRight');
	assert.equal(await at(), '/a 360', 'the next page stands beside it');
	await page.keyboard.press('ArrowLeft');
	await page.keyboard.press('h');
	await page.waitForSelector('[aria-label="Held side by side"]');
	await page.keyboard.press('h');
	await page.waitForSelector('[aria-label="Held side by side"]', { hidden: true });
	// Two stand in a line, so the third is below the first.
	await page.setViewport({ width: 960, height: 800 });
	await app.open('/sheet?group=route&size=large');
	await page.waitForSelector('[data-drawing="/b 900"]');
	await page.focus('[data-drawing="/ 900"]');
	await page.keyboard.press('ArrowDown');
	assert.equal(await at(), '/b 900');
	await page.keyboard.press('ArrowUp');
	assert.equal(await at(), '/ 900');
});
