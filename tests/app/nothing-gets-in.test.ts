import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { packSource } from '../../src/core/emit/delivery.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { frames, named, startApp, until, type App } from '../lib/app.ts';
import { editorText, openFile, openText, toEnd } from '../lib/source.ts';

/** What a site brings runs nothing, leads nowhere and loads nothing in the application. */

let app: App;
const asked: string[] = [];
/** Of those, what left the browser. */
const sent: string[] = [];
const outside = (): string[] => sent.filter((url) => url.includes('.example'));

before(async () => {
	app = await startApp();
	app.page.on('request', (request) => asked.push(request.url()));
	// What the policy keeps back is told of as well, though it is never sent.
	app.page.on('requestfailed', (request) => {
		const why = request.failure()?.errorText ?? '';
		if (why !== '') sent.push(request.url());
	});
	app.page.on('requestfinished', (request) => sent.push(request.url()));
});
after(() => app.close());

const site = (name: string, body: string): string =>
	[
		`site "${name}" { bands { narrow 0 } }`,
		'layout frame at / { region main as main { slot } }',
		`route / { title "Home"; piece body """${body}""" }`,
		'route /next { title "Next"; piece body """<h1>Next</h1>""" }'
	].join('\n');

async function opened(name: string, body: string): Promise<void> {
	await app.load('/plan');
	await openText(app.page, site(name, body));
	await until(`${name} is open`, async () =>
		(await app.page.$eval('.site-name', (one) => one.textContent))?.includes(name)
	);
	await until('the stage shows it', async () => (await (await app.stage()).$$('main')).length > 0);
}

test('every answer carries the headers that keep others out, and the application works under them', async () => {
	await app.load('/plan');
	const script = asked.find((url) => url.endsWith('.js'));
	assert.ok(script);
	for (const path of [
		'/plan',
		'/demo.zip',
		'/mark.svg',
		'/stage',
		'/nowhere',
		new URL(script).pathname
	]) {
		const answer = await fetch(app.address + path);
		const policy = answer.headers.get('content-security-policy') ?? '';
		assert.match(policy, /default-src '(self|none)'/, path);
		assert.match(policy, /frame-ancestors '(self|none)'/, path);
		assert.doesNotMatch(policy, /unsafe-eval/, path);
		assert.equal(answer.headers.get('x-content-type-options'), 'nosniff', path);
		assert.equal(answer.headers.get('referrer-policy'), 'no-referrer', path);
	}
	const page = await fetch(`${app.address}/plan`);
	assert.doesNotMatch(
		page.headers.get('content-security-policy') ?? '',
		/script-src[^;]*unsafe-inline/
	);
	assert.deepEqual(app.faults, []);
});

test('links of SVG lead the stage nowhere but to routes, and names in markup freeze nothing', async () => {
	await opened(
		'Names',
		[
			'<svg width="200" height="40"><a xlink:href="https://elsewhere.example/"><text y="20">away</text></a></svg>',
			'<svg width="200" height="40"><a href="/next"><text y="20">on</text></a></svg>',
			'<form name="body"><input name="closest"><input name="getAttribute"><input name="nodeType"></form>',
			'<img name="head" alt=""><img name="childNodes" alt=""><img name="fonts" alt=""><p id="last">last</p>'
		].join('')
	);
	const stage = await app.stage();
	await (await stage.waitForSelector('svg a text'))?.click();
	await app.page.waitForFunction(() =>
		document.querySelector('[role=alert]')?.textContent?.includes('leads out of the site')
	);
	await (await stage.waitForSelector('input'))?.click();
	assert.equal(new URL((await app.stage()).url()).pathname, '/stage');
	// An edit still reaches the stage, and the boxes on it are still measured.
	await (
		await app.page.waitForSelector(
			'[role=gridcell][aria-label^="this page"], [role=gridcell][aria-label^="/, main"]'
		)
	)?.click();
	assert.ok(await app.page.$('.overlay .box'));
	// In a chosen piece a link is an element: of a chosen region it is followed.
	await (await app.page.waitForSelector('[role=gridcell][aria-label^="frame, main"]'))?.click();
	await app.page.waitForSelector('aside[aria-label="Inspector"] ::-p-text(the slot)');
	const links = await stage.$$('svg a text');
	await links[1]?.evaluate((one) =>
		one.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }))
	);
	await until(
		'the other route is shown',
		async () => (await (await app.stage()).$eval('h1', (one) => one.textContent)) === 'Next'
	);
});

