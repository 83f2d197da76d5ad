import type { Viewport } from '../size/length.ts';
import { alike, exceeds, larger, smaller, unnoted } from '../size/turns.ts';
import { blockIntrinsic, layBlock } from './block.ts';
import { flexIntrinsic, layFlex } from './flex/flex.ts';
import { gridIntrinsic, layGrid } from './grid/grid.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';
import { countsByShare } from './style.ts';
import { reachInside } from './reach.ts';
import { clampHeight, padAcross, padDown, setHeight } from './sizing.ts';

/** The room inside a box, without its padding, px. */
interface InnerRoom {
	readonly inner: number;
	readonly innerHeight: number | undefined;
	readonly pad: number;
	readonly isKnown: boolean;
}

let runs = 0;

/** A run whose content widths hold for every viewport. */
const steadyRun = -1;

/** Lays out a tree of boxes for one viewport. */
export class Layout implements Layouter {
	private readonly run = ++runs;

	constructor(readonly view: Viewport) {}

	lay(
		box: LayoutBox,
		width: number,
		height: number | undefined,
		base: number,
		isKnown = true
	): void {
		if (this.isLaid(box, width, height, base) && box.laidKnown === isKnown) return;
		const set = height ?? this.ownHeight(box, base) ?? this.ratioHeight(box, width, base);
		const content = this.layContent(box, width, set, base, isKnown);
		box.width = width;
		box.height = set ?? clampHeight(box, content, base, this);
		box.laidRun = this.run;
		box.laidWidth = width;
		box.laidHeight = height;
		box.laidBase = base;
		box.laidKnown = isKnown;
		if (set === undefined) this.remember(box, width, base, content);
	}

	private isLaid(box: LayoutBox, width: number, height: number | undefined, base: number): boolean {
		if (box.laidRun !== this.run) return false;
		if (!alike(box.laidWidth, width) || !alike(box.laidBase, base)) return false;
		if (box.laidHeight === undefined || height === undefined) return box.laidHeight === height;
		return alike(box.laidHeight, height);
	}

	heightAt(box: LayoutBox, width: number, base: number): number {
		return (
			this.ownHeight(box, base) ??
			this.ratioHeight(box, width, base) ??
			clampHeight(box, this.contentHeightAt(box, width, base), base, this)
		);
	}

	contentHeightAt(box: LayoutBox, width: number, base: number): number {
		const known = box.measuredRun === this.run && alike(box.measuredWidth, width);
		if (known && alike(box.measuredBase, base)) return box.contentHeight;
		box.laidRun = 0;
		const content = this.layContent(box, width, undefined, base);
		this.remember(box, width, base, content);
		return content;
	}

	/** CSS Box Sizing 4, section 5.1: by its ratio, and no less than its content unless that scrolls. */
	private ratioHeight(box: LayoutBox, width: number, base: number): number | undefined {
		const { ratio, scrolls } = box.style;
		if (ratio === undefined) return undefined;
		const height = width / ratio;
		if (scrolls) return clampHeight(box, height, base, this);
		box.laidRun = 0;
		const content = this.layContent(box, width, height, base);
		return clampHeight(box, larger(content, height), base, this);
	}

	intrinsic(box: LayoutBox, base: number | undefined): void {
		const counted = countsByShare(box.style) ? base : undefined;
		const same = box.intrinsicBase === counted;
		if (same && (box.intrinsicRun === this.run || box.intrinsicRun === steadyRun)) return;
		box.intrinsicRun = box.steady ? steadyRun : this.run;
		box.intrinsicBase = counted;
		// What is kept for other widths has no part in how this one came about.
		const { min, max } = box.steady
			? unnoted(() => this.contentWidths(box, counted))
			: this.contentWidths(box, counted);
		box.minContent = min;
		box.maxContent = max;
	}

	private contentWidths(box: LayoutBox, base: number | undefined): { min: number; max: number } {
		if (box.leaf) return box.leaf.contentWidths(this.view);
		if (box.variant) return { min: 0, max: 0 };
		switch (box.style.display) {
			case 'grid':
				return gridIntrinsic(box, base, this);
			case 'flex':
				return flexIntrinsic(box, this);
			default:
				return blockIntrinsic(box, this);
		}
	}

	private ownHeight(box: LayoutBox, base: number): number | undefined {
		const height = setHeight(box, this);
		return height === undefined ? undefined : clampHeight(box, height, base, this);
	}

	private remember(box: LayoutBox, width: number, base: number, content: number): void {
		box.contentHeight = content;
		box.measuredWidth = width;
		box.measuredBase = base;
		box.measuredRun = this.run;
	}

	/** Lays out what is in a box, and gives the border-box height that it takes. */
	private layContent(
		box: LayoutBox,
		width: number,
		height: number | undefined,
		base: number,
		isKnown = true
	): number {
		const pad = padDown(box, base, this);
		const inner = larger(0, width - padAcross(box, base, this));
		const innerHeight = height === undefined ? undefined : larger(0, height - pad);
		const { scrollbar = 0 } = this.view;
		box.barAcross = box.barDown = 0;
		const content = this.layInside(box, inner, innerHeight, pad, isKnown);
		if (scrollbar === 0 || !box.style.scrolls) return pad + content;
		return (
			pad + this.layBarred(box, { inner, innerHeight, pad, isKnown }, content, scrollbar, base)
		);
	}

	/**
	 * Classic scrollbars of a box take room from what scrolls in it (CSS Overflow 3, section 3.1): one at the
	 * side where it is taller than the box, one below where something is wider. Gives the height of both.
	 */
	private layBarred(
		box: LayoutBox,
		{ inner, innerHeight, pad, isKnown }: InnerRoom,
		content: number,
		scrollbar: number,
		base: number
	): number {
		const most = innerHeight ?? larger(0, clampHeight(box, content + pad, base, this) - pad);
		let down = content;
		if (!box.style.isStrip && exceeds(content, most)) {
			box.barAcross = smaller(scrollbar, inner);
			down = this.layInside(box, inner - box.barAcross, innerHeight, pad, isKnown);
		}
		// What stands in it has its padding behind it; what only sticks out of that has none.
		const start = box.style.padStart.at(base, this.view);
		const end = box.style.padEnd.at(base, this.view);
		box.width = start + inner + end;
		box.laidBase = base;
		const room = start + inner + end - box.style.lineEnd.at(0, this.view) - box.barAcross;
		if (!exceeds(reachInside(box, this.view), room)) return down;
		box.barDown = scrollbar;
		return down + scrollbar;
	}

	private layInside(
		box: LayoutBox,
		inner: number,
		innerHeight: number | undefined,
		pad: number,
		isKnown: boolean
	): number {
		if (box.leaf) return box.leaf.heightAt(inner, this.view);
		if (box.variant) {
			const chosen = box.variant(inner);
			box.chosen = chosen;
			return layBlock([chosen], inner, this);
		}
		switch (box.style.display) {
			case 'flex':
				return layFlex(box, inner, innerHeight, isKnown, pad, this);
			case 'grid': {
				const { height, lines } = layGrid(box, inner, innerHeight, isKnown, pad, this);
				box.lines = lines;
				return height;
			}
			default:
				return layBlock(box.children, inner, this);
		}
	}
}
