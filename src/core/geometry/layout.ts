import type { Viewport } from '../size/length.ts';
import { blockIntrinsic, layBlock } from './block.ts';
import { flexIntrinsic, layFlex } from './flex.ts';
import { gridIntrinsic, layGrid } from './grid.ts';
import type { LayoutBox, Layouter } from './layout-box.ts';
import { clampHeight, padAcross, padDown, setHeight } from './sizing.ts';

let runs = 0;

/** Lays out a tree of boxes for one viewport. What does not depend on the viewport is kept between runs. */
export class Layout implements Layouter {
	private readonly run: number;

	/** `intrinsicRun` is a run whose content widths still hold; a new one where there is none. */
	constructor(
		readonly view: Viewport,
		private readonly intrinsicRun: number
	) {
		this.run = nextRun();
	}

	lay(
		box: LayoutBox,
		width: number,
		height: number | undefined,
		base: number,
		isKnown = true
	): void {
		const same = box.laidRun === this.run && box.laidWidth === width && box.laidBase === base;
		if (same && box.laidHeight === height && box.laidKnown === isKnown) return;
		const set = height ?? this.ownHeight(box, base);
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

	heightAt(box: LayoutBox, width: number, base: number): number {
		return (
			this.ownHeight(box, base) ??
			clampHeight(box, this.contentHeightAt(box, width, base), base, this)
		);
	}

	contentHeightAt(box: LayoutBox, width: number, base: number): number {
		const known = box.measuredRun === this.run && box.measuredWidth === width;
		if (known && box.measuredBase === base) return box.contentHeight;
		box.laidRun = 0;
		const content = this.layContent(box, width, undefined, base);
		this.remember(box, width, base, content);
		return content;
	}

	intrinsic(box: LayoutBox): void {
		if (box.intrinsicRun === this.intrinsicRun) return;
		box.intrinsicRun = this.intrinsicRun;
		const { min, max } = this.contentWidths(box);
		box.minContent = min;
		box.maxContent = max;
	}

	private contentWidths(box: LayoutBox): { min: number; max: number } {
		if (box.leaf) return box.leaf;
		if (box.variant) return { min: 0, max: 0 };
		switch (box.style.display) {
			case 'grid':
				return gridIntrinsic(box, this);
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
		const inner = Math.max(0, width - padAcross(box, base, this));
		const innerHeight = height === undefined ? undefined : Math.max(0, height - pad);
		return pad + this.layInside(box, inner, innerHeight, pad, isKnown);
	}

	private layInside(
		box: LayoutBox,
		inner: number,
		innerHeight: number | undefined,
		pad: number,
		isKnown: boolean
	): number {
		if (box.leaf) return box.leaf.heightAt(inner);
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

/** A number for a new run, never used before. */
export function nextRun(): number {
	return ++runs;
}
