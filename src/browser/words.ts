import { sameTrace, type Trace } from '$core/model/trace.ts';
import { readTrace } from '$core/emit/html/trace.ts';
import {
	all,
	around,
	attribute,
	isElement,
	isInside,
	parentOfNode,
	rectOfNode,
	textsIn
} from './dom.ts';

/** Words of a page as one text of a piece has them. */
export interface PageWords {
	readonly trace: Trace;
	/** Which of the piece's texts it is, blank ones not counted. */
	readonly index: number;
	readonly text: string;
	/** Where they stand, px of the page as it is scrolled now. */
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** px */
	readonly fontSize: number;
}

/** The words that were clicked, or lie nearest in what was; undefined where they belong to no piece. */
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
	const own = around(holder, '[data-piece]');
	const trace = own && readTrace((name) => attribute(own, name));
	if (!trace) return undefined;
	const parts = all(inner, '[data-piece]').filter((element) => {
		const other = readTrace((name) => attribute(element, name));
		return other !== undefined && sameTrace(other, trace);
	});
	// A piece written into a piece by its author is no part of its own.
	const outermost = parts.filter(
		(element) => !parts.some((other) => other !== element && isInside(element, other))
	);
	const index = outermost.flatMap((element) => textsIn(element)).findIndex((text) => text === node);
	if (index === -1) return undefined;
	const { x, y, width, height } = rectOfNode(node);
	const fontSize = Number.parseFloat(getComputedStyle(holder).fontSize);
	return {
		trace,
		index,
		text: (node.textContent ?? '').replace(/\s+/g, ' ').trim(),
		x,
		y,
		width,
		height,
		fontSize
	};
}

/** How far a place lies from a rectangle, px. */
function distanceTo({ left, right, top, bottom }: DOMRect, x: number, y: number): number {
	const across = Math.max(left - x, 0, x - right);
	const down = Math.max(top - y, 0, y - bottom);
	return Math.hypot(across, down);
}
