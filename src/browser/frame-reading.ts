import {
	bodyWord,
	partWord,
	type FrameReading,
	type ReadBox,
	type WidthReading
} from '$core/arranging/reading.ts';
import type { ShownPart } from '$core/arranging/part-shift.ts';
import { arrived } from './arrived.ts';
import {
	attribute,
	childrenOf,
	elementsNamed,
	isElement,
	isLaidOut,
	parent,
	partsOf,
	rectOf,
	rectOfNode,
	scrolledTo,
	setLength,
	styleOfElement,
	textsIn
} from './dom.ts';
import { showInFrame, stageOf } from './frame.ts';
import { mediaEdges } from './media-edges.ts';
import type { ShownPage } from './page-boxes.ts';
import {
	escapingMargins,
	flowOf,
	isMadeBlock,
	isPlain,
	keepsContent,
	setsWords,
	arrangingOfLines,
	saidLeast,
	sharesRows,
	isHug,
	isPainted,
	saidHeight,
	sidesOf
} from './read-style.ts';

/** Reads how the parts of a frame lie on screens of many widths; a number on each element says which part it is. */

/** What is read in a frame that no one sees; undefined where it has no document for it, or it was given up meanwhile. */
async function atWidths<T>(
	frame: HTMLIFrameElement,
	{ html, address }: ShownPage,
	widths: readonly number[],
	signal: AbortSignal,
	read: (body: HTMLElement, width: number, inner: Document) => T
): Promise<T[] | undefined> {
	const inner = stageOf(frame);
	if (!inner || !showInFrame(frame, html, address)) return undefined;
	const found: T[] = [];
	for (const width of widths) {
		setLength(frame, 'width', width);
		await arrived(inner);
		const body = partsOf(inner)?.body;
		if (signal.aborted || !body) return undefined;
		found.push(read(body, width, inner));
	}
	return found;
}

/** How a frame lies at some widths of the screen, px, with those at which its media queries change. */
export async function readFrame(
	frame: HTMLIFrameElement,
	page: ShownPage,
	mark: string,
	widths: readonly number[],
	signal: AbortSignal
): Promise<FrameReading | undefined> {
	const at = await atWidths(frame, page, widths, signal, (body, width): WidthReading => {
		return { width, parts: partsAt(body, mark) };
	});
	const inner = stageOf(frame);
	return at && inner && { at, edges: mediaEdges(inner) };
}

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

function partsAt(body: HTMLElement, mark: string): Record<string, ReadBox> {
	const parts: Record<string, ReadBox> = { [bodyWord]: boxOf(body) };
	const marked = elementsNamed(body, `[${mark}]`);
	const numberOf = (element: Element): number | undefined => {
		const number = attribute(element, mark);
		return number === undefined ? undefined : Number(number);
	};
	for (const element of marked) {
		const number = numberOf(element);
		if (number !== undefined && isLaidOut(element))
			parts[partWord.element(number)] = boxOf(element);
	}
	const holding = new Set(marked.flatMap((element) => parent(element) ?? []));
	for (const around of [body, ...marked]) {
		new Inside(parts, numberOf, holding).of(around);
	}
	return parts;
}

/** What stands in an element beside elements with numbers: what landed in places, and text. */
class Inside {
	private before = 0;
	private place: string | undefined;

	constructor(
		private readonly parts: Record<string, ReadBox>,
		private readonly numberOf: (element: Element) => number | undefined,
		/** Elements in which some stand that have numbers. */
		private readonly holding: ReadonlySet<Element>
	) {}

	of(around: Element): void {
		this.walk(around, this.numberOf(around));
	}

