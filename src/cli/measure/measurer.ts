import mime from 'mime';
import type { Browser, Page } from 'puppeteer-core';
import * as z from 'zod';
import type { Answers, Asked } from '../../core/measure/asks.ts';
import { stageHtml } from '../../core/emit/stage.ts';
import type { PageInstance } from '../../core/resolve/instance.ts';
import type { ResolvedSite } from '../../core/resolve/site.ts';
import { measuringCode } from './measuring-code.ts';

/** The document that pages are put into, as the application serves it for its frames. */
const emptyDocument = '<!doctype html><html data-stage><head></head><body></body></html>';
const host = `<!doctype html><body style="margin: 0"><iframe sandbox="allow-same-origin" srcdoc="${emptyDocument.replaceAll('"', '&quot;')}" style="border: 0; display: block"></iframe>`;

const answersSchema = z.array(
	z.array(
		z
			.array(z.number())
			.nullish()
			.transform((values) => values ?? undefined)
	)
);

/** A page of a browser that measures the content of pages, as the application does it. */
export class Measurer {
	private constructor(readonly page: Page) {}

	static async open(browser: Browser): Promise<Measurer> {
		const page = await browser.newPage();
		await page.setViewport({ width: 1280, height: 800 });
		await page.setRequestInterception(true);
		// Pages are measured as they are delivered: nothing from outside comes in.
		page.on('request', (request) => {
			const own = /^(data|about|blob):/.test(request.url());
			void (own ? request.continue() : request.abort());
		});
		await page.setContent(host);
		await page.waitForFunction(
			'document.querySelector("iframe").contentDocument?.documentElement.dataset.stage !== undefined'
		);
		await page.evaluate(`${await measuringCode()}; globalThis.measuring = measuring;`);
		return new Measurer(page);
	}

	/** Shows a page in the frame; what is measured then is its content. */
	async show(instance: PageInstance, resolved: ResolvedSite, year: number): Promise<void> {
		const html = stageHtml(instance, resolved, dataUrls(resolved), year);
		// A page that is not seen chooses no pictures anew.
		await this.page.bringToFront();
		const done = await this.page.evaluate(`(async () => {
			const frame = document.querySelector('iframe');
			globalThis.open = await measuring.Measuring.open(frame, ${JSON.stringify(html)}, ${JSON.stringify(instance.address)}, new AbortController().signal);
			return globalThis.open !== undefined;
		})()`);
		if (done !== true) throw new Error(`${instance.address} could not be shown to be measured.`);
	}

	async answer(asked: readonly Asked[]): Promise<Answers> {
		const answers: unknown = await this.page.evaluate(
			`globalThis.open.answer(${JSON.stringify(asked)}, new AbortController().signal)`
		);
		return answersSchema.parse(answers);
	}

	async close(): Promise<void> {
		await this.page.close();
	}
}

/** The site's files as addresses that need no server. */
export function dataUrls({ reading }: ResolvedSite): { get(path: string): string | undefined } {
	return {
		get(path) {
			const bytes = reading.files.assets.get(path);
			return (
				bytes &&
				`data:${mime.getType(path) ?? 'application/octet-stream'};base64,${Buffer.from(bytes).toString('base64')}`
			);
		}
	};
}
