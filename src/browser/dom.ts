/**
 * Reading a document that a stranger wrote. `<img name="head">` and `<input name="closest">` put themselves
 * in place of what a document or form has under that name (HTML standard, "named elements"), so what is
 * asked for here is asked of the prototypes, which no markup reaches.
 */

const { querySelector, querySelectorAll, getElementById, adoptNode, createElement } =
	Document.prototype;
const { elementFromPoint } = Document.prototype;
const { contains } = Node.prototype;
const { querySelectorAll: querySelectorAllIn } = Element.prototype;
const { closest, getAttribute, getBoundingClientRect, getClientRects } = Element.prototype;
const { prepend, append, replaceChildren } = Element.prototype;
const { getAttributeNames, setAttribute, removeAttribute } = Element.prototype;

/** Gives what a property is by its prototype, whatever stands in its place on the object itself. */
function getter<T extends object, K extends keyof T & string>(
	prototype: T,
	name: K
): (of: T) => T[K] {
	const get = Object.getOwnPropertyDescriptor(prototype, name)?.get;
	return (of) => get?.call(of);
}

const elementOf = getter(Document.prototype, 'documentElement');
const childNodesOf = getter(Node.prototype, 'childNodes');
const innerHtmlOf = getter(Element.prototype, 'innerHTML');
const styleOf = getter(HTMLElement.prototype, 'style');
const scrollWidthOf = getter(Element.prototype, 'scrollWidth');
const clientWidthOf = getter(Element.prototype, 'clientWidth');
const scrollHeightOf = getter(Element.prototype, 'scrollHeight');
const clientHeightOf = getter(Element.prototype, 'clientHeight');
const scrollTopOf = getter(Element.prototype, 'scrollTop');
const scrollingElementOf = getter(Document.prototype, 'scrollingElement');
const { scrollTo } = Element.prototype;
const { insertBefore } = Node.prototype;
const isConnected = getter(Node.prototype, 'isConnected');
const parentOf = getter(Node.prototype, 'parentElement');
const nextOf = getter(Node.prototype, 'nextSibling');
const holderOf = getter(Node.prototype, 'parentNode');
const beforeOf = getter(Element.prototype, 'previousElementSibling');
const { removeChild } = Node.prototype;

/** The root, head and body of a document; undefined while it has none. */
export interface DocumentParts {
	readonly root: HTMLElement;
	readonly head: HTMLElement;
	readonly body: HTMLElement;
}

export function partsOf(document: Document): DocumentParts | undefined {
	const root = elementOf(document);
	if (!root) return undefined;
	const children = [...childNodesOf(root)];
	const named = (name: string): HTMLElement | undefined =>
		children.find((node): node is HTMLElement => node.nodeName === name);
	const [head, body] = [named('HEAD'), named('BODY')];
	return head && body ? { root, head, body } : undefined;
}

export function all(document: Document, selector: string): HTMLElement[] {
	return [...querySelectorAll.call(document, selector)].filter(isHtml);
}

export function first(document: Document, selector: string): Element | null {
	return querySelector.call(document, selector);
}

export function byId(document: Document, id: string): Element | null {
	return getElementById.call(document, id);
}

export function attribute(element: Element, name: string): string | undefined {
	return getAttribute.call(element, name) ?? undefined;
}

export function setMark(element: Element, name: string): void {
	setAttribute.call(element, name, '');
}

export function clearMark(element: Element, name: string): void {
	removeAttribute.call(element, name);
}

/** Gives an element the attributes of another, and no others but the one that it keeps. */
export function copyAttributes(source: Element, target: Element, kept?: string): void {
	const names = getAttributeNames.call(source);
	for (const name of getAttributeNames.call(target)) {
		if (!names.includes(name) && name !== kept) removeAttribute.call(target, name);
	}
	for (const name of names) setAttribute.call(target, name, attribute(source, name) ?? '');
}

export function around(element: Element, selector: string): Element | null {
	return closest.call(element, selector);
}

export function parent(element: Element): Element | null {
	return parentOf(element);
}

export function htmlIn(element: Element): string {
	return innerHtmlOf(element);
}

export function rectOf(element: Element): DOMRect {
	return getBoundingClientRect.call(element);
}

/** Sets a length of an element's own style, px, whatever its style sheets say. */
export function setLength(element: HTMLElement, property: string, px: number): void {
	lengthSet(element, property, `${px}px`);
}

/** The same as a word of CSS. */
export function lengthSet(element: HTMLElement, property: string, value: string): void {
	styleOf(element).setProperty(property, value, 'important');
}

export function unset(element: HTMLElement, property: string): void {
	styleOf(element).removeProperty(property);
}

/** px; what a classic scrollbar takes. */
export const classicScrollbar = 15;

/** Lets scrollbars of a document take room as classic ones do, or none at all, whatever the system has. */
export function setScrollbars(document: Document, classic: boolean): void {
	const view = document.defaultView;
	if (!view) return;
	const sheet = new view.CSSStyleSheet();
	const size = classic ? classicScrollbar : 0;
	sheet.replaceSync(
		`::-webkit-scrollbar { width: ${size}px; height: ${size}px; background: #e8e6e0 } ::-webkit-scrollbar-thumb { background: #a9a59a; border: 3px solid #e8e6e0 }`
	);
	document.adoptedStyleSheets = [sheet];
}

/** How far a document is scrolled, px. */
export function scrolledTo(document: Document): { readonly x: number; readonly y: number } {
	const view = document.defaultView;
	return { x: view?.scrollX ?? 0, y: view?.scrollY ?? 0 };
}

/** The element that the page scrolls with. */
export function pageScroller(document: Document): Element | undefined {
	return scrollingElementOf(document) ?? undefined;
}

