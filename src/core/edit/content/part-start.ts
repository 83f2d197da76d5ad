/** What could become a part: the elements of a piece, and where others like them stand. */
export interface PartStart {
	/** The element, such as `li`; undefined: all of the piece. */
	readonly element: string | undefined;
	readonly markup: string;
	/** Other places with the same markup, but for texts. */
	readonly others: readonly PartPlace[];
	/** The others are alike by more than a single tag, as any two paragraphs are: they are most likely meant. */
	readonly isTelling: boolean;
	/** What would be given, with the text that stands in the element itself. */
	readonly parameters: readonly { readonly name: string; readonly value: string }[];
}

export interface PartPlace {
	readonly owner: string;
	readonly piece: string;
	readonly line: number;
	readonly markup: string;
}

/** The place of what one mostly means: what stands in several places, and differs most there. */
export function bestStart(starts: readonly PartStart[]): number {
	const worth = ({ others, parameters, markup, isTelling }: PartStart): number =>
		others.length === 0 || !isTelling ? 0 : parameters.length * 1000 + Math.min(999, markup.length);
	const best = Math.max(0, ...starts.map(worth));
	if (best > 0) return starts.findIndex((one) => worth(one) === best);
	// Of a list it is what each member has.
	const member = starts.findIndex(
		({ element, markup }) => element !== undefined && markup.includes('{')
	);
	return member !== -1 && /\{\s*for\b/.test(starts[0]?.markup ?? '') ? member : 0;
}
