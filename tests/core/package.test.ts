import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { cp, mkdir, mkdtemp, readdir, stat, symlink } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { test } from 'node:test';
import { bundleCli } from '../../scripts/lib/bundle-cli.js';
import { root } from '../../scripts/lib/setup.js';
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
	const packed = run(
		'npm',
		['pack', '--ignore-scripts', '--silent', '--pack-destination', folder],
		root
	);
	assert.equal(packed.code, 0, packed.errors);
	const tarball = join(folder, packed.out.trim().split('\n').at(-1) ?? '');
	assert.ok((await stat(tarball)).size < 4_000_000, 'it is under 4 MB');
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
		'dist',
		'docs',
		'package.json'
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
	assert.match(eave('check', 'demo').out, /set aside/);
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