/** How far down an element is scrolled, px. */
export function scrollPlaceOf(element: Element): number {
	return scrollTopOf(element);
}

/** Scrolls an element, at once whatever a style says. */
export function setScrollPlace(element: Element, top: number): void {
	Reflect.apply(scrollTo, element, [{ top, behavior: 'instant' }]);
}

/** How much more there is in an element than is seen of it, whole px. */
export function scrollOf(element: Element): { readonly across: number; readonly down: number } {
	return {
		across: scrollWidthOf(element) - clientWidthOf(element),
		down: scrollHeightOf(element) - clientHeightOf(element)
	};
}

/** The height of a document's root with all that one can scroll to, px. */
export function heightOfAll(root: Element): number {
	return scrollOf(root).down > 0 ? scrollHeightOf(root) : rectOf(root).height;
}

/** Whether lines of an element run from right to left. */
export function isMirrored(element: Element): boolean {
	return getComputedStyle(element).direction === 'rtl';
}

/** Whether an element is laid out at all. */
export function isLaidOut(element: Element): boolean {
	return getClientRects.call(element).length > 0;
}

export function create(document: Document, name: string): HTMLElement {
	return createElement.call(document, name);
}

export function prependTo(element: Element, node: Node): void {
	prepend.call(element, node);
}

export function appendTo(element: Element, ...nodes: Node[]): void {
	append.call(element, ...nodes);
}

/** Puts a node into an element, before another node or at the end. */
export function insertInto(element: Element, node: Node, next: Node | null): void {
	insertBefore.call(element, node, next);
}

/** The elements in an element, outermost ones only. */
export function elementsIn(element: Element): Element[] {
	return [...childNodesOf(element)].filter(isElement);
}

export function elementBefore(element: Element): Element | undefined {
	return beforeOf(element) ?? undefined;
}

export function childrenOf(element: Element): Iterable<ChildNode> {
	return childNodesOf(element);
}

export function remove(node: Node): void {
	const holder = holderOf(node);
	if (holder) removeChild.call(holder, node);
}

/** What stands behind a node. */
export function next(node: Node): Node | null {
	return nextOf(node);
}

/** Whether a node stands in a document. */
export function isThere(node: Node): boolean {
	return isConnected(node);
}

/** How many characters a node has to be laid out. */
export function lengthOf(node: Node): number {
	return node.textContent?.length ?? 0;
}

/** Puts the children of one element, which may be another document's, in place of another's. */
export function replaceChildrenOf(target: Element, source: Element, document: Document): void {
	const nodes = [...childNodesOf(source)].map((node) => adoptNode.call(document, node));
	replaceChildren.call(target, ...nodes);
}

/** The element that is seen at a place, px; undefined outside of what is seen. */
export function elementAt(document: Document, x: number, y: number): Element | undefined {
	return elementFromPoint.call(document, x, y) ?? undefined;
}

/** Whether a node is in an element, or is the element itself. */
export function isInside(node: Node, element: Element): boolean {
	return contains.call(element, node);
}

export function elementsNamed(element: Element, selector: string): Element[] {
	return [...querySelectorAllIn.call(element, selector)];
}

export function parentOfNode(node: Node): Element | null {
	return parentOf(node);
}

/** Elements whose text is not seen as words of a page. */
const unseen: ReadonlySet<string> = new Set(['SCRIPT', 'STYLE', 'TEMPLATE', 'NOSCRIPT']);

/** The texts in an element that are not blank, in their order; `most` of them. */
export function textsIn(element: Element, most = Infinity): Node[] {
	const found: Node[] = [];
	const visit = (node: Node): void => {
		for (const child of childNodesOf(node)) {
			if (found.length >= most) return;
			if (child.nodeType === Node.TEXT_NODE) {
				if ((child.textContent ?? '').trim() !== '') found.push(child);
			} else if (!unseen.has(child.nodeName)) {
				visit(child);
			}
		}
	};
	visit(element);
	return found;
}

/** The rectangle around a node, px from the corner of what is seen. */
export function rectOfNode(node: Node): DOMRect {
	return rangeOver(node).getBoundingClientRect();
}

/** The lines of text in an element, and whether all of its texts were looked at. */
export function rectsOfWords(
	element: Element,
	most: number
): { readonly rects: readonly DOMRect[]; readonly whole: boolean } {
	const texts = textsIn(element, most + 1);
	const rects = texts.slice(0, most).flatMap((text) => [...rangeOver(text).getClientRects()]);
	return { rects, whole: texts.length <= most };
}

/** Which element of all in some element one is, in their order; that element itself is the first, 0. */
export function numberIn(around: Element, element: Element): number {
	return element === around ? 0 : [...around.querySelectorAll('*')].indexOf(element) + 1;
}

/** The element that `numberIn` gives a number. */
export function numbered(around: Element, number: number): Element | undefined {
	return number === 0 ? around : around.querySelectorAll('*')[number - 1];
}

/** The lines of each text in an element; of so many texts at most. */
export function rectsOfTexts(element: Element, most: number): readonly (readonly DOMRect[])[] {
	return textsIn(element, most).map((text) => [...rangeOver(text).getClientRects()]);
}

/** What all style sheets together say of an element. */
export function styleOfElement(element: Element): CSSStyleDeclaration {
	return getComputedStyle(element);
}

function rangeOver(node: Node): Range {
	const range = new Range();
	range.selectNodeContents(node);
	return range;
}

/** Elements of a frame come from its own realm, so `instanceof` would not know them. */
export function isElement(value: EventTarget | null): value is Element {
	return value !== null && 'ownerDocument' in value && 'attributes' in value;
}

function isHtml(element: Element): element is HTMLElement {
	return 'style' in element;
}
