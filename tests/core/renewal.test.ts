import assert from 'node:assert/strict';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { test } from 'node:test';
import fc from 'fast-check';
import { until } from '../lib/until.ts';
import { watchCommand } from '../../src/cli/watch.ts';
import { soundSite } from '../../src/core/check/sound.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { Renewal } from '../../src/core/changes/renewal.ts';
import { handOver, plainHandOver } from '../../src/core/emit/hand-over.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { layerName } from '../../src/core/model/site.ts';
import { readSiteFiles, type SiteReading } from '../../src/core/source/read.ts';

/** What is handed over, kept up with a site that is edited: it is what a build would be, and no page too many is worked out. */

const routes = (count: number): string =>
	Array.from(
		{ length: count },
		(_, at) => `route /p${at} { title "P${at}"; piece b """<p>Page ${at}</p>""" }`
	).join('\n');
const base = `site "Beds" { lang en; address "https://seeds.example/" }
data list from "list.json"
layout f at / { region head as header { piece h """<b>Beds</b>""" }; region main as main { slot } }
route / { title "Beds"; piece b """<h1>{list.0.name}</h1><a href="/p1">One</a>""" }
`.replace('{list.', '{data.list.');

function siteOf(
	text: string,
	before?: SiteReading,
	assets: Record<string, string> = {}
): CheckedSite {
	const all = { 'list.json': '[{"name":"Kale"}]', ...assets };
	const files = {
		texts: new Map([['site.eave', text]]),
		assets: new Map(Object.entries(all).map(([path, one]) => [path, encodeUtf8(one)]))
	};
	const site = soundSite(readSiteFiles(files, before));
	assert.deepEqual(site.problems, []);
	return site;
}

test('an edit of one page of many works out that page alone, one of a layout those under it', () => {
	const renewal = new Renewal(2026, plainHandOver);
	const written = (
		site: CheckedSite
	): { pages: string[]; files: string[]; gone: readonly string[] } => {
		const pages: string[] = [];
		const { files, gone } = renewal.next(site, (page) => pages.push(layerName(page)));
		return { pages, files: files.map(({ path }) => path), gone };
	};
	const text = base + routes(200);
	const first = siteOf(text);
	assert.equal(written(first).pages.length, 201);
	const one = siteOf(text.replace('Page 7<', 'Page seven<'), first.reading);
	assert.deepEqual(written(one), { pages: ['/p7'], files: ['p7/index.html'], gone: [] });
	assert.deepEqual(written(siteOf(text.replace('Page 7<', 'Page seven<'), one.reading)).pages, []);
	const all = siteOf(text.replace('<b>Beds', '<b>All beds'), one.reading);
	assert.equal(written(all).pages.length, 201);
	const gone = siteOf(text.replace(/route \/p199 .*/, ''), all.reading);
	assert.deepEqual(written(gone).gone, ['p199/index.html']);
});

