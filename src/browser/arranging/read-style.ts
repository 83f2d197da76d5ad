import type { ReadBox } from '$core/arranging/frame/reading.ts';
import { childrenOf, isElement, parent, styleOfElement } from '../dom.ts';

/** What style sheets say of how an element lies, as a browser has worked it out. */

type Side = 'Top' | 'Right' | 'Bottom' | 'Left';

/** Margin, padding or borders of an element, px: top, right, bottom, left. */
export function sidesOf(
	style: CSSStyleDeclaration,
	what: 'margin' | 'padding' | 'border'
): ReadBox['margin'] {
	return [
		sideOf(style, what, 'Top'),
		sideOf(style, what, 'Right'),
		sideOf(style, what, 'Bottom'),
		sideOf(style, what, 'Left')
	];
}

function sideOf(
	style: CSSStyleDeclaration,
	what: 'margin' | 'padding' | 'border',
	side: Side
): number {
	const value =
		what === 'border'
			? style[`border${side}Width`]
			: what === 'margin'
				? style[`margin${side}`]
				: style[`padding${side}`];
	const number = Number.parseFloat(value);
	return Number.isFinite(number) ? number : 0;
}

const arranging = /(flex|grid)$/;

/** How an element takes part in what stands around it (CSS 2.2, section 9). */
export function flowOf(element: Element): ReadBox['flow'] {
	const { position, float, display } = styleOfElement(element);
	if (position === 'absolute' || position === 'fixed') return 'away';
	if (position === 'sticky') return 'sticky';
	const outer = parent(element);
	if (outer && arranging.test(styleOfElement(outer).display)) return 'item';
	if (float !== 'none') return 'float';
	if (/^table-(cell|row|row-group|header-group|footer-group)$/.test(display)) return 'item';
	return display.startsWith('inline') || display === 'contents' ? 'inline' : 'block';
}

/** A value as it was said, before it was worked out; undefined where the browser does not tell. */
function said(element: Element, property: string): string | undefined {
	return 'computedStyleMap' in Element.prototype
		? Element.prototype.computedStyleMap.call(element).get(property)?.toString()
		: undefined;
}

/** Whether the width of an element follows from what is in it (CSS Sizing 3, section 4). */
export function isHug(element: Element): boolean {
	const width = said(element, 'width') ?? 'auto';
	if (/^(min|max|fit)-content/.test(width)) return true;
	if (width !== 'auto') return false;
	const { display, flexGrow } = styleOfElement(element);
	const flow = flowOf(element);
	if (flow === 'item') {
		const outer = parent(element);
		const around = outer ? styleOfElement(outer) : undefined;
		if (around?.display.endsWith('grid')) return false;
		if (around?.display.endsWith('flex')) {
			const isLine = around.flexDirection.startsWith('row');
			const basis = said(element, 'flex-basis') ?? 'auto';
			return isLine && flexGrow === '0' && /^(auto|content)$/.test(basis);
		}
		return false;
	}
	return flow === 'float' || flow === 'away' || /^(inline|table)/.test(display);
}

/** Whether what arranges an element never makes it narrower than what is in it (CSS Grid 2, section 6.6; Flexbox 1, section 4.5). */
export function keepsContent(
	element: Element,
	{ minWidth, overflowX, display }: CSSStyleDeclaration
): boolean {
	if (display === 'table-cell') return true;
	const outer = parent(element);
	if (!outer || flowOf(element) !== 'item' || minWidth !== 'auto' || overflowX !== 'visible')
		return false;
	const columns = said(outer, 'grid-template-columns') ?? '';
	return !(styleOfElement(outer).display.endsWith('grid') && columns.includes('minmax(0'));
}

/** Elements whose words browsers set in a way of their own, or by attributes (HTML, sections 15.3.8 and 15.3.10). */
const settingWords = /^(td|th|tr|table|tbody|thead|tfoot|caption|li|dt|dd|center)$/;

/** How an element sets its words other than what is around it does, as CSS, where that goes with what it is. */
export function setsWords(element: Element, style: CSSStyleDeclaration): string | undefined {
	const outer = parent(element);
	if (!outer || !settingWords.test(element.localName)) return undefined;
	const around = styleOfElement(outer);
	const all = [
		...(style.textAlign === around.textAlign
			? []
			: [`text-align: ${style.textAlign.replace(/^-\w+-/, '')}`]),
		...(style.fontWeight === around.fontWeight ? [] : [`font-weight: ${style.fontWeight}`]),
		...(style.whiteSpace === around.whiteSpace ? [] : [`white-space: ${style.whiteSpace}`])
	];
	return all.length === 0 ? undefined : all.join('; ');
}

/** Whether the height of an element is said, and does not follow from what is in it. */
export function saidHeight(element: Element): boolean {
	const height = said(element, 'height');
	return height !== undefined && /^[\d.]+px$/.test(height);
}