	private walk(element: Element, around: number | undefined): void {
		for (const node of childrenOf(element)) {
			if (!isElement(node)) {
				if (node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '') {
					this.add(this.place ?? partWord.text(around, this.before), textBox(node));
				}
				continue;
			}
			const [, region] = attribute(node, 'data-among')?.split(' ') ?? [];
			if (this.numberOf(node) !== undefined) {
				this.before++;
				this.place = undefined;
			} else if (region !== undefined) {
				const word = partWord.place(region);
				if (this.place !== word) this.before++;
				this.place = word;
				if (isLaidOut(node)) this.add(word, wholeBox(node));
			} else if (this.holding.has(node)) {
				// Nobody wrote it, such as the body of a table.
				this.walk(node, around);
			} else if (isLaidOut(node)) {
				this.add(this.place ?? partWord.text(around, this.before), wholeBox(node));
			}
		}
	}

	private add(word: string, box: ReadBox): void {
		const there = this.parts[word];
		this.parts[word] = there ? joined(there, box) : box;
	}
}

const none: ReadBox['margin'] = [0, 0, 0, 0];

function boxOf(element: Element): ReadBox {
	const style = styleOfElement(element);
	const { x, y, width, height } = rectOf(element);
	const view = element.ownerDocument.defaultView;
	const said = saidHeight(element) ? height : undefined;
	const least = saidLeast(element);
	const words = setsWords(element, style);
	const lines = arrangingOfLines(element, style);
	const [top, bottom] = [escapingMargins(element, 'Top'), escapingMargins(element, 'Bottom')];
	return {
		x: x + (view?.scrollX ?? 0),
		y: y + (view?.scrollY ?? 0),
		width,
		height,
		margin: sidesOf(style, 'margin'),
		border: sidesOf(style, 'border'),
		padding: sidesOf(style, 'padding'),
		out: [top.by, bottom.by],
		depth: [top.depth, bottom.depth],
		isPainted: isPainted(style),
		flow: flowOf(element),
		isPlain: isPlain(style),
		isMadeBlock: isMadeBlock(element, style),
		isRelative: style.position === 'relative',
		sharesRows: sharesRows(element, style),
		...(words === undefined ? {} : { setsWords: words }),
		...(lines === undefined ? {} : { arrangesLines: lines }),
		...(least === undefined ? {} : { saidMin: least }),
		isHug: isHug(element),
		keepsContent: keepsContent(element, style),
		...(said === undefined ? {} : { saidHeight: said })
	};
}

/** An element with the margins beside it, which what it is put into keeps; those above and below it stay its own. */
function wholeBox(element: Element): ReadBox {
	const { margin, x, width, ...rest } = boxOf(element);
	return {
		...rest,
		x: x - margin[3],
		width: width + margin[1] + margin[3],
		margin: [margin[0], 0, margin[2], 0],
		border: none,
		padding: none,
		isPainted: false
	};
}

function textBox(node: Node): ReadBox {
	const { x, y, width, height } = rectOfNode(node);
	const view = node.ownerDocument?.defaultView;
	return {
		x: x + (view?.scrollX ?? 0),
		y: y + (view?.scrollY ?? 0),
		width,
		height,
		margin: none,
		border: none,
		padding: none,
		out: [0, 0],
		depth: [0, 0],
		isPainted: false,
		flow: 'inline',
		isPlain: true,
		isMadeBlock: false,
		isRelative: false,
		sharesRows: false,
		keepsContent: false,
		isHug: false
	};
}

/** The box around two, with the margins of the one above at its top, and of the one below at its bottom. */
function joined(one: ReadBox, other: ReadBox): ReadBox {
	const x = Math.min(one.x, other.x);
	const above = one.y <= other.y ? one : other;
	const below = one.y + one.height > other.y + other.height ? one : other;
	return {
		...one,
		x,
		y: above.y,
		width: Math.max(one.x + one.width, other.x + other.width) - x,
		height: below.y + below.height - above.y,
		margin: [above.margin[0], 0, below.margin[2], 0],
		out: [above.out[0], below.out[1]],
		depth: [above.depth[0], below.depth[1]],
		isHug: one.isHug && other.isHug
	};
}
