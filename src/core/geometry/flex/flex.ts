import { larger, smaller } from '../../size/turns.ts';
import type { LayoutBox, Layouter } from '../layout-box.ts';
import { marginAcross } from '../margins.ts';
import { contribution, fixed, padAcross } from '../sizing.ts';
import { layColumn } from './column.ts';
import { autoLeast, layRow } from './row.ts';

/** CSS Flexible Box Layout 1, section 9, for rows with and without wrapping and for single columns. */

/** Lays out a flex container; gives the height of its content. `height` is the content height where it is set. */
export function layFlex(
	box: LayoutBox,
	width: number,
	height: number | undefined,
	isKnown: boolean,
	pad: number,
	layouter: Layouter
): number {
	return box.style.isColumn
		? layColumn(box, width, height, isKnown, pad, layouter)
		: layRow(box, width, height, pad, layouter);
}

/**
 * Section 9.9: the least and greatest content width. Items that cannot grow want no more than their
 * base size, those that cannot shrink no less.
 */
export function flexIntrinsic(box: LayoutBox, layouter: Layouter): { min: number; max: number } {
	const { style, children } = box;
	const sizes = children.map((child) => ({
		min: itemContribution(child, 'min', style.isColumn || style.wraps, layouter),
		max: itemContribution(child, 'max', style.isColumn, layouter)
	}));
	const widest = (list: readonly number[]): number => list.reduce(larger, 0);
	const sum = (list: readonly number[]): number => list.reduce((total, one) => total + one, 0);
	const mins = sizes.map((size) => size.min);
	const maxs = sizes.map((size) => size.max);
	if (style.isColumn) return { min: widest(mins), max: widest(maxs) };
	const gaps = style.columnGap.at(0, layouter.view) * Math.max(0, children.length - 1);
	const min = style.wraps ? widest(mins) : sum(mins) + gaps;
	return { min, max: larger(min, sum(maxs) + gaps) };
}

function itemContribution(
	box: LayoutBox,
	kind: 'min' | 'max',
	alone: boolean,
	layouter: Layouter
): number {
	const { style } = box;
	const margin = marginAcross(box, 0, layouter);
	const own = contribution(box, kind, layouter);
	if (alone) return own + margin;
	const basis = fixed(style.flexBasis, layouter);
	if (basis === undefined) return own + margin;
	let size = own;
	if (style.flexGrow === 0) size = smaller(size, basis);
	if (style.flexShrink === 0) size = larger(size, basis);
	const pad = padAcross(box, 0, layouter);
	const most = fixed(style.maxWidth, layouter) ?? Infinity;
	const set = typeof style.width === 'string' ? undefined : fixed(style.width, layouter);
	const least =
		style.minWidth?.at(0, layouter.view) ?? autoLeast(box, pad, set, most, undefined, layouter);
	return larger(larger(smaller(size, most), least), pad) + margin;
}
