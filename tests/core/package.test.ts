import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { cp, mkdir, mkdtemp, readdir, readFile, stat, symlink, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { test } from 'node:test';
import * as z from 'zod';
import { packageDocument } from '../../scripts/lib/package-document.ts';
import { bundleCli } from '../../scripts/lib/bundle-cli.js';
import { build, root } from '../../scripts/lib/setup.js';
import { findChromium } from '../../src/cli/measure/chromium.ts';

/** The package as it is handed over, in a folder of its own: with what it says it needs at run time, and nothing else. */

let folder = '';
let ready: Promise<void> | undefined;

/** Packs and unpacks it, once for all tests of this file. */
function unpacked(): Promise<void> {
	return (ready ??= unpack());
}

function run(
	command: string,
	args: readonly string[],
	cwd: string
): { code: number | null; out: string; errors: string } {
	const { status, stdout, stderr } = spawnSync(command, args, { cwd, encoding: 'utf8' });
	return { code: status, out: stdout, errors: stderr };
}

async function unpack(): Promise<void> {
	folder = await mkdtemp(join(tmpdir(), 'eave-package-'));
	await bundleCli();
	build();
	const packed = run(
		'npm',
		['pack', '--ignore-scripts', '--silent', '--pack-destination', folder],
		root
	);
	assert.equal(packed.code, 0, packed.errors);
	const tarball = join(folder, packed.out.trim().split('\n').at(-1) ?? '');
	// The application is in it, which “open” starts.
	assert.ok((await stat(tarball)).size < 7_000_000, 'it is under 7 MB');
	const home = join(folder, 'node_modules/long-eave');
	await mkdir(home, { recursive: true });
	assert.equal(run('tar', ['-xzf', tarball, '-C', home, '--strip-components=1'], folder).code, 0);
	// What an installation without development would bring: the packages are here already.
	const wanted = run('npm', ['ls', '--omit=dev', '--all', '--parseable'], root);
	for (const path of wanted.out.split('\n').filter((line) => line.includes('node_modules'))) {
		const to = join(folder, relative(root, path));
		await mkdir(dirname(to), { recursive: true });
		await symlink(path, to).catch(() => undefined);
	}
	await cp(join(root, 'demo'), join(folder, 'demo'), { recursive: true });
	process.once('exit', () => rmSync(folder, { recursive: true }));
}

function eave(...args: readonly string[]): { code: number | null; out: string; errors: string } {
	return run(process.execPath, ['node_modules/long-eave/bin/long-eave.js', ...args], folder);
}

test('the package has no sources and needs few others', async () => {
	await unpacked();
	const home = join(folder, 'node_modules/long-eave');
	assert.deepEqual((await readdir(home)).sort(), [
		'README.md',
		'bin',
		'build',
		'dist',
		'docs',
		'package.json',
		'server'
	]);
	assert.equal(
		run(process.execPath, ['-e', 'require("svelte")'], folder).code,
		1,
		'what builds the application is not there'
	);
});

test('it builds, checks, explains and compares', async () => {
	await unpacked();
	const built = eave('build', 'demo', '--out', 'out', '--nginx');
	assert.equal(built.code, 0, built.errors);
	assert.ok((await readdir(join(folder, 'out'))).includes('index.html'));
	assert.match(eave('check', 'demo').out, /ignored/);
	assert.match(eave('explain', 'demo', '--route', '/').out, /commons/);
	assert.equal(eave('compare', 'demo', 'demo', '--out', 'changes.svg').code, 0);
	assert.equal(eave('explain', 'demo', '--route', '/nowhere').code, 2);
});

test(
	'it measures',
	{ skip: findChromium() ? false : 'There is no Chromium to measure with.' },
	async () => {
		await unpacked();
		const measured = eave('boxes', 'demo', '--route', '/', '--width', '900', '--measure');
		assert.equal(measured.code, 0, measured.errors);
		assert.match(measured.out, /region main, x \d/);
		assert.doesNotMatch(measured.errors, /estimated/);
	}
);

test('it opens a folder in the application', async () => {
	await unpacked();
	const opened = spawn(
		process.execPath,
		['node_modules/long-eave/bin/long-eave.js', 'open', 'demo', '--port', '0'],
		{ cwd: folder, stdio: ['ignore', 'pipe', 'inherit'] }
	);
	let said = '';
	opened.stdout.setEncoding('utf8');
	for await (const part of opened.stdout) {
		said += String(part);
		if (said.includes('written to')) break;
	}
	const address = /Open at (\S+)/.exec(said)?.[1] ?? '';
	const page = await fetch(address);
	assert.equal(page.status, 200);
	const script = /"(\/_app\/immutable\/[^"]+\.js)"/.exec(await page.text())?.[1] ?? '';
	assert.equal((await fetch(new URL(script, address))).status, 200, script);
	const token = new URL(address).searchParams.get('folder') ?? '';
	const headers = { authorization: `Bearer ${token}` };
	assert.equal((await fetch(new URL('/.folder/', address), { headers })).status, 200);
	const ended = once(opened, 'exit');
	opened.kill('SIGTERM');
	assert.deepEqual(await ended, [0, null]);
});

