import { exceeds } from '../../size/turns.ts';

/** CSS Box Alignment 3, section 4: the space before the first item, and between any two. */
export function justified(
	how: string,
	free: number,
	count: number
): { before: number; between: number } {
	switch (how) {
		case 'center':
			return { before: free / 2, between: 0 };
		case 'end':
			return { before: free, between: 0 };
		case 'space-between':
			return { before: 0, between: exceeds(free, 0) && count > 1 ? free / (count - 1) : 0 };
		case 'space-around':
			return exceeds(free, 0)
				? { before: free / count / 2, between: free / count }
				: { before: 0, between: 0 };
		case 'space-evenly':
			return exceeds(free, 0)
				? { before: free / (count + 1), between: free / (count + 1) }
				: { before: 0, between: 0 };
		default:
			return { before: 0, between: 0 };
	}
}

export function alignedAt(how: string, free: number): number {
	if (how === 'center') return free / 2;
	return how === 'end' ? free : 0;
}
