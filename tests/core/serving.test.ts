import assert from 'node:assert/strict';
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import { cp, mkdir, mkdtemp, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { Worker } from 'node:worker_threads';
import { zipSync } from 'fflate';
import { serve } from '../../src/cli/serve/serve.ts';
import { ServedSite } from '../../src/cli/serve/served-site.ts';
import { packSource } from '../../src/core/emit/delivery.ts';
import { isoMs } from '../../src/core/lib/utc.ts';
import type { Device } from '../../src/server/previews/device.ts';
import { PreviewRoom } from '../../src/server/previews/preview-room.ts';
import { longestKept, PreviewRefused, Previews } from '../../src/server/previews/previews.ts';
import { bundleCli } from '../../scripts/lib/bundle-cli.js';
import { readBody } from '../../src/server/problem.ts';
import { ask } from '../../src/sources/ask.ts';
import { around } from '../lib/site.ts';
import { longest, until } from '../lib/until.ts';

/** The three faces of an answering site: a folder that is served, and sites kept for other devices. */

const folder = await mkdtemp(join(tmpdir(), 'eave-serve-'));
after(() => rm(folder, { recursive: true }));

test('a folder is served as it changes: pages, roles, errors with their place', async () => {
	await cp('demo', folder, { recursive: true });
	let said = '';
	const streams = {
		out: (text: string) => void (said += text),
		errors: (text: string) => void (said += text)
	};
	const serving = await serve(folder, { port: 0, as: undefined, noticeToken: undefined }, streams);
	const get = (path: string, init: RequestInit = {}) =>
		fetch(new URL(path, serving.address), { redirect: 'manual', ...init });
	try {
		assert.match(await (await get('/visit/')).text(), /Visit us/);
		assert.equal((await get('/desk/')).status, 403);
		const form = new URLSearchParams({ role: 'keeper', to: '/desk/' });
		const signed = await get('/sign-in', { method: 'POST', body: form });
		assert.deepEqual([signed.status, signed.headers.get('location')], [303, '/desk/']);
		const cookie = signed.headers.get('set-cookie') ?? '';
		assert.match(cookie, /HttpOnly; SameSite=Lax/);
		const keeper = { headers: { cookie: cookie.split(';')[0] ?? '' } };
		assert.equal((await get('/desk/', keeper)).status, 200);
		assert.match(await (await get('/', keeper)).text(), /To the desk/);
		const away = new URLSearchParams({ role: 'keeper', to: '//elsewhere.example/' });
		assert.equal(
			(await get('/sign-in', { method: 'POST', body: away })).headers.get('location'),
			'/'
		);
		const nobody = new URLSearchParams({ role: 'nobody' });
		assert.equal((await get('/sign-in', { method: 'POST', body: nobody })).status, 400);

		const news = await get('/.live');
		const reader = news.body?.getReader();
		await reader?.read();
		const file = join(folder, 'routes/1-public.eave');
		const before = await readFile(file, 'utf8');
		await writeFile(file, before.replace('Visit us', 'Come and see us'));
		const told = await reader?.read();
		assert.match(new TextDecoder().decode(told?.value), /data: changed/);
		const visit = async (): Promise<string> => (await get('/visit/')).text();
		// It may be read while it is written, and is read again then.
		await until('the change is shown', async () => (await visit()).includes('Come and see us'));
		await writeFile(file, before.replace('title "Visit"', 'title "Visit'));
		const broken = await until('the error is told', async () => {
			const answered = await get('/visit/');
			return answered.status === 500 && answered;
		});
		assert.match(await broken.text(), /routes\/1-public\.eave:\d+:\d+/);
		assert.match(said, /routes\/1-public\.eave:\d+:\d+: unclosed-text/);
		await reader?.cancel();
	} finally {
		await serving.close();
	}
});

test('a folder is followed from the start, and when it is moved away and back or made anew', async () => {
	const place = join(folder, 'moving');
	const at = join(place, 'site');
	const put = async (words: string): Promise<void> => {
		await mkdir(at, { recursive: true });
		await writeFile(join(at, 'site.eave'), around('').replace('home', words));
	};
	await put('first');
	const streams = { out: () => undefined, errors: () => undefined };
	const serving = await serve(at, { port: 0, as: undefined, noticeToken: undefined }, streams);
	const shows = (words: string): Promise<boolean> =>
		until(`${words} is shown`, async () =>
			(await (await fetch(serving.address)).text()).includes(words)
		);
	try {
		// Nothing follows yet, most likely.
		await put('at once');
		await shows('at once');
		await rename(at, join(place, 'away'));
		await rename(join(place, 'away'), at);
		await put('moved');
		await shows('moved');
		await rm(at, { recursive: true });
		await put('anew');
		await shows('anew');
		await put('later');
		await shows('later');
	} finally {
		await serving.close();
	}
});

test('a source that says that it changed is asked then, and not before', async () => {
	let value = 'first';
	let asks = 0;
	const service = createServer((_, response) => {
		asks++;
		response.setHeader('content-type', 'application/json');
		response.end(JSON.stringify({ now: value }));
	});
	await new Promise<void>((resolve) => service.listen(0, '127.0.0.1', resolve));
	const bound = service.address();
	const port = typeof bound === 'object' && bound ? bound.port : 0;
	const at = join(folder, 'notices');
	await mkdir(at);
	const url = `http://127.0.0.1:${port}/`;
	await writeFile(
		join(at, 'site.eave'),
		`${around(`data tale from "${url}" { fresh notice }\ndata other from "${url}" { fresh 600s }`)}
		route /tale { piece says """<p>{data.tale.now}</p>""" }`
	);
	let said = '';
	const streams = { out: (text: string) => void (said += text), errors: () => undefined };
	const serving = await serve(at, { port: 0, as: undefined, noticeToken: undefined }, streams);
	const page = async (): Promise<string> =>
		(await fetch(new URL('/tale/', serving.address))).text();
	try {
		const [address = ''] = /http\S+\.notice\/tale\S+/.exec(said) ?? [];
		assert.ok(!said.includes('.notice/other'), 'only what waits for notices is told of');
		const token = new URL(address).searchParams.get('token') ?? '';
		assert.match(token, /^[0-9a-f]{32}$/);
		assert.match(await page(), /first/);
		value = 'second';
		const headers = (await fetch(new URL('/tale/', serving.address))).headers;
		assert.equal(headers.get('cache-control'), 'max-age=0', 'no browser can be told');
		assert.equal(asks, 1, 'the copy holds');
		const post = async (path: string, init: RequestInit = {}): Promise<number> =>
			(await fetch(new URL(path, serving.address), { method: 'POST', ...init })).status;
		assert.equal(await post('/.notice/tale'), 403);
		assert.equal(await post('/.notice/none?token=wrong'), 403, 'names are not told to strangers');
		assert.equal(await post(`/.notice/none?token=${token}`), 404);
		assert.equal(await post(`/.notice/other?token=${token}`), 409);
		assert.equal(await post(`/.notice/tale?token=${token}`, { method: 'GET' }), 405);
		assert.match(await page(), /first/, 'none of these was a notice');
		assert.equal(await post(`/.notice/tale?token=${token}`), 204);
		assert.match(await page(), /second/);
		value = 'third';
		const authorization = `Bearer ${token}`;
		assert.equal(await post('/.notice/tale', { headers: { authorization } }), 204);
		assert.match(await page(), /third/);
		await page();
		assert.equal(asks, 3);
	} finally {
		await serving.close();
		service.closeAllConnections();
		service.close();
	}
});

test('what is asked for within the millisecond of a notice is newer than that, and is not asked for again', async () => {
	let asks = 0;
	const service = createServer((_, response) => {
		asks++;
		response.setHeader('content-type', 'application/json');
		response.end('{"now": "here"}');
	});
	await new Promise<void>((resolve) => service.listen(0, '127.0.0.1', resolve));
	const bound = service.address();
	const port = typeof bound === 'object' && bound ? bound.port : 0;
	const at = join(folder, 'same-moment');
	await mkdir(at);
	const source = `data tale from "http://127.0.0.1:${port}/" { fresh notice }`;
	await writeFile(
		join(at, 'site.eave'),
		`${around(source)}\nroute /tale { piece says """<p>{data.tale.now}</p>""" }`
	);
	const streams = { out: () => undefined, errors: () => undefined };
	// Time stands still.
	const site = new ServedSite(at, streams, () => 5000);
	await site.open();
	const request = { method: 'GET', target: '/tale/', headers: {}, role: undefined, time: 5000 };
	try {
		await site.answer(request);
		assert.equal(site.notice('tale'), 'taken');
		await site.answer(request);
		await site.answer(request);
		assert.equal(asks, 2);
	} finally {
		service.closeAllConnections();
		service.close();
	}
});

const zipOf = (text: string, filler = 0): Uint8Array =>
	packSource({
		texts: new Map([['site.eave', text]]),
		assets: new Map(filler === 0 ? [] : [['big.bin', randomBytes(filler)]])
	});

before(bundleCli);

/** What a preview answers with its first page. */
async function pageOf(previews: Previews, token: string, time = 0): Promise<string> {
	const asked = { method: 'GET', target: '/', time, headers: {} };
	const answered = await previews.answer(token, asked, `/preview/${token}/`);
	return answered?.body ? new TextDecoder().decode(answered.body) : '';
}

test('previews are kept for a while, within bounds, and follow edits', async () => {
	let now = isoMs('2026-01-01T10:00:00Z') ?? 0;
	const room = new PreviewRoom(longest);
	const previews = new Previews(() => now, undefined, room);
	const token = await previews.add(zipOf(around('')), undefined);
	assert.match(token, /^[\w-]{22}$/);
	const page = (): Promise<string> => pageOf(previews, token, now);
	assert.match(await page(), /home/);
	const heard: string[] = [];
	const device: Device = { id: 'device-one', width: 390, height: 844, ratio: 3, text: 16 };
	const watched: string[] = [];
	previews.watch(token, (message) => watched.push(message));
	const leave = previews.listen(token, (message) => heard.push(message), device);
	const changed = zipOf(around('').replace('home', 'changed'));
	assert.ok(await previews.change(token, changed, undefined));
	assert.deepEqual(heard, ['changed']);
	assert.match(await page(), /changed/);
	leave?.();
	assert.deepEqual(
		watched,
		['[]', JSON.stringify([device]), '[]'],
		'a device comes and goes with its page'
	);
	await assert.rejects(previews.add(zipOf('site "'), undefined), PreviewRefused);
	await assert.rejects(
		previews.change(token, new Uint8Array([1, 2, 3]), undefined),
		PreviewRefused
	);
	assert.match(await page(), /changed/, 'what cannot be read leaves what was shown');
	await room.close();
	assert.match(await page(), /changed/, 'a room that is opened anew reads it again');
	now += longestKept + 1;
	assert.equal(await page(), '', 'two hours after its last change it is gone');
	assert.equal(previews.count, 0);
	await room.close();
});

test('previews that need more room than there is make the oldest go', async () => {
	const each = 40_000;
	const room = new PreviewRoom(longest);
	const previews = new Previews(Date.now, 8 * each + 60_000, room);
	const tokens: string[] = [];
	for (let at = 0; at < 5; at++)
		tokens.push(await previews.add(zipOf(around(''), each), undefined));
	const there = tokens.map((token) => previews.watch(token, () => undefined) !== undefined);
	assert.deepEqual(there, [false, true, true, true, true]);
	// What counts is what they take, and not how small they are packed.
	const packed = zipSync({ 'site.eave': Buffer.from(around('')), 'blank.bin': new Uint8Array(400_000) }); // prettier-ignore
	assert.ok(packed.length < 5000);
	await previews.add(packed, undefined);
	assert.equal(previews.count, 1);
	await room.close();
});

test('a site that takes too long or too much is refused, and the others answer all the same', async () => {
	const greedy = (script: string) => () => new Worker(script, { eval: true, resourceLimits: { maxOldGenerationSizeMb: 24 } }); // prettier-ignore
	const isHeard = "require('node:worker_threads').parentPort.on('message', () => {";
	const endless = new PreviewRoom(1, greedy(`${isHeard} for (;;); })`));
	const site = zipOf(around(''));
	await assert.rejects(new Previews(Date.now, undefined, endless).add(site, undefined), /more than 0\.001 s/); // prettier-ignore
	const hungry = new PreviewRoom(undefined, greedy(`${isHeard} for (const all = []; ; ) all.push(new Array(1e5).fill(0)) })`)); // prettier-ignore
	await assert.rejects(new Previews(Date.now, undefined, hungry).add(site, undefined), /more memory/); // prettier-ignore

	const real = new PreviewRoom(longest);
	let isStuck = false;
	/** The real room, but for one question that finds it stuck. */
	class Stuck extends PreviewRoom {
		override async ask(
			question: Parameters<PreviewRoom['ask']>[0]
		): ReturnType<PreviewRoom['ask']> {
			if (!isStuck) return real.ask(question);
			await real.close();
			return endless.ask(question);
		}
	}
	const previews = new Previews(Date.now, undefined, new Stuck());
	const [bad, good] = [await previews.add(site, undefined), await previews.add(site, undefined)];
	isStuck = true;
	assert.equal(await pageOf(previews, bad), '');
	isStuck = false;
	assert.equal(previews.count, 1, 'what cannot be answered is gone');
	assert.match(await pageOf(previews, good), /home/, 'the other is read again');
	await real.close();
});

test('whatever a service does, asking it ends with an answer or a reason', async () => {
	const server = createServer((request, response) => {
		const path = request.url ?? '';
		if (path === '/loop') response.writeHead(302, { location: '/loop' }).end();
		else if (path === '/large') {
			const part = Buffer.alloc(1024 * 1024, 'a');
			const more = (): void => {
				while (response.write(part)) if (response.destroyed) return;
				if (!response.destroyed) response.once('drain', more);
			};
			response.on('error', () => undefined);
			more();
		} else if (path === '/json') response.writeHead(200, { etag: '"a"' }).end('{"a": 1}');
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	const bound = server.address();
	const base = `http://127.0.0.1:${typeof bound === 'object' ? bound?.port : ''}`;
	const why = async (path: string, most = 60_000): Promise<string> => {
		const outcome = await ask(base + path, {}, most);
		return outcome.kind === 'failed' ? outcome.why : `answered ${outcome.response.body}`;
	};
	try {
		assert.equal(await why('/json'), 'answered {"a": 1}');
		assert.match(await why('/loop'), /from one address to the next/);
		assert.match(await why('/large'), /more than 8 MB/);
		assert.match(await why('/silent', 700), /did not answer in 0\.7 s/);
		assert.match((await ask('http://127.0.0.1:1/', {})).kind, /failed/);
	} finally {
		server.closeAllConnections();
		server.close();
	}
});

test('a body that is too large is heard to its end, so that the answer arrives; one far too large is not', async () => {
	const sent = (count: number): { request: Request; pulled: () => number } => {
		let pulled = 0;
		const body = new ReadableStream<Uint8Array>({
			pull(controller) {
				if (pulled++ < count) controller.enqueue(new Uint8Array(100));
				else controller.close();
			}
		});
		const init: RequestInit & { duplex: 'half' } = { method: 'POST', body, duplex: 'half' };
		return { request: new Request('http://127.0.0.1/', init), pulled: () => pulled };
	};
	assert.equal((await readBody(sent(5).request, 500)).length, 500);
	const larger = sent(8);
	await assert.rejects(readBody(larger.request, 500), { status: 413 });
	assert.equal(larger.pulled(), 9, 'all of it was read');
	const endless = sent(1_000_000);
	await assert.rejects(readBody(endless.request, 500), { status: 413 });
	assert.ok(endless.pulled() < 30);
});
