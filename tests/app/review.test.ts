import assert from 'node:assert/strict';
import { cp, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { root } from '../../scripts/lib/setup.js';
import { run } from '../../src/cli/main.ts';
import { violationsIn } from '../lib/axe.ts';
import { openBrowser } from '../lib/browser.ts';

/** The document for whoever reviews a change: what it says and shows, that it asks for nothing, and that all can read it. */

let opened: { browser: Browser; close: () => Promise<void> };
let folder = '';
before(async () => {
	opened = await openBrowser();
	folder = await mkdtemp(join(tmpdir(), 'eave-review-'));
});
after(async () => {
	await opened.close();
	await rm(folder, { recursive: true });
});

async function reviewOf(change: (site: string) => Promise<void>): Promise<string> {
	const changed = await mkdtemp(join(folder, 'site-'));
	await cp(join(root, 'demo'), changed, { recursive: true });
	await change(changed);
	const out = await mkdtemp(join(folder, 'review-'));
	const streams = { out: () => undefined, errors: (words: string) => assert.fail(words) };
	await run(['compare', join(root, 'demo'), changed, '--report', out], streams);
	return join(out, 'index.html');
}

async function edit(file: string, from: string, to: string): Promise<void> {
	const text = await readFile(file, 'utf8');
	assert.ok(text.includes(from));
	await writeFile(file, text.replace(from, to));
}

test('a change of one layer is shown with all that it touches, in one document that asks for nothing', async () => {
	const file = await reviewOf(async (site) => {
		await edit(join(site, 'layouts/commons.eave'), 'height 60px', 'height 96px');
		await edit(join(site, 'routes/1-public.eave'), 'href="/catalogue"', 'href="/catalog"');
	});
	const html = await readFile(file, 'utf8');
	assert.ok(html.length < 400_000, `${html.length} characters`);
	const page = await opened.browser.newPage();
	const asked: string[] = [];
	page.on('request', (request) => asked.push(request.url()));
	await page.goto(`file://${file}`);
	assert.deepEqual(asked, [`file://${file}`]);
	assert.equal((await page.$$('script, iframe, link, img')).length, 0);
	const layers = await page.$$eval('#through ~ table tbody tr', (rows) => rows.map((row) => [...row.children].slice(0, 2).map((cell) => cell.textContent))); // prettier-ignore
	assert.deepEqual(layers[0], ['commons', '13']);
	const drawings = await page.$$eval('section svg[role=img]', (all) => all.map((one) => one.getAttribute('aria-label'))); // prettier-ignore
	assert.ok(drawings.includes('/visit at wide 1024 px'));
	// Head and what is below it: old places and new ones.
	const moved = await page.$$eval('section svg[aria-label="/visit at wide 1024 px"] .before', (all) => all.length); // prettier-ignore
	assert.ok(moved > 3);
	const text = await page.$eval('main', (one) => one.textContent);
	assert.match(text, /wide 1024 px: head: 36 px taller/);
	assert.match(text, /Findings that came\s*warning link-nowhere This link leads to \/catalog,/);
	const lines = await page.$$eval('pre del, pre ins', (all) => all.map((one) => one.textContent));
	assert.ok(lines.includes('-    height 60px') && lines.includes('+    height 96px'));
	assert.deepEqual(await violationsIn(page), []);
	await page.close();
});

test('a page that comes, one that goes, and a change that no page shows are said', async () => {
	const file = await reviewOf(async (site) => {
		const path = join(site, 'routes/1-public.eave');
		await edit(path, 'route /visit {', 'route /find-us {');
		await edit(join(site, 'site.eave'), '--gutter: 16px', '--gutter: 16px // the least');
	});
	const page = await opened.browser.newPage();
	await page.goto(`file://${file}`);
	const sections = await page.$$eval('main section', (all) => all.map((one) => one.textContent?.replace(/\s+/g, ' '))); // prettier-ignore
	assert.ok(sections.some((one) => /^\/find-us .*It is new\./.test(one ?? '')));
	assert.ok(sections.some((one) => /^\/visit .*It is gone\./.test(one ?? '')));
	assert.deepEqual(await violationsIn(page), []);
	await page.close();
});
