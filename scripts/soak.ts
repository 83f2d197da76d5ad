// npm run soak: 200 previews with 50 clients each on this machine alone; prints memory and the slowest answer.
import { readFileSync } from 'node:fs';
import { get, Agent } from 'node:http';
import { build, anyPort, serve } from './lib/setup.js';
import { packSource } from '../src/core/emit/delivery.ts';
import { readSitePath } from '../src/cli/files/site-path.ts';

const [previews = 200, clients = 50, seconds = 40] = process.argv.slice(2).map(Number);
build();
const { server, address } = await serve(await anyPort());
const agent = new Agent({ keepAlive: true, maxSockets: 64 });
const zip = new Uint8Array(packSource(await readSitePath('demo')));

/** Bytes that the server has in memory (proc(5), VmRSS). */
function memory(): number {
	const status = readFileSync(`/proc/${server.pid}/status`, 'utf8');
	return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) * 1024;
}

/** ms until a page has come as a whole, and its status. */
function page(url: string): Promise<{ ms: number; status: number }> {
	const start = performance.now();
	return new Promise((resolve, reject) => {
		get(url, { agent }, (answered) => {
			answered.resume();
			answered.on('end', () => {
				resolve({ ms: performance.now() - start, status: answered.statusCode ?? 0 });
			});
		}).on('error', reject);
	});
}

const before = memory();
const bases: string[] = [];
let refused = 0;
while (bases.length < previews) {
	const answered = await fetch(`${address}/api/preview`, {
		method: 'POST',
		headers: { 'content-type': 'application/zip' },
		body: zip
	});
	if (answered.status === 429) {
		// The limit holds for this sender too: it waits as it is told.
		refused++;
		await new Promise((resolve) => setTimeout(resolve, 5000));
		continue;
	}
	const said: unknown = await answered.json();
	if (typeof said === 'object' && said !== null && 'token' in said) {
		bases.push(`${address}/preview/${String(said.token)}/`);
	}
}
const held = memory();
const paths = ['', 'visit/', 'catalogue/', 'guides/beans/', 'desk/', 'nowhere'];
const times: number[] = [];
const statuses = new Map<number, number>();
const ends = Date.now() + seconds * 1000;
let next = 0;
/** One of the clients goes from page to page of its preview, with a breath between. */
async function visit(base: string): Promise<void> {
	await new Promise((resolve) => setTimeout(resolve, Math.random() * seconds * 1000));
	while (Date.now() < ends) {
		const { ms, status } = await page(base + (paths[next++ % paths.length] ?? ''));
		times.push(ms);
		statuses.set(status, (statuses.get(status) ?? 0) + 1);
		await new Promise((resolve) => setTimeout(resolve, 30_000 + Math.random() * 30_000));
	}
}
await Promise.all(bases.flatMap((base) => Array.from({ length: clients }, () => visit(base))));
times.sort((a, b) => a - b);
const mb = (bytes: number): string => `${(bytes / 2 ** 20).toFixed(0)} MB`;
console.log(`${previews} previews, ${clients} clients each, ${seconds} s: ${times.length} answers`);
console.log(
	`memory: ${mb(before)} at first, ${mb(held)} with all previews, ${mb(memory())} at the end`
);
const at = (share: number): string =>
	(times[Math.floor(share * (times.length - 1))] ?? 0).toFixed(1);
console.log(`answers: median ${at(0.5)} ms, 95 % ${at(0.95)} ms, slowest ${at(1)} ms`);
console.log(
	`statuses: ${[...statuses].map(([status, count]) => `${status} ${count}`).join(', ')}; waited ${refused} times for the limit`
);
server.kill();
agent.destroy();
