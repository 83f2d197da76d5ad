import type { Span } from '../span.ts';
import type { StandIn } from '../trial.ts';
import type { Beside, HolderRef, PaintedArea, PieceRef } from './refs.ts';

/** What a list of links is made from. */
export interface NavSaid {
	/** The route whose pages below it are linked to. */
	readonly from: string;
	/** How many segments down it reaches. */
	readonly depth: number;
	/** The page at `from` is the first of the links. */
	readonly withStart: boolean;
}

/** What a new piece starts with. */
export type PieceStart =
	| { readonly kind: 'markup'; readonly markup: string }
	| { readonly kind: 'nav'; readonly from: string; readonly depth: number }
	| { readonly kind: 'copy'; readonly of: PieceRef };

/** An element of a piece's markup: which of all in it, the outer before the inner, and as it is written now. */
export interface ElementRef {
	readonly piece: PieceRef;
	readonly index: number;
	readonly markup: string;
}

/** Edits of pieces. */
export type PieceCommand =
	| {
			readonly kind: 'add-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly start?: PieceStart;
			/** The empty area that it takes, in one band; without, it gets a row of its own. */
			readonly area?: PaintedArea;
	  }
	/** A piece for each row of a table, or line of a list, that was pasted. */
	| { readonly kind: 'paste-pieces'; readonly holder: HolderRef; readonly text: string }
	| {
			readonly kind: 'rename-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly to: string;
	  }
	| {
			readonly kind: 'reorder-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly by: -1 | 1;
	  }
	/** A piece goes to another place, or beside another one of its own. */
	| {
			readonly kind: 'move-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly to: HolderRef;
			readonly beside?: Beside;
	  }
	| { readonly kind: 'remove-piece'; readonly holder: HolderRef; readonly name: string }
	/** Pieces that stand in one place go, or go to another place, or beside another one, in their order. */
	| {
			readonly kind: 'remove-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
	  }
	| {
			readonly kind: 'move-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
			readonly to: HolderRef;
			readonly beside?: Beside;
	  }
	/** Copies of pieces that stand in one place, behind the last of them. */
	| {
			readonly kind: 'copy-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
	  }
	/** Pieces that stand in one place get a box around them, which takes the place of the first. */
	| {
			readonly kind: 'group-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
			readonly name: string;
	  }
	/** A group goes, and what is in it stays. */
	| { readonly kind: 'ungroup'; readonly holder: HolderRef; readonly name: string }
	/** For whom a piece is; everyone where no role is named. */
	| {
			readonly kind: 'set-seen-by';
			readonly holder: HolderRef;
			readonly name: string;
			readonly roles: readonly string[];
	  }
	| {
			readonly kind: 'set-markup';
			readonly holder: HolderRef;
			readonly name: string;
			readonly markup: string;
	  }
	/** What stands in for a piece where a page is tried with less or more content; undefined takes it away. */
	| {
			readonly kind: 'set-stand-in';
			readonly holder: HolderRef;
			readonly name: string;
			readonly of: StandIn;
			readonly markup: string | undefined;
	  }
	| {
			readonly kind: 'set-nav';
			readonly holder: HolderRef;
			readonly name: string;
			readonly said: NavSaid;
	  }
	/** Words of markup: where they are written, as they are written there, and as they should be seen. */
	| {
			readonly kind: 'edit-words';
			/** The piece or part whose words they are. */
			readonly name: string;
			readonly place: Span;
			readonly before: string;
			readonly after: string;
	  }
	/** An element once for each member of a list, with other texts in the place of its words where they are given. */
	| {
			readonly kind: 'repeat-element';
			readonly element: ElementRef;
			readonly list: string;
			/** What a member is called in it. */
			readonly name: string;
			readonly texts: readonly (string | undefined)[];
			/** Those beside it that are like it but for their words go. */
			readonly replacesOthers: boolean;
	  }
	/** An element only where something is so: `data.hours.today is "closed"`. */
	| { readonly kind: 'show-element-if'; readonly element: ElementRef; readonly test: string }
	/** Other texts in the place of an element's words, where they are given. */
	| {
			readonly kind: 'set-element-texts';
			readonly element: ElementRef;
			readonly texts: readonly (string | undefined)[];
	  }
	/** Markup of a piece or part as it is written somewhere and as it should be; what becomes nothing goes with its lines. */
	| {
			readonly kind: 'write-markup';
			readonly of: string;
			readonly place: Span;
			readonly before: string;
			readonly after: string;
	  }
	/** A list or condition goes, and what stands in it stays: of a list, for its first member. */
	| {
			readonly kind: 'open-block';
			readonly of: string;
			readonly place: Span;
			readonly before: string;
	  }
	/** A picture among the markup of a piece or part, with the files that it shows where they are new. */
	| {
			readonly kind: 'put-picture';
			readonly name: string;
			readonly place: Span;
			readonly before: string;
			readonly after: string;
			readonly files: readonly { readonly file: string; readonly bytes: Uint8Array }[];
	  };
