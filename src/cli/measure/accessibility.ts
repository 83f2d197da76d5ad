import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Browser, Page } from 'puppeteer-core';
import * as z from 'zod';
import type { ShownFault } from '../../core/check/html/shown-faults.ts';
import { stageHtml } from '../../core/emit/stage.ts';
import type { PageInstance } from '../../core/resolve/instance.ts';
import type { ResolvedSite } from '../../core/resolve/site.ts';
import { dataUrls } from './measurer.ts';

/** px; a phone, a tablet that lies, so that little of its height is left, and a desk. */
const screens = [
	{ width: 360, height: 640 },
	{ width: 800, height: 600 },
	{ width: 1280, height: 800 }
] as const;

const faultsSchema = z.array(
	z.object({
		rule: z.string(),
		help: z.string(),
		element: z.number(),
		contrast: z.object({ is: z.number(), needs: z.number() }).optional(),
		size: z.object({ width: z.number(), height: z.number() }).optional()
	})
);

/** Runs in the page: what the engine finds, each with the place of its element among all of the body. */
const look = `axe.run(document, { resultTypes: ['violations'], rules: { 'target-size': { enabled: true } } }).then(({ violations }) => {
	const all = [document.body, ...document.body.querySelectorAll('*')];
	return violations.flatMap(({ id, help, nodes }) => nodes.map(({ target, any }) => {
		const found = document.querySelector(String(target[0]));
		const data = any.find((one) => one.data && one.data.contrastRatio)?.data;
		const contrast = data && { is: data.contrastRatio, needs: parseFloat(data.expectedContrastRatio) };
		const pressed = any.find((one) => one.id === 'target-size' && one.data && one.data.width !== undefined)?.data;
		const size = pressed && { width: pressed.width, height: pressed.height };
		return { rule: id, help, element: Math.max(0, all.indexOf(found)), ...(contrast && { contrast }), ...(size && { size }) };
	}));
})`;

/** A page of a browser in which pages are opened as they are delivered, and held against the rules of accessibility. */
export class Accessibility {
	private constructor(
		private readonly page: Page,
		private readonly engine: string
	) {}

	static async open(browser: Browser): Promise<Accessibility> {
		const page = await browser.newPage();
		await page.setRequestInterception(true);
		// Nothing from outside comes in.
		page.on('request', (request) => {
			const own = /^(data|about|blob):/.test(request.url());
			void (own ? request.continue() : request.abort());
		});
		return new Accessibility(page, await engineCode());
	}

	/** What is wrong on a page as it is shown; on which screens, px. */
	async faultsOf(instance: PageInstance, site: ResolvedSite, year: number): Promise<ShownFault[]> {
		await this.page.setContent(stageHtml(instance, site, dataUrls(site), year));
		await this.page.evaluate(this.engine);
		const known = new Map<string, ShownFault>();
		for (const { width, height } of screens) {
			await this.page.setViewport({ width, height });
			for (const one of faultsSchema.parse(await this.page.evaluate(look))) {
				const word = `${one.rule} ${one.element}`;
				const before = known.get(word);
				const widths = [...(before?.widths ?? []), width];
				const { contrast, size, ...said } = one;
				known.set(word, { ...said, ...(contrast && { contrast }), ...(size && { size }), widths });
			}
		}
		// What is so on all of them is so at every width.
		return [...known.values()].map((one) =>
			one.widths.length === screens.length ? { ...one, widths: [] } : one
		);
	}
}

/** It lies beside the bundle of the command line; where that runs from its sources, among the packages. */
function engineCode(): Promise<string> {
	const beside = new URL('../axe.js', import.meta.url);
	if (existsSync(beside)) return readFile(beside, 'utf8');
	return readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
}
