// Runs the browser tests on one server and one browser for each core, a file at a time in each.
import { spawn } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { tsImport } from 'tsx/esm/api';
import { bundleTests } from './lib/bundle-tests.js';
import { anyPort, root, serve, sharedBrowsers, sharedServer } from './lib/setup.js';

const atOnce = 2;

const wanted = process.argv.slice(2);
const files = await bundleTests('app');
const chosen = [...files].filter(
	([name]) => wanted.length === 0 || wanted.some((one) => name.startsWith(one))
);
const { server, address } = await serve(await anyPort());
const { openBrowser } = await tsImport('./lib/browser.ts', import.meta.url);
const folder = await mkdtemp(join(tmpdir(), 'eave-browsers-'));
const opened = await Promise.all(Array.from({ length: atOnce }, () => openBrowser()));
await Promise.all(
	opened.map(({ browser }, place) => writeFile(join(folder, String(place)), browser.wsEndpoint()))
);
const tests = spawn(
	process.execPath,
	[
		'--enable-source-maps',
		'--test',
		`--test-concurrency=${atOnce}`,
		...chosen.map(([, file]) => file)
	],
	{
		cwd: root,
		stdio: 'inherit',
		env: { ...process.env, [sharedServer]: address, [sharedBrowsers]: folder }
	}
);
const code = await new Promise((resolve) => tests.on('exit', resolve));
await Promise.all(opened.map(({ close }) => close()));
await rm(folder, { recursive: true });
server.kill();
process.exitCode = code === 0 ? 0 : 1;
