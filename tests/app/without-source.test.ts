import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand, regionsOnStage } from '../lib/hand.ts';
import { showTracks, sourceText } from '../lib/stage.ts';

/** What the text can say is done on the drawings, as a person does it, and read in the text that results. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

/** A new site of the regions that are named. */
async function newSite(hand: Hand, words: string): Promise<void> {
	await app.load('/plan?width=1200');
	await (await app.page.waitForSelector('.site-name'))?.click();
	await (await named(app.page, 'menuitem', 'New site …')).click();
	await hand.fill('Regions, with commas between', words);
	await hand.press('button', 'Make the site');
	await until('it is open', async () =>
		(await app.page.$eval('.site-name', (one) => one.textContent)).includes('My site')
	);
	await app.page.waitForSelector('[role=gridcell][aria-label^="frame, "]');
}

async function setWidth(hand: Hand, width: number): Promise<void> {
	await hand.type('Width of the page in px', String(width));
	await until('the page is so wide', async () => {
		const frame = await app.stage();
		return (await frame.evaluate(() => innerWidth)) === width;
	});
}

test('a page of five regions is exact at 1200 px, and one column at 400 with the aside second', async () => {
	const hand = new Hand(app);
	await newSite(hand, 'head, nav, main, aside, foot');
	await showTracks(app);
	hand.steps++;
	await hand.block('frame, nav');
	await hand.type('Column 1 of frame', '180px');
	await hand.type('Column 3 of frame', '220px');
	await hand.type('Row 1 of frame', '64px');
	await hand.type('Row 3 of frame', '56px');
	await until('it is exact', async () => {
		const { head, nav, main, aside, foot } = await regionsOnStage(app);
		return (
			head?.[3] === 64 && nav?.[2] === 180 && aside?.[2] === 220 && foot?.[3] === 56 &&
			main?.[2] === 1200 - 180 - 220
		);
	}); // prettier-ignore
	await setWidth(hand, 400);
	await hand.drag('.box-name[title^="Drag aside "]', '.box-name[title^="Drag nav "]', 0.5, 0.1);
	await until('the aside is second', async () => {
		const { head, nav, aside } = await regionsOnStage(app);
		return (
			aside && head && nav && (aside[1] ?? 0) > (head[1] ?? 0) && (aside[1] ?? 0) < (nav[1] ?? 0)
		);
	});
	assert.ok(hand.steps <= 12, `${hand.steps} steps`);
	const text = await sourceText(app, 'site.eave');
	assert.match(text, /"head"[^\n]*\n\s+"aside"[^\n]*\n\s+"nav"/);
	assert.match(
		text,
		/"nav main aside" 1fr\n\s+"foot foot foot" 56px\n\s+columns 180px minmax\(0, 1fr\) 220px/
	);
});

test('a page replaces what is at the side, one adds to it; the content is required, the foot locked', async () => {
	const hand = new Hand(app);
	await newSite(hand, 'head, content, side, foot');
	await hand.block('/, side');
	await hand.key('i');
	await until('it is there instead', async () => (await hasText('aside')).includes('New'));
	await app.page.click('[id="row /about"]');
	hand.steps++;
	await app.page.waitForSelector('[role=gridcell][aria-label^="/about, side"]');
	await hand.block('/about, side');
	await hand.key('a');
	await until('it is there too', async () => /side\s*New/i.test(await hasText('aside')));
	await hand.block('frame, content');
	await hand.key('r');
	await hand.block('frame, foot');
	await hand.key('l');
	await until('it is locked', async () =>
		(await app.page.$('[role=gridcell][aria-label*="foot"][aria-label$="locked"]')) !== null
	);
	const text = await sourceText(app, 'site.eave');
	assert.match(text, /route \/ \{[^]*fill side instead \{/);
	assert.match(text, /route \/about \{[^]*fill side after \{/);
	assert.match(text, /region content as main \{[^}]*required/);
	assert.match(text, /region foot as footer \{[^]*locked/);
}); // prettier-ignore

async function hasText(selector: string): Promise<string> {
	const stage = await app.stage();
	return stage.$eval(selector, (one) => one.textContent ?? '');
}

test('two regions take 3 and 9 of 12 columns, 2 and 4 of 6, and the whole width', async () => {
	const hand = new Hand(app);
	await newSite(hand, 'side, content');
	await hand.press('button', 'frame');
	await setWidth(hand, 800);
	await hand.press('button', 'columns: columns that members fill in order and span');
	await hand.type('Columns of frame at medium', '6');
	await setWidth(hand, 1200);
	await hand.press('button', 'columns: columns that members fill in order and span');
	await hand.type('Columns of frame at wide', '12');
	for (const [region, medium, wide] of [['side', '2', '3'], ['content', '4', '9']] as const) {
		await hand.block(`frame, ${region}`);
		await hand.setting(region, 'span');
		await hand.value(`span of ${region} at medium`);
		await hand.type('span at medium', medium);
		await hand.value(`span of ${region} at wide`);
		await hand.type('span at wide', wide);
	}
	await until('3 and 9 of 12', async () => {
		const { side, content } = await regionsOnStage(app);
		return side?.[2] === 300 && content?.[2] === 900;
	});
	await setWidth(hand, 720);
	await until('2 and 4 of 6', async () => {
		const { side, content } = await regionsOnStage(app);
		return side?.[2] === 240 && content?.[2] === 480;
	});
	await setWidth(hand, 400);
	await until('the whole width', async () => (await regionsOnStage(app))['side']?.[2] === 400);
	const text = await sourceText(app, 'site.eave');
	assert.match(text, /span 2 @medium; span 3 @wide|span 2 @medium\n\s+span 3 @wide/);
}); // prettier-ignore

test('a token differs by band; a fourth band, a picture, a title pattern and a role are added', async () => {
	const hand = new Hand(app);
	await newSite(hand, 'head, content, foot');
	await app.load('/material?of=tokens');
	await hand.press('button', 'Add token …');
	await hand.fill('Name', '--lead');
	await hand.fill('Value', '16px');
	await hand.press('button', 'Add it');
	await app.page.waitForSelector('article[aria-label="Token --lead"]');
	await hand.type('--lead at wide', '32px');
	await app.load('/material?of=files');
	const chooser = app.page.waitForFileChooser();
	await hand.press('button', 'Add files …');
	await (await chooser).accept(['static/mark.svg']);
	await app.page.waitForSelector('article[aria-label="File images/mark.svg"] img');
	await app.load('/plan');
	await hand.press('button', 'site');
	await hand.press('button', 'Add a band …');
	await hand.fill('Name', 'huge');
	await hand.fill('Starts at, px', '1600');
	await hand.press('button', 'Add it');
	await app.page.waitForSelector('[role=dialog]', { hidden: true });
	await hand.press('button', 'Add a role …');
	await hand.fill('Name', 'keeper');
	await hand.press('button', 'Add it');
	await app.page.waitForSelector('input[aria-label="Name of the role keeper"]');
	await hand.press('button', 'frame');
	await hand.type('title', '{page.title}, in short');
	await until('the page has the title', async () => {
		const undo = await named(app.page, 'button', 'undo');
		return (await undo.evaluate((one) => one.getAttribute('title')))?.includes(
			'The title of frame'
		);
	});
	const text = await sourceText(app, 'site.eave');
	assert.match(text, /wide 1024; huge 1600/);
	assert.match(text, /--lead: 16px; --lead @wide: 32px/);
	assert.match(text, /roles \{ keeper \}/);
	assert.match(text, /title "\{page.title\}, in short"/);
});
