import assert from 'node:assert/strict';
import type { BoundingBox, ElementHandle } from 'puppeteer-core';
import { frames, named, until, type App } from './app.ts';

/** The text of a file of the open site, as Source shows it. */
export async function sourceText(app: App, file: string): Promise<string> {
	const { page } = app;
	await app.open(`/source?file=${file}`);
	await page.waitForSelector('[data-ready] [aria-label="Source"] .cm-content');
	// The editor draws what is seen; a tall window sees all of it.
	await page.setViewport({ width: 1280, height: 4000 });
	let before = '';
	const text = await until('all of the file is shown', async () => {
		const now = await page.$$eval('.cm-content', ([editor]) =>
			[...(editor?.querySelectorAll('.cm-line') ?? [])].map((line) => line.textContent).join('\n')
		);
		const rests = now !== '' && now === before;
		before = now;
		await frames(page, 8);
		return rests && now;
	});
	await page.setViewport({ width: 1280, height: 800 });
	return text;
}

/** Chooses a block of the cross-section by how it begins: its layer and its region. */
export async function choose(app: App, block: string): Promise<void> {
	const found = await app.page.waitForSelector(`[role=gridcell][aria-label^="${block}"]`);
	// Beside its words: a press on a word chooses the piece.
	await found?.click({ offset: { x: 2, y: 2 } });
}

export async function showTracks(app: App): Promise<void> {
	const button = await named(app.page, 'button', 'Tracks');
	if (await button.evaluate((one) => one.ariaPressed !== 'true')) await button.click();
}

/** Where something is once it stays there: what lies over the page follows it when it is laid out. */
export async function atRest({ page }: App, handle: ElementHandle): Promise<BoundingBox> {
	let before = '';
	return until('it rests', async () => {
		const box = await handle.boundingBox();
		const now = JSON.stringify(box);
		const rests = now === before;
		before = now;
		await frames(page, 8);
		return rests && (box ?? undefined);
	});
}

/** Drags something along by so many px of the screen. */
export async function dragBy(app: App, role: string, name: string, x: number): Promise<void> {
	const handle = await named(app.page, role, name);
	const box = await atRest(app, handle);
	assert.ok(box, `${name} is there`);
	const [left, top] = [box.x + box.width / 2, box.y + Math.min(box.height / 2, 40)];
	await app.page.mouse.move(left, top);
	await app.page.mouse.down();
	await app.page.mouse.move(left + x, top, { steps: 5 });
	await app.page.mouse.up();
}

/** Waits until an edit is one that undo takes back. */
export async function kept(app: App, words: string): Promise<void> {
	await until(`undo offers ${words}`, () =>
		app.page.$$eval(
			'button',
			(buttons, wanted) => buttons.some((one) => (one.title + one.textContent).includes(wanted)),
			words
		)
	);
}

/** Chooses a value of the band strip, such as `pad of side at wide`, so that its control is there. */
export async function openValue(app: App, name: string): Promise<void> {
	const cell = await app.page.waitForSelector(`button[data-value][aria-label^="${name}"]`);
	await cell?.click();
	await app.page.waitForSelector('.value-editor .editor');
}

/** Types into a field of that control, in place of what is there, and takes it. */
export async function typeInto(app: App, label: string, text: string): Promise<void> {
	const field = await app.page.waitForSelector(`.value-editor input[aria-label="${label}"]`);
	await field?.click({ count: 3 });
	await app.page.keyboard.type(text);
	await app.page.keyboard.press('Enter');
}
