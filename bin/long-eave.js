#!/usr/bin/env node
// Runs the command line as it is bundled; in a checkout it is bundled anew where its sources are newer.
import { existsSync } from 'node:fs';
import { setFlagsFromString } from 'node:v8';

// Most commands are over before code that V8 optimizes pays for itself: more of it has to run before that begins
// (132 kB of bytecode otherwise). Engines of other versions may not know the flag, and would say so.
if (/^1[1-3]\./.test(process.versions.v8)) setFlagsFromString('--interrupt-budget=600000');

if (existsSync(new URL('../src/cli', import.meta.url))) {
	const { bundleCli } = await import('../scripts/lib/bundle-cli.js');
	await bundleCli();
}
const { run } = await import('../dist/cli/main.js');
process.exitCode = await run(process.argv.slice(2));
