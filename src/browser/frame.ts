import { shownWord, type ShownBox } from '$core/measure/compare.ts';
import { isPieceRef, type ArrangedRef } from '$core/model/command.ts';
import type { MeasuredBox } from '$core/view-models/overlay.ts';
import { readTrace } from '$core/emit/html/trace.ts';
import { sameTrace, type Trace } from '$core/model/trace.ts';
import {
	all,
	around,
	attribute,
	childrenOf,
	copyAttributes,
	create,
	first,
	htmlIn,
	insertInto,
	isElement,
	isLaidOut,
	isThere,
	lengthOf,
	next,
	parent,
	partsOf,
	prependTo,
	rectOf,
	remove,
	replaceChildrenOf,
	scrolledTo
} from './dom.ts';

/** The stage's frame: a real page in a sandbox without scripts, changed in place so that it never blinks. */

/** A host that cannot be (RFC 2606, section 2): where the site's own addresses are relative to. */
export const siteOrigin = 'https://site.invalid';

const sandboxParser = new DOMParser();

/** What a browser would do by itself: connections, which no policy of content forbids, and other bases. */
const ahead =
	'base, link[rel~="preconnect" i], link[rel~="dns-prefetch" i], meta[http-equiv="refresh" i]';

/** How the document that the application serves for pages is known. */
const stageMark = 'data-stage';

/** What was put into a frame last, so that the same page again, or the same body, changes nothing. */
const pages = new WeakMap<Element, string>();
const shown = new WeakMap<Element, string>();

/** The frame's document, once it is the one that the application serves for pages and none before or after it. */
export function stageOf(frame: HTMLIFrameElement): Document | undefined {
	const document = frame.contentDocument;
	const root = document && partsOf(document)?.root;
	return root && attribute(root, stageMark) !== undefined ? document : undefined;
}

/**
 * Puts a page into the frame's document; gives whether it has one to put it into. Scripts in the page
 * do not run: the frame's sandbox and its policy forbid them. With `onMore`, a piece that is very long
 * comes a part at a time, and it is told of each.
 */
export function showInFrame(
	frame: HTMLIFrameElement,
	html: string,
	address: string,
	onMore?: () => void
): boolean {
	const document = stageOf(frame);
	const target = document && partsOf(document);
	if (!target) return false;
	if (pages.get(target.body) === address + html) return true;
	pages.set(target.body, address + html);
	const page = sandboxParser.parseFromString(html, 'text/html');
	const source = partsOf(page);
	if (!source) return false;
	copyAttributes(source.root, target.root, stageMark);
	copyAttributes(source.body, target.body);
	for (const element of all(page, ahead)) element.remove();
	const href = new URL(address, siteOrigin).href;
	if (isOther(target.head, htmlIn(source.head) + href)) {
		replaceChildrenOf(target.head, source.head, document);
		// A base outside the application, so that nothing relative in the page reaches it.
		const base = create(document, 'base');
		base.setAttribute('href', href);
		prependTo(target.head, base);
	}
	if (isOther(target.body, bodyOf(html))) {
		const rest = onMore ? takeRest(page) : [];
		replaceChildrenOf(target.body, source.body, document);
		addRest(rest, onMore);
	}
	return true;
}

/** Whether an element shows something else; what is to be shown in it is noted. */
function isOther(target: Element, html: string): boolean {
	if (shown.get(target) === html) return false;
	shown.set(target, html);
	return true;
}

/** The body of a written page, which is a long text: it is cut out, not parsed. */
function bodyOf(html: string): string {
	return html.slice(Math.max(0, html.indexOf('<body')));
}

/** Characters that are laid out at a time; a page with more comes in parts. */
const mostAtOnce = 60_000;

/** What of a long page comes later: nodes, with the element they stand in, in their order. */
interface Rest {
	readonly parent: Element;
	readonly nodes: Node[];
	/** What stands behind them; nothing where they are the last. */
	readonly next: Node | null;
}

/** Takes out of a page's pieces what is more than can be laid out at once. */
function takeRest(page: Document): Rest[] {
	let room = mostAtOnce;
	const rest: Omit<Rest, 'next'>[] = [];
	const take = (node: Node, parent: Element): void => {
		const length = lengthOf(node);
		if (length > mostAtOnce && isElement(node)) {
			for (const child of [...childrenOf(node)]) take(child, node);
			return;
		}
		room -= length;
		if (room >= 0 && rest.length === 0) return;
		const last = rest.at(-1);
		if (room < 0 || last?.parent !== parent) {
			rest.push({ parent, nodes: [node] });
			if (room < 0) room = mostAtOnce - length;
		} else {
			last.nodes.push(node);
		}
	};
	for (const piece of all(page, '[data-piece]')) {
		const around = parent(piece);
		if (around && !isPart(around)) take(piece, around);
	}
	const gone = new Set(rest.flatMap(({ nodes }) => nodes));
	const withNext = rest.map((one) => {
		let behind: Node | null | undefined = one.nodes.at(-1);
		while (behind && gone.has(behind)) behind = next(behind);
		return { ...one, next: behind ?? null };
	});
	gone.forEach(remove);
	return withNext;
}

