/** A box in px. */
interface Box {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** A line with a measure on it: along `across` from left to right, along `down` from top to bottom. */
export interface DimensionLine {
	readonly axis: 'across' | 'down';
	readonly from: number;
	readonly to: number;
	/** Where the line lies on the other axis. */
	readonly at: number;
	/** px */
	readonly size: number;
}

/**
 * Distances between two boxes. Beside each other: the space between. One in the other: the four
 * spaces to its edges. A distance of nothing has no line.
 */
export function dimensionLines(one: Box, other: Box): DimensionLine[] {
	const across = gaps(stretch(one, 'across'), stretch(other, 'across'));
	const down = gaps(stretch(one, 'down'), stretch(other, 'down'));
	const atY = middle(stretch(one, 'down'), stretch(other, 'down'));
	const atX = middle(stretch(one, 'across'), stretch(other, 'across'));
	return [
		...across.map(([from, to]) => line('across', from, to, atY)),
		...down.map(([from, to]) => line('down', from, to, atX))
	];
}

type Stretch = readonly [number, number];

function stretch({ x, y, width, height }: Box, axis: DimensionLine['axis']): Stretch {
	return axis === 'across' ? [x, x + width] : [y, y + height];
}

function line(axis: DimensionLine['axis'], from: number, to: number, at: number): DimensionLine {
	return { axis, from, to, at, size: to - from };
}

/** The space between two stretches, or what is left on both sides where they overlap. */
function gaps(one: Stretch, other: Stretch): Stretch[] {
	const pairs: Stretch[] =
		one[1] <= other[0]
			? [[one[1], other[0]]]
			: other[1] <= one[0]
				? [[other[1], one[0]]]
				: [
						[Math.min(one[0], other[0]), Math.max(one[0], other[0])],
						[Math.min(one[1], other[1]), Math.max(one[1], other[1])]
					];
	return pairs.filter(([from, to]) => to - from >= 0.5);
}

/** A place that lies in both stretches, or between them. */
function middle(one: Stretch, other: Stretch): number {
	return (Math.max(one[0], other[0]) + Math.min(one[1], other[1])) / 2;
}
