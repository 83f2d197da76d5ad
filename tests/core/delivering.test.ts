import assert from 'node:assert/strict';
import {
	mkdir,
	mkdtemp,
	readdir,
	readFile,
	rename,
	rm,
	symlink,
	writeFile
} from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { zipSync } from 'fflate';
import { run } from '../../src/cli/main.ts';
import { judgeDeliveries } from '../judge/deliveries.ts';
import { putRight } from '../../src/cli/files/unfinished-delivery.ts';
import { writeDelivery } from '../../src/cli/files/write-delivery.ts';
import { deliveryProblems } from '../../src/core/check/delivery.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { readPattern } from '../../src/core/model/pattern.ts';
import { activeMarkup } from '../../src/core/resolve/content/active.ts';
import { takeIn } from '../../src/core/source/intake.ts';
import { sentenceOf } from '../../src/core/messages/sentence.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { around, codes, htmlOf, only, resolve, sound } from '../lib/site.ts';

/** What is delivered is whole, lies where it belongs, and leads where it says. */

const folder = await mkdtemp(join(tmpdir(), 'eave-delivering-'));
after(() => rm(folder, { recursive: true }));

test('no address leads out of the delivery, and what cannot be a name says why', () => {
	for (const [route, why] of [
		['/%2e%2e/up', '".." would lead to another folder'],
		['/a/%2E', '"." would lead to another folder'],
		['/a%2Fb', 'a slash'],
		['/a%00', 'a character that cannot be seen'],
		[`/${'x'.repeat(300)}`, '300 bytes long']
	] as const) {
		assert.match(String(readPattern(route)), new RegExp(why.replaceAll('.', '\\.')), route);
	}
	for (const value of ['../../up', '..', 'a/b', 'a\\b']) {
		const resolved = resolve(around(`route /x/:y { samples "${value.replaceAll('\\', '\\\\')}" }`));
		assert.match(
			only(resolved.problems, 'address-value').sentence,
			/cannot be a part of an address/,
			value
		);
	}
	const data = { 'list.json': '[{"slug": "../../../up"}]' };
	only(
		resolve(around('data list from "list.json"\nroute /x/:y { each data.list by slug }'), data)
			.problems,
		'address-value'
	);
});

test('odd addresses lie under their own names, and links to them lead there', () => {
	const site = sound(
		around(
			'route /50%-off { piece b """x""" }\nroute /100% { piece b """x""" }\nroute /v/:name { samples "a&b", "c#d", "e?f", "g h", "50%" }\nroute /links { piece l """<a href="/50%-off">1</a><a href="/100%">2</a><a href="/v/a%26b">3</a><a href="/v/g h">4</a>""" }'
		)
	);
	const files = deliver(site, 2000);
	const paths = files.map((file) => file.path);
	for (const path of [
		'50%-off/index.html',
		'100%/index.html',
		'v/a&b/index.html',
		'v/c#d/index.html',
		'v/e?f/index.html',
		'v/50%/index.html'
	]) {
		assert.ok(paths.includes(path), `${path} in ${paths.join(' ')}`);
	}
	const links = [
		...String(files.find((file) => file.path === 'links/index.html')?.content).matchAll(
			/<a href="([^"]+)"/g
		)
	].map((match) => match[1] ?? '');
	for (const link of links) {
		const { pathname } = new URL(
			link.replaceAll('&amp;', '&'),
			'https://site.example/links/index.html'
		);
		assert.ok(paths.includes(decodeURIComponent(pathname.slice(1))), link);
	}
	assert.equal(links.length, 4);
});

test('links lead to folders where the site has an address and folders, else to files', () => {
	const links = (words: string): string[] => {
		const layout = 'layout frame at / { region main as main { slot } }';
		const list = '<a href="/">1</a><a href="/visit#hours">2</a><a href="/visit">3</a><a href="data.txt">4</a>';
		const site = sound(
			`site "T" { bands { narrow 0 }; ${words} }\n${layout}\nroute / { piece a """${list}""" }\nroute /visit { piece a """${list}""" }\nstate not-found at / { piece a """${list}""" }`,
			{ 'data.txt': 'x' }
		);
		const files = deliver(site, 2000);
		return files
			.filter(({ path }) => path.endsWith('.html'))
			.map(({ path, content }) => `${path}: ${[...String(content).matchAll(/<a href="([^"]+)"/g)].map(([, to]) => to).join(' ')}`);
	};
	assert.deepEqual(links(''), [
		'index.html: index.html visit/index.html#hours visit/index.html data.txt',
		'visit/index.html: ../index.html ../visit/index.html#hours ../visit/index.html ../data.txt',
		'404.html: /index.html /visit/index.html#hours /visit/index.html /data.txt'
	]);
	assert.deepEqual(links('address "https://a.test/b/"'), [
		'index.html: ./ visit/#hours visit/ data.txt',
		'visit/index.html: ../ ../visit/#hours ../visit/ ../data.txt',
		'404.html: /b/ /b/visit/#hours /b/visit/ /b/data.txt'
	]);
	assert.deepEqual(links('address "https://a.test/"; urls files')[0], 'index.html: index.html visit.html#hours visit.html data.txt');
}); // prettier-ignore

