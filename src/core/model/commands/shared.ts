import type { PieceRef } from './refs.ts';

/** What a data source says of itself. */
export type DataPart = 'from' | 'fresh' | 'failed' | 'shape';

/** The values of one name that the members of a list in a source have. */
interface ColumnAt {
	readonly name: string;
	readonly path: readonly (string | number)[];
	readonly column: string;
}

/** Edits of what pages share: data and parts. */
export type SharedCommand =
	| {
			readonly kind: 'add-data';
			readonly name: string;
			readonly from: string;
			/** A table or list that was pasted, which a file that is made begins with. */
			readonly pasted?: string;
			/** Without anything pasted, the names of values that its first member has, all empty. */
			readonly columns?: readonly string[];
	  }
	| { readonly kind: 'rename-data'; readonly name: string; readonly to: string }
	| { readonly kind: 'remove-data'; readonly name: string }
	| {
			readonly kind: 'set-data';
			readonly name: string;
			readonly part: DataPart;
			readonly value: string | undefined;
	  }
	| { readonly kind: 'keep-shape'; readonly name: string }
	| { readonly kind: 'set-json'; readonly name: string; readonly text: string }
	/** `undefined` takes the value away. */
	| {
			readonly kind: 'set-value';
			readonly name: string;
			readonly path: readonly (string | number)[];
			readonly value: unknown;
	  }
	| {
			readonly kind: 'add-member';
			readonly name: string;
			readonly path: readonly (string | number)[];
	  }
	/** Each member of a list gets a value of that name. */
	| ({ readonly kind: 'add-column' } & ColumnAt)
	| ({ readonly kind: 'remove-column' } & ColumnAt)
	| ({ readonly kind: 'rename-column'; readonly to: string } & ColumnAt)
	| { readonly kind: 'add-part'; readonly name: string }
	/** `start` is a place in the list of what could become a part, `others` places in its list of like ones. */
	| {
			readonly kind: 'make-part';
			readonly piece: PieceRef;
			readonly start: number;
			readonly name: string;
			readonly others: readonly number[];
	  }
	| { readonly kind: 'rename-part'; readonly name: string; readonly to: string }
	| {
			readonly kind: 'rename-parameter';
			readonly part: string;
			readonly name: string;
			readonly to: string;
	  }
	| {
			readonly kind: 'rename-variant';
			readonly part: string;
			readonly parameter: string;
			readonly value: string;
			readonly to: string;
	  }
	| { readonly kind: 'set-parameters'; readonly name: string; readonly text: string }
	/** It is given something more, which is one of some values, the first where nothing is given. */
	| {
			readonly kind: 'add-parameter';
			readonly part: string;
			readonly name: string;
			readonly values: readonly string[];
	  }
	| {
			readonly kind: 'add-variant';
			readonly part: string;
			readonly parameter: string;
			readonly value: string;
	  }
	/** The style that holds in all bands; without any text it goes. */
	| { readonly kind: 'set-part-style'; readonly name: string; readonly css: string }
	| { readonly kind: 'set-part-markup'; readonly name: string; readonly markup: string }
	| { readonly kind: 'remove-part'; readonly name: string };
