import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { named, startApp, until, type App } from '../lib/app.ts';
import { regionsOnStage } from '../lib/hand.ts';
import { openText } from '../lib/source.ts';
import { sourceText } from '../lib/stage.ts';

/** One page at every width: against the stage, with mends that are tried, shown and made. */

let app: App;
before(async () => {
	app = await startApp();
});
after(async () => {
	await app.close();
	assert.deepEqual(app.faults, []);
});

async function swept(route: string): Promise<void> {
	await until(`${route} is worked out`, async () =>
		app.page.$eval('.sweep', (one, name) => one.getAttribute('data-swept') === name, route)
	);
}

/** What stands beside the chart: the width of each region at the cursor. */
async function values(): Promise<Record<string, number>> {
	const said = await app.page.$$eval('aside .region', (all) =>
		all.map((one) => one.textContent ?? '')
	);
	return Object.fromEntries(
		said.flatMap((words) => {
			const [, name = '', width] = /^\s*(\S+)\s+(\d+) × /.exec(words) ?? [];
			return width === undefined ? [] : [[name, Number(width)]];
		})
	);
}

test('cursor and stage are one width, and the values at it are those of the page', async () => {
	const { page } = app;
	await app.open('/sweep?route=/catalogue&width=1180');
	await swept('/catalogue');
	const slider = await named(page, 'slider', 'Width of the screen');
	await slider.focus();
	await page.keyboard.press('PageDown');
	assert.equal(await slider.evaluate((one) => one.getAttribute('aria-valuenow')), '1024');
	for (let index = 0; index < 10; index++) await page.keyboard.press('ArrowRight');
	await until('the address has it', async () => page.url().includes('width=1034'));
	const computed = await values();
	assert.match(
		await page.$eval('aside .jump', (one) => one.textContent ?? ''),
		/1024\s+menu and side come in; main loses \d+ px/
	);
	await (await named(page, 'link', 'Plan')).click();
	await until('the page is on the stage', async () => (await app.stage()).$('[data-region=main]'));
	const shown = await until('its boxes are there', async () => {
		const found = await regionsOnStage(app);
		return Object.keys(found).length > 3 && found;
	});
	const names = Object.keys(computed);
	assert.ok(names.length >= 6, names.join());
	for (const [name, width] of Object.entries(computed)) {
		const [, , there] = shown[name] ?? [];
		assert.ok(there !== undefined && Math.abs(there - width) < 1, `${name}: ${width} for ${there}`);
	}
});

const tight = `site "Tight" { bands { narrow 0; wide 900 } }
layout shell at / {
  arrange areas { "head"; "main"; columns minmax(0, 1fr) }
  arrange areas @wide { "head head"; "main side"; columns minmax(0, 1fr) 300px }
  region head as header { piece name """<p>Tight</p>""" }
  region main as main { slot }
  region side as aside { show hidden; show in-place @wide; piece note """<p>note</p>""" }
}
route / { title "Home"; piece table """<div style="width: 700px; height: 40px"></div>""" }
route /b { title "B"; piece a """<p>short</p>""" }
`;

test('what does not fit is said, a mend shows its text and its curve first, and does away with it', async () => {
	const { page } = app;
	await app.open('/sweep');
	await openText(page, tight);
	await swept('/');
	const misfits = (): Promise<string[]> =>
		page.$$eval('.misfit', (all) => all.map((one) => one.textContent ?? ''));
	await until('both are said', async () => (await misfits()).length === 2);
	assert.match(
		(await misfits())[1] ?? '',
		/^main is too narrow from 900 to 998 px: table needs 700 px/
	);
	const mend = await named(page, 'button', 'Let wide start at 999 px');
	await mend.click();
	const lines = await page.$$eval('.change .mono', (all) =>
		all.map((one) => one.textContent ?? '')
	);
	assert.match(lines.join('\n'), /− .*wide 900[^]*\+ .*wide 999/);
	assert.equal((await misfits()).length, 1, 'the chart and what is said are as it would be');
	await (await named(page, 'button', 'Apply it')).click();
	await until('it is made, and worked out anew', async () => (await page.$$('.mend')).length > 0 && (await page.$$('.change')).length === 0 && (await misfits()).length === 1); // prettier-ignore
	await until('all routes are measured', async () => page.$eval('.sweep', (one) => one.getAttribute('data-others') === '2')); // prettier-ignore
	const strips = await page.$$eval('button.strip', (all) => all.map((one) => [one.querySelector('.name')?.textContent, one.querySelectorAll('i').length])); // prettier-ignore
	assert.deepEqual(strips, [
		['/', 1],
		['/b', 0]
	]);
	await (await named(page, 'button', 'In words')).click();
	const words = await page.$eval('.words', (one) => one.textContent ?? '');
	assert.match(words, /At 999 px side comes in; main loses 299 px\./);
	await (await named(page, 'button', 'Save as CSV')).click();
	const csv = new TextDecoder().decode(await app.downloaded('tight-site-widths.csv')).split('\r\n');
	assert.equal(csv[0], 'screen,shell.head width,shell.head height,shell.main width,shell.main height,shell.side width,shell.side height'); // prettier-ignore
	assert.match(csv[1000 - 280 + 1] ?? '', /^1000,1000,50,700,50,300,50/);
});

test('a picture wider than a phone: a rule for it is tried, shown and made', async () => {
	const { page } = app;
	await app.open('/sweep');
	await openText(page, wide);
	await swept('/');
	const mend = await named(page, 'button', 'Let pictures be no wider than their place, in /');
	await mend.click();
	const lines = await page.$$eval('.change .mono', (all) => all.map((one) => one.textContent));
	assert.match(lines.join('\n'), /\+ .*max-width: 100%/);
	await (await named(page, 'button', 'Apply it')).click();
	await until('nothing sticks out', async () => (await page.$$('.misfit')).length === 0);
	assert.match(await sourceText(app, 'typed.eave'), /style """img, video, svg \{ max-width: 100%; height: auto; \}"""/);
}); // prettier-ignore

const wide = `site "Seed library" { lang en; bands { narrow 0; wide 900 } }
layout frame at / {
  description "Seed that is lent."
  region main as main { slot }
}
route / {
  title "Home"
  piece pod """<h1>Pods</h1><img src="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg'/%3E" alt="A pod" width="640" height="200">"""
}
`;
