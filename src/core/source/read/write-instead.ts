import type { Mend } from '../../messages/problem.ts';
import type { Atom } from '../syntax.ts';

/** The mend that writes another word in the place of one. */
export function writeInstead({ span }: Pick<Atom, 'span'>, word: string): Mend {
	return { label: `Write ${word}`, span, insert: word };
}
