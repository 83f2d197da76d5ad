import { larger, smaller } from '../../size/turns.ts';
import type { LayoutBox, Layouter } from '../layout-box.ts';
import { autoBefore, autoSides, marginAcross, marginDown } from '../margins.ts';
import { contentHeightBounds, padDown, setHeight, usedWidth } from '../sizing.ts';
import type { Style } from '../style.ts';
import { alignedAt, justified } from './alignment.ts';
import { resolveFlexible } from './flexible.ts';
import type { Item } from './item.ts';

/** Single columns. */

export function layColumn(
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
		const room = width - marginAcross(child, width, layouter);
		const stretches = align === 'stretch' && autoSides(child) === 0;
		const isSet = stretches && child.style.width === 'auto';
		return usedWidth(child, room, width, stretches, layouter, isSet);
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
	const { before: above, between } = justified(style.justify, main - used, items.length);
	let y = above;
	for (const [index, { box: child, main: size, margin }] of items.entries()) {
		const { style: said } = child;
		const own = widths[index] ?? 0;
		const left = width - own - marginAcross(child, width, layouter);
		const before =
			autoSides(child) > 0
				? autoBefore(child, left)
				: alignedAt(said.alignSelf ?? style.align, left);
		const isSet = (height !== undefined && isKnown) || isStiff(child);
		layouter.lay(child, own, size, width, isSet);
		child.x = said.marginStart.at(width, layouter.view) + before;
		child.y = y + said.marginTop.at(width, layouter.view);
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
	const margin = marginDown(box, width, layouter);
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
