import assert from 'node:assert/strict';
import { once } from 'node:events';
import { test } from 'node:test';
import { pathToFileURL } from 'node:url';
import * as z from 'zod';
import { checkSite } from '../../src/core/check/site.ts';
import { shellsJsonSchema, shellsSchema, type ShellsFile } from '../../src/core/shells/schema.ts';
import { shellFiles } from '../../src/core/shells/shells.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { answered, demoSite, documented, fillsOf, treeOf } from '../lib/shells.ts';

/** Frames for pages that come from another server: filled by the program of the documents they are the delivered pages. */

const site = await demoSite();
const files = new Map(shellFiles(site, '/', 2026).map(({ path, content }) => [path, content]));
const said = shellsSchema.parse(JSON.parse(files.get('shells.json') ?? ''));

interface Program {
	fill(shell: string, page: object): string;
	serve(folder: string, pageAt: (url: string) => object | undefined): import('node:http').Server;
}
const isProgram = (one: unknown): one is Program =>
	typeof one === 'object' && one !== null && 'fill' in one && 'serve' in one;
const program: unknown = await import(pathToFileURL(await documented('server.js')).href);
assert.ok(isProgram(program));

/** Every page of the site that has an address, with what it says of itself. */
function pages(): {
	address: string;
	title: string;
	page: ShellsFile['routes'][number];
	role: string | undefined;
}[] {
	return said.routes.flatMap((page) =>
		page.pages.map(({ address }) => ({
			address,
			title: ownTitle(page, address),
			page,
			role: said.shells[page.shell]?.role
		}))
	);
}

/** The title that the page has of itself: what stands in its shell's pattern. */
function ownTitle(page: ShellsFile['routes'][number], address: string): string {
	const whole = page.pages.find((one) => one.address === address)?.title ?? '';
	const [before = '', after = ''] = (said.shells[page.shell]?.title ?? '').split('{title}');
	assert.ok(whole.startsWith(before) && whole.endsWith(after));
	return whole.slice(before.length, whole.length - after.length);
}

test('each page of the demo, filled into its shell by a server, is the delivered one', () => {
	let count = 0;
	for (const { address, title, page, role } of pages()) {
		const shell = files.get(`${page.shell}.html`) ?? '';
		const delivered = answered(site, address, role);
		const fills = fillsOf(shell, delivered);
		const description = /<meta name="description" content="([^"]*)"/.exec(delivered)?.[1];
		const filled = program.fill(shell, {
			path: address,
			title,
			description,
			sheets: page.sheets,
			fills
		});
		assert.deepEqual(treeOf(filled), treeOf(delivered), address);
		const wanted = page.fills.filter(({ pieces }) => pieces.length > 0).map(({ slot }) => slot);
		assert.ok(
			wanted.every((slot) => (fills[slot] ?? '').trim() !== ''),
			`${address} fills ${wanted.join()}`
		);
		count++;
	}
	assert.ok(count >= 18, `${count} pages`);
});

test('the server of the documents answers with such a page, and with 404 where there is none', async () => {
	const folder = process.cwd();
	const server = program.serve(folder, () => undefined).listen(0);
	await once(server, 'listening');
	const address = server.address();
	assert.ok(typeof address === 'object' && address !== null);
	const { status } = await fetch(`http://127.0.0.1:${address.port}/nowhere`);
	server.close();
	assert.equal(status, 404);
});

test('shells.json says of each place whose it is and what a page may do, and its schema holds', () => {
	const catalogue = said.shells['commons-catalogue'];
	assert.deepEqual(catalogue?.layouts, ['commons', 'catalogue']);
	assert.equal(catalogue.title, '{title} | Marrow Lane Seed Library');
	const side = catalogue.places.find(({ slot }) => slot === 'side');
	assert.deepEqual(side?.filled, [
		{ layer: 'commons', how: 'gave', pieces: ['hours'] },
		{ layer: 'catalogue', how: 'instead', pieces: ['like-it'] }
	]);
	assert.deepEqual(catalogue.locked, [{ region: 'foot', layout: 'commons', pieces: ['small'] }]);
	assert.deepEqual(catalogue.places.find(({ content }) => content)?.fills, ['before', 'after']);
	const desk = said.routes.find(({ route }) => route === '/desk/stock/:bin');
	assert.deepEqual([desk?.shell, desk?.admit], ['desk-for-keeper', ['keeper']]);
	const denied = said.states.find(({ state }) => state === 'denied');
	assert.equal(denied?.at, '/desk');
	const schema = z.fromJSONSchema(JSON.parse(shellsJsonSchema()));
	assert.equal(schema.safeParse(said).success, true);
	assert.equal(schema.safeParse({ ...said, routes: [{}] }).success, false);
});

test('two regions of one name are told apart, pages that say more of the frame have a shell alone, a frame of own markup has slots', () => {
	const text = `site "Beds" { lang en }
layout outer at / { title "{page.title}, beds"; frame """<div id="w"><header>{region head}<b>Head</b>{end}</header>{slot}</div>"""; region head { required; } }
layout inner at /in { region main as main { slot }; region head as header { locked; piece h """<p>{page.title}</p>""" } }
route / { title "A"; piece p """<p>A</p>""" }
route /in/a { title "A & B"; piece p """<p>A</p>""" }
route /in/b { title "B"; attributes body """ class="b" """; piece p """<p>B</p>""" }
route /bare { under none; title "Bare"; piece p """<p>Bare</p>""" }`;
	const odd = checkSite(
		readSiteFiles({ texts: new Map([['site.eave', text]]), assets: new Map() })
	);
	assert.deepEqual(
		odd.problems.filter(({ severity }) => severity === 'error'),
		[]
	);
	const made = new Map(shellFiles(odd, '/lib/', 2026).map(({ path, content }) => [path, content]));
	assert.deepEqual(
		[...made.keys()].filter((path) => path.endsWith('.html')),
		['outer.html', 'outer-inner.html', 'outer-inner-in-b.html', 'bare.html']
	);
	const inner = made.get('outer-inner.html') ?? '';
	assert.match(inner, /<slot name="outer\.head">\s*<b>Head<\/b>\s*<\/slot>/);
	assert.match(inner, /<slot name="main"><\/slot>/);
	assert.match(inner, /<header class="inner-head">\s*<p>\{title\}<\/p>/);
	assert.match(inner, /href="\/lib\/styles\/layouts\/inner\.css"/);
	assert.match(made.get('outer-inner-in-b.html') ?? '', /<body class="b"/);
	const filled = program.fill(inner, {
		path: '/in/a/',
		title: 'A & B',
		fills: { main: '<p>A</p>' }
	});
	assert.match(filled, /<title>A &amp; B, beds<\/title>/);
	assert.match(filled, /<p>A &amp; B<\/p>/);
});
