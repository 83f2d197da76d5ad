import { exceeds, larger, noteFactor, smaller } from '../size/turns.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';
import type { Style } from './style.ts';
import {
	clampHeight,
	contentHeightBounds,
	contribution,
	fitContent,
	fixed,
	padAcross,
	padDown,
	setHeight,
	setWidth,
	usedWidth
} from './sizing.ts';

/** CSS Flexible Box Layout 1, section 9, for rows with and without wrapping and for single columns. */

interface Item {
	readonly box: LayoutBox;
	/** Flex base size and its bounds along the main axis, border-box px. */
	readonly base: number;
	readonly least: number;
	readonly most: number;
	readonly hypothetical: number;
	/** Margins and padding along the main axis. */
	readonly margin: number;
	readonly pad: number;
	main: number;
	frozen: boolean;
}

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

function layRow(
	box: LayoutBox,
	width: number,
	height: number | undefined,
	pad: number,
	layouter: Layouter
): number {
	const { style } = box;
	const gap = style.columnGap.at(width, layouter.view);
	const rowGap = style.rowGap.at(width, layouter.view);
	const items = box.children.map((child) => rowItem(child, width, layouter));
	const lines = style.wraps ? breakLines(items, width, gap) : [items];
	for (const line of lines) resolveFlexible(line, width, gap);
	const crosses = lines.map((line) => lineCross(line, width, layouter));
	const { least, most } = contentHeightBounds(box, pad, layouter);
	const sum = crosses.reduce((total, one) => total + one, 0) + rowGap * (lines.length - 1);
	const content = height ?? smaller(larger(sum, least), most);
	// Section 9.4, step 8: a single line is as high as the container.
	if (!style.wraps) crosses[0] = content;
	// Step 9: lines of a container that wraps share what is left.
	const extra = style.wraps ? larger(0, content - sum) / lines.length : 0;
	let y = 0;
	for (const [index, line] of lines.entries()) {
		const cross = (crosses[index] ?? 0) + extra;
		placeLine(line, box, { width, gap, y, cross }, layouter);
		y += cross + rowGap;
	}
	if (style.wraps || height === undefined) return sum;
	// In a height that is set, what stretches takes no more than there is.
	return box.children.reduce((tallest, child) => {
		return larger(tallest, child.height + child.style.marginBottom.at(width, layouter.view));
	}, 0);
}

/** Sections 9.2 and 4.5: base size, bounds and hypothetical size of an item of a row. */
function rowItem(box: LayoutBox, width: number, layouter: Layouter): Item {
	const { style } = box;
	const { view } = layouter;
	const pad = padAcross(box, width, layouter);
	const set = setWidth(box, width, layouter);
	const most = style.maxWidth ? style.maxWidth.at(width, view) : Infinity;
	const base = larger(
		pad,
		style.flexBasis?.at(width, view) ?? set ?? contentWidth(box, pad, width, layouter)
	);
	const least = larger(
		pad,
		style.minWidth
			? style.minWidth.at(width, view)
			: autoLeast(box, pad, set, most, width, layouter)
	);
	const hypothetical = larger(least, smaller(base, most));
	const margin = style.marginStart.at(width, view);
	return { box, base, least, most, hypothetical, margin, pad, main: hypothetical, frozen: false };
}

function contentWidth(box: LayoutBox, pad: number, room: number, layouter: Layouter): number {
	if (box.style.width === 'fit-content') return fitContent(box, room, room, layouter);
	layouter.intrinsic(box, room);
	return pad + (box.style.width === 'min-content' ? box.minContent : box.maxContent);
}

/** The automatic minimum: what the content needs, or less where a size is set; nothing where it scrolls. */
function autoLeast(
	box: LayoutBox,
	pad: number,
	set: number | undefined,
	most: number,
	base: number | undefined,
	layouter: Layouter
): number {
	if (box.style.scrolls) return 0;
	layouter.intrinsic(box, base);
	return smaller(smaller(pad + box.minContent, set ?? Infinity), most);
}

