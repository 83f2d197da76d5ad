import assert from 'node:assert/strict';
import { once } from 'node:events';
import { readFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { after, before, test } from 'node:test';
import { parseFragment, serialize } from 'parse5';
import type { Browser, Page } from 'puppeteer-core';
import { shellsSchema } from '../../src/core/shells/schema.ts';
import { shellFiles } from '../../src/core/shells/shells.ts';
import { openBrowser } from '../lib/browser.ts';
import { answered, demoSite, documented, fillsOf } from '../lib/shells.ts';

/** The custom element of the documents: a page in its shell shows the elements that the delivered one has. */

const site = await demoSite();
const files = new Map(shellFiles(site, '/', 2026).map(({ path, content }) => [path, content]));
const said = shellsSchema.parse(JSON.parse(files.get('shells.json') ?? ''));

let opened: { browser: Browser; close: () => Promise<void> };
let server: Server;
let address = '';
before(async () => {
	const program = await readFile(await documented('page-shell.js'), 'utf8');
	server = createServer(({ url = '/' }, answer) => {
		const { pathname, search } = new URL(url, 'http://127.0.0.1');
		const isScript = pathname === '/page-shell.js';
		const type = isScript ? 'text/javascript' : 'text/html; charset=utf-8';
		const page = search === '?delivered' ? deliveredAt(pathname) : pageAt(pathname);
		const body = isScript ? program : (files.get(pathname.slice(1)) ?? page);
		answer.writeHead(200, { 'content-type': type }).end(body);
	}).listen(0);
	await once(server, 'listening');
	const at = server.address();
	assert.ok(typeof at === 'object' && at !== null);
	address = `http://127.0.0.1:${at.port}`;
	opened = await openBrowser();
});
after(async () => {
	await opened.close();
	server.close();
});

const routes = said.routes.flatMap((route) => route.pages.map((page) => ({ ...page, route })));

function routeAt(path: string): (typeof routes)[number] | undefined {
	return routes.find((one) => one.address === path);
}

function deliveredAt(path: string): string {
	return answered(site, path, said.shells[routeAt(path)?.route.shell ?? '']?.role);
}

/** A page of one's own server: what it brings, in the element that knows its shell. */
function pageAt(path: string): string {
	const shell = routeAt(path)?.route.shell ?? '';
	const fills = fillsOf(files.get(`${shell}.html`) ?? '', deliveredAt(path));
	const brought = Object.entries(fills).map(([slot, html]) => {
		const fragment = parseFragment(html);
		for (const node of fragment.childNodes) {
			if ('attrs' in node) node.attrs.push({ name: 'slot', value: slot });
		}
		return serialize(fragment);
	});
	const emptied = Object.keys(fills).filter((slot) => (fills[slot] ?? '').trim() === '');
	return `<!DOCTYPE html><title>Own</title><script type="module" src="/page-shell.js"></script>
<page-shell src="/${shell}.html" title-of-page="Own" empties="${emptied.join(' ')}">${brought.join('')}</page-shell>`;
}

/** The elements that are shown, in their order, with what they say; slots are what lands in them. */
function shown(page: Page): Promise<string[]> {
	return page.evaluate(() => {
		const lines: string[] = [];
		const walk = (node: Node, depth: number): void => {
			if (node instanceof HTMLSlotElement) {
				const landed = node.assignedNodes();
				const inside = landed.length > 0 ? landed : [...node.childNodes];
				for (const child of inside) walk(child, depth);
			} else if (node instanceof Element) {
				const said = [...node.attributes]
					.filter(({ name }) => name !== 'slot')
					.map(({ name, value }) => ` ${name}="${value}"`);
				lines.push(`${' '.repeat(depth)}<${node.localName}${said.sort().join('')}>`);
				for (const child of node.childNodes) walk(child, depth + 1);
			} else if (node instanceof Text) {
				const words = node.data.replace(/\s+/g, ' ').trim();
				if (words !== '') lines.push(`${' '.repeat(depth)}"${words}"`);
			}
		};
		const frame = document.querySelector('page-shell')?.shadowRoot?.lastElementChild;
		for (const child of (frame ?? document.body).childNodes) walk(child, 0);
		return lines;
	});
}

test('in the custom element of the documents, pages of the demo show what the delivered ones do', async () => {
	const page = await opened.browser.newPage();
	// One for each shell: all that differs between shells is in them.
	const firsts = new Map(routes.map((one) => [one.route.shell, one]));
	for (const { address: path, route } of firsts.values()) {
		await page.goto(`${address}${path}?delivered`);
		const delivered = await shown(page);
		await page.goto(address + path);
		await page.waitForFunction(
			() => document.querySelector('page-shell')?.shadowRoot?.lastElementChild
		);
		assert.deepEqual(await shown(page), delivered, path);
		const title = said.shells[route.shell]?.title.replace('{title}', 'Own');
		assert.equal(await page.title(), title);
	}
	assert.ok(firsts.size >= 7, `${firsts.size} shells`);
	await page.close();
});
