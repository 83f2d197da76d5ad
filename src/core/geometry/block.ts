import { larger } from '../size/turns.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';
import { contribution, usedWidth } from './sizing.ts';

/**
 * Boxes one below the other (CSS 2, section 9.4.1). Each box keeps its margins to itself (it is a
 * block formatting context of its own), so none of them collapse through another.
 */

/** Lays out children in a content box; gives the height they take. */
export function layBlock(
	children: readonly LayoutBox[],
	width: number,
	layouter: Layouter
): number {
	let y = 0;
	for (const child of children) {
		const start = child.style.marginStart.at(width, layouter.view);
		const used = usedWidth(child, width - start, width, true, layouter);
		layouter.lay(child, used, undefined, width);
		child.x = start;
		child.y = y;
		y += child.height + child.style.marginBottom.at(width, layouter.view);
	}
	return larger(0, y);
}

/** The least and greatest content width: that of the widest child. */
export function blockIntrinsic(box: LayoutBox, layouter: Layouter): { min: number; max: number } {
	let min = 0;
	let max = 0;
	for (const child of box.children) {
		const margin = child.style.marginStart.at(0, layouter.view);
		min = larger(min, contribution(child, 'min', layouter) + margin);
		max = larger(max, contribution(child, 'max', layouter) + margin);
	}
	return { min, max };
}