test('two pages of one address are an error, and so are two files of one path', () => {
	assert.match(
		only(resolve(around('route /x/:y { samples "a" }\nroute /x/a { }')).problems, 'address-twice')
			.sentence,
		/both have a page at \/x\/a/
	);
	only(resolve(around('route /%61 { }\nroute /a { }')).problems, 'route-twice');
	const clash = (route: string, asset: string): string[] =>
		deliveryProblems(
			sound(around(`route ${route} { piece b """x""" }`), { [asset]: 'x' }),
			2000
		).map((one) => one.code);
	assert.deepEqual(clash('/visit', 'visit'), ['path-in-file']);
	assert.deepEqual(clash('/visit', 'visit/index.html'), ['path-twice']);
	assert.deepEqual(clash('/visit', 'styles/site.css'), ['path-twice']);
	assert.deepEqual(clash('/styles/site.css', 'a.txt'), ['path-in-file']);
	assert.deepEqual(clash('/visit', 'visit.html'), []);
});

test('the missing page finds its sheets from any depth, and a name ends no comment', () => {
	const site = sound(
		around('state not-found at / { piece b """<a href="/">home</a>""" }').replace(
			'"Test"',
			'"A **/ b"'
		)
	);
	const files = deliver(site, 2000);
	const missing = String(files.find((file) => file.path === '404.html')?.content);
	assert.match(missing, /href="\/styles\/site\.css"/);
	assert.match(missing, /<a href="\/index\.html">/);
	const sheet = String(files.find((file) => file.path === 'styles/site.css')?.content);
	assert.ok(sheet.startsWith('/* A ** / b: what every page has. */\n'));
});

test('script that the author wrote is found, whatever it hides behind', () => {
	const markup =
		'<script>1</script><b onclick="x()">b</b><a href=" java\tscript:x()">a</a><svg><a xlink:href="javascript:x()"><text>t</text></a></svg><base href="/x"><iframe srcdoc="<script>1</script>"></iframe>';
	const site = resolve(around(`route /x { piece p """${markup}""" }`));
	assert.deepEqual(
		activeMarkup(site).map((one) => one.what),
		['<script>', 'onclick', 'javascript:', '<base>', 'srcdoc']
	);
	assert.deepEqual(activeMarkup(resolve(around(''))), []);
});

test('values carry no script into links of SVG either', () => {
	const data = { 'd.json': '{"bad": "javascript:alert(1)", "good": "/visit"}' };
	const of = (piece: string): string =>
		htmlOf(
			resolve(around(`data d from "d.json"\nroute /x { piece p """${piece}""" }`), data),
			'/x'
		);
	assert.match(of('<svg><a xlink:href="{data.d.bad}"></a></svg>'), /xlink:href="#"/);
	assert.match(of('<svg><a href="{data.d.bad}"></a></svg>'), /<a href="#"/);
	assert.match(of('<svg><a href="{data.d.good}"></a></svg>'), /<a href="\/visit"/);
	const animated = resolve(
		around(
			'data d from "d.json"\nroute /x { piece p """<svg><a><set attributeName="href" to="{data.d.bad}"/></a></svg>""" }'
		),
		data
	);
	assert.match(codes(animated).join(), /^site\.eave:9:\d+ expression-place$/);
});

const written = [
	{ path: 'index.html', content: 'one' },
	{ path: 'a/index.html', content: 'two' },
	{ path: 'b/index.html', content: 'three' }
];

async function filesIn(out: string): Promise<string[]> {
	const entries = await readdir(out, { recursive: true, withFileTypes: true });
	return entries
		.filter((one) => one.isFile())
		.map((one) => join(one.parentPath, one.name).slice(out.length + 1))
		.sort();
}

test('a delivery replaces the one before it; stale files go, and files of others stay', async () => {
	const out = join(folder, 'replaced');
	await writeDelivery(written, out);
	await writeFile(join(out, 'mine.txt'), 'mine');
	await writeFile(join(out, 'b/mine.txt'), 'mine');
	await writeDelivery(
		[
			{ path: 'index.html', content: 'new' },
			{ path: 'a', content: 'a file now' }
		],
		out
	);
	assert.deepEqual(await filesIn(out), [
		'.long-eave.json',
		'a',
		'b/mine.txt',
		'index.html',
		'mine.txt'
	]);
	assert.equal(await readFile(join(out, 'index.html'), 'utf8'), 'new');
	await assert.rejects(
		writeDelivery([{ path: 'mine.txt', content: 'other' }], out),
		/no delivery wrote it/
	);
	assert.equal(await readFile(join(out, 'mine.txt'), 'utf8'), 'mine');
});

