import type { Page } from 'puppeteer-core';

/**
 * Holds the worker that reads the site, as on a machine that is busy elsewhere: whatever asks it waits. So states
 * that come in passing are there for as long as a test looks at them. Gives the way to let it go on.
 */
export async function holdWorker(page: Page): Promise<() => Promise<void>> {
	const worker = page.workers().find((one) => one.url().includes('site.worker'));
	if (!worker) throw new Error('There is no worker.');
	await worker.client.send('Debugger.enable');
	await worker.client.send('Debugger.pause');
	return async () => {
		await worker.client.send('Debugger.disable');
	};
}