test('a stage that was led away comes back', async () => {
	await opened('Away', '<h1>Away</h1>');
	await app.page.evaluate(() => {
		const frame = document.querySelector('iframe');
		if (frame) frame.src = '/demo.zip?';
	});
	await app.page.evaluate(() => {
		const frame = document.querySelector('iframe');
		if (frame) frame.src = 'data:text/html,gone';
	});
	await until(
		'it is back',
		async () => (await (await app.stage()).$eval('h1', (one) => one.textContent)) === 'Away'
	);
});

test('files that could run script have an origin of their own', async () => {
	const texts = new Map([
		[
			'site.eave',
			site(
				'Files',
				'<img src="a.svg" alt=""><iframe src="b.html"></iframe><img src="c.png" alt="">'
			)
		]
	]);
	const script = '<script xmlns="http://www.w3.org/2000/svg">document.title = "ran"</script>';
	const assets = new Map([
		['a.svg', encodeUtf8(`<svg xmlns="http://www.w3.org/2000/svg">${script}</svg>`)],
		['b.html', encodeUtf8(`<p>b</p>${script}`)],
		['c.png', encodeUtf8('no picture')]
	]);
	await app.load('/plan');
	await openFile(app.page, 'files.zip', [...packSource({ texts, assets })]);
	await until(
		'the picture is there',
		async () => (await (await app.stage()).$$('img')).length === 2
	);
	const urls = await (
		await app.stage()
	).$$eval('[src]', (all) => all.map((one) => one.getAttribute('src') ?? ''));
	assert.deepEqual(
		urls.map((url) => url.split(/[:;,]/).slice(0, 2).join(':')),
		['data:image/svg+xml', 'data:text/html', 'blob:http']
	);
	assert.equal(app.page.url().startsWith(app.address), true);
});

test('nothing is loaded from outside until the user lets this site, and the stage says what is missing', async () => {
	sent.length = 0;
	await opened(
		'Outside',
		'<h1>Out</h1><img src="https://pictures.example/a.png" alt=""><link rel="stylesheet" href="https://sheets.example/a.css"><link rel="preconnect" href="https://hosts.example"><iframe src="https://frames.example/"></iframe>'
	);
	await app.page.waitForFunction(() =>
		document.body.innerText.includes('Not loaded: 3 things from')
	);
	// The page is measured too, in a frame that no one sees.
	await frames(app.page, 94);
	assert.deepEqual(outside(), []);
	await (await named(app.page, 'button', 'Load them for this site')).click();
	await until('they are asked for', () => Promise.resolve(outside().length > 0));
	await app.page.reload();
	await app.page.waitForFunction(() =>
		document.body.textContent?.includes('may load from other hosts')
	);
	await (await named(app.page, 'button', 'Keep everything inside')).click();
	app.faults.length = 0;
});

test('what is dropped anywhere opens as a site or is a file of it, and never lands in the text', async () => {
	await app.load('/source');
	const before = await editorText(app.page);
	const drop = (name: string, content: string): Promise<void> =>
		app.page.evaluate(
			(fileName, text) => {
				const transfer = new DataTransfer();
				transfer.items.add(new File([text], fileName));
				const target = document.querySelector('[aria-label="Source"] .cm-content');
				target?.dispatchEvent(
					new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true })
				);
			},
			name,
			content
		);
	await drop('notes.txt', 'these words are not for the site');
	await app.page.waitForFunction(() =>
		document
			.querySelector('[role=alert]')
			?.textContent?.includes('notes.txt is a file of the site now')
	);
	assert.equal(await editorText(app.page), before);
	await drop('dropped.eave', site('Dropped', '<p>x</p>'));
	await until('it is open', async () => (await editorText(app.page)).includes('"Dropped"'));
});

test('a slip in the text offers its mend in Source, and Source opens whatever the text is', async () => {
	await app.load('/source');
	await openText(
		app.page,
		site('Slip', '<p>x</p>').replace('layout frame at / {', 'layout frame at / { width: 900px; ')
	);
	await until('it is open', async () => (await editorText(app.page)).includes('"Slip"'));
	await (await named(app.page, 'button', 'Write width 900px')).click();
	await until('it is mended', async () => (await editorText(app.page)).includes('{ width 900px;'));
	for (const words of [
		'\n{{{{ """ ',
		'\nlayout t at/{gap>',
		'\nroute /%2e%2e { each',
		`\n${'('.repeat(30)}`
	]) {
		await toEnd(app.page);
		await app.page.keyboard.type(words);
		await frames(app.page, 31);
		await app.page.reload();
		assert.ok((await editorText(app.page)).includes(words.trim().slice(0, 6)), words);
	}
	await app.load('/plan');
	await app.page.waitForSelector('[role=option]');
});
