import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import type { Page } from 'puppeteer-core';
import { openPage } from '../../scripts/lib/browser.ts';
import { frames, named, startApp, until, type App } from '../lib/app.ts';
import { editorText, openText, toEnd } from '../lib/source.ts';

/** What is written stays, whatever is closed, killed, full or damaged. */

let app: App;

before(async () => {
	app = await startApp();
});
after(() => app.close());

const site = (name: string): string =>
	[
		`site "${name}" { bands { narrow 0 } }`,
		'layout frame at / { region main as main { slot } }',
		'route / { title "Home"; piece body """<h1>Home</h1>""" }',
		'// '
	].join('\n');

async function tab(path: string): Promise<Page> {
	const page = await openPage(app.page.browserContext());
	await page.goto(app.address + path);
	await page.waitForSelector('[data-ready]');
	return page;
}

async function openNew(page: Page, name: string): Promise<void> {
	await openText(page, site(name));
	await until(`${name} is open`, async () => (await editorText(page)).includes(`"${name}"`));
}

/** Ends the process that runs a page, as a crash does. */
async function kill(page: Page): Promise<void> {
	const session = await page.createCDPSession();
	await session.send('Page.crash').catch(() => undefined);
	await page.close().catch(() => undefined);
}

/** The text in the editor at a moment at which the bar says that all of it is kept. */
function keptText(page: Page): Promise<string> {
	return until('it is kept', () =>
		page.evaluate(() => {
			const said = document.querySelector('header .keeping')?.textContent ?? '';
			if (!/^\s*kept/.test(said)) return undefined;
			const lines = document.querySelectorAll('[aria-label="Source"] .cm-content .cm-line');
			return [...lines].map((line) => line.textContent).join('\n');
		})
	);
}

test('of ten processes killed while someone types, none loses what was said to be kept', async () => {
	let page = await tab('/source');
	await openNew(page, 'Killed');
	for (let run = 0; run < 10; run++) {
		await toEnd(page);
		await page.keyboard.type(`${run}`.repeat(1 + run * 2));
		const kept = await keptText(page);
		const late = 'abcde'.slice(0, run % 6);
		await page.keyboard.type(late);
		void kill(page);
		page = await tab('/source');
		const found = await editorText(page);
		assert.ok(found.startsWith(kept), `run ${run}: ${found} does not have ${kept}`);
		// What came after it is kept as far as the browser had it, without a gap.
		assert.ok((kept + late).startsWith(found), `run ${run}: ${found} was never typed`);
	}
	await page.close();
});

test('what was typed is kept even where the page finds no time between typing and its end', async () => {
	for (const end of ['killed', 'left'] as const) {
		const page = await tab('/source');
		await openNew(page, `Busy until ${end}`);
		await toEnd(page);
		await page.keyboard.type('before');
		await until('it is kept', async () =>
			(await page.$eval('header', (bar) => bar.textContent ?? '')).includes('kept')
		);
		// The browser's answers are not heard any more: the page has no time until it ends.
		await page.evaluate(() => {
			document.execCommand('insertText', false, ' and at last');
			setTimeout(() => {
				let work = 0;
				for (let turn = 0; turn < 5e8; turn++) work ^= turn;
				return work;
			});
		});
		if (end === 'killed') void kill(page);
		else await page.goto(`${app.address}/source`);
		const next = await tab('/source');
		assert.match(await editorText(next), /before and at last$/, end);
		await next.close();
		await page.close().catch(() => undefined);
	}
});

test('of two tabs one writes; the other looks on live, takes over, and nothing is written over', async () => {
	const first = await tab('/source');
	await openNew(first, 'Shared');
	const second = await tab('/source');
	assert.match(
		await second.$eval('header', (bar) => bar.textContent ?? ''),
		/edited in another tab/
	);
	await toEnd(first);
	await first.keyboard.type('from the first');
	await until('the second sees it', async () =>
		(await editorText(second)).includes('from the first')
	);
	await toEnd(second);
	await second.keyboard.type('unasked');
	assert.ok(!(await editorText(second)).includes('unasked'), 'who looks on writes nothing');
	await (await named(second, 'button', 'Edit it here')).click();
	await until('the first looks on', async () =>
		(await first.$eval('header', (bar) => bar.textContent ?? '')).includes('edited in another tab')
	);
	await until(
		'the second writes',
		async () =>
			!(await second.$eval('header', (bar) => bar.textContent ?? '')).includes('in another tab')
	);
	await toEnd(second);
	await second.keyboard.type(', then the second');
	await until('the first sees it', async () =>
		(await editorText(first)).includes('then the second')
	);
	// The one that looks on is closed, and then the one that writes: the text is what was written last.
	await first.close();
	await second.close();
	const third = await tab('/source');
	assert.match(await editorText(third), /from the first, then the second$/);
	await third.close();
});

