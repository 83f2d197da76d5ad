import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { z } from 'zod';
import { frames, named, startApp, textOf, until, type App } from '../lib/app.ts';
import { choose, dragBy, openValue, showTracks, sourceText, typeInto } from '../lib/stage.ts';

/** The workplace: the stage comes first, nothing moves by itself, and all that is found can be gone to. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

function stageSize(): Promise<number[]> {
	return app.page.$eval('.pages .page', (page) => {
		const { width, height } = page.getBoundingClientRect();
		return [width, height];
	});
}

test('the page has the room that is promised, and no line of controls is cut off', async () => {
	for (const [width, height, least] of [
		[1280, 800, [800, 420]],
		[1024, 768, [620, 360]],
		[1920, 1080, [1180, 600]]
	] as const) {
		await app.page.setViewport({ width, height });
		await app.open('/plan?route=/catalogue/:variety&width=1180');
		await choose(app, 'commons, menu');
		const [wide = 0, tall = 0] = await stageSize();
		assert.ok(wide >= least[0] && tall >= least[1], `${width}: ${wide} × ${tall}`);
		for (const open of [false, true]) {
			if (open) await (await app.page.waitForSelector('.folded[title="Show Text"]'))?.click();
			const cut = await app.page.$$eval('header, .line, .below, .acts', (lines) =>
				lines
					.filter((line) => line.scrollWidth > line.clientWidth + 1 || line.scrollHeight > line.clientHeight + 1)
					.map((line) => line.className)
			);
			assert.deepEqual(cut, [], `${width} px, the text ${open ? 'open' : 'folded'}`);
		}
		const section = await app.page.$eval('[aria-label="Cross-section"] .scroll', (one) => {
			return [one.scrollHeight - one.clientHeight, one.scrollWidth - one.clientWidth];
		});
		assert.ok((section[0] ?? 1) <= 0 && (section[1] ?? 1) <= 0, `the cross-section shows all: ${section.join()}`);
		await (await named(app.page, 'button', 'Fold the text')).click();
	}
	await app.page.setViewport({ width: 1280, height: 800 });
}); // prettier-ignore

test('borders of panes are dragged and moved by keys, fold, and are remembered', async () => {
	await app.open('/plan?route=/catalogue');
	const width = (): Promise<number> =>
		app.page.$eval('[aria-label="Inspector"]', (one) => one.getBoundingClientRect().width);
	const before = await width();
	await dragBy(app, 'separator', 'Size of the inspector', -60);
	await until('it is wider', async () => (await width()) > before + 50);
	const border = await named(app.page, 'separator', 'Size of the inspector');
	await border.focus();
	await app.page.keyboard.press('ArrowRight');
	await until('a key makes it narrower', async () => (await width()) < before + 60);
	const chosen = await width();
	await border.focus();
	await app.page.keyboard.press('Enter');
	await app.page.waitForSelector('[aria-label="Inspector"]', { hidden: true });
	await app.page.reload();
	await (await app.page.waitForSelector('.folded[title="Show Inspector"]'))?.click();
	await until('it is as it was', async () => Math.abs((await width()) - chosen) < 2);
	await (await named(app.page, 'separator', 'Size of the inspector')).click({ count: 2 });
	await until('a double click resets it', async () => Math.abs((await width()) - before) < 2);
});

test('over a session of edits, refusals and undo nothing moves by itself', async () => {
	await app.open('/plan?route=/catalogue&width=1100');
	await choose(app, 'commons, head');
	await frames(app.page, 56);
	await app.page.evaluate(`
		window.shifts = [];
		new PerformanceObserver((list) => {
			for (const entry of list.getEntries()) {
				if (!entry.hadRecentInput) window.shifts.push(entry.value + ' ' + entry.sources.map((one) => one.node && (one.node.className || one.node.textContent + (one.node.parentElement || {}).className)).join());
			}
		}).observe({ type: 'layout-shift', buffered: false });
	`);
	await openValue(app, 'height of head at narrow');
	await typeInto(app, 'height at narrow', '72px');
	await frames(app.page, 56);
	await openValue(app, 'pad of head at wide');
	await typeInto(app, 'pad at wide', '-4px');
	await until('it says why', async () => (await textOf(app.page, '.value-editor')).includes('below zero'));
	await choose(app, 'commons, foot');
	await app.page.keyboard.press('l');
	await frames(app.page, 56);
	await choose(app, 'catalogue, side');
	await app.page.keyboard.press('e');
	await until('it asks', async () => (await app.page.$('[role=alertdialog]')) !== null);
	await (await named(app.page, 'button', 'Cancel')).click();
	await app.page.waitForSelector('[role=alertdialog]', { hidden: true });
	await (await named(app.page, 'button', 'undo')).click();
	await frames(app.page, 56);
	const shifts: unknown = await app.page.evaluate('window.shifts');
	// What answers a key later than half a second counts too, where a machine is busy: a line of it is not much, and
	// boxes on the page are where the edit has put them.
	const moved = z.array(z.string()).parse(shifts).filter((one) => Number.parseFloat(one) > 0.001);
	assert.deepEqual(moved.filter((one) => !/^[\d.e-]+ box [^,]*(,box [^,]*)*$/.test(one)), []);
}); // prettier-ignore

test('the text stands beside the page: it follows the choice, and typing in it is drawn at once', async () => {
	await app.open('/plan?route=/visit&width=1100');
	await choose(app, 'commons, foot');
	await (await app.page.waitForSelector('.folded[title="Show Text"]'))?.click();
	await until('it shows the region', async () =>
		(await textOf(app.page, '[aria-label="Text"] .cm-content')).includes('region foot as footer')
	);
	const words = await app.page.waitForSelector(
		'[aria-label="Text"] .cm-content ::-p-text(Seed is lent)'
	);
	await words?.click();
	await app.page.keyboard.press('End');
	await app.page.keyboard.press('Home');
	await app.page.keyboard.type('<b>Typed.</b> ');
	await until('the stage shows it', async () => {
		const stage = await app.stage();
		return (await stage.$eval('footer', (foot) => foot.textContent)).includes('Typed.');
	});
	await choose(app, 'commons, head');
	await until('it goes on to the next', async () =>
		(await textOf(app.page, '[aria-label="Text"] .cm-content')).includes('region head as header')
	);
	await (await named(app.page, 'button', 'Fold the text')).click();
});

test('one field finds a piece and an action; a right click offers what can be done', async () => {
	await app.open('/plan?route=/visit');
	await app.page.keyboard.down('Control');
	await app.page.keyboard.press('k');
	await app.page.keyboard.up('Control');
	await named(app.page, 'combobox', 'Find by name');
	await app.page.keyboard.type('like-it');
	await until('it is found', async () => (await textOf(app.page, '[role=listbox][aria-label="What was found"]')).includes('catalogue'));
	await app.page.keyboard.press('Enter');
	await until('it is chosen', async () =>
		(await textOf(app.page, 'nav[aria-label="What is chosen"]')).includes('like-it')
	);
	const block = await app.page.waitForSelector('[role=gridcell][aria-label^="commons, side"]');
	await block?.click({ button: 'right' });
	await (await named(app.page, 'menuitem', 'Rename side of commons …')).click();
	const field = await named(app.page, 'textbox', 'New name');
	await field.click({ count: 3 });
	await field.type('panel');
	await app.page.keyboard.press('Enter');
	await app.page.waitForSelector('[role=gridcell][aria-label^="commons, panel"]');
	await (await named(app.page, 'button', 'undo')).click();
	await app.page.waitForSelector('[role=gridcell][aria-label^="commons, side"]');
}); // prettier-ignore

/** Where an element of the page is on the screen, px: the stage draws it smaller than it is. */
async function placeOnStage(selector: string): Promise<{ x: number; y: number }> {
	const stage = await app.stage();
	const inner = await stage.$eval(selector, (one) => {
		const { x, y, height } = one.getBoundingClientRect();
		return { x: x + 20, y: y + height / 2, width: innerWidth };
	});
	const frame = await app.page.$eval('.pages iframe', (one) => {
		const { x, y, width } = one.getBoundingClientRect();
		return { x, y, width };
	});
	const scale = frame.width / inner.width;
	return { x: frame.x + inner.x * scale, y: frame.y + inner.y * scale };
}

