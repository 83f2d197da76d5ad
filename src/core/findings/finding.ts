import type { Problem } from '../messages/problem.ts';
import type { BoxPlace, Widths } from '../check/subject/occurrence.ts';

/** A page on which something was found. */
export interface FoundOn {
	/** Its layer's name, and one address of it. */
	readonly page: string;
	readonly address: string;
	readonly box: BoxPlace | undefined;
	/** px of the screen; none where it is so at all widths. */
	readonly widths: readonly Widths[];
}

/** Something that is wrong or doubtful, once, on however many pages it shows. */
export interface Finding {
	/** What makes it one. */
	readonly cause: string;
	readonly problem: Problem;
	/** None where it is about the text alone. */
	readonly on: readonly FoundOn[];
	/** It rests on sizes that were guessed. */
	readonly estimated: boolean;
	/** The cause of the finding that explains it. */
	readonly because: string | undefined;
}
