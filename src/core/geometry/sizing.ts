import type { Length } from '../size/length.ts';
import { larger, smaller } from '../size/turns.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';

/** Sizes of one box from its own style: CSS Box Sizing 3, with border-box sizing throughout. */

/** Padding across, px. Shares of padding are of the containing block's width (CSS Box 3, section 4.1). */
export function padAcross({ style }: LayoutBox, base: number, { view }: Layouter): number {
	return style.padStart.at(base, view) + style.padEnd.at(base, view);
}

export function padDown({ style }: LayoutBox, base: number, { view }: Layouter): number {
	return style.padTop.at(base, view) + style.padBottom.at(base, view);
}

/** Brings a border-box width between `min-width` and `max-width`; never less than the padding. */
function clampWidth(
	box: LayoutBox,
	width: number,
	base: number,
	layouter: Layouter,
	isSet = false
): number {
	const { minWidth, maxWidth } = box.style;
	const { view } = layouter;
	const most = maxWidth ? maxWidth.at(base, view) : Infinity;
	const least = minWidth ? minWidth.at(base, view) : 0;
	const byRatio = isSet ? width : larger(width, leastByRatio(box, base, layouter));
	return larger(larger(smaller(byRatio, most), least), padAcross(box, base, layouter));
}

/** CSS Box Sizing 4, section 5.2: as wide as the ratio makes what cannot be lower than its padding; a width that is set stays. */
function leastByRatio(box: LayoutBox, base: number, layouter: Layouter): number {
	const { ratio, width } = box.style;
	return ratio === undefined || typeof width !== 'string'
		? 0
		: padDown(box, base, layouter) * ratio;
}

/** The same for heights; shares do not come up in them. */
export function clampHeight(
	box: LayoutBox,
	height: number,
	base: number,
	layouter: Layouter,
	autoMinimum = 0
): number {
	const { minHeight, maxHeight } = box.style;
	const { view } = layouter;
	const most = maxHeight ? maxHeight.at(0, view) : Infinity;
	const least = minHeight ? minHeight.at(0, view) : autoMinimum;
	return larger(larger(smaller(height, most), least), padDown(box, base, layouter));
}

/** Content-box bounds of a height, for containers whose own height comes from their content. */
export function contentHeightBounds(
	box: LayoutBox,
	pad: number,
	{ view }: Layouter
): { least: number; most: number } {
	const { minHeight, maxHeight } = box.style;
	const most = maxHeight ? larger(0, maxHeight.at(0, view) - pad) : Infinity;
	const least = minHeight ? larger(0, minHeight.at(0, view) - pad) : 0;
	return { least, most: larger(most, least) };
}

/** A width that is set in px or as a share; undefined where it comes from the content or the room. */
export function setWidth(
	{ style }: LayoutBox,
	base: number,
	{ view }: Layouter
): number | undefined {
	return typeof style.width === 'string' ? undefined : style.width.at(base, view);
}

/** The border-box height that a box's own style sets. */
export function setHeight({ style }: LayoutBox, { view }: Layouter): number | undefined {
	return style.height?.at(0, view);
}

/**
 * CSS Box Sizing 3, section 5.1: the least or greatest border-box width that a box would take of its
 * own. Shares count as not said (section 5.2.1), those in padding as nothing.
 */
export function contribution(box: LayoutBox, kind: 'min' | 'max', layouter: Layouter): number {
	const { style } = box;
	const pad = padAcross(box, 0, layouter);
	const width = preferred(box, kind, pad, layouter);
	const most = fixed(style.maxWidth, layouter) ?? Infinity;
	const least = style.minWidth?.at(0, layouter.view) ?? 0;
	const byRatio = larger(width, leastByRatio(box, 0, layouter));
	return larger(larger(smaller(byRatio, most), least), pad);
}

function preferred(box: LayoutBox, kind: 'min' | 'max', pad: number, layouter: Layouter): number {
	const { width } = box.style;
	if (typeof width !== 'string' && !width.share) return width.at(0, layouter.view);
	layouter.intrinsic(box, undefined);
	const least = width === 'min-content' || (kind === 'min' && width !== 'max-content');
	return pad + (least ? box.minContent : box.maxContent);
}

/** A length that needs no base. */
export function fixed(length: Length | undefined, { view }: Layouter): number | undefined {
	return length && !length.share ? length.at(0, view) : undefined;
}

/** CSS Sizing 3, section 5.1: as wide as the content likes, but no wider than the room. */
export function fitContent(box: LayoutBox, room: number, base: number, layouter: Layouter): number {
	layouter.intrinsic(box, base);
	const pad = padAcross(box, base, layouter);
	return smaller(pad + box.maxContent, larger(pad + box.minContent, room));
}

/**
 * The used width of a box that stretches over its room, unless its style says otherwise; `isSet` where what
 * it is in counts a stretched width as set (CSS Flexible Box 1, section 9.4, step 11).
 */
export function usedWidth(
	box: LayoutBox,
	room: number,
	base: number,
	stretches: boolean,
	layouter: Layouter,
	isSet = false
): number {
	return clampWidth(box, askedWidth(box, room, base, stretches, layouter), base, layouter, isSet);
}

function askedWidth(
	box: LayoutBox,
	room: number,
	base: number,
	stretches: boolean,
	layouter: Layouter
): number {
	const { width } = box.style;
	switch (width) {
		case 'auto':
			return stretches ? larger(room, 0) : fitContent(box, room, base, layouter);
		case 'fit-content':
			return fitContent(box, room, base, layouter);
		case 'min-content':
			layouter.intrinsic(box, base);
			return padAcross(box, base, layouter) + box.minContent;
		case 'max-content':
			layouter.intrinsic(box, base);
			return padAcross(box, base, layouter) + box.maxContent;
		default:
			return width.at(base, layouter.view);
	}
}