/** Section 9.3, step 5. */
function breakLines(items: readonly Item[], room: number, gap: number): Item[][] {
	const lines: Item[][] = [[]];
	let used = 0;
	for (const item of items) {
		const size = item.hypothetical + item.margin;
		const line = lines.at(-1);
		if (line && (line.length === 0 || !exceeds(used + gap + size, room + 0.02))) {
			used += (line.length > 0 ? gap : 0) + size;
			line.push(item);
		} else {
			lines.push([item]);
			used = size;
		}
	}
	return lines;
}

/** Section 9.7: lets items grow or shrink until the line is filled. */
function resolveFlexible(items: readonly Item[], room: number, gap: number): void {
	const gaps = gap * Math.max(0, items.length - 1);
	const outer = items.reduce((sum, item) => sum + item.hypothetical + item.margin, gaps);
	const grows = exceeds(room, outer);
	for (const item of items) {
		const cannot = grows
			? exceeds(item.base, item.hypothetical)
			: exceeds(item.hypothetical, item.base);
		item.frozen = factorOf(item, grows) === 0 || cannot;
		item.main = item.frozen ? item.hypothetical : item.base;
	}
	const initial = freeSpace(items, room, gaps);
	for (let round = 0; round <= items.length; round++) {
		const loose = items.filter((item) => !item.frozen);
		if (loose.length === 0) return;
		shareFreeSpace(loose, freeSpace(items, room, gaps), initial, grows);
		freezeViolations(loose);
	}
}

function freeSpace(items: readonly Item[], room: number, gaps: number): number {
	const used = items.reduce(
		(sum, item) => sum + (item.frozen ? item.main : item.base) + item.margin,
		gaps
	);
	return room - used;
}

function shareFreeSpace(
	loose: readonly Item[],
	free: number,
	initial: number,
	grows: boolean
): void {
	const factors = loose.reduce((sum, item) => sum + factorOf(item, grows), 0);
	const part = initial * factors;
	const space = factors < 1 && exceeds(Math.abs(free), Math.abs(part)) ? part : free;
	const weights = loose.map((item) => factorOf(item, grows) * (grows ? 1 : innerBase(item)));
	const whole = weights.reduce((sum, weight) => sum + weight, 0);
	for (const [index, item] of loose.entries()) {
		const part = whole > 0 ? (weights[index] ?? 0) / whole : 0;
		noteFactor(part);
		item.main = item.base + space * part;
	}
}

function factorOf({ box }: Item, grows: boolean): number {
	return grows ? box.style.flexGrow : box.style.flexShrink;
}

/** What shrinks is the content: the base size without padding. */
function innerBase({ base, pad }: Item): number {
	return larger(0, base - pad);
}

function freezeViolations(loose: readonly Item[]): void {
	let total = 0;
	const clamped = loose.map((item) => {
		const bound = larger(item.least, smaller(item.main, item.most));
		total += bound - item.main;
		return bound;
	});
	for (const [index, item] of loose.entries()) {
		const bound = clamped[index] ?? item.main;
		const violation = bound - item.main;
		item.main = bound;
		if (exceeds(total, 0)) item.frozen = exceeds(violation, 0);
		else item.frozen = !exceeds(0, total) || exceeds(0, violation);
	}
}

function lineCross(line: readonly Item[], width: number, layouter: Layouter): number {
	return line.reduce((tallest, { box, main }) => {
		const margin = box.style.marginBottom.at(width, layouter.view);
		return larger(tallest, layouter.heightAt(box, main, width) + margin);
	}, 0);
}

interface LineRoom {
	readonly width: number;
	readonly gap: number;
	readonly y: number;
	readonly cross: number;
}

