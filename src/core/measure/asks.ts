/** Something to be measured: the size of some content in a room, or without one how wide it would like to be. */
export interface Ask {
	/** The content, by the word for its key. */
	readonly content: string;
	/** Width of its room, px; undefined: the least and the greatest width that it would take. */
	readonly width: number | undefined;
}

/** What is to be measured on one screen. */
export interface Asked {
	/** Width and height of the screen, px. */
	readonly screen: number;
	readonly height: number;
	/** Widths of layouts that measure their own space, px, by their names. */
	readonly spaces: readonly (readonly [string, number])[];
	readonly asks: readonly Ask[];
}

/**
 * What was measured, in the order of what was asked: least and greatest width, or height, how far content
 * sticks out across and down, the margin at its end, how far its text is cut off, and
 * how far its outermost elements stick out; px. Of a page that is measured as a whole, behind that `numbersEach` numbers
 * for each marked element in it. Undefined for content that is not there.
 */
export type Answers = readonly (readonly (readonly number[] | undefined)[])[];
