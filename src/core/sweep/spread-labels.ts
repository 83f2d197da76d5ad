/**
 * Where labels stand so that none lies over another, px: as near to where they are wanted as that
 * allows, in the order given (from the smallest `wanted`), each at least `gap` below the one before,
 * all from `from` to `to`. Where there is no room for all at that gap, they share what there is alike.
 */
export function spreadLabels(
	wanted: readonly number[],
	gap: number,
	{ from, to }: { readonly from: number; readonly to: number }
): number[] {
	const span = Math.max(0, to - from);
	const step = wanted.length > 1 ? Math.min(gap, span / (wanted.length - 1)) : gap;
	const placed: number[] = [];
	for (const [index, at] of wanted.entries()) {
		const least = from + index * step;
		const above = placed.at(-1);
		placed.push(Math.max(at, least, above === undefined ? from : above + step));
	}
	// What was pushed beyond the lower end moves up, and what is in its way before it.
	let lowest = to;
	for (let index = placed.length - 1; index >= 0; index--) {
		placed[index] = Math.min(placed[index] ?? to, lowest);
		lowest = (placed[index] ?? to) - step;
	}
	return placed;
}
