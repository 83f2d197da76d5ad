import type { Arrangement } from '../model/arrange.ts';
import type { SettingsAt } from '../model/setting.ts';
import type { CssText } from './declarations.ts';

export type BoxKind = 'layout' | 'wrapper' | 'region' | 'piece';

/** How the members of a box lie in one band; a strip is a line of its own kind. */
export type Inside = Arrangement | { readonly kind: 'strip' } | Flow;

/** One below the other. */
export interface Flow {
	readonly kind: 'flow';
	/** Some of them keep a distance above or below, which must not collapse into that of the next one. */
	readonly isSpaced?: true;
}

/** Where a box stands: how its parent arranges in the band, and what holds for the parent. */
export interface Around {
	readonly inside: Inside;
	readonly settings: SettingsAt;
	/** What holds for its members in the order they are written; undefined where pages differ in what stands there. */
	readonly members: readonly SettingsAt[] | undefined;
	/** Its place among them. */
	readonly place: number;
}

export const edges = ['top', 'bottom'] as const;
/** What boxes can stick to as one scrolls. */
export type Edge = (typeof edges)[number];

/** A box in one band: what a setting looks at to say what it means in CSS. */
export interface Placed {
	readonly kind: BoxKind | 'opener' | 'bare';
	readonly name: string;
	/** All that holds for the box in the band. */
	readonly settings: SettingsAt;
	readonly inside: Inside;
	/** Undefined for the root of a layout. */
	readonly around: Around | undefined;
	/** Something in it scrolls by itself without a height of its own, so it ends with the screen. */
	readonly scrollsInside: boolean;
	/** Something in it rides under what follows. */
	readonly overlapsInside: boolean;
	/** How far from an edge it would stick: what is kept there before it. */
	stuckAt(edge: Edge): CssText;
}
