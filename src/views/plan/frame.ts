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