test('a tab that does not answer does not keep the site; it looks on when it comes back', async () => {
	const asleep = await tab('/source');
	await openNew(asleep, 'Asleep');
	await toEnd(asleep);
	await asleep.keyboard.type('before');
	const other = await tab('/source');
	await until('it is kept', async () => (await editorText(other)).endsWith('before'));
	// Nothing of it runs for a while, as where a browser has put it to sleep.
	void asleep.evaluate(() => {
		const end = performance.now() + 4000;
		while (performance.now() < end);
	});
	await (await named(other, 'button', 'Edit it here')).click();
	await until(
		'it may write',
		async () =>
			!(await other.$eval('header', (bar) => bar.textContent ?? '')).includes('another tab')
	);
	await toEnd(other);
	await other.keyboard.type(' and after');
	assert.match(await editorText(other), /before and after$/);
	await until('the one that woke looks on', async () =>
		(await editorText(asleep)).endsWith('before and after')
	);
	await other.close();
	await asleep.close();
});

test('where the browser keeps nothing, it says so, offers a file, and goes on when it can again', async () => {
	const page = await tab('/source');
	await openNew(page, 'Full');
	await page.evaluate(() => {
		const { add, put } = IDBObjectStore.prototype;
		Object.assign(window, { add, put });
		for (const name of ['add', 'put']) {
			Object.assign(IDBObjectStore.prototype, {
				[name]() {
					throw new DOMException('The disk is full.', 'QuotaExceededError');
				}
			});
		}
	});
	await toEnd(page);
	await page.keyboard.type('not kept at first');
	await named(page, 'button', 'Save to a file');
	const bar = await page.$eval('header', (one) => one.innerHTML);
	assert.match(bar, /The disk is full/);
	await page.evaluate(() => {
		if (!('add' in window && 'put' in window)) return;
		Object.assign(IDBObjectStore.prototype, { add: window.add, put: window.put });
	});
	await until(
		'it is kept',
		async () => !(await page.$eval('header', (one) => one.textContent))?.includes('not kept')
	);
	await page.close();
	const again = await tab('/source');
	assert.match(await editorText(again), /not kept at first$/);
	await again.close();
});

test('a site that was damaged is rescued as far as it can be read, and said', async () => {
	const page = await tab('/source');
	await openNew(page, 'Damaged');
	await until('its name is kept', async () => (await page.title()) !== '');
	await page.evaluate(async () => {
		const open = indexedDB.open('long-eave');
		const database = await new Promise<IDBDatabase>(
			(resolve) => (open.onsuccess = () => resolve(open.result))
		);
		const store = database.transaction('works', 'readwrite').objectStore('works');
		const id = sessionStorage.getItem('long-eave site') ?? '';
		const get = store.get(id);
		const work = await new Promise<{ texts: Map<string, unknown> }>(
			(resolve) => (get.onsuccess = () => resolve(get.result))
		);
		work.texts.set('broken.eave', 7);
		await new Promise((resolve) => (store.put(work, id).onsuccess = resolve));
		database.close();
	});
	await page.reload();
	await page.waitForSelector('[data-ready]');
	assert.match(
		await page.$eval('[role=alert]', (one) => one.textContent ?? ''),
		/was damaged in this browser/
	);
	assert.match(await editorText(page), /"Damaged"/);
	await page.close();
});

