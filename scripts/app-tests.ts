// Runs the browser tests on one server. Each file has a browser of its own: keys go to the window in front.
import { spawn } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { anyPort, root, serve, sharedServer } from './lib/setup.js';

const folder = 'tests/app';
/** Tests that look at the clock, and want the machine to themselves. */
const alone = ['heavy.test.ts'];

const files = readdirSync(join(root, folder)).filter((name) => name.endsWith('.test.ts'));
const { server, address } = await serve(await anyPort());
const together = files.filter((name) => !alone.includes(name));
const passed = (await run(together, 2)) && (await run(alone, 1));
server.kill();
process.exitCode = passed ? 0 : 1;

/** Gives whether all tests in some files pass. */
async function run(names: readonly string[], atOnce: number): Promise<boolean> {
	const paths = names.map((name) => join(folder, name));
	const args = ['--import', 'tsx', '--test', `--test-concurrency=${atOnce}`, ...paths];
	const env = { ...process.env, [sharedServer]: address };
	const tests = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env });
	return new Promise((resolve) => tests.on('exit', (code) => resolve(code === 0)));
}
