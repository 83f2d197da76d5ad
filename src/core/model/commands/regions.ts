import type { Beside, BoxRef, PaintedArea, RegionRef } from './refs.ts';

/** Edits of the regions and wrappers of a layout. */
export type RegionCommand =
	| {
			readonly kind: 'add-region';
			readonly layout: string;
			readonly name: string;
			readonly element: string;
			/** The empty area that it takes, in one band; without, it gets a row of its own. */
			readonly area?: PaintedArea & { readonly box: BoxRef };
	  }
	| { readonly kind: 'rename-region'; readonly region: RegionRef; readonly to: string }
	| { readonly kind: 'set-element'; readonly region: RegionRef; readonly element: string }
	/** Attributes of the element of a region or wrapper; `undefined` takes them back. */
	| {
			readonly kind: 'set-box-attributes';
			readonly layout: string;
			readonly box: string;
			readonly text: string | undefined;
	  }
	| { readonly kind: 'reorder-region'; readonly region: RegionRef; readonly by: -1 | 1 }
	/** Regions and wrappers change their place in the reading order. */
	| {
			readonly kind: 'place-member';
			readonly layout: string;
			readonly name: string;
			readonly beside: Beside;
	  }
	| { readonly kind: 'remove-region'; readonly region: RegionRef }
	| {
			readonly kind: 'wrap';
			readonly layout: string;
			readonly members: readonly string[];
			readonly name: string;
	  }
	| { readonly kind: 'unwrap'; readonly layout: string; readonly name: string }
	| {
			readonly kind: 'set-flag';
			readonly region: RegionRef;
			readonly flag: 'locked' | 'required';
			readonly on: boolean;
	  };
