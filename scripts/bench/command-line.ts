import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundleCli } from '../lib/bundle-cli.js';
import { root } from '../lib/setup.js';
import type { BenchRow } from './core.ts';
import { summary } from './measure.ts';

const runs = 7;

/** What commands cost as whole processes, with a Node that does nothing beside them. */
export async function benchCommandLine(): Promise<BenchRow[]> {
	await bundleCli();
	const out = mkdtempSync(join(tmpdir(), 'eave-bench-'));
	try {
		const row = (what: string, command: string, note: string): BenchRow => {
			const all = Array.from({ length: runs + 1 }, () => wholeProcess(command)).slice(1);
			const measured = summary(
				all.map(({ clock }) => clock),
				all.map(({ processor }) => processor)
			);
			return { what, measured, note };
		};
		const eave = 'node bin/long-eave.js';
		return [
			row('Node that does nothing', 'node -e 0', 'to hold the next rows against'),
			row('long-eave --help', `${eave} --help`, 'aim: under 300 ms of processor'),
			row(
				'… explain demo --route /',
				`${eave} explain demo --route /`,
				'aim: under 600 ms of processor'
			),
			row('… build demo', `${eave} build demo --out ${out}`, 'aim: under 1,200 ms of processor'),
			row('… check demo', `${eave} check demo`, 'aim: under 2,000 ms of processor')
		];
	} finally {
		rmSync(out, { recursive: true });
	}
}

/** ms of a command: by the clock, and of the processor as the shell counts its children (POSIX, `times`). */
function wholeProcess(command: string): { readonly clock: number; readonly processor: number } {
	const since = performance.now();
	const { stdout } = spawnSync('sh', ['-c', `${command} >/dev/null 2>&1; times`], {
		cwd: root,
		encoding: 'utf8'
	});
	const clock = performance.now() - since;
	const children = stdout.trim().split('\n').at(-1) ?? '';
	const spent = [...children.matchAll(/(\d+)m([\d.]+)s/g)].map(([, minutes, seconds]) => {
		return Number(minutes) * 60_000 + Number(seconds) * 1000;
	});
	return { clock, processor: spent.reduce((sum, one) => sum + one, 0) };
}