/** A build of one's own, as someone would write it who has the package. */
const ownBuild = `import { bringIn, boxes, build, check, readSite, resolve, shells, type Finding, type MadeFile, type Site } from 'long-eave';

const site: Site = await readSite('demo');
const findings: Finding[] = await check(site);
const files: MadeFile[] = build(site, { year: 2026 });
const { regions, chain } = resolve(site, '/visit');
const side = boxes(site, '/visit', { width: 1200 }).find((box) => box.region === 'side' && box.piece === undefined);
const frames = shells(site, { base: '/lib/' });
const page = new TextEncoder().encode('<!DOCTYPE html><title>Seed</title><h1>Seed</h1>');
const brought = await readSite(bringIn(new Map([['index.html', page]]), 'Beds').files);
const refused = await readSite(new Map([['site.eave', 'site "Beds" { lang en }\\nroute / { titel "x" }']]));
let sentence = '';
try {
	build(refused);
} catch (failure) {
	sentence = failure instanceof Error ? failure.message : '';
}
console.log(JSON.stringify({
	errors: site.errors.length,
	codes: findings.map(({ code }) => code),
	files: files.map(({ path, content }) => [path, typeof content === 'string' ? content : content.length]),
	chain,
	side: side?.width,
	regions: regions.map(({ region }) => region),
	frames: frames.filter(({ kind }) => kind === 'shell').length,
	brought: build(brought).map(({ path }) => path),
	refused: refused.errors.map(({ file, line, code }) => [file, line, code]),
	sentence
}));
`;

const answered = z.object({
	errors: z.number(),
	codes: z.array(z.string()),
	files: z.array(z.tuple([z.string(), z.union([z.string(), z.number()])])),
	chain: z.array(z.string()),
	side: z.number(),
	regions: z.array(z.string()),
	frames: z.number(),
	brought: z.array(z.string()),
	refused: z.array(z.tuple([z.string(), z.number(), z.string()])),
	sentence: z.string()
});

test('a build of one’s own calls it: its types hold, and what it makes is what the command line makes', async () => {
	await unpacked();
	await writeFile(join(folder, 'build.ts'), ownBuild);
	await writeFile(join(folder, 'package.json'), '{ "type": "module" }');
	const types = [
		'--module',
		'nodenext',
		'--target',
		'es2023',
		'--lib',
		'es2023,dom',
		'--strict',
		'--outDir',
		'made',
		'build.ts'
	];
	const checked = run(
		process.execPath,
		[join(root, 'node_modules/typescript/bin/tsc'), ...types],
		folder
	);
	assert.equal(checked.code, 0, checked.out);
	const ran = run(process.execPath, ['made/build.js'], folder);
	assert.equal(ran.code, 0, ran.errors);
	const answer = answered.parse(JSON.parse(ran.out));
	assert.deepEqual([answer.errors, answer.codes], [0, []]);
	assert.deepEqual([answer.chain, answer.side], [['commons', 'two-up'], 230]);
	assert.ok(answer.regions.includes('foot') && answer.frames >= 8);
	assert.ok(answer.brought.includes('index.html'));
	assert.deepEqual(answer.refused, [['site.eave', 2, 'unknown-statement']]);
	assert.match(answer.sentence, /^site\.eave:2:\d+: .*titel/);
	assert.equal(eave('build', 'demo', '--out', 'same', '--year', '2026').code, 0);
	for (const [path, content] of answer.files) {
		const there = await readFile(join(folder, 'same', path));
		assert.equal(typeof content === 'string' ? there.toString() : there.length, content, path);
	}
});

test('a type that the package does not have is told where it is called wrongly', async () => {
	await unpacked();
	await writeFile(
		join(folder, 'wrong.ts'),
		"import { boxes } from 'long-eave';\nboxes('demo', '/', {});\n"
	);
	const types = ['--module', 'nodenext', '--noEmit', '--strict', 'wrong.ts'];
	const { code, out } = run(
		process.execPath,
		[join(root, 'node_modules/typescript/bin/tsc'), ...types],
		folder
	);
	assert.notEqual(code, 0);
	assert.match(out, /wrong\.ts\(2,7\)/);
});

test('the page of documentation of the package is what its docstrings say', async () => {
	assert.equal(
		await readFile(join(root, 'docs/package.md'), 'utf8'),
		packageDocument(),
		'run npm run package-docs'
	);
});
