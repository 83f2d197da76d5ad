import assert from 'node:assert/strict';
import { spawn, spawnSync } from 'node:child_process';
import { createServer } from 'node:http';
import { chmod, mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { test } from 'node:test';
import { anyPort } from '../../scripts/lib/setup.js';
import { handOver } from '../../src/core/emit/hand-over.ts';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { readSitePath } from '../../src/cli/site-path.ts';

/** What is delivered for a real web server, behind one; skipped where there is none. */

const isThere = spawnSync('nginx', ['-v']).status === 0;
const skip = isThere
	? false
	: 'There is no nginx on this machine, so its configuration is not tried.';

test(
	'nginx serves the delivery with its configuration as the site answers by itself',
	{ skip },
	async () => {
		const folder = await mkdtemp(join(tmpdir(), 'eave-nginx-'));
		// What serves may be another user than the one that writes.
		await chmod(folder, 0o755);
		const [port, signIn] = [await anyPort(), await anyPort()];
		const site = checkSite(readSiteFiles(await readSitePath('demo')));
		for (const { path, content } of handOver(site, 2026, {
			marks: false,
			closed: true,
			nginx: true
		})) {
			const file = join(folder, path);
			await mkdir(dirname(file), { recursive: true });
			const own = String(content).replace('listen 8080;', `listen 127.0.0.1:${port};`).replace('127.0.0.1:4000', `127.0.0.1:${signIn}`); // prettier-ignore
			await writeFile(file, path === 'nginx.conf' ? own : content);
		}
		// A stand-in for the user's own sign-in: the role is what the cookie says.
		const signer = createServer((request, response) => {
			const role = /role=(\w+)/.exec(request.headers.cookie ?? '')?.[1] ?? '';
			const wanted = String(request.headers['x-admit']).split(' ');
			response.writeHead(wanted.includes(role) ? 200 : 401).end();
		});
		await new Promise<void>((resolve) => signer.listen(signIn, '127.0.0.1', resolve));
		const nginx = spawn('nginx', ['-p', folder, '-c', 'nginx.conf', '-g', 'daemon off;'], {
			stdio: 'ignore'
		});
		const base = `http://127.0.0.1:${port}`;
		const get = (path: string, role?: string) =>
			fetch(base + path, {
				redirect: 'manual',
				headers: role === undefined ? {} : { cookie: `role=${role}` }
			});
		const status = async (path: string, role?: string): Promise<number> =>
			(await get(path, role)).status;
		try {
			for (let attempt = 0; attempt < 50; attempt++) {
				if (
					await get('/').then(
						() => true,
						() => false
					)
				)
					break;
				await new Promise((resolve) => setTimeout(resolve, 100));
			}
			assert.equal(await status('/'), 200);
			assert.deepEqual(
				[await status('/visit'), (await get('/visit')).headers.get('location')],
				[301, '/visit/']
			);
			assert.equal((await get('/visit/index.html')).headers.get('location'), '/visit/');
			assert.equal(await status('/nothing/here'), 404);
			assert.match(await (await get('/nothing/here')).text(), /Nothing grows at this address/);
			for (const path of ['/desk', '/desk/', '/desk/loans/', '//desk//stock/7/', '/desk/nothing']) {
				assert.equal(await status(path), 403, path);
				assert.equal(await status(path, 'member'), 403, path);
				assert.notEqual(await status(path, 'keeper'), 403, path);
			}
			assert.match(await (await get('/desk/')).text(), /The desk is for keepers/);
			assert.match(await (await get('/desk/loans/', 'keeper')).text(), /Okafor/);
			for (const hidden of ['/access.json', '/nginx.conf', '/desk/denied.html', '/404.html']) {
				assert.equal(await status(hidden), 404, hidden);
			}
			const sheet = await get('/styles/site.css');
			assert.equal(sheet.headers.get('content-type'), 'text/css; charset=utf-8');
			assert.equal(sheet.headers.get('x-content-type-options'), 'nosniff');
			assert.equal(
				(await get('/desk/', 'keeper')).headers.get('cache-control'),
				'private, no-cache'
			);
			assert.equal(
				(await get('/images/pod.svg')).headers.get('content-type'),
				'image/svg+xml; charset=utf-8'
			);
		} finally {
			nginx.kill();
			await new Promise((resolve) => nginx.once('exit', resolve));
			signer.close();
			signer.closeAllConnections();
			await rm(folder, { recursive: true });
		}
	}
);
