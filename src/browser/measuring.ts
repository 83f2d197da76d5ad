import type { Answers, Ask, Asked } from '$core/measure/asks.ts';
import { goesOn, markedElements } from '$core/model/trace.ts';
import { pieceKeyWord } from '$core/model/piece-key.ts';
import { arrived } from './arrived.ts';
import { Contents, wholeOf, type Content } from './contents.ts';
import {
	all,
	appendTo,
	attribute,
	create,
	lengthSet,
	partsOf,
	heightOfAll,
	rectOf,
	remove,
	scrollOf,
	setLength,
	setMark,
	clearMark,
	elementBefore,
	elementsNamed,
	parent,
	styleOfElement,
	unset
} from './dom.ts';
import { showInFrame, stageOf } from './frame.ts';
import { cutText } from './cut-text.ts';
import { endMargin, outermostOut, stickingOut } from './sticking-out.ts';

/** Sizes of content as the browser shows it, measured in a frame that no one sees. */

/**
 * Stands every box there, so that also what is hidden or slid away can be measured. What is measured is a
 * box of its own size: a piece that has an element, or the region around a run with nothing else in it. What
 * is not measured at the moment is away, so that another screen lays out no more than it must.
 */
const showAll = `
	html { overflow: hidden !important; }
	[data-region], [data-wrapper], [data-group], [data-opener], [data-space] { display: flow-root !important; position: static !important; }
	[data-piece]:not([data-part]), [data-opener], [data-holds] { display: flow-root !important;
		position: absolute !important; padding: 0 !important; margin: 0 !important; min-width: 0 !important;
		max-width: none !important; height: auto !important; min-height: 0 !important; max-height: none !important;
		border-width: 0 !important; aspect-ratio: auto !important; overflow: visible !important; }
	[data-piece]:not([data-held]), [data-opener]:not([data-held]) { display: none !important; }
	[data-holds]::before, [data-holds]::after { content: none !important; }
	[data-holds] > :not([data-held]) { display: none !important; }
`;

/** A page that is measured as it is keeps all that it shows. */
const hideScrollbar = 'html { overflow: hidden !important; }';

/** ms of work before the page itself gets its turn. */
const slice = 12;
/** ms after which a window that is seen has drawn; one that is not seen does not draw. */
const drawn = 120;

/** A page in a frame, whose content can be measured in any room on any screen. */
export class Measuring {
	/** What is there to be measured. */
	private there: readonly Content[] = [];
	/** What the choice of pictures follows from, as it was last. */
	private chosen = '';

	private constructor(
		private readonly frame: HTMLIFrameElement,
		private readonly inner: Document,
		private readonly contents: Contents
	) {}

	/**
	 * Puts a page into a frame, and waits for its pictures and faces. Undefined where the frame has no
	 * document for it, or it was given up meanwhile.
	 */
	static async open(
		frame: HTMLIFrameElement,
		html: string,
		address: string,
		signal: AbortSignal
	): Promise<Measuring | undefined> {
		const inner = stageOf(frame);
		if (!inner || !showInFrame(frame, html, address)) return undefined;
		const head = partsOf(inner)?.head;
		if (!head) return undefined;
		for (const style of all(inner, 'style[data-measuring]')) remove(style);
		await arrived(inner);
		if (signal.aborted) return undefined;
		const style = create(inner, 'style');
		setMark(style, 'data-measuring');
		style.textContent = wholeOf(inner) ? hideScrollbar : showAll;
		appendTo(head, style);
		return new Measuring(frame, inner, new Contents(inner));
	}

	/** Measures what is asked, a little at a time; undefined where it was given up meanwhile. */
	async answer(asked: readonly Asked[], signal: AbortSignal): Promise<Answers | undefined> {
		const turns = new Turns(signal);
		const answers: (readonly number[] | undefined)[][] = [];
		for (const one of asked) {
			await this.setScreen(one);
			const found = one.asks.map((): readonly number[] | undefined => undefined);
			for (const shift of this.contents.shifts) {
				const queues = queuesFor(shift, one.asks);
				if (queues.length === 0) continue;
				this.bring(queues.map(({ content }) => content));
				for (let round = 0; queues.some(({ steps }) => round < steps.length); round++) {
					measureRound(queues, round, found);
					if (!(await turns.next())) return undefined;
				}
			}
			answers.push(found);
		}
		return answers;
	}

	/** Brings what is to be measured; what is there already stays, as long as it is all of one shift. */
	private bring(contents: readonly Content[]): void {
		if (contents.every((content) => this.there.includes(content))) return;
		takeAway(this.there);
		this.there = contents;
		for (const { element, held } of contents) {
			if (!held.includes(element)) setMark(element, 'data-holds');
			for (const one of held) setMark(one, 'data-held');
		}
	}

	private async setScreen({ screen, height, spaces }: Asked): Promise<void> {
		setLength(this.frame, 'width', screen);
		setLength(this.frame, 'height', height);
		for (const [name, width] of spaces) {
			for (const space of all(this.inner, `[data-space="${CSS.escape(name)}"]`)) {
				setLength(space, 'width', width);
			}
		}
		const chosen = picturesChosen(this.inner, screen);
		if (chosen === this.chosen) return;
		this.chosen = chosen;
		// Browsers choose another picture once they draw, and then it has to come.
		await new Promise((done) => {
			requestAnimationFrame(() => requestAnimationFrame(done));
			setTimeout(done, drawn);
		});
		await arrived(this.inner);
	}
}

