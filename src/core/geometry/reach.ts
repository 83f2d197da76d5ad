import type { Viewport } from '../size/length.ts';
import { exceeds, larger } from '../size/turns.ts';
import type { LayoutBox } from './layout-box.ts';

/** CSS Overflow 3, section 2.2: how far what is in a box reaches; what has no area is nothing to scroll to. */

export function isFlat({ width, height }: LayoutBox): boolean {
	return !exceeds(width, 0) || !exceeds(height, 0);
}

/** How far what stands in a box reaches in the direction of lines, px from the edge of its border. */
export function reachInside(box: LayoutBox, view: Viewport): number {
	const { style, laidBase, leaf } = box;
	const start = style.padStart.at(laidBase, view);
	if (leaf) {
		const room = larger(0, box.width - start - style.padEnd.at(laidBase, view));
		return start + room + leaf.overflowAt(room, view).x;
	}
	const children = box.chosen ? [box.chosen] : box.children;
	return children.reduce((most, child) => {
		const inside = child.style.scrolls ? 0 : reachInside(child, view);
		const whole = isFlat(child) ? inside : larger(child.width, inside);
		return larger(most, start + child.x + whole);
	}, 0);
}
