import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, textOf, until, type App } from '../lib/app.ts';
import { violationsDayAndNight } from '../lib/axe.ts';
import { openText } from '../lib/source.ts';
import { sourceText } from '../lib/stage.ts';

/** What someone meets who has never been here: the tour, the examples, what is empty, what can be found. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

const bare = `site "Bare" { lang en; bands { narrow 0; wide 900 } }
layout frame at / {
  region main as main { slot }
}
route / { title "Home"; piece a """<h1>Home</h1>""" }
state not-found at / { title "Gone"; piece a """<h1>Gone</h1>""" }
`;

/** What the tour points at, by the name of the place. */
async function toured(): Promise<string | null> {
	const found = await app.page.$('[data-toured]');
	return (await found?.evaluate((one) => one.getAttribute('data-tour'))) ?? null;
}

function press(name: string): Promise<void> {
	return named(app.page, 'button', name).then((button) => button.click());
}

test('the tour goes through six questions, each in its view with its place outlined, and is left and taken up', async () => {
	await app.open('/plan?route=/catalogue');
	await press('tour');
	const asked: string[] = [];
	for (const [place, view] of [
		['roofline', '/plan'],
		['cross-section', '/plan'],
		['chart', '/sweep'],
		['inspector', '/plan'],
		['coming-from', '/plan'],
		['forms', '/deliver']
	] as const) {
		await until(`${place} is outlined in ${view}`, async () => (await toured()) === place && app.page.url().includes(view)); // prettier-ignore
		asked.push(await textOf(app.page, 'section[aria-label="The tour"] h2'));
		assert.deepEqual(await violationsDayAndNight(app.page), []);
		if (place === 'chart') {
			// It is left in the middle, the application is loaded anew, and it goes on there.
			await press('Leave the tour');
			await until('it is gone', async () => (await toured()) === null);
			await app.load('/plan?route=/visit');
			await press('tour');
			await until('it goes on', async () => (await toured()) === 'chart');
		}
		if (place !== 'forms') await press('Next question');
	}
	assert.equal(new Set(asked).size, 6);
	await press('Begin a site of your own …');
	await named(app.page, 'textbox', 'Regions, with commas between');
	await app.page.keyboard.press('Escape');
	await until('the tour is over', async () => (await app.page.$('[data-toured]')) === null);
});

test('each example opens as a site of its own, without an error', async () => {
	for (const [title, name] of [
		['A notice board', 'Notice board of the allotments'],
		['A documentation', 'Handbook of the seed room'],
		['A shop', 'The swap stall'],
		['A magazine from right to left', 'עלון הזרעים']
	] as const) {
		await app.page.click('.site-name');
		await (await named(app.page, 'menuitem', 'Open an example …')).click();
		await press(`Open ${title}`);
		await until(`${title} is open`, async () => (await textOf(app.page, '.site-name')).includes(name)); // prettier-ignore
		await app.open('/source');
		assert.equal(await app.page.$('section[aria-label="Errors in the source"]'), null);
	}
	await app.page.click('.site-name');
	await (await named(app.page, 'menuitem', 'Open the demo site')).click();
	await until('the demo is open', async () =>
		(await textOf(app.page, '.site-name')).includes('Marrow Lane')
	);
});

test('where there is nothing yet it is said what belongs there, with one way to begin', async () => {
	await app.open('/plan');
	await openText(app.page, bare);
	for (const [kind, act, title] of [
		['data', 'Add the first data …', 'Add shared data'],
		['parts', 'Add the first part …', 'Add a part'],
		['tokens', 'Add the first token …', 'Add a token']
	] as const) {
		await app.open(`/material?of=${kind}`);
		await press(act);
		await until(`${title} is asked`, async () => (await textOf(app.page, '[role=dialog][data-state=open]')).includes(title)); // prettier-ignore
		await app.page.keyboard.press('Escape');
	}
	await app.open('/material?of=files');
	assert.match(await textOf(app.page, 'main'), /no pictures or other files yet/);
	await app.open('/deliver');
	await until('what remains is said', async () => /remain|Nothing is found/.test(await textOf(app.page, '.remains'))); // prettier-ignore
});

