import type { Viewport } from '../size/length.ts';
import type { PieceName } from '../model/piece-key.ts';
import type { PieceSize } from './pieces/piece-size.ts';
import type { Style } from './style.ts';

/** What a box of the page is, so that its numbers lead back to the text. */
export interface BoxName {
	readonly kind:
		'layout' | 'wrapper' | 'region' | 'piece' | 'group' | 'run' | 'opener' | 'bare' | 'space';
	/** The layout it stands in; undefined on a page without layouts. */
	readonly layout: string | undefined;
	readonly region: string | undefined;
	readonly wrapper: string | undefined;
	/** The piece or group that it is, or the pieces of a run, with the layers that brought them; none for other boxes. */
	readonly pieces: readonly PieceName[];
}

/**
 * A box while it is worked out. Positions run along lines and down (inline and block), from the
 * border box of the parent, px; they are mirrored for a site from right to left in the end.
 */
export interface LayoutBox {
	readonly name: BoxName;
	readonly style: Style;
	/** In the order in which they are laid out. */
	readonly children: readonly LayoutBox[];
	/** Content of a piece or a run. */
	readonly leaf: PieceSize | undefined;
	/**
	 * The layout in a box that measures its own space, by the width it gets; its content then has no
	 * part in how wide the box would like to be (CSS Containment 3, section 3.2: inline size).
	 */
	readonly variant: ((width: number) => LayoutBox) | undefined;
	/** Open drawers of a layout, at its root: they lie over the page, and take no part in it. */
	readonly drawers: readonly LayoutBox[];
	/** The variant laid out last. */
	chosen: LayoutBox | undefined;
	x: number;
	y: number;
	width: number;
	height: number;
	/** For what it was laid out last, and in which run. */
	laidWidth: number;
	laidHeight: number | undefined;
	laidBase: number;
	laidKnown: boolean;
	laidRun: number;
	/** What scrollbars of its own take of its width and of its height, px. */
	barAcross: number;
	barDown: number;
	/** The height its content takes, border-box px, and for what it was worked out. */
	contentHeight: number;
	measuredWidth: number;
	measuredBase: number;
	measuredRun: number;
	/** Whether its least and greatest content width are the same on every screen. */
	readonly steady: boolean;
	/** Least and greatest content width without padding, in which run, and for which base. */
	minContent: number;
	maxContent: number;
	intrinsicRun: number;
	intrinsicBase: number | undefined;
	/** The tracks it was laid out with last, where it is a grid. */
	lines: GridLines | undefined;
}

/** Sizes of a grid's tracks, px. */
export interface GridLines {
	readonly columns: readonly number[];
	readonly rows: readonly number[];
	readonly columnGap: number;
	readonly rowGap: number;
	/** What all of them take with their gaps, in the direction of lines and down. */
	readonly across: number;
	readonly down: number;
}

/**
 * What lays out a box inside another; handed to each kind of layout, which do not know each other.
 * `base` is the width of the containing block, px: what shares of padding are shares of.
 */
export interface Layouter {
	readonly view: Viewport;
	/**
	 * Lays a box out at a border-box width, and a height where one is set from outside. That height may
	 * count as not known for what is in the box (CSS Flexible Box Layout 1, section 9.8).
	 */
	lay(
		box: LayoutBox,
		width: number,
		height: number | undefined,
		base: number,
		isKnown?: boolean
	): void;
	/** The border-box height that a box takes at a width when nothing stretches it. */
	heightAt(box: LayoutBox, width: number, base: number): number;
	/** The border-box height of its content alone, whatever height is set for it. */
	contentHeightAt(box: LayoutBox, width: number, base: number): number;
	/**
	 * Works out the least and greatest content widths of a box without its padding. They depend on the
	 * base where the number of its columns does; undefined while that is not known yet.
	 */
	intrinsic(box: LayoutBox, base: number | undefined): void;
}