/** Sections 9.4 step 11, 9.5 and 9.6: stretches, justifies and aligns the items of a line. */
function placeLine(
	line: readonly Item[],
	box: LayoutBox,
	{ width, gap, y, cross }: LineRoom,
	layouter: Layouter
): void {
	const used = line.reduce((sum, item) => sum + item.main + item.margin, gap * (line.length - 1));
	const { before, between } = justified(box.style.justify, width - used, line.length);
	let x = before;
	for (const { box: child, main, margin } of line) {
		const bottom = child.style.marginBottom.at(width, layouter.view);
		const align = child.style.alignSelf ?? box.style.align;
		const stretches = align === 'stretch' && child.style.height === undefined;
		const stretched = stretches ? clampHeight(child, cross - bottom, width, layouter) : undefined;
		layouter.lay(child, main, stretched, width);
		child.x = x + margin;
		child.y = y + alignedAt(align, cross - child.height - bottom);
		x += main + margin + gap + between;
	}
}

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

function layColumn(
	box: LayoutBox,
	width: number,
	height: number | undefined,
	isKnown: boolean,
	pad: number,
	layouter: Layouter
): number {
	const { style } = box;
	const gap = style.rowGap.at(width, layouter.view);
	const widths = box.children.map((child) => {
		const align = child.style.alignSelf ?? style.align;
		const room = width - child.style.marginStart.at(width, layouter.view);
		return usedWidth(child, room, width, align === 'stretch', layouter);
	});
	const items = box.children.map((child, index) =>
		columnItem(child, widths[index] ?? 0, width, layouter)
	);
	const gaps = gap * Math.max(0, items.length - 1);
	const sum = items.reduce((total, item) => total + item.hypothetical + item.margin, gaps);
	const { least, most } = contentHeightBounds(box, pad, layouter);
	const main = height ?? smaller(larger(sum, least), most);
	resolveFlexible(items, main, gap);
	const used = items.reduce((total, item) => total + item.main + item.margin, gaps);
	const { before, between } = justified(style.justify, main - used, items.length);
	let y = before;
	for (const [index, { box: child, main: size, margin }] of items.entries()) {
		const start = child.style.marginStart.at(width, layouter.view);
		const own = widths[index] ?? 0;
		const isSet = (height !== undefined && isKnown) || isStiff(child);
		layouter.lay(child, own, size, width, isSet);
		child.x = start + alignedAt(child.style.alignSelf ?? style.align, width - own - start);
		child.y = y;
		y += size + margin + gap + between;
	}
	return sum;
}

/** Section 9.8: what starts from a height that is set counts as set when it has grown or shrunk. */
function isStiff({ style }: LayoutBox): boolean {
	return style.height !== undefined || style.flexBasis !== undefined;
}

function columnItem(box: LayoutBox, own: number, width: number, layouter: Layouter): Item {
	const { style } = box;
	const { view } = layouter;
	const pad = padDown(box, width, layouter);
	const set = setHeight(box, layouter);
	const most = style.maxHeight ? style.maxHeight.at(0, view) : Infinity;
	const content = layouter.contentHeightAt(box, own, width);
	const basis = style.flexBasis && !style.flexBasis.share ? style.flexBasis.at(0, view) : undefined;
	const byRatio = style.ratio === undefined ? undefined : own / style.ratio;
	const base = larger(pad, basis ?? set ?? byRatio ?? content);
	const needed = boundedByRatio(style, content, width, layouter);
	const auto = style.scrolls ? 0 : smaller(smaller(needed, set ?? Infinity), most);
	const least = larger(pad, style.minHeight ? style.minHeight.at(0, view) : auto);
	const hypothetical = larger(least, smaller(base, most));
	const margin = style.marginBottom.at(width, view);
	return { box, base, least, most, hypothetical, margin, pad, main: hypothetical, frozen: false };
}

/** Section 4.5: what the content needs, within what the bounds of the width come to by the ratio. */
function boundedByRatio(
	{ ratio, minWidth, maxWidth }: Style,
	content: number,
	width: number,
	{ view }: Layouter
): number {
	if (ratio === undefined) return content;
	const most = maxWidth ? maxWidth.at(width, view) / ratio : Infinity;
	const least = minWidth ? minWidth.at(width, view) / ratio : 0;
	return larger(smaller(content, most), least);
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
	const margin = style.marginStart.at(0, layouter.view);
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
