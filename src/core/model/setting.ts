import type { Named, Span } from './span.ts';

/** Where a box stands when it is shown. */
export type Show =
	| { readonly kind: 'in-place' }
	| { readonly kind: 'hidden' }
	/** One line that scrolls sideways. */
	| { readonly kind: 'strip' }
	/** Slides in over the page, from a side, when its opener is pressed. */
	| {
			readonly kind: 'drawer';
			readonly side: Side;
			/** CSS length: how far it reaches in. */
			readonly size: string;
			readonly label: string;
			/** The label of the button in it that closes it. */
			readonly close: string;
	  };

export const sides = ['left', 'right', 'top', 'bottom'] as const;
/** `left` is where lines start, so that a site from right to left is mirrored. */
export type Side = (typeof sides)[number];

/** What a member of a row or stack takes along it. */
export type MemberSize =
	/** A share of what is left, next to other members that fill. */
	| { readonly kind: 'fill'; readonly share: number }
	/** As large as its content. */
	| { readonly kind: 'hug' }
	| { readonly kind: 'fixed'; readonly size: string };

/** Width to height (CSS Box Sizing 4, section 5.1). */
export interface Ratio {
	readonly width: number;
	readonly height: number;
}

/** CSS lengths for width and height; undefined where none is set. */
export interface Extent {
	readonly width: string;
	readonly height: string | undefined;
}

/** CSS box alignment keywords (CSS Box Alignment 3, section 4) that need no baseline. */
export const placements = ['auto', 'start', 'center', 'end', 'stretch'] as const;
export type Placement = (typeof placements)[number];

export const stickEdges = ['top', 'bottom', 'none'] as const;
/** An edge to keep to, in front of what is scrolled or behind it. */
export type Stick = (typeof stickEdges)[number] | 'top behind' | 'bottom behind';
export const shadows = ['none', 'always', 'scrolled'] as const;
export const scrolls = ['page', 'own'] as const;

/** Every setting and what it can say. Sizes are CSS text, in px, shares and the like. */
export interface SettingValues {
	readonly show: Show;
	readonly width: string;
	/** A CSS length, or `screen`: at least as tall as the screen. */
	readonly height: string;
	readonly min: Extent;
	readonly max: Extent;
	/** Width to height, from which the height follows. */
	readonly aspect: Ratio | 'auto';
	/** One to four, in the order of CSS `padding`, the sideways ones as end and start. */
	readonly pad: readonly string[];
	/** One to four, in the same order; `auto` at a side takes what is left there. */
	readonly margin: readonly string[];
	/** One to four widths, in the same order. */
	readonly border: readonly string[];
	/** A CSS colour, or `none`. */
	readonly background: string;
	/** Between rows, then between columns; one for both. */
	readonly gap: readonly string[];
	/** Content is centred and no wider than this; the background reaches on. */
	readonly contain: string;
	readonly stick: Stick;
	readonly shadow: (typeof shadows)[number];
	/** From the first height to the second as one scrolls. */
	readonly shrink: { readonly from: string; readonly to: string } | 'none';
	/** How far what follows rides up over it. */
	readonly overlap: string;
	readonly scroll: (typeof scrolls)[number];
	readonly size: MemberSize;
	readonly span: { readonly columns: number | 'all'; readonly rows: number };
	/** Columns left free before it. */
	readonly offset: number;
	readonly 'new-row': boolean;
	readonly 'place-self': { readonly align: Placement; readonly justify: Placement };
	readonly order: number;
	/** The accessible name of a region. */
	readonly label: string;
	/** The text of a link to a layout's slot. */
	readonly skip: string;
}

export type SettingKind = keyof SettingValues;

/** One setting as written. It holds from its band upward, from the narrowest where it names none. */
export interface SettingOf<K extends SettingKind> {
	readonly kind: K;
	readonly value: SettingValues[K];
	/** The words of the value, without the setting's name and band. */
	readonly valueSpan: Span;
	readonly band: Named | undefined;
	readonly span: Span;
}

export type Setting = { [K in SettingKind]: SettingOf<K> }[SettingKind];

/** What holds in one band. */
export type SettingsAt = { readonly [K in SettingKind]?: SettingValues[K] };
