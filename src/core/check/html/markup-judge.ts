/** Something that a rule of HTML says of some markup; offsets are in the markup. */
export interface MarkupFault {
	/** The rule of the library. */
	readonly rule: string;
	readonly from: number;
	readonly to: number;
	/** What is said of it: the element, attribute or word, and what it would have to be. */
	readonly element: string;
	readonly attribute: string;
	readonly other: string;
	/** What the library says, for rules whose sentence is as good as any. */
	readonly message: string;
}

/** Holds markup as it is written against the rules of HTML. */
export type MarkupJudge = (markup: string) => readonly MarkupFault[];
