import { larger } from '../size/turns.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';
import { autoBefore, marginAcross, marginDown } from './margins.ts';
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
		const room = width - marginAcross(child, width, layouter);
		const used = usedWidth(child, room, width, true, layouter);
		layouter.lay(child, used, undefined, width);
		child.x = child.style.marginStart.at(width, layouter.view) + autoBefore(child, room - used);
		child.y = y + child.style.marginTop.at(width, layouter.view);
		y += child.height + marginDown(child, width, layouter);
	}
	return larger(0, y);
}

/** The least and greatest content width: that of the widest child. */
export function blockIntrinsic(box: LayoutBox, layouter: Layouter): { min: number; max: number } {
	let min = 0;
	let max = 0;
	for (const child of box.children) {
		const margin = marginAcross(child, 0, layouter);
		min = larger(min, contribution(child, 'min', layouter) + margin);
		max = larger(max, contribution(child, 'max', layouter) + margin);
	}
	return { min, max };
}
