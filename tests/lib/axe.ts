import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';
import { z } from 'zod';
import { frames } from './app.ts';

const foundSchema = z.array(
	z.object({
		id: z.string(),
		nodes: z.array(z.object({ html: z.string(), failureSummary: z.string().optional() }))
	})
);

const path = createRequire(import.meta.url).resolve('axe-core/axe.min.js');
const axe = await readFile(path, 'utf8');

/** What axe-core finds in the application as it is; the page on the stage is the site's own affair. */
export async function violationsIn(page: Page, options: object = {}): Promise<string[]> {
	await page.evaluate(axe);
	const found: unknown = await page.evaluate(
		`axe.run({ exclude: ["iframe"] }, ${JSON.stringify({ iframes: false, ...options })}).then((found) => found.violations)`
	);
	return foundSchema.parse(found).flatMap(({ id, nodes }) =>
		nodes.map(({ html, failureSummary }) => {
			return `${id}: ${html.slice(0, 160)} ${failureSummary?.split('\n')[1] ?? ''}`;
		})
	);
}

/** The same by day and by night, whatever the application shows: a window over all else covers what would change it. */
export async function violationsDayAndNight(page: Page): Promise<string[]> {
	const mode = await page.evaluate(() => document.documentElement.dataset['mode'] ?? 'day');
	const found: string[] = [];
	for (const one of ['day', 'night', mode]) {
		await page.evaluate((to) => (document.documentElement.dataset['mode'] = to), one);
		// Colours pass over into others; what is judged is what stays.
		await frames(page, 25);
		found.push(...(await violationsIn(page)).map((words) => `${one}: ${words}`));
	}
	return found;
}
