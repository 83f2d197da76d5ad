import mime from 'mime';
import type { Page as Tab } from 'puppeteer-core';
import type { CheckedSite } from '../../src/core/check/site.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import type { PlacedBox } from '../../src/core/geometry/page-layout.ts';

/** A tab in which the pages of a delivery stand under a host that is nowhere. */
export async function openDelivered(tab: Tab, site: CheckedSite): Promise<void> {
	const files = new Map(deliver(site, 2026).map(({ path, content }) => [path, content]));
	await tab.setRequestInterception(true);
	tab.on('request', (request) => {
		const path = new URL(request.url()).pathname.slice(1);
		const found = files.get(path) ?? files.get(`${path}index.html`);
		const body = typeof found === 'string' ? found : found && Buffer.from(found);
		const contentType = mime.getType(path) ?? 'text/html';
		void (body === undefined ? request.abort() : request.respond({ body, contentType }));
	});
}

/** Boxes by what they are and how they are called. */
export function namedBoxes(boxes: readonly PlacedBox[]): Map<string, PlacedBox> {
	return new Map(
		boxes.map((box) => {
			const { kind, layout, region, pieces } = box.name;
			return [[kind, [layout, region, ...pieces.map(({ piece }) => piece)].filter(Boolean).join('.')].join(' '), box]; // prettier-ignore
		})
	);
}
