import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { named, startApp, textOf, until, type App } from '../lib/app.ts';
import { violationsDayAndNight } from '../lib/axe.ts';
import { editorText, openText, toEnd } from '../lib/source.ts';

/** States of the site with a name: kept, compared, gone back to. */

const small = `site "Small" { bands { narrow 0; wide 900 } }
layout shell at / {
  region head as header { piece name """<p>Small</p>""" }
  region main as main { slot }
}
route / { title "Home"; piece a """<p>home</p>""" }
route /b { title "B"; piece a """<h1>B</h1><p>End</p>""" }
`;

let app: App;
before(async () => (app = await startApp()));
after(async () => {
	assert.deepEqual(app.faults, []);
	await app.close();
});

async function openStates(): Promise<void> {
	await (await app.page.waitForSelector('.site-name'))?.click();
	await (await named(app.page, 'menuitem', 'States of this site …')).click();
	await app.page.waitForSelector('[role=dialog][data-state=open] .keep input');
}

function kept(): Promise<string[]> {
	return app.page.$$eval('[aria-label="Kept states"] .name', (all) =>
		all.map((one) => one.textContent ?? '')
	);
}

async function view(name: string): Promise<void> {
	await (await named(app.page, 'link', name)).click();
	await until(`${name} is there`, async () => app.page.url().includes(name.toLowerCase()));
}

test('a state is named, and what became of it is shown as drawings, as routes, as text, and saved as a patch', async () => {
	const { page } = app;
	await app.open('/source');
	await openText(page, small);
	await until('it is open', async () => (await editorText(page)).includes('"Small"'));
	await openStates();
	await (await page.waitForSelector('.keep input'))?.type('first');
	await page.keyboard.press('Enter');
	await until('it is listed', async () => (await kept()).join() === 'first');
	assert.deepEqual(await violationsDayAndNight(page), []);
	await page.keyboard.press('Escape');
	await toEnd(page);
	for (let index = 0; index < 7; index++) await page.keyboard.press('ArrowLeft');
	await page.keyboard.type('<p>of it</p><p>all</p>');
	await until('it is in the text', async () => (await editorText(page)).includes('all</p>'));
	await openStates();
	await (await named(page, 'button', 'Compare first with now')).click();
	await until('all are compared', async () =>
		(await textOf(page, '.bar .cap')).startsWith('1 of 2 pages changed')
	);
	await page.waitForSelector('article[aria-label="/b"] .after');
	await (await named(page, 'radio', 'routes')).click();
	const routes = '[aria-label="Routes that changed"]';
	await until('the layer is there', async () =>
		(await textOf(page, routes)).includes('/b1 page: /b')
	);
	assert.deepEqual(await violationsDayAndNight(page), []);
	await (await named(page, 'radio', 'text')).click();
	const came = '[aria-label="Text that changed"] .came';
	await page.waitForSelector(came);
	assert.match(await textOf(page, came), /^\+route \/b .*<p>of it<\/p><p>all<\/p>/);
	assert.deepEqual(await violationsDayAndNight(page), []);
	await (await named(page, 'button', 'Save as patch')).click();
	const patch = new TextDecoder().decode(await app.downloaded('small.patch'));
	await view('Source');
	const now = await editorText(page);
	const folder = await mkdtemp(join(tmpdir(), 'eave-states-'));
	await writeFile(join(folder, 'typed.eave'), small);
	const taken = spawnSync('git', ['apply', '-'], { cwd: folder, input: patch, encoding: 'utf8' });
	assert.equal(taken.status, 0, taken.stderr);
	assert.equal(await readFile(join(folder, 'typed.eave'), 'utf8'), now);
	await rm(folder, { recursive: true });
});

test('one goes back without losing what came after, by undo and as a state', async () => {
	const { page } = app;
	const now = await editorText(page);
	await openStates();
	await (await named(page, 'button', 'Go back to first')).click();
	await until('it is as it was', async () => (await editorText(page)) === small);
	await openStates();
	assert.deepEqual(await kept(), ['before “Go back to first”', 'first']);
	await page.keyboard.press('Escape');
	await (await named(page, 'button', 'undo')).click();
	await until('undo takes it back', async () => (await editorText(page)) === now);
	await (await named(page, 'button', 'redo')).click();
	await until('and again', async () => (await editorText(page)) === small);
	await openStates();
	await (await named(page, 'button', 'Go back to before “Go back to first”')).click();
	await until('and the state has it, too', async () => (await editorText(page)) === now);
	await openStates();
	await (await named(page, 'button', 'Rename first')).click();
	const field = await named(page, 'textbox', 'New name of first');
	await field.click({ count: 3 });
	await field.type('begin');
	await page.keyboard.press('Enter');
	await until('it has the name', async () => (await kept()).includes('begin'));
	await (await named(page, 'button', 'Forget begin')).click();
	await until('it is gone', async () => !(await kept()).includes('begin'));
	await page.keyboard.press('Escape');
});

test('before an edit of many places the site is kept by itself', async () => {
	const { page } = app;
	const routes = Array.from({ length: 9 }, (_, index) =>
		`route /r${index} { title "R"; fill head after { piece more """<p>more</p>""" } }`
	); // prettier-ignore
	await app.open('/plan?route=/');
	await openText(page, small + routes.join('\n'));
	await until('it is there', async () =>
		(await textOf(page, '[aria-label="Roofline"]')).includes('/r8')
	);
	const cell = await page.waitForSelector('[role=gridcell][aria-label^="shell, head"]');
	await cell?.click({ offset: { x: 2, y: 2 } });
	await (await named(page, 'button', 'Rename')).click();
	const field = await named(page, 'textbox', 'New name');
	await field.click({ count: 3 });
	await field.type('top');
	await (await named(page, 'button', 'Rename it')).click();
	await page.waitForSelector('[role=gridcell][aria-label^="shell, top"]');
	await openStates();
	const names = await until('it is listed', async () => (await kept()).length > 0 && kept());
	assert.equal(names.length, 1);
	assert.match(names[0] ?? '', /^before “.*head/);
});
