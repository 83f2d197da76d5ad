import type { PlacedBox } from './page-layout.ts';

/** Whether a box of a page is in another, or is that other; both by their places in the list. */
export function isInside(index: number, around: number, boxes: readonly PlacedBox[]): boolean {
	let at: number | undefined = index;
	while (at !== undefined && at > around) at = boxes[at]?.inside;
	return at === around;
}
