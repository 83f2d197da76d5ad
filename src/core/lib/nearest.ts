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
