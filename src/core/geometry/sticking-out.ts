import type { PlacedBox } from './page-layout.ts';

/**
 * How far a box, with what sticks out of it, reaches beyond either edge of a screen, px; what is scrolled does not.
 * Things stick out where lines end: at the left where they run from right to left.
 */
export function beyondScreen(
	{ x, width, overflowX, scrolls, inScroller }: PlacedBox,
	screen: number,
	isMirrored: boolean
): { readonly left: number; readonly right: number } {
	if (inScroller) return { left: 0, right: 0 };
	const out = scrolls ? 0 : overflowX;
	const [before, behind] = isMirrored ? [out, 0] : [0, out];
	return {
		left: Math.max(0, before - x),
		right: Math.max(0, x + width + behind - screen)
	};
}
