// Runs the browser tests on one server. Each file has a browser of its own: keys go to the window in front.
import { spawn } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { anyPort, root, serve, sharedServer } from './lib/setup.js';

const folder = 'tests/app';
const names = readdirSync(join(root, folder)).filter((name) => name.endsWith('.test.ts'));
const { server, address } = await serve(await anyPort());
// One file at a time: a browser wants both cores.
const args = ['--import', 'tsx', '--test', '--test-concurrency=1'];
const tests = spawn(process.execPath, [...args, ...names.map((name) => join(folder, name))], {
	cwd: root,
	stdio: 'inherit',
	env: { ...process.env, [sharedServer]: address }
});
tests.on('exit', (code) => {
	server.kill();
	process.exitCode = code ?? 1;
});