test('after any edits there is what a build of the last state would be', () => {
	const edits = [
		[/Page 3/, 'Page three'], [/<b>Beds/, '<b>Seed'], [/"\/p1"/, '"/list.json"'], [/"\/p1"/, '"/old"'],
		[/title "P2";/, 'title "P2"; moved "/old";'], [/route \/p4 [^\n]*\n/, ''], [/lang en;/, 'lang en; urls files;'],
		[/lang en;/, 'lang en; tokens { --a: 1px };'], [/route \/p5 \{/, 'route /p5/new {'], [/address "[^"]*"/, ''],
		[/piece h/, 'style """b { color: red }"""; piece h'], [/title "P6";/, 'title "P6"; style """p { margin: 0 }""";']
	] as const; // prettier-ignore
	const state = fc.record({
		done: fc.subarray([...edits.keys()]),
		name: fc.constantFrom('Kale', 'Bean'),
		own: fc.subarray(['a.txt', 'sitemap.xml'])
	});
	fc.assert(
		fc.property(fc.array(state, { minLength: 2, maxLength: 5 }), (states) => {
			const renewal = new Renewal(2026, plainHandOver);
			const disk = new Map<string, string | Uint8Array>();
			let before: SiteReading | undefined;
			for (const { done, name, own } of states) {
				let text = base + routes(8);
				for (const at of done) text = text.replace(edits[at]?.[0] ?? '', edits[at]?.[1] ?? '');
				const assets = {
					'list.json': `[{"name":"${name}"}]`,
					...Object.fromEntries(own.map((path) => [path, path]))
				};
				const site = siteOf(text, before, assets);
				before = site.reading;
				const { files, gone } = renewal.next(site);
				for (const path of gone) disk.delete(path);
				for (const { path, content } of files) disk.set(path, content);
				// Read anew: nothing of it is remembered.
				const fresh = siteOf(text, undefined, assets);
				const whole = [...handOver(fresh, 2026, plainHandOver)].map(
					({ path, content }) => [path, content] as const
				);
				assert.deepEqual(new Map([...disk].sort()), new Map(whole.sort()));
			}
		}),
		{ numRuns: 40 }
	);
});

test('watch writes what an edit touches, keeps what was written while the text has errors, and goes on', async () => {
	const folder = await mkdtemp(join(tmpdir(), 'eave-watch-'));
	const [site, out] = [join(folder, 'site'), join(folder, 'out')];
	const { mkdir } = await import('node:fs/promises');
	await mkdir(site);
	const file = join(site, 'site.eave');
	const text = base + routes(3);
	await writeFile(join(site, 'list.json'), '[{"name":"Kale"}]');
	await writeFile(file, text);
	let [said, errors] = ['', ''];
	const streams = {
		out: (words: string) => void (said += words),
		errors: (words: string) => void (errors += words)
	};
	let stop = (): void => undefined;
	const stopped = new Promise<void>((resolve) => (stop = resolve));
	const running = watchCommand(site, { out, year: 2026 }, streams, stopped);
	const page = async (path: string): Promise<string> =>
		readFile(join(out, path), 'utf8').catch(() => '');
	try {
		await until('all is written', () =>
			Promise.resolve(said.includes('what changes is written again'))
		);
		await writeFile(file, text.replace('Page 1<', 'Page one<'));
		await until('the page is another', async () =>
			(await page('p1/index.html')).includes('Page one')
		);
		await until('it is said', () => Promise.resolve(/Wrote p1\/index\.html \(\d+ ms\)/.test(said)));
		await writeFile(file, text.replace('title "P2"', 'titel "P2"'));
		await until('errors are said', () =>
			Promise.resolve(errors.includes('What was written last stays'))
		);
		assert.match(await page('p1/index.html'), /Page one/);
		await writeFile(
			file,
			text.replace(/route \/p2 .*/, 'route /p3 { title "P3"; piece b """<p>Page 3</p>""" }')
		);
		await until(
			'one came, one went',
			async () => (await page('p3/index.html')) !== '' && (await page('p2/index.html')) === ''
		);
		// A file that someone else put there is not written over; what went meanwhile goes once it is out of the way.
		await mkdir(join(out, 'p9'));
		await writeFile(join(out, 'p9/index.html'), 'mine');
		const ninth = base + 'route /p9 { title "P9"; piece b """<p>Page 9</p>""" }';
		await writeFile(file, ninth);
		await until('it is refused', () =>
			Promise.resolve(errors.includes('Nothing was written: p9/index.html'))
		);
		assert.equal(await page('p9/index.html'), 'mine');
		await rm(join(out, 'p9'), { recursive: true });
		await writeFile(file, `${ninth}\n`);
		await until(
			'it is written',
			async () =>
				(await page('p9/index.html')).includes('Page 9') && (await page('p3/index.html')) === ''
		);
	} finally {
		stop();
		assert.equal(await running, 0);
	}
	const list: { files: string[] } = JSON.parse(await page('.long-eave.json'));
	const there = (await readdir(out, { recursive: true, withFileTypes: true }))
		.filter((entry) => entry.isFile())
		.map((entry) => relative(out, join(entry.parentPath, entry.name)));
	assert.deepEqual(there.filter((path) => path !== '.long-eave.json').sort(), list.files.sort());
	await rm(folder, { recursive: true });
});