test('what can be done with a row comes with the pointer, by keyboard, and in a menu where nothing can be pointed at', async () => {
	const { page } = app;
	await app.open('/plan');
	await openText(page, bare.replace('bands {', 'tokens { --gap: 8px; --rim: 1px }; bands {'));
	await app.open('/material?of=tokens');
	// This browser has nothing to point with: the verbs are in a menu.
	await press('What can be done with --gap');
	await (await named(page, 'menuitem', 'Rename')).click();
	await named(page, 'textbox', 'New name');
	await page.keyboard.press('Escape');
	// One that has.
	await page.evaluateOnNewDocument(() => {
		const asked = window.matchMedia.bind(window);
		window.matchMedia = (query) => asked(query === '(hover: none)' ? 'not all' : query);
	});
	await app.load('/material?of=tokens');
	const opacity = (): Promise<string> =>
		page.$eval('[id="token --gap"] .acts', (one) => getComputedStyle(one).opacity);
	await page.waitForSelector('[id="token --gap"] .acts');
	assert.equal(await opacity(), '0');
	await page.hover('[id="token --gap"]');
	await until('they are there', async () => (await opacity()) === '1');
	await page.hover('[id="token --rim"]');
	await until('they are gone', async () => (await opacity()) === '0');
	await page.focus('[id="token --gap"] input');
	await until('with the focus, too', async () => (await opacity()) === '1');
	await press('Remove --rim');
	await until('it is gone', async () => (await page.$('[id="token --rim"]')) === null);
	await press('undo');
	await page.waitForSelector('[id="token --rim"]');
});

test('a part has the colours that it has on the page as on which it is drawn', async () => {
	const { page } = app;
	await app.open('/plan');
	await openText(
		page,
		bare
			.replace(
				'layout frame',
				'part tag(word) """<a class="tag" href="/">{word}</a>"""\nlayout frame'
			)
			.replace('<h1>Home</h1>', '<h1>Home</h1><p>{use tag word="One"}</p>')
			.replace('</p>""" }', '</p>"""; style """p a { color: rgb(0, 120, 10) }""" }')
			.replace(
				'state not-found',
				'route /red { title "Red"; piece a """<h1>Red</h1><p class="red">{use tag word="Two"}</p>"""; style """.red a { color: rgb(180, 0, 0) }""" }\nstate not-found'
			)
	);
	await app.open('/material?of=parts');
	const colour = async (): Promise<string | undefined> => {
		const frame = await (await page.$('iframe[title^="tag"]'))?.contentFrame();
		return (await frame?.$('.tag'))?.evaluate((one) => getComputedStyle(one).color);
	};
	await until('it is as on the first page', async () => (await colour()) === 'rgb(0, 120, 10)');
	await (await named(page, 'combobox', 'The page as on which tag is drawn')).select('/red');
	await until('it is as on that page', async () => (await colour()) === 'rgb(180, 0, 0)');
});

test('what is found is listed with pages first, then what can be done, each with what it is done to', async () => {
	const { page } = app;
	await app.open('/plan?route=/');
	const block = await page.waitForSelector('[role=gridcell][aria-label^="frame, main"]');
	await block?.click({ offset: { x: 2, y: 2 } });
	await page.keyboard.down('Control');
	await page.keyboard.press('k');
	await page.keyboard.up('Control');
	await named(page, 'combobox', 'Find by name');
	const listed = (): Promise<string[]> =>
		page.$$eval('[role=listbox][aria-label="What was found"] > li', (all) =>
			all.map((one) => one.textContent ?? '')
		);
	const all = await until('something is listed', async () => {
		const names = await listed();
		return names.length > 5 && names;
	});
	assert.equal(all[0], 'pages');
	assert.ok(all.indexOf('pages') < all.indexOf('what can be done'));
	assert.ok(
		all.some((one) => one.startsWith('Lock main of frame')),
		all.join('; ')
	);
	await page.keyboard.type('lock main');
	await until('the action is first', async () => (await listed())[1]?.startsWith('Lock main of frame') ?? false); // prettier-ignore
	await page.keyboard.press('Enter');
	await until('it is done', async () => (await sourceText(app, 'typed.eave')).includes('locked'));
	await press('undo');
});
