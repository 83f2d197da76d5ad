import assert from 'node:assert/strict';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { after, before, test } from 'node:test';
import { build } from 'esbuild';
import type { Page } from 'puppeteer-core';
import { named, startApp, textOf, until, type App } from '../lib/app.ts';
import { violationsDayAndNight } from '../lib/axe.ts';
import { editorText, toEnd } from '../lib/source.ts';

/** A site that is kept in step with a folder: the browser's own private file system stands for the one on the disk. */

const text = [
	'site "Seed" { bands { narrow 0 } }',
	'layout frame at / { region main as main { slot } }',
	'route / { title "Home"; piece body """<h1>A</h1>""" }',
	''
].join('\n');

const root = fileURLToPath(new URL('../..', import.meta.url));

let app: App;
before(async () => {
	app = await startApp();
	// In place of the browser's own window, in which no test can press anything.
	await app.page.evaluateOnNewDocument(() => {
		window.showDirectoryPicker = async () =>
			(await navigator.storage.getDirectory()).getDirectoryHandle('seed', { create: true });
	});
});
after(async () => {
	assert.deepEqual(app.faults, []);
	await app.close();
});

/** Writes a file of the folder as another program does; undefined: takes it away. */
async function put(
	page: Page,
	path: string,
	content: string | number[] | undefined
): Promise<void> {
	await page.evaluate(
		async (name, given) => {
			const folder = await (
				await navigator.storage.getDirectory()
			).getDirectoryHandle('seed', { create: true });
			if (given === null) return folder.removeEntry(name);
			const writing = await (await folder.getFileHandle(name, { create: true })).createWritable();
			await writing.write(typeof given === 'string' ? given : Uint8Array.from(given));
			await writing.close();
		},
		path,
		content ?? null
	);
}

/** What a file of the folder has; undefined where there is none. */
async function there(page: Page, path: string): Promise<string | undefined> {
	const found = await page.evaluate(async (name) => {
		try {
			const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('seed');
			return await (await (await folder.getFileHandle(name)).getFile()).text();
		} catch {
			return null;
		}
	}, path);
	return found ?? undefined;
}

async function workOnFolder(): Promise<void> {
	await (await app.page.waitForSelector('.site-name'))?.click();
	await (await named(app.page, 'menuitem', 'Work on a folder …')).click();
}

function markSays(words: string): Promise<true> {
	return until(`the mark of the folder says “${words}”`, async () =>
		(await textOf(app.page, 'header .folder')).includes(words)
	);
}

/** The browser refuses access to the folder from now on, or no longer. */
async function refuse(name: string | undefined): Promise<void> {
	await app.page.evaluate((refused) => {
		const { prototype } = FileSystemFileHandle;
		const kept: { getFile?: () => Promise<File> } = Object(
			Reflect.get(window, 'keptManners') ?? {}
		);
		kept.getFile ??= prototype.getFile;
		Reflect.set(window, 'keptManners', kept);
		prototype.getFile = refused
			? () => Promise.reject(new DOMException('no', refused))
			: kept.getFile;
	}, name);
}

test('a folder is worked on both ways; what comes from it is a step that undo takes back', async () => {
	const { page } = app;
	await app.load('/source');
	await put(page, 'site.eave', text);
	await workOnFolder();
	await markSays('in step');
	assert.equal(await editorText(page), text);
	await toEnd(page);
	await page.keyboard.type('// typed');
	await until('it is written', async () => (await there(page, 'site.eave')) === `${text}// typed`);
	await put(page, 'site.eave', `${text.replace('>A<', '>There<')}// typed`);
	await until('it comes here', async () => (await editorText(page)).includes('>There<'));
	await put(page, 'more.eave', 'route /more { title "More"; piece body """<h1>More</h1>""" }\n');
	const undo = 'button[title^="Undo: take more.eave from the folder"]';
	await (await page.waitForSelector(undo))?.click();
	await until('it is gone there, too', async () => (await there(page, 'more.eave')) === undefined);
	await (await page.waitForSelector('button[title^="Undo: take site.eave from the folder"]'))?.click(); // prettier-ignore
	await until(
		'it is as it was',
		async () => (await there(page, 'site.eave')) === `${text}// typed`
	);
});

