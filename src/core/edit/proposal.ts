import type { Span } from '../model/span.ts';
import type { Change } from '../source/change.ts';

/** What a command comes to: an edit, with what else it takes along, or the reason why it cannot be. */
export type Proposal = Edit | Refusal;

export interface Edit {
	readonly kind: 'edit';
	/** In a few words, for the list of things that can be undone. */
	readonly label: string;
	readonly changes: readonly Change[];
	/** Whole sentences on what else changes. Where there are some, the user is asked first. */
	readonly consequences: readonly string[];
	/** Names of the bands in which it changes boxes; empty where it is not about sizes. */
	readonly bands: readonly string[];
}

export interface Refusal {
	readonly kind: 'refused';
	readonly sentence: string;
	/** What stands in the way, or would be wrong, in the text as it is. */
	readonly at?: Span;
}

/** Thrown inside the making of an edit; `propose` turns it into a refusal. */
export class CommandRefused extends Error {
	override readonly name = 'CommandRefused';

	constructor(
		message: string,
		/** What stands in the way. */
		readonly at?: Span
	) {
		super(message);
	}
}
