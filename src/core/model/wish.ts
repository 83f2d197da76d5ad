import type { Arrangement } from './arrange.ts';
import type { SettingKind } from './setting.ts';
import type { FillKind } from './site.ts';

/** A layer by name: a layout's name, a route's pattern, or a state and its place. */
export interface LayerRef {
	readonly kind: 'layout' | 'route' | 'state';
	readonly name: string;
}

export interface RegionRef {
	readonly layout: string;
	readonly region: string;
}

/** Where pieces stand: in a page itself, in a layout's region, or in a layer's fill of a region. */
export interface HolderRef {
	readonly layer: LayerRef;
	/** Without it: the page's own content. */
	readonly region: RegionRef | undefined;
}

/** A box with settings of its own: a region or wrapper by name, or without it the layout itself. */
export interface BoxRef {
	readonly layout: string;
	readonly box: string | undefined;
}

/** Edits of sizes; each is for one band, by its name. */
export type SizeWish =
	/** `undefined` frees it: the narrower band's value holds again. */
	| {
			readonly kind: 'set-setting';
			readonly box: BoxRef;
			readonly setting: SettingKind;
			readonly value: string | undefined;
			readonly band: string;
	  }
	| {
			readonly kind: 'move-setting';
			readonly box: BoxRef;
			readonly setting: SettingKind;
			readonly from: string;
			readonly to: string;
	  }
	| {
			readonly kind: 'set-arrangement';
			readonly box: BoxRef;
			readonly arrangement: Arrangement['kind'] | undefined;
			readonly band: string;
	  }
	| {
			readonly kind: 'set-track';
			readonly box: BoxRef;
			readonly axis: 'columns' | 'rows';
			readonly index: number;
			readonly size: string;
			readonly band: string;
	  }
	| {
			readonly kind: 'set-areas';
			readonly box: BoxRef;
			readonly cells: readonly (readonly string[])[];
			readonly band: string;
	  }
	/** px */
	| { readonly kind: 'set-breakpoint'; readonly band: string; readonly from: number };

/** Everything the drawings can ask for. Each becomes the smallest change of the text that says it. */
export type Wish =
	| SizeWish
	| { readonly kind: 'add-route'; readonly pattern: string; readonly title: string }
	| { readonly kind: 'move-route'; readonly pattern: string; readonly to: string }
	| { readonly kind: 'remove-route'; readonly pattern: string }
	| { readonly kind: 'add-layout'; readonly name: string; readonly at: string }
	| { readonly kind: 'rename-layout'; readonly name: string; readonly to: string }
	| { readonly kind: 'move-layout'; readonly name: string; readonly at: string }
	| { readonly kind: 'remove-layout'; readonly name: string }
	/** `undefined`: under the nearest layout that covers it. */
	| { readonly kind: 'set-under'; readonly layer: LayerRef; readonly under: string | undefined }
	| {
			readonly kind: 'set-fill';
			readonly layer: LayerRef;
			readonly region: RegionRef;
			readonly fill: FillKind;
	  }
	| { readonly kind: 'remove-fill'; readonly layer: LayerRef; readonly region: RegionRef }
	| {
			readonly kind: 'add-region';
			readonly layout: string;
			readonly name: string;
			readonly element: string;
	  }
	| { readonly kind: 'rename-region'; readonly region: RegionRef; readonly to: string }
	| { readonly kind: 'reorder-region'; readonly region: RegionRef; readonly by: -1 | 1 }
	| { readonly kind: 'remove-region'; readonly region: RegionRef }
	| {
			readonly kind: 'set-flag';
			readonly region: RegionRef;
			readonly flag: 'locked' | 'required';
			readonly on: boolean;
	  }
	| { readonly kind: 'add-piece'; readonly holder: HolderRef; readonly name: string }
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
	| { readonly kind: 'remove-piece'; readonly holder: HolderRef; readonly name: string }
	| {
			readonly kind: 'set-markup';
			readonly holder: HolderRef;
			readonly name: string;
			readonly markup: string;
	  };

const sizeKinds: ReadonlySet<string> = new Set<SizeWish['kind']>([
	'set-setting',
	'move-setting',
	'set-arrangement',
	'set-track',
	'set-areas',
	'set-breakpoint'
]);

/** Whether a wish is about sizes, and so about bands. */
export function isSizeWish(wish: Wish): wish is SizeWish {
	return sizeKinds.has(wish.kind);
}
