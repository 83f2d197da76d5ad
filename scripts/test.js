// npm test: sets everything up, then types, lint, core tests and browser tests.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { build, install, must, root } from './lib/setup.js';

install();
must('npm', ['run', '--silent', 'grammar']);
const chromium = findChromium() ?? installChromium();
if (!chromium) {
	console.error(
		'The browser tests need Chromium: install it (apt-get install chromium), or name it in CHROMIUM.'
	);
	process.exit(1);
}
must('npx', ['svelte-kit', 'sync']);
must('npm', ['run', '--silent', 'types']);
must('npm', ['run', '--silent', 'lint']);
build();
const tests = ['tests/core', 'tests/app'].flatMap((folder) =>
	readdirSync(join(root, folder))
		.filter((name) => name.endsWith('.test.ts'))
		.map((name) => join(folder, name))
);
// One file at a time: a browser and the server it tests want both cores.
must(process.execPath, ['--import', 'tsx', '--test', '--test-concurrency=1', ...tests], {
	CHROMIUM: chromium
});

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
