// npm test: sets everything up, then types, lint, core tests and browser tests.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { install, must, root } from './lib/setup.js';

install();
must('npm', ['run', '--silent', 'grammar']);
const chromium = findChromium() ?? installChromium();
if (!chromium) {
	console.error(
		'The browser tests need Chromium: install it (apt-get install chromium), or name it in CHROMIUM.'
	);
	process.exit(1);
}
const env = { ...process.env, CHROMIUM: chromium };
must('npx', ['svelte-kit', 'sync']);
const typed = [process.execPath, '--import', 'tsx'];
// What judges the text of the code beside what runs it; the browser tests want both cores.
const judged = await Promise.all([
	all([
		[process.execPath, 'scripts/build.js'],
		[...typed, 'scripts/core-tests.ts']
	]),
	all([
		['npm', 'run', '--silent', 'types'],
		['npm', 'run', '--silent', 'lint']
	])
]);
if (judged.includes(false)) process.exit(1);
must(typed[0], [...typed.slice(1), 'scripts/app-tests.ts'], env);

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
		'/usr/bin/chromium',
		'/usr/bin/chromium-browser',
		'/usr/bin/google-chrome'
	];
	return known.find((path) => path && existsSync(path));
}

function installChromium() {
	const mayInstall =
		process.platform === 'linux' && process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
	if (!mayInstall) return undefined;
	console.log('Installing Chromium …');
	const quiet = { stdio: 'ignore' };
	spawnSync('apt-get', ['update'], quiet);
	spawnSync('apt-get', ['install', '-y', 'chromium'], quiet);
	return findChromium();
}
