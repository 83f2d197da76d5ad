import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { z } from 'zod';
import { around } from '../lib/site.ts';

const folder = await mkdtemp(join(tmpdir(), 'eave-cli-'));
after(() => rm(folder, { recursive: true }));

function run(...args: string[]): { code: number | null; out: string; errors: string } {
	const result = spawnSync(process.execPath, ['bin/long-eave.js', ...args], { encoding: 'utf8' });
	return { code: result.status, out: result.stdout, errors: result.stderr };
}

test('build writes the site, with exit code 0', async () => {
	const out = join(folder, 'out');
	const { code, errors } = run('build', 'demo', '--out', out, '--year', '2031');
	assert.equal(code, 0, errors);
	assert.match(await readFile(join(out, 'visit/index.html'), 'utf8'), /© 2031 Marrow Lane/);
	assert.match(
		await readFile(join(out, 'styles/layouts/commons.css'), 'utf8'),
		/grid-template-areas/
	);
});

test('errors go to standard error with their place, exit code 1, and nothing is written', async () => {
	const file = join(folder, 'bad.eave');
	await writeFile(file, around('route /x {\n  fill foot after { piece a """x""" }\n}'));
	const { code, errors } = run('build', file, '--out', join(folder, 'none'));
	assert.equal(code, 1);
	assert.equal(
		errors,
		'bad.eave:9:8: fill-locked: /x fills foot, but the layout outer has locked it.\n'
	);
	assert.ok(!(await readdir(folder)).includes('none'));
	await writeFile(join(folder, 'empty.eave'), '');
	const empty = run('build', join(folder, 'empty.eave'), '--out', join(folder, 'none'));
	assert.equal(empty.code, 1);
	assert.match(empty.errors, /empty\.eave:1:1: intake: empty\.eave is empty\./);
});

test('boxes are printed for a width or for all of a range, from measured or estimated sizes', async () => {
	const schema = z.array(
		z.object({ layout: z.string(), region: z.string().optional(), piece: z.string().optional(), x: z.number(), y: z.number(), width: z.number(), height: z.number(), overflowX: z.number(), overflowY: z.number() })
	); // prettier-ignore
	const estimated = run('boxes', 'demo', '--route', '/catalogue', '--width', '1180', '--json');
	assert.equal(estimated.code, 0);
	assert.match(estimated.errors, /estimated/);
	const boxes = schema.parse(JSON.parse(estimated.out));
	const main = boxes.find((box) => box.region === 'main' && box.piece === undefined);
	assert.deepEqual([main?.x, main?.y, main?.width], [190, 60, 760]);
	const metrics = join(folder, 'metrics.json');
	const measured = { piece: 'hours', owner: 'commons', min: 80, max: 160, heights: [[80, 90], [120, 60]] }; // prettier-ignore
	await writeFile(metrics, JSON.stringify({ pieces: [measured] }));
	const known = run(
		'boxes',
		'demo',
		'--route',
		'/visit',
		'--width',
		'1180',
		'--json',
		'--metrics',
		metrics
	);
	const hours = schema.parse(JSON.parse(known.out)).find((box) => box.piece === 'hours');
	assert.equal(hours?.height, 60);
	const range = run('boxes', 'demo', '--route', '/', '--widths', '280..283', '--json');
	const all = z.array(z.object({ width: z.number(), boxes: schema })).parse(JSON.parse(range.out));
	assert.deepEqual(all.map((one) => one.width), [280, 281, 282, 283]); // prettier-ignore
	await writeFile(metrics, '{"pieces": [{}]}');
	assert.equal(
		run('boxes', 'demo', '--route', '/', '--width', '300', '--metrics', metrics).code,
		2
	);
	assert.equal(run('boxes', 'demo', '--route', '/none', '--width', '300').code, 2);
	assert.equal(run('boxes', 'demo', '--route', '/').code, 2);
});

test('wrong usage is exit code 2', () => {
	assert.equal(run('build', 'demo').code, 2);
	assert.equal(run('paint').code, 2);
	assert.equal(run('build', join(folder, 'nowhere'), '--out', folder).code, 2);
	assert.equal(run('--help').code, 0);
});
