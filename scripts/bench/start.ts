import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import { openBrowser, openPage } from '../lib/browser.ts';
import { serve } from '../lib/setup.js';
import type { BenchRow } from './core.ts';
import { summary } from './measure.ts';

/** What a first visit costs until the page stands on the stage, and what goes on behind it. */
export interface StartCost {
	/** ms of tasks on the main thread and in the worker until the stage shows the page. */
	readonly main: number;
	readonly worker: number;
	/** ms by the clock until then. */
	readonly clock: number;
	/** kB of scripts that came until then, as they were sent. */
	readonly scripts: number;
	readonly workerScripts: number;
	/** ms of tasks on the main thread in the 8 s after it, and how often it was laid out. */
	readonly after: number;
	readonly layouts: number;
	/** ms of tasks on the main thread for each change of view after that, until it has been drawn. */
	readonly views: readonly number[];
	/** Nodes of documents that are held, after as much was collected as can be. */
	readonly nodes: number;
}

const traceSchema = z.object({
	traceEvents: z.array(
		z.object({
			name: z.string(),
			ph: z.string(),
			pid: z.number(),
			tid: z.number(),
			ts: z.number().optional(),
			dur: z.number().optional(),
			args: z.looseObject({ name: z.unknown() }).partial().optional()
		})
	)
});

/** Opens the demo in a browser that has never seen it. */
export async function startCost(address: string): Promise<StartCost> {
	const { browser, close } = await openBrowser();
	const path = join(tmpdir(), `eave-trace-${process.pid}.json`);
	try {
		const page = await openPage(browser);
		const session = await page.createCDPSession();
		await session.send('Network.enable');
		await session.send('Performance.enable');
		const metric = async (name: string): Promise<number> => {
			const { metrics } = await session.send('Performance.getMetrics');
			return metrics.find((one) => one.name === name)?.value ?? 0;
		};
		const sent = new Map<string, number>();
		const urls = new Map<string, string>();
		session.on('Network.responseReceived', ({ requestId, response }) =>
			urls.set(requestId, response.url)
		);
		session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) =>
			sent.set(urls.get(requestId) ?? requestId, encodedDataLength)
		);
		await page.tracing.start({
			path,
			categories: ['toplevel', '__metadata', 'disabled-by-default-devtools.timeline']
		});
		const since = performance.now();
		await page.goto(address);
		await page.waitForSelector('[data-ready]');
		const clock = performance.now() - since;
		const main = (await metric('TaskDuration')) * 1000;
		const untilThen = [...sent];
		await page.tracing.stop();
		const { traceEvents } = traceSchema.parse(JSON.parse(await readFile(path, 'utf8')));
		const tasks = (thread: string): number => {
			const named = traceEvents.filter(
				({ name, args }) => name === 'thread_name' && String(args?.name).startsWith(thread)
			);
			const isOn = (pid: number, tid: number): boolean =>
				named.some((one) => one.pid === pid && one.tid === tid);
			const own = traceEvents.filter(
				({ name, pid, tid }) => name === 'ThreadControllerImpl::RunTask' && isOn(pid, tid)
			);
			return own.reduce((sum, { dur = 0 }) => sum + dur, 0) / 1000;
		};
		const worker = tasks('DedicatedWorker');
		const kB = (isOne: (url: string) => boolean): number =>
			untilThen
				.filter(([url]) => url.includes('.js') && isOne(url))
				.reduce((sum, [, bytes]) => sum + bytes, 0) / 1000;
		const isWorker = (url: string): boolean => url.includes('/workers/') || url.includes('worker');
		const scripts = kB((url) => !isWorker(url));
		const workerScripts = kB(isWorker);
		const before = [await metric('TaskDuration'), await metric('LayoutCount')] as const;
		await new Promise((resolve) => setTimeout(resolve, 8000));
		const after = ((await metric('TaskDuration')) - before[0]) * 1000;
		const layouts = (await metric('LayoutCount')) - before[1];
		const views: number[] = [];
		for (const view of ['sheet', 'sweep', 'source', 'material', 'findings', 'deliver', 'plan']) {
			const since = await metric('TaskDuration');
			await page.click(`nav a[href^="/${view}"]`);
			await page.waitForSelector(`nav a[href^="/${view}"][aria-current="page"]`);
			await page.evaluate(
				'new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))'
			);
			views.push(((await metric('TaskDuration')) - since) * 1000);
		}
		await session.send('HeapProfiler.collectGarbage');
		const nodes = await metric('Nodes');
		return { main, worker, clock, scripts, workerScripts, after, layouts, views, nodes };
	} finally {
		await close();
	}
}

export async function benchStart(): Promise<BenchRow[]> {
	const { server, address } = await serve(4397);
	try {
		const costs: StartCost[] = [];
		for (let run = 0; run < 5; run++) costs.push(await startCost(address));
		const row = (what: string, of: (cost: StartCost) => number, note: string): BenchRow => ({
			what,
			measured: summary(costs.map(of)),
			note
		});
		return [
			row(
				'A first visit: tasks on the main thread until the stage shows the page',
				({ main }) => main,
				'aim: under 1,000 ms'
			),
			row('… tasks in the worker until then', ({ worker }) => worker, 'aim: under 800 ms'),
			row('… by the clock', ({ clock }) => clock, ''),
			row('… tasks on the main thread in the 8 s after it', ({ after }) => after, ''),
			row(
				'… scripts that came until then, kB as sent',
				({ scripts }) => scripts,
				'aim: under 250 kB'
			),
			{
				what: 'A change of view: tasks on the main thread until it is drawn',
				measured: summary(costs.flatMap(({ views }) => views)),
				note: 'all seven views; aim: under 150 ms'
			},
			row('… nodes that are held after seven changes, a number', ({ nodes }) => nodes, '')
		];
	} finally {
		server.kill();
	}
}
