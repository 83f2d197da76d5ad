import { spawn, spawnSync } from 'node:child_process';
import { chmod, mkdir, writeFile } from 'node:fs/promises';
import { createServer, request } from 'node:http';
import { connect } from 'node:net';
import { dirname, join } from 'node:path';
import { anyPort } from '../../../scripts/lib/setup.js';
import { handOver } from '../../../src/core/emit/hand-over.ts';
import type { ResolvedSite } from '../../../src/core/resolve/site.ts';

/** Whether there is a nginx on this machine. */
export const hasNginx = spawnSync('nginx', ['-v']).status === 0;

/** What was answered over HTTP. */
export interface Answered {
	readonly status: number;
	readonly headers: Readonly<Record<string, string | undefined>>;
	readonly text: string;
}

export interface RunningNginx {
	/** Asks for a path just as it is written; the role is what the sign-in would know. */
	ask(path: string, role?: string): Promise<Answered>;
	stop(): Promise<void>;
}

/** A stand-in for a user's own sign-in: the role is what the cookie says. */
export async function startSignIn(): Promise<{ port: number; stop: () => void }> {
	const port = await anyPort();
	const server = createServer((asked, answer) => {
		const role = /role=(\w+)/.exec(asked.headers.cookie ?? '')?.[1] ?? '';
		const wanted = String(asked.headers['x-admit']).split(' ');
		answer.writeHead(wanted.includes(role) ? 200 : 401).end();
	});
	await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
	return {
		port,
		stop: () => {
			server.close();
			server.closeAllConnections();
		}
	};
}

/** Delivers a site with its configuration into an empty folder, and serves it with nginx. */
export async function startNginx(
	site: ResolvedSite,
	folder: string,
	signIn: number
): Promise<RunningNginx> {
	const port = await anyPort();
	const options = { marks: false, closed: true, nginx: true };
	for (const { path, content } of handOver(site, 2026, options)) {
		const file = join(folder, path);
		await mkdir(dirname(file), { recursive: true });
		const own = String(content)
			.replace('listen 8080;', `listen 127.0.0.1:${port};`)
			.replace('server 127.0.0.1:4000;', `server 127.0.0.1:${signIn};`);
		await writeFile(file, path === 'nginx.conf' ? own : content);
	}
	// What serves may be another user than the one that writes.
	await chmod(folder, 0o755);
	const nginx = spawn('nginx', ['-p', folder, '-c', 'nginx.conf', '-g', 'daemon off; master_process off;'], {
		stdio: ['ignore', 'ignore', 'pipe']
	}); // prettier-ignore
	let said = '';
	nginx.stderr.on('data', (text) => void (said += String(text)));
	const ended = new Promise<void>((resolve) => nginx.once('exit', () => resolve()));
	while (!(await isListening(port))) {
		if (nginx.exitCode !== null) throw new Error(`nginx does not take its configuration: ${said}`);
	}
	return {
		ask: (path, role) => askFor(port, path, role),
		async stop() {
			nginx.kill();
			await ended;
		}
	};
}

function isListening(port: number): Promise<boolean> {
	return new Promise((resolve) => {
		const socket = connect(port, '127.0.0.1');
		socket.once('connect', () => (socket.destroy(), resolve(true)));
		socket.once('error', () => setTimeout(() => resolve(false), 10));
	});
}

function askFor(port: number, path: string, role: string | undefined): Promise<Answered> {
	const headers = role === undefined ? {} : { cookie: `role=${role}` };
	return new Promise((resolve, reject) => {
		const asked = request({ host: '127.0.0.1', port, path, headers }, (response) => {
			let text = '';
			response.setEncoding('utf8');
			response.on('data', (part: string) => void (text += part));
			response.on('end', () => {
				const fields = Object.entries(response.headers).map(([name, value]) => [
					name,
					String(value)
				]);
				resolve({ status: response.statusCode ?? 0, headers: Object.fromEntries(fields), text });
			});
		});
		asked.once('error', reject);
		asked.end();
	});
}
