import { elementsNamed, isMirrored, rectOf, rectOfNode, scrollOf, styleOfElement } from './dom.ts';

/** More elements than these are not looked at one by one. */
const mostLookedAt = 3000;

/**
 * How far what is in an element sticks out of it in the direction of lines and down, px. Browsers say it
 * in whole px (CSSOM View, section 7), so where something does, the boxes in it are looked at.
 */
export function stickingOut(element: HTMLElement): { x: number; y: number } {
	const { across, down } = scrollOf(element);
	if (across <= 0 && down <= 0) return { x: 0, y: 0 };
	const own = rectOf(element);
	const mirrored = isMirrored(element);
	const inside = elementsNamed(element, '*');
	const rects = [...inside.slice(0, mostLookedAt).map(rectOf), rectOfNode(element)];
	const x = nearest(
		rects.map(({ left, right }) => (mirrored ? own.left - left : right - own.right)),
		across
	);
	const y = nearest(
		rects.map(({ bottom }) => bottom - own.bottom),
		down
	);
	return { x, y };
}

/** How far the elements of a run stick out of what holds them in the direction of lines, with their margins, px. */
export function outermostOut(held: readonly Element[], holder: HTMLElement): number {
	const own = rectOf(holder);
	const mirrored = isMirrored(holder);
	return held.reduce((most, one) => {
		if (one === holder) return most;
		const { left, right } = rectOf(one);
		const { marginLeft, marginRight, float, position } = styleOfElement(one);
		// What floats or is placed is in no line of boxes.
		const margin =
			float === 'none' && position === 'static'
				? parseFloat(mirrored ? marginLeft : marginRight)
				: 0;
		const end = mirrored ? own.left - left : right - own.right;
		return Math.max(most, end + (Number.isFinite(margin) ? margin : 0));
	}, 0);
}

/** The margin at the end of what is in an element, px: it makes room, and shows nothing. */
export function endMargin(element: HTMLElement): number {
	const { height, bottom } = rectOfNode(element);
	return height === 0 ? 0 : Math.max(0, rectOf(element).bottom - bottom);
}

/** The greatest distance that rounds to what the browser says; that itself where no box has it. */
function nearest(distances: readonly number[], said: number): number {
	if (said <= 0) return 0;
	const near = distances.filter((one) => Math.abs(one - said) <= 1);
	return near.length === 0 ? said : Math.max(...near);
}
