import type { Arrangement } from '../arrange.ts';
import type { SettingKind } from '../setting.ts';
import type { Span } from '../span.ts';
import type { ArrangedRef, SizedRef } from './refs.ts';

/** Something within an arrangement that has a word of its own. */
export type ArrangedWord = 'gap' | 'justify' | 'align' | 'wrap';

/** What can be said of an arrangement in columns. */
export interface ColumnsSaid {
	/** How many equal ones, or a CSS track list. */
	readonly columns: string;
	/** What a member takes that says nothing; as where nothing is said of it with `unsaid`. */
	readonly each: number | 'unsaid';
	/** How many rows share alike; with `any`, they come as they are needed. */
	readonly rows: number | 'any';
	/** Rows are as high as each other whatever is in them. */
	readonly equalRows: boolean;
}

/** Edits of sizes; each is for one band, by its name. */
export type SizeCommand =
	/** `undefined` frees it: the narrower band's value holds again. */
	| {
			readonly kind: 'set-setting';
			readonly box: SizedRef;
			readonly setting: SettingKind;
			readonly value: string | undefined;
			readonly band: string;
			/** What in a style says the same so far, and goes. */
			readonly without?: Span;
	  }
	| {
			readonly kind: 'move-setting';
			readonly box: SizedRef;
			readonly setting: SettingKind;
			readonly from: string;
			readonly to: string;
	  }
	/** Starts from what holds there; `undefined`: as in the narrower band again. */
	| {
			readonly kind: 'set-arrangement';
			readonly box: ArrangedRef;
			readonly arrangement: Arrangement['kind'] | undefined;
			readonly band: string;
	  }
	/** What is said anew of columns; the rest stays. */
	| {
			readonly kind: 'set-columns';
			readonly box: ArrangedRef;
			readonly said: Partial<ColumnsSaid>;
			readonly band: string;
	  }
	| {
			readonly kind: 'set-arranged';
			readonly box: ArrangedRef;
			readonly word: ArrangedWord;
			readonly value: string | undefined;
			readonly band: string;
	  }
	/** Several sizes take the place of one: what lay there lies over all of them. */
	| {
			readonly kind: 'set-track';
			readonly box: ArrangedRef;
			readonly axis: Axis;
			readonly index: number;
			readonly size: string;
			readonly band: string;
	  }
	/** Puts a column or row in front of the one at `index`, or behind the last. */
	| {
			readonly kind: 'add-track';
			readonly box: ArrangedRef;
			readonly axis: Axis;
			readonly index: number;
			readonly band: string;
			/** How many; one where nothing is said. */
			readonly count?: number;
	  }
	| {
			readonly kind: 'remove-track';
			readonly box: ArrangedRef;
			readonly axis: Axis;
			readonly index: number;
			readonly band: string;
			/** How many; one where nothing is said. */
			readonly count?: number;
	  }
	| {
			readonly kind: 'set-areas';
			readonly box: ArrangedRef;
			readonly cells: readonly (readonly string[])[];
			readonly band: string;
	  }
	/** A member changes places with another one, or goes to one of its sides. */
	| {
			readonly kind: 'move-area';
			readonly box: ArrangedRef;
			readonly member: string;
			readonly target: string;
			readonly side: Side;
			readonly band: string;
	  }
	/** px */
	| { readonly kind: 'set-breakpoint'; readonly band: string; readonly from: number };

export type Axis = 'columns' | 'rows';

/** Where something goes, seen from another: into its place, or beside it. */
export type Side = 'swap' | 'left' | 'right' | 'above' | 'below';
