/** Widths of the screen at which boxes of pages that came in are held against those of what they became, px. */
export const proofWidths = [400, 900, 1280] as const;
/** px; height of those screens. */
export const proofHeight = 800;
/** px; browsers round text, so less than this is no difference. */
const tolerance = 0.5;

/** The boxes of all elements of a body in their order: x, y, width and height of each, px of the page. */
export type ElementBoxes = readonly number[];

/** Sides of a box, in the order in which they are measured. */
const sides = ['x', 'y', 'width', 'height'] as const;

/** A box that is elsewhere, or of another size, than on the page that came in. */
export interface BoxShift {
	/** The element, by its place among all of the body; 0 is the body itself. */
	readonly element: number;
	/** Width of the screen, px. */
	readonly width: number;
	readonly side: (typeof sides)[number];
	/** px; what it is now, less what it was. */
	readonly by: number;
}

/** The first box that differs by more than half a px; `undefined` where none does. */
export function boxShift(
	before: ElementBoxes,
	now: ElementBoxes,
	width: number
): BoxShift | undefined {
	const most = Math.max(before.length, now.length);
	for (let at = 0; at < most; at++) {
		const by = (now[at] ?? 0) - (before[at] ?? 0);
		const side = sides[at % sides.length];
		if (Math.abs(by) > tolerance && side) {
			return { element: Math.floor(at / sides.length), width, side, by };
		}
	}
	return undefined;
}
