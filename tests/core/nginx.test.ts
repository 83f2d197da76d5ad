import assert from 'node:assert/strict';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { root } from '../../scripts/lib/setup.js';
import { checkSite } from '../../src/core/check/site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import { readSitePath } from '../../src/cli/files/site-path.ts';
import { judgeNginx } from '../judge/nginx/judge-nginx.ts';
import { hasNginx, startNginx, startSignIn } from '../judge/nginx/run-nginx.ts';

/** What is delivered for a real web server, behind one; skipped where there is none. */

const skip = hasNginx
	? false
	: 'There is no nginx on this machine, so its configuration is not tried.';

test('nginx answers random sites, address by address, as they answer by themselves', { skip }, async () => {
	const { failure, asked, statuses } = await judgeNginx(6, 1);
	assert.equal(failure?.text, undefined, failure?.says);
	assert.ok(asked > 1000);
	for (const status of [200, 301, 403, 404]) {
		assert.ok((statuses.get(status) ?? 0) > 50, `${status} is answered now and then`);
	}
}); // prettier-ignore

test(
	'nginx keeps the demo’s desk closed, and says of every file what it is',
	{ skip },
	async () => {
		const folder = await mkdtemp(join(tmpdir(), 'eave-nginx-'));
		const signIn = await startSignIn();
		const site = checkSite(readSiteFiles(await readSitePath(join(root, 'demo'))));
		const { ask, stop } = await startNginx(site, folder, signIn.port);
		try {
			const moved = await ask('/visit?from=home');
			assert.deepEqual([moved.status, moved.headers['location']], [301, '/visit/?from=home']);
			for (const path of [
				'/desk/',
				'/desk/loans/',
				'/desk/stock/7/',
				'/desk/nothing',
				'/desk/../desk/'
			]) {
				assert.equal((await ask(path)).status, 403, path);
				assert.equal((await ask(path, 'member')).status, 403, path);
				assert.notEqual((await ask(path, 'keeper')).status, 403, path);
			}
			assert.match((await ask('/desk/')).text, /The desk is for keepers/);
			assert.match((await ask('/desk/loans/', 'keeper')).text, /Okafor/);
			const hidden = ['/access.json', '/nginx.conf', '/nginx.pid', '/.long-eave.json', '/404.html'];
			for (const path of hidden) assert.equal((await ask(path)).status, 404, path);
			const sheet = await ask('/styles/site.css');
			assert.equal(sheet.headers['content-type'], 'text/css; charset=utf-8');
			assert.equal(sheet.headers['x-content-type-options'], 'nosniff');
			const desk = await ask('/desk/', 'keeper');
			assert.equal(desk.headers['cache-control'], 'private, no-cache');
			assert.equal(desk.headers['vary'], 'Cookie');
			assert.equal((await ask('/')).headers['vary'], undefined);
			const picture = await ask('/images/pod.svg');
			assert.equal(picture.headers['content-type'], 'image/svg+xml; charset=utf-8');
		} finally {
			await stop();
			signIn.stop();
			await rm(folder, { recursive: true });
		}
	}
);
