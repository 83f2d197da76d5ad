// Runs the browser tests on one server. Each file has a browser of its own: keys go to the window in front.
import { spawn } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { anyPort, root, serve, sharedServer } from './lib/setup.js';

const folder = 'tests/app';
const names = readdirSync(join(root, folder)).filter((name) => name.endsWith('.test.ts'));
/** They look at how long a step of the page takes, so nothing else runs beside them. */
const alone = names.filter((name) => name.startsWith('heavy'));
const together = names.filter((name) => !alone.includes(name));
const { server, address } = await serve(await anyPort());
const failed = (await run(together, 2)) + (await run(alone, 1));
server.kill();
process.exitCode = failed > 0 ? 1 : 0;

/** Runs test files, some at a time; gives 1 where one fails. */
async function run(files: readonly string[], atOnce: number): Promise<number> {
	const args = ['--import', 'tsx', '--test', `--test-concurrency=${atOnce}`];
	const tests = spawn(process.execPath, [...args, ...files.map((name) => join(folder, name))], {
		cwd: root,
		stdio: 'inherit',
		env: { ...process.env, [sharedServer]: address }
	});
	return new Promise((resolve) => tests.on('exit', (code) => resolve(code === 0 ? 0 : 1)));
}
