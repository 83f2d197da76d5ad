import type { Mend } from '../../messages/problem.ts';
import type { Atom } from '../syntax.ts';
import { distance } from 'fastest-levenshtein';

/** The word that was meant most likely: the only one that is nearest, and near enough for a slip of the hand. */
export function nearest(word: string, words: readonly string[]): string | undefined {
	const most = word.length < 4 ? 1 : 2;
	const near = words
		.map((one) => ({ one, far: distance(word, one) }))
		.filter(({ far }) => far <= most)
		.sort((a, b) => a.far - b.far);
	const [first, second] = near;
	return first && first.far !== second?.far ? first.one : undefined;
}

/** The mend that writes another word in the place of one. */
export function writeInstead({ span }: Pick<Atom, 'span'>, word: string): Mend {
	return { label: `Write ${word}`, span, insert: word };
}
