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
	/** px; 0 where all that is there in both is where it was. */
	readonly by: number;
	/** The element that lies furthest off; undefined where none does. */
	readonly name: string | undefined;
	/** Something that is seen in one of the two alone; undefined where there is nothing of the kind. */
	readonly missing: string | undefined;
}

/** Browsers count in 64ths of a px, and round: what is nearer than this lies where it lay. */
const sameWithin = 0.5;

/** Whether two drawings are the same to the eye. */
export function isSame({ by, missing }: PartShift): boolean {
	return by <= sameWithin && missing === undefined;
}

const sides = ['x', 'y', 'width', 'height'] as const;

/** How far what is seen of a page lies elsewhere in another drawing of it. */
export function partShift(
	before: readonly ShownPart[],
	after: readonly ShownPart[],
	width: number
): PartShift {
	const there = new Map(after.map((part) => [part.word, part]));
	const known = new Set(before.map(({ word }) => word));
	let [by, name]: [number, string | undefined] = [0, undefined];
	let missing = after.find(({ word, isSeen }) => isSeen && !known.has(word))?.name;
	for (const part of before) {
		const other = there.get(part.word);
		if (!other) {
			if (part.isSeen) missing ??= part.name;
			continue;
		}
		if (!part.isSeen && !other.isSeen) continue;
		const off = Math.max(...sides.map((side) => Math.abs(part[side] - other[side])));
		if (off > by) [by, name] = [off, part.name];
	}
	return { width, by, name, missing };
}
