import assert from 'node:assert/strict';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import type { OpenChromium } from '../../src/cli/measure/chromium.ts';
import { run as runMain } from '../../src/cli/main.ts';
import { openBrowser } from '../../scripts/lib/browser.ts';
import { judgeTold } from '../judge/told/judge-told.ts';

/** What is told of pages that were measured: all that a browser shows, and nothing else. */

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