test('whatever step of writing fails, the folder is as it was and nothing is left beside it', async () => {
	const out = join(folder, 'fails', 'site');
	await writeDelivery(written, out);
	const before = await filesIn(out);
	const next = [
		...written.slice(0, 2).map((file) => ({ ...file, content: 'next' })),
		{ path: 'c/d/e.html', content: 'x' }
	];
	// Four files are written, one goes, three are moved away and four moved in.
	for (let step = 0; step < 12; step++) {
		let left = step;
		const full = (): void => {
			if (left-- === 0) throw Object.assign(new Error('no space'), { code: 'ENOSPC' });
		};
		const disk = {
			writeFile: async (path: string, content: string | Uint8Array) => (
				full(),
				writeFile(path, content)
			),
			rename: async (from: string, to: string) => (full(), rename(from, to))
		};
		await assert.rejects(writeDelivery(next, out, disk), /no space/, `step ${step}`);
		assert.deepEqual(await filesIn(out), before, `step ${step}`);
		assert.equal(await readFile(join(out, 'index.html'), 'utf8'), 'one');
		assert.deepEqual(await readdir(join(folder, 'fails')), ['site']);
	}
	await writeDelivery(next, out);
	assert.deepEqual(await filesIn(out), [
		'.long-eave.json',
		'a/index.html',
		'c/d/e.html',
		'index.html'
	]);
});

test('wherever the process ends, the next delivery finds the folder as it was, or whole', async () => {
	const next = [
		...written.slice(0, 2).map((file) => ({ ...file, content: 'next' })),
		{ path: 'c/d/e.html', content: 'x' }
	];
	for (let step = 0; step < 12; step++) {
		const place = join(folder, 'ends', String(step));
		const out = join(place, 'site');
		await writeDelivery(written, out);
		const before = await filesIn(out);
		let left = step;
		await new Promise<void>((ended) => {
			// A step that never comes back is what an ended process leaves.
			const goesOn = async (): Promise<void> => {
				if (left-- > 0) return;
				ended();
				await new Promise(() => undefined);
			};
			const disk = {
				writeFile: async (path: string, content: string | Uint8Array) => (
					await goesOn(),
					writeFile(path, content)
				),
				rename: async (from: string, to: string) => (await goesOn(), rename(from, to))
			};
			void writeDelivery(next, out, disk);
		});
		const [beside = ''] = (await readdir(place)).filter((name) => name.startsWith('.site-'));
		await writeFile(join(place, beside, 'process'), '2147480000');
		await putRight(out);
		assert.deepEqual(await readdir(place), ['site'], `step ${step}`);
		assert.deepEqual(await filesIn(out), before, `step ${step}`);
		assert.equal(await readFile(join(out, 'index.html'), 'utf8'), 'one', `step ${step}`);
		await writeDelivery(next, out);
		assert.equal(await readFile(join(out, 'index.html'), 'utf8'), 'next');
	}
});

test('a folder that holds a file of someone else never makes room for a file', async () => {
	const out = join(folder, 'foreign', 'site');
	await writeDelivery([{ path: 'a/index.html', content: 'one' }], out);
	await writeFile(join(out, 'a/mine.txt'), 'mine');
	const asFile = [{ path: 'a', content: 'two' }];
	await assert.rejects(writeDelivery(asFile, out), /a in .* is a folder with a\/mine\.txt/); // prettier-ignore
	assert.equal(await readFile(join(out, 'a/mine.txt'), 'utf8'), 'mine');
	assert.equal(await readFile(join(out, 'a/index.html'), 'utf8'), 'one');
	await rm(join(out, 'a/mine.txt'));
	await writeDelivery(asFile, out);
	assert.equal(await readFile(join(out, 'a'), 'utf8'), 'two');
});

test('deliveries that succeed, fail or end anywhere leave what should be there, and what is of others', async () => {
	const { deliveries, failure } = await judgeDeliveries(30, 8);
	assert.equal(failure?.says, undefined, failure?.text);
	assert.equal(deliveries, 150);
});

test('who is asked to stop takes back what was begun; a folder of someone else stays', async () => {
	const out = join(folder, 'stopped', 'site');
	await writeDelivery(written, out);
	await mkdir(join(folder, 'stopped', '.site-backup'));
	const stop = new AbortController();
	let left = 6;
	const disk = {
		writeFile,
		rename: async (from: string, to: string) => {
			if (left-- === 0) stop.abort(new Error('stopped'));
			await rename(from, to);
		}
	};
	const next = written.map((file) => ({ ...file, content: 'next' }));
	await assert.rejects(writeDelivery(next, out, disk, stop.signal), /stopped/);
	assert.equal(await readFile(join(out, 'a/index.html'), 'utf8'), 'two');
	assert.deepEqual((await readdir(join(folder, 'stopped'))).sort(), ['.site-backup', 'site']);
});

