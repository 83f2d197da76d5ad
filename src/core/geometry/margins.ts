import { larger } from '../size/turns.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';

/** Margins of a box, px: CSS Box 3, section 3. None of them collapse: each box is told apart from its neighbours. */

/** What margins take across; sides that take what is left take nothing yet. */
export function marginAcross({ style }: LayoutBox, base: number, { view }: Layouter): number {
	return style.marginStart.at(base, view) + style.marginEnd.at(base, view);
}

export function marginDown({ style }: LayoutBox, base: number, { view }: Layouter): number {
	return style.marginTop.at(base, view) + style.marginBottom.at(base, view);
}

/** How many of the sides take what is left. */
export function autoSides({ style: { autoStart, autoEnd } }: LayoutBox): number {
	return Number(autoStart) + Number(autoEnd);
}

/** What of the room that is left stands before a box whose sides take it. */
export function autoBefore(box: LayoutBox, left: number): number {
	return box.style.autoStart ? larger(0, left) / autoSides(box) : 0;
}
