import type { BoxRef } from '$core/edit/wish.ts';
import type { MeasuredBox } from '$core/drawing/overlay.ts';
import { readTrace, type Trace } from '$core/emit/trace.ts';
import {
	all,
	around,
	attribute,
	create,
	first,
	htmlIn,
	isElement,
	isLaidOut,
	partsOf,
	prependTo,
	rectOf,
	replaceChildrenOf
} from './dom.ts';

/** The stage's frame: a real page in a sandbox without scripts, changed in place so that it never blinks. */

/** A host that cannot be (RFC 2606, section 2): where the site's own addresses are relative to. */
export const siteOrigin = 'https://site.invalid';

const sandboxParser = new DOMParser();

/** What a browser would do by itself: connections, which no policy of content forbids, and other bases. */
const ahead =
	'base, link[rel~="preconnect" i], link[rel~="dns-prefetch" i], meta[http-equiv="refresh" i]';

/** What was put into a frame last, so that the same page again changes nothing. */
const shown = new WeakMap<Element, string>();

/**
 * Puts a page into the frame's document; gives whether it has one to put it into. Scripts in the page
 * do not run: the frame's sandbox and its policy forbid them.
 */
export function showInFrame(frame: HTMLIFrameElement, html: string, address: string): boolean {
	const document = frame.contentDocument;
	const target = document && partsOf(document);
	const page = sandboxParser.parseFromString(html, 'text/html');
	const source = partsOf(page);
	if (!document || !target || !source) return false;
	target.root.lang = source.root.lang;
	target.root.dir = source.root.dir;
	for (const element of all(page, ahead)) element.remove();
	const href = new URL(address, siteOrigin).href;
	if (replaceWith(target.head, source.head, document, href)) {
		// A base outside the application, so that nothing relative in the page reaches it.
		const base = create(document, 'base');
		base.setAttribute('href', href);
		prependTo(target.head, base);
	}
	replaceWith(target.body, source.body, document, '');
	return true;
}

/** Puts one element's children in place of another's, where they are others. Gives whether they were. */
function replaceWith(
	target: Element,
	source: Element,
	document: Document,
	besides: string
): boolean {
	const html = htmlIn(source) + besides;
	if (shown.get(target) === html) return false;
	shown.set(target, html);
	replaceChildrenOf(target, source, document);
	return true;
}

/** What a click in the page asks for. */
export type FollowedLink =
	| { readonly kind: 'address'; readonly address: string }
	| { readonly kind: 'outside'; readonly url: string }
	| { readonly kind: 'place'; readonly id: string };

/** The link that was clicked, of HTML or SVG, seen from the page's own address; undefined where it is none. */
export function followedLink(event: Event, pageAddress: string): FollowedLink | undefined {
	const { target } = event;
	const link = isElement(target) ? around(target, 'a, area') : null;
	if (!link) return undefined;
	const href = attribute(link, 'href') ?? attribute(link, 'xlink:href');
	if (href === undefined) return undefined;
	if (href.startsWith('#')) return { kind: 'place', id: href.slice(1) };
	const base = new URL(pageAddress, siteOrigin);
	const url = URL.canParse(href, base) ? new URL(href, base) : undefined;
	if (url?.origin === base.origin) return { kind: 'address', address: url.pathname };
	return { kind: 'outside', url: href };
}

/** Every region and piece of the page, in document order, measured where it stands now. */
export function measureBoxes(inner: Document): MeasuredBox[] {
	const boxes: MeasuredBox[] = [];
	for (const element of all(inner, '[data-region], [data-piece]')) {
		const trace = readTrace((name) => attribute(element, name));
		if (!trace) continue;
		const { x, y, width, height } = rectOf(element);
		boxes.push({ trace, x, y, width, height });
	}
	return boxes;
}

/** The innermost region or piece under the pointer. */
export function traceAt(event: Event): Trace | undefined {
	const { target } = event;
	if (!isElement(target)) return undefined;
	const box = around(target, '[data-region], [data-piece]');
	return box ? readTrace((name) => attribute(box, name)) : undefined;
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
		? first(inner, `.layer${own}`)
		: first(inner, `${own}[data-region='${box}'], ${own}[data-wrapper='${box}']`);
}

/** Measures the tracks of a box; undefined where it is not there or no grid. */
export function measureTracks(inner: Document, ref: BoxRef): MeasuredTracks | undefined {
	const element = elementOf(inner, ref);
	if (!element || !isLaidOut(element)) return undefined;
	const style = getComputedStyle(element);
	const rect = rectOf(element);
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
	const spaces = all(inner, '.space[data-space]');
	return new Map(
		spaces.map((space) => [attribute(space, 'data-space') ?? '', rectOf(space).width])
	);
}
