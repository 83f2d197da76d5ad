import type { Problem } from '../messages/problem.ts';
import type { Raw } from '../model/span.ts';
import { error } from '../messages/problem.ts';
import { splitSizes } from '../size/css-tokens.ts';

/**
 * The words of one value, read from left to right. What should be there and is not is reported at its
 * place, and gives undefined.
 */
export interface Words {
	/** Takes the next word where it is this one. */
	takeWord(word: string): boolean;
	takeChoice<T extends string>(what: string, choices: readonly T[]): T | undefined;
	/** Everything up to the band, unread. */
	takeRest(what: string): Raw | undefined;
	/** Everything up to a text, unread. */
	takeUntilText(what: string): Raw | undefined;
	takeText(what: string): string | undefined;
	/** A number as it is written, where one comes next. */
	takeNumber(): Raw | undefined;
	takeCount(what: string, most: number): number | undefined;
	takeWholeNumber(what: string, most: number): number | undefined;
	takeInteger(what: string, most: number): number | undefined;
	/** Whether another word comes next. */
	readonly hasWord: boolean;
	/** Says what is wrong. Gives undefined, so that a reader can end with it. */
	refuse(problem: Problem): undefined;
}

/** Sizes side by side, at most so many. */
export function takeSizes(words: Words, what: string, most: number): string[] | undefined {
	const rest = words.takeRest(what);
	if (!rest) return undefined;
	const sizes = splitSizes(rest.text);
	return sizes.length <= most
		? sizes
		: words.refuse(error('too-many-sizes', rest.span, what, most));
}
