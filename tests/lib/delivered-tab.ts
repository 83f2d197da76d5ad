import assert from 'node:assert/strict';
import mime from 'mime';
import type { Browser, Page as Tab } from 'puppeteer-core';
import { Measurer } from '../../src/cli/measure/measurer.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { deliver } from '../../src/core/emit/delivery.ts';
import { sweepFrom, sweepTo } from '../../src/core/geometry/widths/jumps.ts';
import type { PlacedBox } from '../../src/core/geometry/page-layout.ts';
import { MeasuredPage } from '../../src/core/laid/measured-page.ts';
import { drive } from '../../src/core/measure/drive.ts';
import { SizeStore } from '../../src/core/measure/size-store.ts';
import { pageNamed } from './site.ts';

/** The boxes of a page at all widths, with its content measured in a browser. */
export async function sweepOf(
	browser: Browser,
	site: CheckedSite,
	route: string
): Promise<{ boxesAt(width: number): readonly PlacedBox[] }> {
	const [instance] = site.instances(pageNamed(site, route));
	assert.ok(instance);
	const measurer = await Measurer.open(browser);
	await measurer.show(instance, site, 2026);
	const page = new MeasuredPage(instance, site, 2026, { height: 800 }, new SizeStore());
	const sweep = await drive(page.between(sweepFrom, sweepTo), (asked) => measurer.answer(asked));
	assert.ok(sweep);
	return sweep;
}

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
