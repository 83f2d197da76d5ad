import mime from 'mime';
import type { Browser, Page as Tab } from 'puppeteer-core';
import * as z from 'zod';
import {
	boxShift,
	proofHeight,
	proofWidths,
	type ElementBoxes
} from '../../core/bring-in/proving/box-shift.ts';
import type { PageProof } from '../../core/bring-in/proving/proof.ts';

/** Files by their paths, as a server would have them. */
type Folder = ReadonlyMap<string, string | Uint8Array>;

/** A host that cannot be (RFC 2606, section 2). */
const host = 'http://pages.invalid/';

const boxesSchema = z.object({ boxes: z.array(z.number()), names: z.array(z.string()) });

/** Runs in the page: the boxes of all elements of the body, once pictures and faces are there. */
const look = `(async () => {
	const pictures = [...document.images];
	for (const one of pictures) one.loading = 'eager';
	await Promise.all(pictures.filter((one) => !one.complete).map((one) => new Promise((done) => {
		one.addEventListener('load', done, { once: true });
		one.addEventListener('error', done, { once: true });
	})));
	await document.fonts.ready;
	const all = [document.body, ...document.body.querySelectorAll('*')];
	const boxes = all.flatMap((one) => {
		const { x, y, width, height } = one.getBoundingClientRect();
		return [x + scrollX, y + scrollY, width, height];
	});
	return { boxes, names: all.map((one) => one.localName + (one.id ? '#' + one.id : '')) };
})()`;

/**
 * Holds the boxes of pages that came in against those of what they became, each opened in a browser as it stands in its own
 * folder: nothing of the tool is in between. Scripts do not run.
 */
export class PageBoxes {
	private constructor(
		private readonly before: Tab,
		private readonly now: Tab
	) {}

	static async open(browser: Browser, before: Folder, now: Folder): Promise<PageBoxes> {
		return new PageBoxes(await openOn(browser, before), await openOn(browser, now));
	}

	/** What a page is that has the same elements: the same, or with a box elsewhere. */
	async prove(path: string): Promise<PageProof> {
		const url = host + path.split('/').map(encodeURIComponent).join('/');
		await Promise.all([this.before, this.now].map((tab) => tab.goto(url)));
		for (const width of proofWidths) {
			const [one, other] = await Promise.all(
				[this.before, this.now].map((tab) => boxesOf(tab, width))
			);
			const shift = one && other && boxShift(one.boxes, other.boxes, width);
			if (shift) return { path, kind: 'shifted', shift, element: one.names[shift.element] ?? '' };
		}
		return { path, kind: 'same' };
	}
}

async function boxesOf(
	tab: Tab,
	width: number
): Promise<{ boxes: ElementBoxes; names: readonly string[] }> {
	await tab.setViewport({ width, height: proofHeight });
	return boxesSchema.parse(await tab.evaluate(look));
}

async function openOn(browser: Browser, folder: Folder): Promise<Tab> {
	const tab = await browser.newPage();
	await tab.setJavaScriptEnabled(false);
	await tab.setRequestInterception(true);
	tab.on('request', (request) => {
		const url = request.url();
		if (/^(data|about|blob):/.test(url)) return void request.continue();
		const path = url.startsWith(host) ? pathOf(url) : undefined;
		const found = path === undefined ? undefined : folder.get(path);
		// Nothing from outside comes in.
		if (found === undefined) return void request.abort();
		const body = typeof found === 'string' ? found : Buffer.from(found);
		const contentType = mime.getType(path ?? '') ?? 'application/octet-stream';
		return void request.respond({ body, contentType });
	});
	return tab;
}

/** The path that a URL of the host names; one that cannot be decoded names none. */
function pathOf(url: string): string | undefined {
	try {
		return decodeURIComponent(new URL(url).pathname.slice(1));
	} catch {
		return undefined;
	}
}
