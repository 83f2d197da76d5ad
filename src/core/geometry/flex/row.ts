import { exceeds, larger, smaller } from '../../size/turns.ts';
import type { LayoutBox, Layouter } from '../layout-box.ts';
import { autoSides, marginAcross, marginDown } from '../margins.ts';
import { clampHeight, contentHeightBounds, fitContent, padAcross, setWidth } from '../sizing.ts';
import { alignedAt, justified } from './alignment.ts';
import { resolveFlexible } from './flexible.ts';
import type { Item } from './item.ts';

/** Rows, with and without wrapping. */

export function layRow(
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
		return larger(tallest, child.height + marginDown(child, width, layouter));
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
	const margin = marginAcross(box, width, layouter);
	return { box, base, least, most, hypothetical, margin, pad, main: hypothetical, frozen: false };
}

function contentWidth(box: LayoutBox, pad: number, room: number, layouter: Layouter): number {
	if (box.style.width === 'fit-content') return fitContent(box, room, room, layouter);
	layouter.intrinsic(box, room);
	return pad + (box.style.width === 'min-content' ? box.minContent : box.maxContent);
}

/** The automatic minimum: what the content needs, or less where a size is set; nothing where it scrolls. */
export function autoLeast(
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

function lineCross(line: readonly Item[], width: number, layouter: Layouter): number {
	return line.reduce((tallest, { box, main }) => {
		const margin = marginDown(box, width, layouter);
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
	// Section 8.1: sides that take what is left take it before anything is justified.
	const autos = line.reduce((sum, item) => sum + autoSides(item.box), 0);
	const share = autos > 0 ? larger(0, width - used) / autos : 0;
	const left = autos > 0 ? smaller(0, width - used) : width - used;
	const { before, between } = justified(box.style.justify, left, line.length);
	let x = before;
	for (const { box: child, main, margin } of line) {
		const { style } = child;
		const down = marginDown(child, width, layouter);
		const align = child.style.alignSelf ?? box.style.align;
		const stretches = align === 'stretch' && child.style.height === undefined;
		const stretched = stretches ? clampHeight(child, cross - down, width, layouter) : undefined;
		layouter.lay(child, main, stretched, width);
		child.x = x + style.marginStart.at(width, layouter.view) + (style.autoStart ? share : 0);
		const top = style.marginTop.at(width, layouter.view);
		child.y = y + top + alignedAt(align, cross - child.height - down);
		x += main + margin + autoSides(child) * share + gap + between;
	}
}
