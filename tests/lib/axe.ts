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
	// It is half a megabyte, and stays as long as the document does.
	if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
	await coloured(page);
	const found: unknown = await page.evaluate(
		`axe.run({ exclude: ["iframe"] }, ${JSON.stringify({ iframes: false, ...options })}).then((found) => found.violations)`
	);
	return foundSchema.parse(found).flatMap(({ id, nodes }) =>
		nodes.map(({ html, failureSummary }) => {
			return `${id}: ${html.slice(0, 160)} ${failureSummary?.split('\n')[1] ?? ''}`;
		})
	);
}

/** Colours pass over into others, and new ones may come with the next drawing: what is judged is what stays. */
async function coloured(page: Page): Promise<void> {
	await frames(page, 3);
	await page.evaluate(() => {
		for (const one of document.getAnimations()) if (one instanceof CSSTransition) one.finish();
	});
}

/** By night nothing but the colours is another. */
export const onlyColours = { runOnly: ['color-contrast'] };

/** The same by day and by night, whatever the application shows: a window over all else covers what would change it. */
export async function violationsDayAndNight(page: Page): Promise<string[]> {
	const before = await page.evaluate(() => document.documentElement.dataset['mode'] ?? 'day');
	const found: string[] = [];
	for (const mode of ['day', 'night']) {
		await page.evaluate((to) => (document.documentElement.dataset['mode'] = to), mode);
		const options = mode === 'night' ? onlyColours : {};
		found.push(...(await violationsIn(page, options)).map((words) => `${mode}: ${words}`));
	}
	await page.evaluate((to) => (document.documentElement.dataset['mode'] = to), before);
	return found;
}
