import { isInside } from '../geometry/inside.ts';
import { pageHeight, type PlacedBox } from '../geometry/page-layout.ts';
import type { Rectangle } from '../view-models/rectangle.ts';

/** How far a page can be scrolled on a screen of some height, px. */
export function scrollReach(boxes: readonly PlacedBox[], height: number): number {
	return Math.max(0, pageHeight(boxes) - height);
}

/** A stretch of a page from top to bottom, px. */
export interface Stretch {
	readonly from: number;
	readonly to: number;
}

/** What of a page is seen on a screen of some height, px, for content in a box; one that scrolls by itself has no more than its own. */
export function seenOf(content: PlacedBox, px: number, height: number): Stretch {
	if (!content.scrolls) return { from: px, to: px + height };
	return {
		from: Math.max(content.y, px),
		to: Math.min(content.y + content.height, px + height)
	};
}

/**
 * How much of what is seen is left for the content in a box, px of height: all that nothing covers that keeps to an edge.
 * `boxes` are those of the page as it is scrolled.
 */
export function roomLeft(
	boxes: readonly PlacedBox[],
	content: PlacedBox,
	{ from: top, to: bottom }: Stretch
): number {
	const covering = boxes
		.filter(
			(box) =>
				box.sticking?.under === false && !isAround(box, content, boxes) && isOver(box, content)
		)
		.map((box) => ({ from: Math.max(top, box.y), to: Math.min(bottom, box.y + box.height) }))
		.filter(({ from, to }) => to > from)
		.sort((a, b) => a.from - b.from);
	let [covered, at] = [0, top];
	for (const { from, to } of covering) {
		covered += Math.max(0, to - Math.max(from, at));
		at = Math.max(at, to);
	}
	return Math.max(0, bottom - top - covered);
}

/** It has left its place, and so lies over something. */
export function hasLeft({ sticking }: PlacedBox): boolean {
	return sticking !== undefined && Math.abs(sticking.by) > 0.5;
}

/** It covers more than half of the width of another. */
function isOver(box: Rectangle, other: Rectangle): boolean {
	const across = Math.min(box.x + box.width, other.x + other.width) - Math.max(box.x, other.x);
	return across > other.width / 2;
}

/** Whether a box of a page is around another, or is that other: what sticks takes along what is in it. */
export function isAround(box: PlacedBox, other: PlacedBox, boxes: readonly PlacedBox[]): boolean {
	return isInside(boxes.indexOf(other), boxes.indexOf(box), boxes);
}
