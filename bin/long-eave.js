#!/usr/bin/env node
// Runs the command line as it is bundled; in a checkout it is bundled anew where its sources are newer.
import { existsSync } from 'node:fs';

if (existsSync(new URL('../src/cli', import.meta.url))) {
	const { bundleCli } = await import('../scripts/lib/bundle-cli.js');
	await bundleCli();
}
const { run } = await import('../dist/cli/main.js');
process.exitCode = await run(process.argv.slice(2));
