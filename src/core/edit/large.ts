import type { Change } from '../source/change.ts';

/** So many places, or files, at once are more than one follows with one's eyes. */
const manyPlaces = 8;
const manyFiles = 3;

/** Whether an edit is so large that the site is kept as it was before, to be compared and gone back to. */
export function isLarge(changes: readonly Change[]): boolean {
	const files = new Set(changes.map(({ file }) => file));
	return changes.length >= manyPlaces || files.size >= manyFiles;
}
