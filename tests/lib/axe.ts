import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';
import { z } from 'zod';

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