test('what the browser kept is deleted under an open site: it is kept again, whole', async () => {
	const page = await tab('/source');
	await openNew(page, 'Cleared');
	await page.evaluate(
		() =>
			new Promise((resolve) => {
				const gone = indexedDB.deleteDatabase('long-eave');
				gone.onsuccess = gone.onerror = gone.onblocked = resolve;
			})
	);
	await toEnd(page);
	await page.keyboard.type('// written after');
	await until('all of it is kept again', async () =>
		page.evaluate(async () => {
			const open = indexedDB.open('long-eave');
			const database = await new Promise<IDBDatabase>(
				(resolve) => (open.onsuccess = () => resolve(open.result))
			);
			try {
				const names = [...database.objectStoreNames];
				if (!names.includes('works') || !names.includes('journal')) return false;
				const change = database.transaction(['works', 'journal']);
				const [works, entries] = ['works', 'journal'].map((name) =>
					change.objectStore(name).count()
				);
				await new Promise((resolve) => (change.oncomplete = resolve));
				return (works?.result ?? 0) > 0 && (entries?.result ?? 0) > 0;
			} finally {
				database.close();
			}
		})
	);
	await frames(page, 60);
	await page.reload();
	await page.waitForSelector('[data-ready]');
	const text = await editorText(page);
	assert.match(text, /"Cleared"[^]*written after$/);
	await page.close();
});

test('a site of which nothing can be read does not become the demo in silence', async () => {
	const page = await tab('/source');
	await openNew(page, 'Gone');
	await page.evaluate(async () => {
		const open = indexedDB.open('long-eave');
		const database = await new Promise<IDBDatabase>(
			(resolve) => (open.onsuccess = () => resolve(open.result))
		);
		const id = sessionStorage.getItem('long-eave site') ?? '';
		const store = database.transaction('works', 'readwrite').objectStore('works');
		await new Promise((resolve) => (store.put('nothing that is a text', id).onsuccess = resolve));
		database.close();
	});
	await page.reload();
	await page.waitForSelector('[data-ready]');
	const said = await page.$eval('[role=alert]', (one) => one.textContent ?? '');
	assert.match(said, /cannot be read any more.*The demo site is open instead/);
	await page.close();
});

test('unreadable settings and no storage at all do not keep the application from opening', async () => {
	const page = await openPage(app.page.browserContext());
	await page.evaluateOnNewDocument(() => {
		Storage.prototype.getItem = () => '{ not JSON';
		Object.defineProperty(window, 'indexedDB', { value: undefined });
	});
	await page.goto(`${app.address}/plan`);
	await page.waitForSelector('[data-ready] [role=option]');
	await named(page, 'button', 'Save to a file');
	await page.close();
});

test('what reads the site is started again where it stops, and the text goes on', async () => {
	const page = await tab('/source');
	await openNew(page, 'Stopped');
	// It must have run for a while; one that cannot start is not started for ever.
	await page.evaluate(() => {
		const { now } = Date;
		Date.now = () => now() + 60_000;
	});
	const worker = page.workers().find((one) => one.url().includes('site.worker'));
	assert.ok(worker);
	await worker.evaluate(
		() =>
			void setTimeout(() => {
				throw new Error('a slip of memory');
			})
	);
	await page.waitForFunction(() =>
		document.querySelector('[role=alert]')?.textContent?.includes('started again')
	);
	await toEnd(page);
	await page.keyboard.type('goes on');
	await until('it is read again', async () =>
		(await page.$eval('[aria-label="What comes out"]', (one) => one.textContent ?? '')).includes(
			'Home'
		)
	);
	assert.match(await editorText(page), /goes on$/);
	await page.close();
});

test('kept sites are listed, duplicated and forgotten, and what is forgotten can be taken back', async () => {
	const page = await tab('/source');
	await openNew(page, 'Listed');
	await (await page.waitForSelector('.site-name'))?.click();
	await (await named(page, 'menuitem', 'All sites kept in this browser …')).click();
	await (await named(page, 'button', 'Duplicate Listed')).click();
	const count = (): Promise<number> =>
		page.$$eval(
			'[role=dialog] li',
			(rows) => rows.filter((row) => row.textContent?.includes('Listed')).length
		);
	await until('there are two', async () => (await count()) === 2);
	await (
		await page.waitForSelector('[aria-label="Forget Listed (copy)"]:not([disabled])')
	)?.click();
	await until('one is left', async () => (await count()) === 1);
	await page.keyboard.press('Escape');
	await (await named(page, 'button', 'Take it back')).click();
	await (await page.waitForSelector('.site-name'))?.click();
	await (await named(page, 'menuitem', 'All sites kept in this browser …')).click();
	await until('it is back', async () => (await count()) === 2);
	await page.close();
});
