// What both commands need before anything else can run. No packages: they may not be installed yet.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { newestIn, root } from './tree.js';

export { root };

/** The variable of the environment that names a running server which several test files share. */
export const sharedServer = 'LONG_EAVE_SERVER';

/** The variable that names a folder with the addresses of running browsers, a file for each. */
export const sharedBrowsers = 'LONG_EAVE_BROWSERS';

/** Runs a command in the project's folder and ends this process where it fails. */
export function must(command, args, env = {}) {
	const result = spawnSync(command, args, {
		cwd: root,
		stdio: 'inherit',
		env: { ...process.env, ...env }
	});
	if (result.status !== 0) process.exit(result.status ?? 1);
}

/** Installs the packages where they are missing or older than the lockfile. */
export function install() {
	const installed = join(root, 'node_modules/.package-lock.json');
	const lock = join(root, 'package-lock.json');
	if (existsSync(installed) && changedAt(installed) >= changedAt(lock)) return;
	console.log('Installing packages …');
	// Not "npm ci": it refuses a lockfile that lacks the optional packages of other platforms.
	must('npm', ['install', '--no-save', '--no-audit', '--no-fund']);
}

/** Builds the application where nothing is built, or something it is built from is newer. */
export function build() {
	// The server reads previews in a thread that lies beside the command line.
	must('node', ['scripts/bundle.js']);
	const built = join(root, 'build/index.js');
	const sources = [
		'src',
		'static',
		'demo',
		'examples',
		'package-lock.json',
		'svelte.config.js',
		'vite.config.ts'
	];
	const newest = Math.max(...sources.map((path) => newestIn(join(root, path))));
	if (existsSync(built) && changedAt(built) >= newest) return;
	console.log('Building the application …');
	must('npm', ['run', '--silent', 'grammar']);
	must('npx', ['vite', 'build', '--logLevel', 'error']);
}

function changedAt(path) {
	return statSync(path).mtimeMs;
}

/** Starts the built application; gives its process and its address once it listens. */
export async function serve(port, stdio = 'inherit') {
	const env = { ...process.env, PORT: String(port), HOST: process.env.HOST ?? '127.0.0.1' };
	const server = spawn(process.execPath, ['server/index.js'], {
		cwd: root,
		env,
		stdio: ['ignore', 'ignore', stdio]
	});
	const address = `http://${env.HOST}:${port}`;
	for (let attempt = 0; attempt < 100; attempt++) {
		if (server.exitCode !== null) break;
		const answered = await fetch(address, { redirect: 'manual' }).then(
			() => true,
			() => false
		);
		if (answered) return { server, address };
		await new Promise((resolve) => setTimeout(resolve, 100));
	}
	server.kill();
	throw new Error(`The application did not start on port ${port}.`);
}

/** A port that nothing listens on. */
export function anyPort() {
	return new Promise((resolve, reject) => {
		const probe = createServer();
		probe.listen(0, '127.0.0.1', () => {
			const found = probe.address();
			probe.close(() => {
				if (found && typeof found === 'object') resolve(found.port);
				else reject(new Error('No port is free.'));
			});
		});
	});
}