test('after a start it goes on, with what changed there meanwhile', async () => {
	const { page } = app;
	await app.load('/source');
	await markSays('in step');
	await page.goto(`${app.address}/demo.zip`).catch(() => undefined);
	await put(page, 'site.eave', text.replace('>A<', '>Meanwhile<'));
	await app.load('/source');
	await until('it comes here', async () => (await editorText(page)).includes('>Meanwhile<'));
	assert.equal((await there(page, 'site.eave'))?.includes('// typed'), false);
});

test('without permission edits stay here, and what both changed at one place is shown, and chosen', async () => {
	const { page } = app;
	await refuse('NotAllowedError');
	await markSays('not in step');
	await toEnd(page);
	await page.keyboard.type('// here\n');
	await put(page, 'site.eave', `${text.replace('>A<', '>Meanwhile<')}// there\n`);
	await page.click('header .folder');
	await until('it says why', async () =>
		(await textOf(page, '[role=dialog][data-state=open]')).includes('needs your permission')
	);
	await refuse(undefined);
	await (await named(page, 'button', 'Allow it')).click();
	const place = '[aria-label="Changed on both sides: site.eave"]';
	await page.waitForSelector(place);
	assert.deepEqual(await page.$$eval(`${place} pre`, (all) => all.map((one) => one.textContent)), [
		'// here\n',
		'// there\n'
	]);
	assert.match((await there(page, 'site.eave')) ?? '', /\/\/ there\n$/);
	assert.deepEqual(await violationsDayAndNight(page), []);
	await (await named(page, 'radio', 'both, one after the other')).click();
	await (await named(page, 'button', 'Take these')).click();
	await until('both have both', async () =>
		(await there(page, 'site.eave'))?.endsWith('// here\n// there\n')
	);
	await page.keyboard.press('Escape');
	await markSays('in step');
	assert.match(await editorText(page), /\/\/ here\n\/\/ there\n?$/);
});

test('a full disk, a file that is no text, a folder that is gone: said, and nothing is lost', async () => {
	const { page } = app;
	await put(page, 'more.eave', [0xff, 0xfe, 0x00]);
	await markSays('1 file to look at');
	await page.click('header .folder');
	await until('it says which', async () =>
		(await textOf(page, '[role=dialog][data-state=open]')).includes('more.eave is not')
	);
	await page.keyboard.press('Escape');
	await put(page, 'more.eave', undefined);
	await markSays('in step');

	await refuse('QuotaExceededError');
	await markSays('not in step');
	await page.waitForSelector('header .folder[title*="The disk is full"]');
	await toEnd(page);
	await page.keyboard.type('// kept here\n');
	await refuse(undefined);
	await until('it is written once there is room', async () =>
		(await there(page, 'site.eave'))?.includes('// kept here')
	);

	await page.evaluate(async () => {
		await (await navigator.storage.getDirectory()).removeEntry('seed', { recursive: true });
	});
	await page.waitForSelector('header .folder[title*="not there any more"]');
	assert.match(await editorText(page), /kept here/);
	await put(page, 'readme.txt', 'Nothing else');
	await page.waitForSelector('header .folder[title*="no .eave file any more"]');
	await page.click('header .folder');
	await (await named(page, 'button', 'Write the site there again')).click();
	await until('it is there again', async () =>
		(await there(page, 'site.eave'))?.includes('// kept here')
	);
	await (await named(page, 'button', 'Leave the folder')).click();
	await page.waitForFunction(() => !document.querySelector('header .folder'));
});

test('a folder without a site gets the open one, once one has agreed', async () => {
	const { page } = app;
	await page.evaluate(async () => {
		await (await navigator.storage.getDirectory()).removeEntry('seed', { recursive: true });
	});
	await workOnFolder();
	await (await named(page, 'button', 'Write it there')).click();
	await until('it is there', async () =>
		(await there(page, 'site.eave'))?.includes('// kept here')
	);
	await markSays('in step');
});

test('edits at random on both sides of a folder of the browser lose nothing', async () => {
	const { outputFiles } = await build({
		absWorkingDir: root,
		entryPoints: [join(root, 'tests/lib/in-page/private-folder.ts')],
		bundle: true,
		write: false,
		format: 'iife',
		globalName: 'privateFolder',
		alias: { $core: join(root, 'src/core') },
		logLevel: 'warning'
	});
	const code = outputFiles[0]?.text ?? '';
	const edits = Number(process.env['EDITS'] ?? 1500);
	const asked = `${code};privateFolder.editPrivateFolder(7, ${edits}, ${JSON.stringify(text)})`;
	const left = await app.page.evaluate(asked);
	assert.deepEqual(left, { edits, missing: [], differing: [] });
});