/** Whether an element is in a piece; pieces that authors wrote into pieces are theirs. */
function isPart(element: Element): boolean {
	return around(element, '[data-piece]') !== null;
}

/** Adds the rest of a page, as long as it stands: another page takes its place at once. */
function addRest([first, ...others]: readonly Rest[], onMore: (() => void) | undefined): void {
	if (!first) return;
	setTimeout(() => {
		if (!isThere(first.parent)) return;
		for (const node of first.nodes) insertInto(first.parent, node, first.next);
		onMore?.();
		addRest(others, onMore);
	});
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

/**
 * Every region and piece of the page, in document order, measured where it stands now. A piece without
 * an element of its own is as large as its parts together.
 */
export function measureBoxes(inner: Document): MeasuredBox[] {
	const boxes: MeasuredBox[] = [];
	let before: Element | undefined;
	for (const element of all(inner, '[data-region], [data-piece], [data-group]')) {
		const trace = readTrace((name) => attribute(element, name));
		if (!trace) continue;
		const box = { trace, ...placeOf(element) };
		const last = boxes.at(-1);
		const continues =
			attribute(element, 'data-part') !== undefined && before && parent(before) === parent(element);
		if (last && continues && sameTrace(last.trace, trace))
			boxes[boxes.length - 1] = joined(last, box);
		else boxes.push(box);
		before = element;
	}
	return boxes;
}

/** Every box that is computed and has an element, as it stands now before anything is scrolled. */
export function shownBoxes(inner: Document): ShownBox[] {
	const { x: left, y: top } = scrolledTo(inner);
	const marked =
		'[data-region], [data-wrapper], [data-opener], [data-piece], [data-group], [data-layout]';
	return all(inner, marked).flatMap((element) => {
		const data = (name: string): string | undefined => attribute(element, `data-${name}`);
		if (data('part') !== undefined || !isLaidOut(element)) return [];
		const { x, y, width, height } = rectOf(element);
		const opener = data('opener');
		const content = opener ?? data('piece') ?? data('group');
		const above = parent(element);
		// In groups or not.
		const host = content === undefined || !above ? above : around(above, '[data-region]');
		const region = content === undefined || !host ? undefined : attribute(host, 'data-region');
		const layout = content === undefined || !host ? data('layout') : attribute(host, 'data-layout');
		const where = region === undefined ? (layout ?? '') : `${layout}.${region}`;
		const named = content ?? data('wrapper') ?? data('region') ?? '';
		const word = shownWord(where, opener === undefined ? named : `opener ${named}`);
		return [{ word, x: x + left, y: y + top, width, height }];
	});
}

function placeOf(element: Element): Omit<MeasuredBox, 'trace'> {
	const { x, y, width, height } = rectOf(element);
	return { x, y, width, height };
}

/** The box around two; one that is not laid out adds nothing. */
function joined(a: MeasuredBox, b: MeasuredBox): MeasuredBox {
	if (b.width === 0 && b.height === 0) return a;
	if (a.width === 0 && a.height === 0) return b;
	const x = Math.min(a.x, b.x);
	const y = Math.min(a.y, b.y);
	const width = Math.max(a.x + a.width, b.x + b.width) - x;
	const height = Math.max(a.y + a.height, b.y + b.height) - y;
	return { trace: a.trace, x, y, width, height };
}

/** The element of a region or piece; of a piece in several parts, the first of them. */
export function elementOfTrace(
	inner: Document,
	{ kind, layer, region, piece }: Trace
): Element | undefined {
	const name = region === undefined ? 'piece' : 'region';
	const marked = `[data-${kind}="${CSS.escape(layer)}"][data-${name}="${CSS.escape(region ?? piece ?? '')}"]`;
	return first(inner, marked) ?? undefined;
}

/** The innermost region or piece under the pointer. */
export function traceAt(event: Event): Trace | undefined {
	const { target } = event;
	if (!isElement(target)) return undefined;
	const box = around(target, '[data-region], [data-piece], [data-group]');
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
function elementOf(inner: Document, ref: ArrangedRef): Element | null {
	if (isPieceRef(ref)) {
		const { layer, region } = ref.holder;
		const name = ref.piece === undefined ? '[data-whole]' : `[data-group='${ref.piece}']`;
		const own = `[data-${layer.kind}='${layer.name}']${name}`;
		// What a page brings itself stands in a slot, unless it sits under nothing.
		const host = region
			? `[data-layout='${region.layout}'][data-region='${region.region}']`
			: '[data-slot]';
		return first(inner, `${host} ${own}`) ?? first(inner, own);
	}
	const { layout, box } = ref;
	const own = `[data-layout='${layout}']`;
	const others = '[data-region], [data-wrapper], [data-piece], [data-group], [data-opener]';
	return box === undefined
		? first(inner, `${own}:not(${others})`)
		: first(inner, `${own}[data-region='${box}'], ${own}[data-wrapper='${box}']`);
}

/** Measures the tracks of a box; undefined where it is not there or no grid. */
export function measureTracks(inner: Document, ref: ArrangedRef): MeasuredTracks | undefined {
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
	const spaces = all(inner, '[data-space]');
	return new Map(
		spaces.map((space) => [attribute(space, 'data-space') ?? '', rectOf(space).width])
	);
}
