/**
 * The last of some things, in their order, that begins at or before an offset; undefined where none does. By halves, so
 * that asking for each of many costs no more than going through them.
 */
export function lastBefore<T>(
	list: readonly T[],
	offset: number,
	startOf: (one: T) => number
): T | undefined {
	let [low, high] = [0, list.length];
	while (low < high) {
		const middle = (low + high) >> 1;
		const one = list[middle];
		if (one !== undefined && startOf(one) <= offset) low = middle + 1;
		else high = middle;
	}
	return list[low - 1];
}
