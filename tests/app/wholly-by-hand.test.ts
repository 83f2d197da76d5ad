import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { decodeUtf8 } from '../../src/core/lib/utf8.ts';
import { startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';

/**
 * From nothing to what is delivered, by pointing, choosing and typing names alone; the steps of each task are counted.
 * Cards, a board, a list from data and a picture are counted where they are tried.
 */

let app: App;
let hand: Hand;
let begun = 0;

before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
	await app.load('/plan?route=/');
	hand = new Hand(app);
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

/** The steps since the last task was done are no more than those. */
function done(task: string, most: number): void {
	const steps = hand.steps - begun;
	begun = hand.steps;
	assert.ok(steps <= most, `${task}: ${steps} steps`);
}

async function stageHas(selector: string, words: string): Promise<void> {
	await until(`${selector} says ${words}`, async () =>
		(await app.stage()).$$eval(
			selector,
			(all, wanted) => all.some((one) => one.textContent?.includes(wanted)),
			words
		)
	);
}

/** Waits for a block of the cross-section that says something. */
async function cell(name: string, says: string): Promise<void> {
	await app.page.waitForSelector(`[role=gridcell][aria-label^="${name}"][aria-label*="${says}"]`);
}

/** Whether a region of the page on the stage takes any room. */
async function isSeen(region: string): Promise<boolean> {
	return (await app.stage()).$$eval(`[data-region="${region}"]`, (all) =>
		all.some((one) => one.getClientRects().length > 0)
	);
}

test('a site of five regions is made from their names, in 6 steps', async () => {
	await app.page.click('.site-name');
	hand.steps++;
	await hand.press('menuitem', 'New site …');
	await hand.fill('Name of the site', 'Harbour');
	await hand.fill(
		'Regions, with commas between',
		'masthead, left-menu, story, side-notes, imprint'
	);
	await hand.press('button', 'Make the site');
	await stageHas('main h1', 'Home');
	for (const region of ['masthead', 'left-menu', 'story', 'side-notes', 'imprint']) {
		await app.page.waitForSelector(`[role=gridcell][aria-label*=", ${region}"]`);
	}
	done('five regions', 6);
});

test('a branch gets a layout of its own within the first, with a region, in 12 steps', async () => {
	await hand.press('button', 'Add route');
	await hand.fill('Route', '/boats');
	await hand.fill('Title', 'Boats');
	await hand.press('button', 'Add it');
	await hand.press('button', 'Add layout');
	await hand.fill('Name', 'fleet');
	await hand.fill('Stands at', '/boats');
	await hand.press('button', 'Add it');
	await hand.press('button', 'Add region …');
	await hand.fill('Name', 'harbours');
	await hand.press('button', 'Add it');
	await app.page.waitForSelector('[role=gridcell][aria-label^="fleet, harbours"]');
	done('nesting', 12);
});

test('a page puts something of its own in the place of what a layout gives, in 7 steps', async () => {
	await hand.block('frame, side-notes');
	await hand.press('button', 'Add piece …');
	await hand.fill('Name', 'open');
	await hand.press('button', 'Add it');
	await cell('frame, side-notes', 'open');
	await hand.block('/boats, side-notes');
	await app.page.keyboard.press('i');
	hand.steps++;
	await cell('/boats, side-notes', 'instead');
	done('overriding', 7);
	await hand.press('button', 'undo');
	await hand.press('button', 'undo');
	begun = hand.steps;
});

test('a piece is for one role alone, in 9 steps', async () => {
	await hand.press('button', 'site');
	await hand.press('button', 'Add a role …');
	await hand.fill('Name', 'skipper');
	await hand.press('button', 'Add it');
	await hand.block('/boats, story');
	await (await app.page.waitForSelector('b[data-piece=body]'))?.click();
	hand.steps++;
	const box = await app.page.waitForSelector('fieldset input[type=checkbox]');
	await box?.click();
	hand.steps++;
	await cell('/boats, story', 'body skipper');
	done('roles', 9);
});

test('a piece is hidden on narrow screens, and looked at there, in 8 steps', async () => {
	await hand.block('frame, side-notes');
	await hand.type('width', '400');
	assert.ok(await isSeen('side-notes'));
	await hand.setting('side-notes', 'show');
	await app.page.waitForSelector('.value-editor .editor');
	await hand.press('button', 'hidden');
	await until('it is not there on a narrow screen', async () => !(await isSeen('side-notes')));
	done('screens', 8);
});

test('and all of it is taken away as plain files, in 2 steps', async () => {
	await hand.press('link', 'Deliver');
	await hand.press('button', 'Download harbour.zip');
	const files = unzipSync(await app.downloaded('harbour.zip'));
	const boats = decodeUtf8(files['boats/index.html'] ?? new Uint8Array());
	assert.match(boats, /<h1[^>]*>Boats<\/h1>/);
	assert.doesNotMatch(boats, /<script/);
	done('delivery', 2);
});
