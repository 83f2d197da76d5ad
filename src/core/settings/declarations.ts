import type { Placement, Ratio } from '../model/setting.ts';

/** CSS as an author wrote it or would: lengths, tokens and sums of them. */
export type CssText = string;

/** The two sides of an axis, in the order of lines or of reading. */
export interface Sides {
	readonly start: CssText;
	readonly end: CssText;
}

/** Lines of a grid that a box lies between (CSS Grid Layout 2, section 8.3). */
export interface GridLines {
	/** The line that it begins at, the first is 1; undefined where it is placed where there is room. */
	readonly from: number | undefined;
	readonly span: number | 'all';
}

/** Columns or rows as they are written, or so many that share alike. */
export type Tracks =
	| { readonly kind: 'written'; readonly text: CssText }
	| { readonly kind: 'equal'; readonly count: number; readonly least: 'nothing' | 'content' };

/** CSS Flexible Box Layout 1, section 7.1. */
export interface Flex {
	readonly grow: number;
	readonly shrink: number;
	readonly basis: CssText;
}

export type Distribution =
	'normal' | 'start' | 'center' | 'end' | 'space-between' | 'space-around' | 'space-evenly';

/**
 * Every property that settings and arrangements declare, in the order a reader looks for them. The
 * geometry works with these values; only style sheets print them.
 */
export interface CssValues {
	readonly '--top-outside': CssText;
	readonly '--bottom-outside': CssText;
	readonly '--top-inside': CssText;
	readonly '--bottom-inside': CssText;
	readonly display: 'flow-root' | 'flex' | 'grid' | 'none';
	readonly 'flex-direction': 'row' | 'column';
	readonly 'flex-wrap': 'nowrap' | 'wrap';
	readonly 'grid-template-columns': Tracks;
	readonly 'grid-template-rows': Tracks;
	readonly 'grid-auto-rows': Tracks;
	readonly 'grid-template-areas': readonly (readonly string[])[];
	readonly 'justify-content': Distribution;
	readonly 'align-items': 'normal' | 'start' | 'center' | 'end';
	/** Between rows, then between columns; one for both. */
	readonly gap: readonly CssText[];
	readonly 'grid-area': string;
	readonly 'grid-column': GridLines;
	readonly 'grid-row': GridLines;
	readonly flex: Flex | 'none';
	readonly order: number;
	readonly 'align-self': Placement;
	readonly 'justify-self': Placement;
	readonly position: 'static' | 'relative' | 'sticky' | 'fixed';
	readonly 'inset-block': Sides;
	readonly 'inset-block-start': CssText;
	readonly 'inset-block-end': CssText;
	readonly 'inset-inline': Sides;
	readonly 'z-index': CssText;
	readonly isolation: 'auto' | 'isolate';
	readonly width: CssText;
	readonly 'min-width': CssText;
	readonly 'max-width': CssText;
	readonly height: CssText;
	readonly 'min-height': CssText;
	readonly 'max-height': CssText;
	readonly 'aspect-ratio': Ratio;
	readonly 'border-style': 'solid';
	readonly 'border-block-width': Sides;
	readonly 'border-inline-width': Sides;
	readonly 'padding-block': Sides;
	readonly 'padding-inline': Sides;
	readonly 'margin-block-start': CssText;
	readonly 'margin-block-end': CssText;
	readonly 'margin-inline-start': CssText;
	readonly 'margin-inline-end': CssText;
	readonly overflow: 'auto' | 'auto hidden';
	readonly 'background-color': CssText;
	readonly 'box-shadow': CssText;
}

/** CSS declarations of one box in one band. What is not said has its initial value. */
export type Declarations = Partial<CssValues>;

/** Custom properties hold for everything in a box, others for the box alone. */
const handedOnNames = [
	'--top-outside',
	'--bottom-outside',
	'--top-inside',
	'--bottom-inside'
] as const satisfies readonly (keyof CssValues)[];

/** What a box declares for all that is in it. */
export function handedOn(declarations: Declarations): [string, CssText][] {
	return handedOnNames.flatMap((name): [string, CssText][] => {
		const value = declarations[name];
		return value === undefined ? [] : [[name, value]];
	});
}
