import type { ShownPart } from '$core/arranging/part-shift.ts';
import { partWord } from '$core/arranging/frame/reading.ts';
import {
	attribute,
	childrenOf,
	elementsNamed,
	isLaidOut,
	parent,
	rectOf,
	rectOfNode,
	scrolledTo,
	styleOfElement,
	textsIn
} from '../dom.ts';
import type { ShownPage } from '../page-boxes.ts';
import { atWidths } from './at-widths.ts';
import { isPainted } from './read-style.ts';

/** Where everything that is seen of a page stands, so that two drawings of it can be held against each other. */

/** Each element of a page that is the author's, at some widths of the screen, px. */
export function shownParts(
	frame: HTMLIFrameElement,
	page: ShownPage,
	mark: string,
	widths: readonly number[],
	signal: AbortSignal
): Promise<ShownPart[][] | undefined> {
	return atWidths(frame, page, widths, signal, (body, _, inner) => {
		const { x: left, y: top } = scrolledTo(inner);
		let others = 0;
		const around = outermostOf(body, mark);
		return elementsNamed(body, '*').flatMap((element): ShownPart[] => {
			const number = attribute(element, mark);
			// Boxes that the tool has put there were not there before.
			if (number === undefined && (isBoxOfLayout(element) || around.has(element))) return [];
			const word = number === undefined ? `c${others++}` : partWord.element(Number(number));
			if (!isLaidOut(element)) return [];
			const { x, y, width, height } = seenRect(element);
			return [
				{
					word,
					name: nameOf(element),
					x: x + left,
					y: y + top,
					width,
					height,
					isSeen: isSeen(element)
				}
			];
		});
	});
}

/** Elements around numbered ones that have none themselves: nobody wrote them, such as the body of a table. */
function outermostOf(body: Element, mark: string): ReadonlySet<Element> {
	const around = new Set<Element>();
	for (const element of elementsNamed(body, `[${mark}]`)) {
		for (let one = parent(element); one && one !== body && !around.has(one); one = parent(one)) {
			around.add(one);
		}
	}
	return around;
}

const boxMarks = [
	'data-region',
	'data-wrapper',
	'data-space',
	'data-layout',
	'data-piece',
	'data-group'
];

/** Whether the tool has put an element there: what it is the mark of has no element of its own else. */
function isBoxOfLayout(element: Element): boolean {
	const isPart = attribute(element, 'data-part') !== undefined;
	// Words without an element of their own get one where they would else be a box that nobody could name.
	const isPlain =
		element.localName === 'div' &&
		element.getAttributeNames().every((name) => name.startsWith('data-'));
	if (isPart && isPlain && attribute(element, 'data-piece') !== undefined) return true;
	return !isPart && boxMarks.some((name) => attribute(element, name) !== undefined);
}

/** Where an element is seen: of one with words alone, those, however far its box reaches. */
function seenRect(element: Element): Pick<DOMRect, 'x' | 'y' | 'width' | 'height'> {
	const isWords = !shownByThemselves.test(element.localName) && !isPainted(styleOfElement(element));
	const rects = isWords ? textsIn(element, mostTexts).map(rectOfNode) : [];
	const shown = rects.filter(({ width, height }) => width + height > 0);
	if (shown.length === 0) return rectOf(element);
	const x = Math.min(...shown.map(({ left }) => left));
	const y = Math.min(...shown.map(({ top }) => top));
	const right = Math.max(...shown.map((one) => one.right));
	const bottom = Math.max(...shown.map((one) => one.bottom));
	return { x, y, width: right - x, height: bottom - y };
}

/** Texts of one element that are looked at. */
const mostTexts = 50;

function nameOf(element: Element): string {
	const [first = ''] = (attribute(element, 'class') ?? '').split(/\s+/);
	const id = attribute(element, 'id');
	return element.localName + (id ? `#${id}` : first === '' ? '' : `.${first}`);
}

const shownByThemselves =
	/^(img|svg|video|audio|canvas|iframe|object|embed|input|button|select|textarea|hr|meter|progress)$/;

/** Whether there is something to be seen of an element itself: its text, a picture, a ground or a line. */
function isSeen(element: Element): boolean {
	if (shownByThemselves.test(element.localName)) return true;
	const style = styleOfElement(element);
	if (style.visibility !== 'visible') return false;
	if (isPainted(style)) return true;
	return [...childrenOf(element)].some(
		(node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== ''
	);
}
