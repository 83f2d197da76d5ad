import assert from 'node:assert/strict';
import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { HtmlValidate } from 'html-validate';
import { z } from 'zod';
import { plainPage, wholeExample } from '../../src/core/check/example.ts';
import { shownFaults } from '../../src/core/check/html/shown-faults.ts';
import type { OpenChromium } from '../../src/cli/measure/chromium.ts';
import { run as runMain } from '../../src/cli/main.ts';
import { openBrowser } from '../lib/browser.ts';
import { judgeTold } from '../judge/told/judge-told.ts';

/** What is told of pages that were measured: all that a browser shows, and nothing else. */

const realistic = fileURLToPath(new URL('../realistic', import.meta.url));

let opened: OpenChromium;
let folder: string;
before(async () => {
	opened = await openBrowser();
	folder = await mkdtemp(join(tmpdir(), 'eave-told-'));
});
after(async () => {
	await opened.close();
	await rm(folder, { recursive: true });
});

async function run(...args: string[]): Promise<{ code: number; out: string }> {
	let out = '';
	const code = await runMain(args, {
		out: (words) => void (out += words),
		errors: (words) => void (out += words)
	});
	return { code, out };
}

test('check --measure tells what sticks out on random awkward sites, at the widths at which it does', async () => {
	const { looks, shown, missed, invented, smallest } = await judgeTold(opened.browser, 4, 26);
	assert.deepEqual({ missed, invented }, { missed: [], invented: [] }, smallest);
	assert.ok(looks >= 500 && shown > 100, `${looks} ${shown}`);
});

const svg = (width: number, height: number): string =>
	`<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"/>`;

async function siteWith(name: string, body: string, picture = svg(100, 50)): Promise<string> {
	const at = join(folder, name);
	await mkdir(join(at, 'images'), { recursive: true });
	await writeFile(join(at, `images/${name.startsWith('renamed') ? 'leek' : 'pod'}.svg`), picture);
	await writeFile(
		join(at, 'site.eave'),
		`site "Lent" { bands { narrow 0 } }
layout f at / { description "Seed"; region main as main { slot }; region foot as footer { piece small """<p>Seed is lent.</p>""" } }
route / { title "Home"; piece a """${body}""" }
`
	);
	return at;
}

test('compare --measure tells of pictures and of what is opened, and not of words that come out the same', async () => {
	const body = '<h1>Seed</h1><img src="images/pod.svg" alt="A pod">';
	const old = await siteWith('old', body);
	const taller = await run(
		'compare',
		old,
		await siteWith('taller', body, svg(100, 150)),
		'--measure'
	);
	assert.match(taller.out, /foot: 100 px lower/);
	assert.equal(taller.code, 1);
	const renamed = await siteWith('renamed', body.replace('pod.svg', 'leek.svg'));
	assert.match(
		(await run('compare', old, renamed)).out,
		/Nothing changed/,
		'names are not content'
	);
	const closed = await siteWith('closed', '<details><summary>More</summary><p>Text</p></details>');
	const open = await siteWith('open', '<details open><summary>More</summary><p>Text</p></details>');
	assert.match((await run('compare', closed, open, '--measure')).out, /foot: [\d.]+ px lower/);
	const words = await Promise.all([siteWith('words', '<p>passed on</p>'), siteWith('others', '<p>given away</p>')]); // prettier-ignore
	assert.match((await run('compare', ...words, '--measure')).out, /no box moved/);
});

test('what only a browser shows is told once at its place, and of the mended page nothing', async () => {
	const { examples, codes } = shownFaults;
	assert.deepEqual(Object.keys(examples).sort(), [...codes].sort());
	for (const [code, { wrong, mended }] of Object.entries(examples)) {
		const at = join(folder, code);
		await mkdir(at);
		for (const [text, count] of [
			[wrong, 1],
			[mended, 0]
		] as const) {
			await writeFile(join(at, 'site.eave'), wholeExample(text));
			const { out } = await run('check', at, '--measure');
			const told = out.split('\n').filter((line) => line.includes(`: ${code}: `));
			assert.equal(told.length, count, `${code}: ${out}`);
			assert.ok(
				told.every((line) => /^site\.eave:\d+:\d+: /.test(line)),
				out
			);
		}
	}
});

test('what is pressed is told by its size as it is measured, and a link in a line of text is not', async () => {
	const at = join(folder, 'targets');
	await mkdir(at, { recursive: true });
	const keys = '<p><button type="button">a</button><button type="button">b</button></p>';
	const style = 'style """button { font-size: 9px; border: 0; padding: 0 }"""';
	const words = '<p>Seed is <a href="/">lent</a> here and brought back, by those who can.</p>';
	await writeFile(join(at, 'site.eave'), wholeExample(plainPage(`<h1>Seed</h1>${keys}${words}`, style)));
	const { out } = await run('check', at, '--measure');
	const told = out.split('\n').filter((line) => line.includes(': target-small: '));
	assert.equal(told.length, 2, out);
	assert.match(told.join(), /"a" is \d by 1\d px.*"b" is \d by 1\d px/);
}); // prettier-ignore

test('rules of HTML and of accessibility find nothing on delivered pages that check --measure did not tell', async () => {
	const judge = new HtmlValidate({ extends: ['html-validate:recommended', 'html-validate:a11y'] });
	const engine = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8'); // prettier-ignore
	for (const name of ['reports', 'shelves']) {
		const site = join(realistic, name);
		const { out } = await run('check', site, '--measure');
		const built = join(folder, `${name}-built`);
		assert.equal((await run('build', site, '--closed', '--out', built)).code, 0);
		const page = await opened.browser.newPage();
		const untold: string[] = [];
		const isTold = (rule: string): boolean => (toldAs[rule] ?? []).some((code) => out.includes(`: ${code}: `)); // prettier-ignore
		for (const file of (await readdir(built, { recursive: true })).filter((one) => one.endsWith('.html'))) {
			const html = await readFile(join(built, file), 'utf8');
			const { results } = await judge.validateString(html);
			for (const { ruleId } of results.flatMap(({ messages }) => messages)) if (!isTold(ruleId)) untold.push(`${file} ${ruleId}`); // prettier-ignore
			await page.goto(pathToFileURL(join(built, file)).href);
			await page.evaluate(engine);
			const found: unknown = await page.evaluate('axe.run({ rules: { "target-size": { enabled: true } } }).then(({ violations }) => violations.map(({ id }) => id))'); // prettier-ignore
			for (const id of z.array(z.string()).parse(found)) if (!isTold(id)) untold.push(`${file} ${id}`); // prettier-ignore
		}
		await page.close();
		assert.deepEqual(untold, [], name);
	}
}); // prettier-ignore

/** What the rules of both are told as; nothing of the code that joins them is asked. */
const toldAs: Readonly<Record<string, readonly string[]>> = {
	'no-inline-style': ['markup-style-inline'],
	'no-implicit-button-type': ['markup-type-implied'],
	'no-implicit-input-type': ['markup-type-implied'],
	'wcag/h32': ['form-no-button'],
	label: ['label-missing'],
	'select-name': ['label-missing'],
	region: ['outside-landmarks'],
	'heading-order': ['heading-skips', 'shown-wrong'],
	'page-has-heading-one': ['shown-wrong'],
	'color-contrast': ['contrast-low', 'contrast-shown'],
	'scrollable-region-focusable': ['scroller-no-keyboard'],
	'target-size': ['target-small', 'shown-wrong'],
	'landmark-unique': ['landmark-unnamed', 'shown-wrong'],
	'empty-table-header': ['shown-wrong']
};
