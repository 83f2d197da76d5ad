import {
	bodyWord,
	partWord,
	type FrameReading,
	type ReadBox,
	type WidthReading
} from '$core/arranging/frame/reading.ts';
import {
	attribute,
	childrenOf,
	elementsNamed,
	isElement,
	isLaidOut,
	isMirrored,
	parent,
	partsOf,
	rectOf,
	rectOfNode,
	styleOfElement
} from '../dom.ts';
import { stageOf } from '../frame.ts';
import type { ShownPage } from '../page-boxes.ts';
import { atWidths } from './at-widths.ts';
import { mediaEdges } from './media-edges.ts';
import {
	arrangingOfLines,
	escapingMargins,
	flowOf,
	isHug,
	isMadeBlock,
	isPainted,
	isPlain,
	keepsContent,
	saidHeight,
	saidLeast,
	setsWords,
	sharesRows,
	sidesOf
} from './read-style.ts';

/** Reads how the parts of a frame lie on screens of many widths; a number on each element says which part it is. */

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
	const body = inner && partsOf(inner)?.body;
	return at && body && { at, edges: mediaEdges(inner), isMirrored: isMirrored(body) };
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
