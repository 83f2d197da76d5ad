import { seenBlanks } from '$core/lib/seen-blanks.ts';
import type { ShownWords } from '$core/view-models/markup/written-words.ts';
import { isElement, numberIn, parentOfNode, rectOfNode, textsIn } from './dom.ts';

/** Words of a page, as they stand on it. */
export interface PageWords extends ShownWords {
	/** Where they stand, px of the page as it is scrolled now. */
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** px */
	readonly fontSize: number;
}

/** The words that were clicked, or lie nearest in what was; undefined where there are none. */
export function wordsAt(inner: Document, event: MouseEvent): PageWords | undefined {
	const { target, clientX, clientY } = event;
	if (!isElement(target)) return undefined;
	const distances = textsIn(target).map((text) => ({
		text,
		distance: distanceTo(rectOfNode(text), clientX, clientY)
	}));
	const node = distances.sort((a, b) => a.distance - b.distance)[0]?.text;
	const holder = node && parentOfNode(node);
	if (!node || !holder) return undefined;
	const text = wordsOf(node);
	const alike = textsIn(holder).filter(
		(other) => parentOfNode(other) === holder && wordsOf(other) === text
	);
	const { x, y, width, height } = rectOfNode(node);
	const fontSize = Number.parseFloat(getComputedStyle(holder).fontSize);
	const element = numberIn(inner.body, holder);
	return { element, text, nth: alike.indexOf(node), x, y, width, height, fontSize };
}

function wordsOf(node: Node): string {
	return seenBlanks(node.textContent ?? '');
}

/** How far a place lies from a rectangle, px. */
function distanceTo({ left, right, top, bottom }: DOMRect, x: number, y: number): number {
	const across = Math.max(left - x, 0, x - right);
	const down = Math.max(top - y, 0, y - bottom);
	return Math.hypot(across, down);
}
