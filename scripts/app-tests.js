// Runs the browser tests on one server, two files at a time. Each file has a browser of its own: keys go to the window in front.
import { spawn } from 'node:child_process';
import { bundleTests } from './lib/bundle-tests.js';
import { anyPort, root, serve, sharedServer } from './lib/setup.js';

const wanted = process.argv.slice(2);
const files = await bundleTests('app');
const chosen = [...files].filter(
	([name]) => wanted.length === 0 || wanted.some((one) => name.startsWith(one))
);
const { server, address } = await serve(await anyPort());
const tests = spawn(
	process.execPath,
	['--enable-source-maps', '--test', '--test-concurrency=2', ...chosen.map(([, file]) => file)],
	{ cwd: root, stdio: 'inherit', env: { ...process.env, [sharedServer]: address } }
);
const code = await new Promise((resolve) => tests.on('exit', resolve));
server.kill();
process.exitCode = code === 0 ? 0 : 1;