/** What is measured of one content, in rounds: one width after the other. */
interface Queue {
	readonly content: Content;
	readonly steps: readonly Step[];
}

interface Step {
	readonly width: number | 'min-content' | 'max-content';
	/** Its ask, by its place. */
	readonly at: number;
}

function queuesFor(shift: readonly Content[], asks: readonly Ask[]): Queue[] {
	return shift.flatMap((content) => {
		const word = pieceKeyWord(content.key);
		const steps = asks.flatMap(({ content: asked, width }, at): Step[] => {
			if (asked !== word) return [];
			if (width !== undefined) return [{ width, at }];
			return [
				{ width: 'min-content', at },
				{ width: 'max-content', at }
			];
		});
		return steps.length === 0 ? [] : [{ content, steps }];
	});
}

/** Sets all widths before any is read, so that the browser lays out once. */
function measureRound(
	queues: readonly Queue[],
	round: number,
	found: (readonly number[] | undefined)[]
): void {
	const now = queues.flatMap(({ content: { element, held }, steps }) => {
		const step = steps[round];
		return step ? [{ element, held, step }] : [];
	});
	for (const { element, held, step } of now) {
		// A page as a whole is as wide as its screen.
		if (held.length === 0) continue;
		if (typeof step.width === 'number') setLength(element, 'width', step.width);
		else lengthSet(element, 'width', step.width);
	}
	for (const { element, held, step } of now) {
		if (held.length === 0) {
			found[step.at] = wholeSizes(element, step);
			continue;
		}
		const { width, height } = rectOf(element);
		if (typeof step.width !== 'number') found[step.at] = [...(found[step.at] ?? []), width];
		else {
			const { x, y } = stickingOut(element);
			const outermost = x > 0 ? Math.min(x, outermostOut(held, element)) : 0;
			found[step.at] = [height, x, y, endMargin(element), cutText(element), outermost];
		}
	}
}

/** The sizes of a page as it lies on its screen: it takes all of the width, and sticks out where it is wider. */
function wholeSizes(root: HTMLElement, { width }: Step): readonly number[] {
	if (typeof width !== 'number') return [0, rectOf(root).width];
	const { across } = scrollOf(root);
	return [heightOfAll(root), Math.max(0, across), 0, 0, 0, 0, ...markedIn(root)];
}

/**
 * Where the marked elements are, px of the page, and whether something around them hides or scrolls what sticks out; those
 * of a run together.
 */
function markedIn(root: HTMLElement): number[] {
	const holding = new Map<Element, boolean>();
	const isHeld = (element: Element): boolean => {
		const around = parent(element);
		if (!around || !parent(around) || parent(around) === root) return false;
		let held = holding.get(around);
		if (held === undefined) {
			held = styleOfElement(around).overflowX !== 'visible' || isHeld(around);
			holding.set(around, held);
		}
		return held;
	};
	const { x: left, y: top } = rectOf(root);
	return groupsIn(root).flatMap((group) => {
		const rects = group.map(rectOf).filter(({ width, height }) => width > 0 || height > 0);
		const x = Math.min(...rects.map((rect) => rect.left));
		const y = Math.min(...rects.map((rect) => rect.top));
		if (rects.length === 0) return [0, 0, 0, 0, 0];
		const width = Math.max(...rects.map((rect) => rect.right)) - x;
		const height = Math.max(...rects.map((rect) => rect.bottom)) - y;
		return [x - left, y - top, width, height, group.every(isHeld) ? 1 : 0];
	});
}

/** The marked elements of a page in their order, those of one run together. */
function groupsIn(root: HTMLElement): Element[][] {
	const groups: Element[][] = [];
	const groupOf = new Map<Element, Element[]>();
	for (const element of elementsNamed(root, markedElements)) {
		const before = elementBefore(element);
		const open = before && groupOf.get(before);
		const isSame =
			before !== undefined &&
			goesOn(
				(name) => attribute(before, name),
				(name) => attribute(element, name)
			);
		const group = (isSame ? open : undefined) ?? [];
		if (group.length === 0) groups.push(group);
		group.push(element);
		groupOf.set(element, group);
	}
	return groups;
}

function takeAway(contents: readonly Content[]): void {
	for (const { element, held } of contents) {
		unset(element, 'width');
		clearMark(element, 'data-holds');
		for (const one of held) clearMark(one, 'data-held');
	}
}

/** HTML, section 4.8.4.3.7: what decides which of several pictures is shown on a screen. */
function picturesChosen(inner: Document, screen: number): string {
	const view = inner.defaultView;
	const sources = all(inner, 'picture > source[media]').map((source) => {
		return view?.matchMedia(attribute(source, 'media') ?? '').matches;
	});
	const bySize = all(inner, '[sizes], [srcset*="w,"], [srcset$="w"]').length > 0;
	return [...sources, ...(bySize ? [screen] : [])].join(' ');
}

/** Gives the page its turn whenever a slice of work is done. */
class Turns {
	private since = performance.now();

	constructor(private readonly signal: AbortSignal) {}

	/** Gives whether to go on. */
	async next(): Promise<boolean> {
		if (performance.now() - this.since > slice) {
			await new Promise((resolve) => setTimeout(resolve));
			this.since = performance.now();
		}
		return !this.signal.aborted;
	}
}