test('a state is added for a route, is on the stage at once, and is taken back', async () => {
	await app.open('/plan?route=/desk&width=1100');
	await (await named(app.page, 'button', 'Add state')).click();
	await (await named(app.page, 'combobox', 'State')).select('failed');
	await (await named(app.page, 'textbox', 'For all from')).type('desk');
	await app.page.keyboard.press('Enter');
	await until('the stage shows it', async () =>
		(await (await app.stage()).$eval('h1', (one) => one.textContent)) === 'Something failed'
	);
	await until('the roofline has it', async () =>
		(await textOf(app.page, '[role=tree], [role=listbox], .roofline')).includes('failed at /desk')
	);
	await (await named(app.page, 'button', 'undo')).click();
	await until('it is gone', async () =>
		!(await textOf(app.page, '[role=tree], [role=listbox], .roofline')).includes('failed at /desk')
	);
}); // prettier-ignore

test('words of a page are written anew by a double click, and a piece is dragged to another region', async () => {
	await app.open('/plan?route=/visit&width=1100');
	const { x, y } = await placeOnStage('h1');
	await app.page.mouse.click(x, y, { count: 2 });
	const field = await named(app.page, 'textbox', 'Words of how');
	await field.click({ count: 3 });
	await app.page.keyboard.type('Come & see');
	await app.page.keyboard.press('Enter');
	await until('the page says so', async () => {
		const inner = await app.stage();
		return (await inner.$eval('h1', (one) => one.textContent)) === 'Come & see';
	});
	// What is made from the routes is written nowhere: that is said, with a way to the place.
	const link = await placeOnStage('nav a');
	await app.page.mouse.click(link.x, link.y, { count: 2 });
	await app.page.waitForSelector('::-p-text(made from the routes: change their titles)');
	await named(app.page, 'button', 'Show the place');
	const from = await app.page.waitForSelector('[role=gridcell][aria-label^="commons, head"] b:last-of-type');
	const to = await app.page.waitForSelector('[role=gridcell][aria-label^="commons, side"]');
	const [one, other] = [await from?.boundingBox(), await to?.boundingBox()];
	assert.ok(one && other);
	await app.page.mouse.move(one.x + 5, one.y + 5);
	await app.page.mouse.down();
	await app.page.mouse.move(one.x + 30, one.y + 12, { steps: 3 });
	await app.page.mouse.move(other.x + 20, other.y + 8, { steps: 5 });
	await until('it says what would be done', async () => (await textOf(app.page, '.hint')).includes('links goes to'));
	await app.page.mouse.up();
	await until('it is there', async () =>
		(await app.page.$('[role=gridcell][aria-label^="commons, side"][aria-label*="links"]')) !== null
	);
	await showTracks(app);
	assert.match(await sourceText(app, 'layouts/commons.eave'), /region side[^]*piece hours[^]*piece links/);
}); // prettier-ignore
