import type { Page } from 'puppeteer-core';

/** Notes the steps of a page's own thread that take long (Long Tasks API), while something is done. */
export async function longestStep(page: Page, act: () => Promise<void>): Promise<number> {
	await page.evaluate(() => {
		const times: number[] = [];
		const observer = new PerformanceObserver((list) => {
			for (const entry of list.getEntries()) times.push(entry.duration);
		});
		observer.observe({ entryTypes: ['longtask'] });
		Object.assign(window, { longSteps: times });
	});
	await act();
	// Steps are told of once they are over, and a while after.
	await new Promise((resolve) => setTimeout(resolve, 700));
	return page.evaluate(() => {
		const times = 'longSteps' in window ? window.longSteps : [];
		return Math.max(0, ...(Array.isArray(times) ? times : []));
	});
}
