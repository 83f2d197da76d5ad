/** The box of one element of a page, by a word that is the same before and after; px of the page. */
export interface ShownPart {
	readonly word: string;
	/** Its tag, with its id or first class. */
	readonly name: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	/** There is something to be seen of it: text, a picture, a background, a line. */
	readonly isSeen: boolean;
}

/** The greatest difference between two drawings of a page at one width. */
export interface PartShift {
	/** Of the screen, px. */
	readonly width: number;
	/** px; 0 where all is where it was. */
	readonly by: number;
	/** The element that lies elsewhere; undefined where none does, or one is there in one of the two alone. */
	readonly name: string | undefined;
}

/** Browsers count in 64ths of a px, and round: what is nearer than this lies where it lay. */
export const sameWithin = 0.5;

const sides = ['x', 'y', 'width', 'height'] as const;

/** How far what is seen of a page lies elsewhere in another drawing of it. */
export function partShift(
	before: readonly ShownPart[],
	after: readonly ShownPart[],
	width: number
): PartShift {
	const there = new Map(after.map((part) => [part.word, part]));
	let most: PartShift = { width, by: 0, name: undefined };
	for (const part of before) {
		const other = there.get(part.word);
		if (!other || (!part.isSeen && !other.isSeen)) continue;
		const by = Math.max(...sides.map((side) => Math.abs(part[side] - other[side])));
		if (by > most.by) most = { width, by, name: part.name };
	}
	return most;
}
