import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { Hand } from '../lib/hand.ts';
import { openText } from '../lib/source.ts';
import { showTracks } from '../lib/stage.ts';

/** What is chosen is there on the page: its own tracks, its drawer opened and shut, scrolled to where it was found. */

let app: App;
before(async () => {
	app = await startApp();
	await app.page.setViewport({ width: 1280, height: 800 });
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

test('a chosen region that is a drawer at this width is opened and shut on the page', async () => {
	await app.load('/plan?route=/catalogue&width=400');
	const hand = new Hand(app);
	await hand.block('commons, menu');
	const isOpen = async (): Promise<boolean> =>
		(await app.stage()).$$eval('[data-region=menu]', (all) =>
			all.some((one) => one.matches(':popover-open'))
		);
	assert.equal(await isOpen(), false);
	await hand.press('button', 'menu is a drawer here: open it');
	await until('it is open', isOpen);
	await hand.press('button', 'menu is a drawer here: shut it');
	await until('it is shut', async () => !(await isOpen()));
	await app.open('/plan?route=/catalogue&width=1100');
	await until(
		'in its place it is no drawer',
		async () => (await app.page.$('button.drawer')) === null
	);
});

test('what is found by its name is scrolled to on this page, and one goes on from there by keyboard', async () => {
	await app.load('/plan?route=/catalogue&width=400');
	await (await named(app.page, 'button', 'find')).click();
	await named(app.page, 'combobox', 'Find by name');
	await app.page.keyboard.type('foot');
	await app.page.waitForSelector('[role=option][aria-selected=true]::-p-text(region of commons)');
	await app.page.keyboard.press('Enter');
	await until('its block has the focus', () =>
		app.page.evaluate(() =>
			(document.activeElement?.getAttribute('aria-label') ?? '').startsWith('commons, foot')
		)
	);
	await until('it is in sight', async () =>
		(await app.stage()).$eval('[data-region=foot]', (one) => {
			const { top } = one.getBoundingClientRect();
			return scrollY > 0 && top >= 0 && top < innerHeight;
		})
	);
});

const nested = `site "Grids" { lang en; bands { narrow 0 } }
layout outer at / {
  arrange areas { "side main" auto; columns 200px 1fr }
  region side as aside { piece note """<p>note</p>""" }
  region main as main { slot; arrange columns 3; }
}
route / { title "Home"; piece one """<p>one</p>"""; piece two """<p>two</p>""" }
`;

test('tracks are those of the chosen region where it has columns, and those around it by one press', async () => {
	await app.open('/plan?route=/');
	await openText(app.page, nested, 'site.eave');
	await until('it is open', async () =>
		(await app.page.$eval('header', (one) => one.textContent ?? '')).includes('Grids')
	);
	await app.open('/plan?route=/&width=1100');
	const hand = new Hand(app);
	await showTracks(app);
	await hand.block('outer, main');
	await named(app.page, 'group', 'Tracks of main');
	await hand.press('button', 'outer instead');
	await named(app.page, 'group', 'Tracks of outer');
	await named(app.page, 'textbox', 'Column 1 of outer');
	await hand.press('button', 'main instead');
	await named(app.page, 'group', 'Tracks of main');
	await hand.block('outer, side');
	await named(app.page, 'group', 'Tracks of outer');
});
