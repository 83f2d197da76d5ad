import type { BoxRef } from '$core/edit/wish.ts';
import type { MeasuredBox } from '$core/drawing/overlay.ts';
import { readTrace, type Trace } from '$core/emit/trace.ts';

/** The stage's frame: a real page in a sandbox without scripts, changed in place so that it never blinks. */

/** A host that cannot be (RFC 2606, section 2): where the site's own addresses are relative to. */
const siteOrigin = 'https://site.invalid';

const sandboxParser = new DOMParser();

/** Puts a page into the frame's document. Scripts in it do not run: the frame's sandbox forbids them. */
export function showInFrame(frame: HTMLIFrameElement, html: string, address: string): void {
	const target = frame.contentDocument;
	if (!target) return;
	const page = sandboxParser.parseFromString(html, 'text/html');
	target.documentElement.lang = page.documentElement.lang;
	target.documentElement.dir = page.documentElement.dir;
	// A base outside the application, so that nothing relative in the page reaches it.
	const base = page.createElement('base');
	base.href = new URL(address, siteOrigin).href;
	page.head.prepend(base);
	replaceWith(target.head, page.head);
	replaceWith(target.body, page.body);
}

function replaceWith(target: HTMLElement, source: HTMLElement): void {
	if (target.innerHTML === source.innerHTML) return;
	target.replaceChildren(
		...[...source.childNodes].map((node) => target.ownerDocument.importNode(node, true))
	);
}

/** What a click in the page asks for. */
export type FollowedLink =
	| { readonly kind: 'address'; readonly address: string }
	| { readonly kind: 'outside'; readonly url: string }
	| { readonly kind: 'place'; readonly id: string };

/** The link that was clicked, seen from the page's own address; undefined where it is none. */
export function followedLink(event: Event, pageAddress: string): FollowedLink | undefined {
	const { target } = event;
	const link = isElement(target) ? target.closest('a[href], area[href]') : null;
	if (!link) return undefined;
	const href = link.getAttribute('href') ?? '';
	if (href.startsWith('#')) return { kind: 'place', id: href.slice(1) };
	const base = new URL(pageAddress, siteOrigin);
	const url = URL.canParse(href, base) ? new URL(href, base) : undefined;
	if (url?.origin === base.origin) return { kind: 'address', address: url.pathname };
	return { kind: 'outside', url: href };
}

/** Every region and piece of the page, in document order, measured where it stands now. */
export function measureBoxes(inner: Document): MeasuredBox[] {
	const boxes: MeasuredBox[] = [];
	for (const element of inner.querySelectorAll('[data-region], [data-piece]')) {
		const trace = readTrace((name) => element.getAttribute(name) ?? undefined);
		if (!trace) continue;
		const { x, y, width, height } = element.getBoundingClientRect();
		boxes.push({ trace, x, y, width, height });
	}
	return boxes;
}

/** The innermost region or piece under the pointer. */
export function traceAt(event: Event): Trace | undefined {
	const { target } = event;
	if (!isElement(target)) return undefined;
	const box = target.closest('[data-region], [data-piece]');
	return box ? readTrace((name) => box.getAttribute(name) ?? undefined) : undefined;
}

/** Elements of the frame come from its own realm, so `instanceof` would not know them. */
function isElement(value: unknown): value is Element {
	return typeof value === 'object' && value !== null && 'getAttribute' in value;
}

/** Where a track or a box begins and ends along one axis, px of the page as it is scrolled now. */
export interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** The tracks of a grid where they stand on the page. */
export interface MeasuredTracks {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly columns: readonly Stretch[];
	readonly rows: readonly Stretch[];
}

/** The element of a box, by the names that pages carry. */
function elementOf(inner: Document, { layout, box }: BoxRef): Element | null {
	const own = `[data-layout='${layout}']`;
	return box === undefined
		? inner.querySelector(`.layer${own}`)
		: inner.querySelector(`${own}[data-region='${box}'], ${own}[data-wrapper='${box}']`);
}

/** Measures the tracks of a box; undefined where it is not there or no grid. */
export function measureTracks(inner: Document, ref: BoxRef): MeasuredTracks | undefined {
	const element = elementOf(inner, ref);
	const style = element && inner.defaultView?.getComputedStyle(element);
	if (!element || !style || element.getClientRects().length === 0) return undefined;
	const rect = element.getBoundingClientRect();
	const px = (value: string): number => Number.parseFloat(value) || 0;
	const x = rect.x + px(style.paddingLeft);
	const y = rect.y + px(style.paddingTop);
	const width = rect.width - px(style.paddingLeft) - px(style.paddingRight);
	const height = rect.height - px(style.paddingTop) - px(style.paddingBottom);
	const isGrid = style.display.includes('grid');
	const columns = isGrid ? stretches(style.gridTemplateColumns, px(style.columnGap), x) : [];
	const rows = isGrid ? stretches(style.gridTemplateRows, px(style.rowGap), y) : [];
	const mirrored = style.direction === 'rtl';
	const across = mirrored
		? columns.map(({ from, to }) => ({ from: 2 * x + width - to, to: 2 * x + width - from }))
		: columns;
	return { x, y, width, height, columns: across, rows };
}

/** Used sizes of tracks as browsers give them: px, one after the other. */
function stretches(list: string, gap: number, start: number): Stretch[] {
	let at = start;
	return list
		.split(' ')
		.filter((word) => word.endsWith('px'))
		.map((word) => {
			const from = at;
			const to = from + Number.parseFloat(word);
			at = to + gap;
			return { from, to };
		});
}

/** The widths that layouts get which measure their own space, by layout, px. */
export function measureSpaces(inner: Document): Map<string, number> {
	const spaces = [...inner.querySelectorAll<HTMLElement>('.space')];
	return new Map(
		spaces.map((space) => [space.dataset['space'] ?? '', space.getBoundingClientRect().width])
	);
}