test('what lies behind a link in the folder is never taken away', async () => {
	const out = join(folder, 'linked', 'site');
	await writeDelivery([...written, { path: 'old/a.html', content: 'old' }], out);
	const elsewhere = join(folder, 'linked', 'elsewhere');
	await rename(join(out, 'old'), elsewhere);
	await symlink(elsewhere, join(out, 'old'));
	await writeDelivery(written, out);
	assert.equal(await readFile(join(elsewhere, 'a.html'), 'utf8'), 'old');
});

test('folders that cannot be written to get a sentence and the exit code of wrong usage', async (t) => {
	const said: string[] = [];
	t.mock.method(process.stderr, 'write', (text: string) => (said.push(text), true));
	t.mock.method(process.stdout, 'write', () => true);
	const site = join(folder, 'site');
	await mkdir(site);
	await writeFile(join(site, 'site.eave'), around(''));
	await writeFile(join(folder, 'file'), 'x');
	await mkdir(join(folder, 'real'));
	await symlink(join(folder, 'real'), join(folder, 'link'));
	for (const [out, sentence] of [
		['', /needs the name of a folder/],
		[site, /lies in the site itself/],
		[join(site, 'out'), /lies in the site itself/],
		[join(folder, 'file'), /is a file, not a folder/],
		[join(folder, 'file', 'out'), /a part of the path is a file/],
		[join(folder, 'link'), /is a symbolic link/],
		[join(folder, 'x'.repeat(300)), /too long/]
	] as const) {
		said.length = 0;
		assert.equal(await run(['build', site, '--out', out]), 2, out);
		assert.match(said.join(''), sentence, out);
		assert.doesNotMatch(said.join(''), /\n\s+at /, 'no stack');
	}
	await symlink('/etc/hostname', join(site, 'outside.txt'));
	said.length = 0;
	assert.equal(await run(['build', site, '--out', join(folder, 'fine')]), 0);
	assert.match(said.join(''), /outside\.txt is a symbolic link and is left out/);
});

/** A zip that says of its one file that it is another size, as its header and its directory have it. */
function lying(content: Uint8Array, size: number): Uint8Array {
	const zip = zipSync({ 'site.eave': content }, { level: 1 });
	const view = new DataView(zip.buffer);
	const directory = view.getUint32(zip.length - 22 + 16, true);
	view.setUint32(22, size, true);
	view.setUint32(directory + 24, size, true);
	return zip;
}

test('zips are not believed: what is larger than it says, doubled, locked or cut short is refused soon', () => {
	const bomb = lying(new Uint8Array(100_000_000), 1000);
	assert.throws(() => takeIn('bomb.zip', bomb), /is larger than the 1000 bytes it says/);
	assert.throws(() => takeIn('short.zip', lying(encodeUtf8('site "x" { }'), 1000)), /is cut short/);
	const zip = zipSync({ 'site.eave': encodeUtf8('site "x" { }') });
	const locked = zip.slice();
	const directory = new DataView(zip.buffer).getUint32(zip.length - 22 + 16, true);
	locked[directory + 8] = 1;
	assert.throws(() => takeIn('locked.zip', locked), /is encrypted/);
	const two = zipSync({ 'a.eave': encodeUtf8('site "x" { }'), 'b.eave': encodeUtf8('// b') });
	const doubled = Buffer.from(
		two.toString().replaceAll('98,46,101,97', '97,46,101,97').split(',').map(Number)
	);
	assert.throws(() => takeIn('doubled.zip', new Uint8Array(doubled)), /two files named a\.eave/);
	assert.throws(() => takeIn('cut.zip', zip.slice(0, 40)), /is not a zip file/);
	const old = takeIn('old.eave', encodeUtf8('site "x" {\r}\rroute / {\r\n}'));
	assert.equal(old.texts.get('old.eave'), 'site "x" {\n}\nroute / {\r\n}');
});

test('a page and a state that would be one file are refused', () => {
	const site = resolve(
		'site "T" { urls files }\nlayout f at / { region main as main { slot } }\nroute /denied { title "D"; piece a """<p>d</p>""" }\nstate denied at / { piece a """<p>no</p>""" }'
	);
	const [problem, ...others] = deliveryProblems(site, 2026).map(sentenceOf);
	assert.equal(others.length, 0);
	assert.match(problem ?? '', /^the page .* would both be written to denied\.html\.$/i);
});