/** Whether what is in an element stands in it as in any block. */
export function isPlain(style: CSSStyleDeclaration): boolean {
	const { display, position, overflowX, overflowY, columnCount, columnWidth, transform } = style;
	return (
		/^(block|flow-root)$/.test(display) &&
		position === 'static' &&
		overflowX === 'visible' &&
		overflowY === 'visible' &&
		columnCount === 'auto' &&
		columnWidth === 'auto' &&
		transform === 'none'
	);
}

/** Whether the rows of a grid share what is left over: none of them takes it alone (CSS Grid 2, section 11.8). */
export function sharesRows(
	element: Element,
	{ display, alignContent }: CSSStyleDeclaration
): boolean {
	const rows = said(element, 'grid-template-rows') ?? 'none';
	return (
		display.endsWith('grid') && !rows.includes('fr') && /^(normal|stretch)$/.test(alignContent)
	);
}

/** Elements that are in lines of their own accord (HTML, section 15.3). */
const inLines =
	/^(a|abbr|b|bdi|button|cite|code|em|i|img|input|kbd|label|mark|q|s|select|small|span|strong|sub|sup|svg|time|u|var|video)$/;

/** How an element arranges what stands in lines of its own accord, as CSS; undefined where it does not, or holds blocks. */
export function arrangingOfLines(element: Element, style: CSSStyleDeclaration): string | undefined {
	const { display, flexFlow, columnGap, rowGap, justifyContent, alignItems } = style;
	const isLines = [...childrenOf(element)].every(
		(node) => !isElement(node) || inLines.test(node.localName)
	);
	if (!/^(inline-)?flex$/.test(display) || !isLines) return undefined;
	const gaps = [rowGap, columnGap].map((gap) => (gap === 'normal' ? '0' : gap));
	return [
		`display: flex`,
		`flex-flow: ${flexFlow}`,
		`gap: ${gaps.join(' ')}`,
		`justify-content: ${justifyContent}`,
		`align-items: ${alignItems}`
	].join('; ');
}

/** Whether an element is a block only because it floats, or what is around it arranges it (CSS Display 3, section 2.7). */
export function isMadeBlock(element: Element, { display }: CSSStyleDeclaration): boolean {
	const flow = flowOf(element);
	return (
		display === 'block' && inLines.test(element.localName) && (flow === 'item' || flow === 'float')
	);
}

/** The least height that is said of an element: px, or a share of the screen. */
export function saidLeast(element: Element): string | undefined {
	const least = said(element, 'min-height') ?? '';
	return /^[\d.]+(px|d?vh)$/.test(least) && !least.startsWith('0') ? least : undefined;
}

/** Whether margins of what is in an element stay in it (CSS Display 3, "block formatting context"). */
function keepsMargins(element: Element): boolean {
	const { display, overflowX, overflowY, columnCount, columnWidth } = styleOfElement(element);
	const flow = flowOf(element);
	return (
		flow === 'float' ||
		flow === 'away' ||
		flow === 'item' ||
		!/^(block|list-item)$/.test(display) ||
		overflowX !== 'visible' ||
		overflowY !== 'visible' ||
		columnCount !== 'auto' ||
		columnWidth !== 'auto'
	);
}

/** Whether an element has a ground or lines of its own. */
export function isPainted(style: CSSStyleDeclaration): boolean {
	return (
		!/^(transparent|rgba\(0, 0, 0, 0\))$/.test(style.backgroundColor) ||
		style.backgroundImage !== 'none' ||
		style.boxShadow !== 'none' ||
		sidesOf(style, 'border').some((width) => width > 0)
	);
}

/** Margins that reach out of an element: px, and how deep in it the innermost element stands that has some. */
interface Escaping {
	readonly by: number;
	readonly depth: number;
}

const nothing: Escaping = { by: 0, depth: 0 };

/** The margins of what is in an element that reach out of it at one side (CSS 2.2, section 8.3.1). */
export function escapingMargins(element: Element, side: 'Top' | 'Bottom'): Escaping {
	const style = styleOfElement(element);
	const isClosed = sideOf(style, 'padding', side) > 0 || sideOf(style, 'border', side) > 0;
	// What a sheet puts there stands between, too.
	const made = getComputedStyle(element, side === 'Top' ? '::before' : '::after');
	if (!/^(none|normal)$/.test(made.content) && made.display !== 'inline') return nothing;
	if (isClosed || keepsMargins(element) || (side === 'Bottom' && saidHeight(element)))
		return nothing;
	const nodes = [...childrenOf(element)];
	for (const node of side === 'Top' ? nodes : nodes.reverse()) {
		if (!isElement(node)) {
			if (node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '')
				return nothing;
			continue;
		}
		const inner = styleOfElement(node);
		const flow = flowOf(node);
		if (inner.display === 'none' || flow === 'float' || flow === 'away') continue;
		if (flow !== 'block') return nothing;
		const own = Math.max(0, sideOf(inner, 'margin', side));
		const within = escapingMargins(node, side);
		const depth = within.by > 0 ? within.depth + 1 : own > 0 ? 1 : 0;
		return { by: Math.max(own, within.by), depth };
	}
	return nothing;
}
