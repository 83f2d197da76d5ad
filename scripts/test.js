// npm test: sets everything up, then types, lint, core tests and browser tests.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { install, must, root } from './lib/setup.js';

install();
must('npm', ['run', '--silent', 'grammar']);
// Without a window of its own it needs a third less of the processor.
const chromium =
	findChromium() ??
	installed('chromium-headless-shell', findChromium) ??
	installed('chromium', findChromium);
if (!chromium) {
	console.error(
		'The browser tests need Chromium: install it (apt-get install chromium), or name it in CHROMIUM.'
	);
	process.exit(1);
}
const nginx = findNginx() ?? installed('nginx', findNginx);
const env = { ...process.env, CHROMIUM: chromium };
must('npx', ['svelte-kit', 'sync']);
const node = process.execPath;
// Two things at a time, for two cores. The browser tests wait for the application, and want both.
const judged = await Promise.all([
	all([
		[node, 'scripts/build.js'],
		[node, 'scripts/core-tests.js', '0', '2', '4']
	]),
	all([
		['npm', 'run', '--silent', 'types'],
		['npm', 'run', '--silent', 'lint'],
		[node, 'scripts/core-tests.js', '1', '3']
	])
]);
if (judged.includes(false)) process.exit(1);
must(node, ['scripts/app-tests.js'], env);
if (!nginx) console.log('Not tested: the configuration for nginx, which is not on this machine.');

/** Runs commands one after the other; gives whether all went well. */
async function all(commands) {
	for (const [command, ...args] of commands) {
		const child = spawn(command, args, { cwd: root, stdio: 'inherit', env });
		const code = await new Promise((resolve) => child.on('exit', resolve));
		if (code !== 0) return false;
	}
	return true;
}

function findChromium() {
	const known = [
		process.env.CHROMIUM,
		'/usr/bin/chromium-headless-shell',
		'/usr/bin/chromium',
		'/usr/bin/chromium-browser',
		'/usr/bin/google-chrome'
	];
	return known.find((path) => path && existsSync(path));
}

function findNginx() {
	const folders = [...(process.env.PATH ?? '').split(delimiter), '/usr/sbin'].filter(Boolean);
	return folders.map((folder) => join(folder, 'nginx')).find((path) => existsSync(path));
}

/** Installs a package of the system where that can be done, and gives what is found then. */
function installed(name, find) {
	const mayInstall =
		process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
	if (!mayInstall) return undefined;
	console.log(`Installing ${name} …`);
	const quiet = { stdio: 'ignore' };
	spawnSync('apt-get', ['update'], quiet);
	spawnSync('apt-get', ['install', '-y', name], quiet);
	return find();
}
