import type { documentElements, FillKind, scriptWords, StateKind } from '../site.ts';
import type { LayerRef, RegionRef } from './refs.ts';

/** Which pages there are of a route, as one chooses it. */
export type PagesChoice =
	| { readonly kind: 'one' }
	/** `data` is the path of a list, `data.NAME`. */
	| { readonly kind: 'each'; readonly data: string; readonly field: string }
	| { readonly kind: 'samples'; readonly values: readonly string[] };

/** A sheet or script, and what is said of it. */
export type DocumentFile =
	| { readonly kind: 'sheet'; readonly from: string; readonly media: string | undefined }
	| {
			readonly kind: 'script';
			readonly from: string;
			readonly words: readonly (typeof scriptWords)[number][];
	  };

/** What else is said of a document: markup in its head, and attributes of its two elements. */
export type DocumentPart = 'head' | (typeof documentElements)[number];

/** What of a frame of own markup stays one, around an element of it that became boxes. */
export interface FrameAround {
	readonly name: string;
	readonly markup: string;
	/** The places that stay in it. */
	readonly regions: readonly string[];
}

/** Boxes take the place of a frame of own markup. */
export interface ArrangeFrameCommand {
	readonly kind: 'arrange-frame';
	readonly layout: string;
	/** What the layout says in the place of its frame and of its places, line by line. */
	readonly lines: readonly string[];
	/** Markup around it that stays a frame of its own, which the layout sits under then; undefined where nothing stays. */
	readonly around: FrameAround | undefined;
	/** Bands that these lines speak of and the site has not, the narrowest first; `from`: px. */
	readonly bands: readonly { readonly name: string; readonly from: number }[];
}

/** Edits of routes, layouts and of what they say. */
export type LayerCommand =
	| { readonly kind: 'add-route'; readonly pattern: string; readonly title: string }
	/** Routes for the addresses of a sitemap, or of a list with one a line. */
	| { readonly kind: 'add-routes'; readonly text: string }
	/** `leaveBehind`: visitors of the old addresses are led on from there. */
	| {
			readonly kind: 'move-route';
			readonly pattern: string;
			readonly to: string;
			readonly leaveBehind?: boolean;
	  }
	/** Addresses of once that lead to a route, as they are written; with none, nothing leads there any more. */
	| { readonly kind: 'set-moved'; readonly pattern: string; readonly addresses: readonly string[] }
	| { readonly kind: 'remove-route'; readonly pattern: string }
	/** What is drawn where a page of a route, or one below it, is missing, denied, failed or not there yet. */
	| { readonly kind: 'add-state'; readonly state: StateKind; readonly at: string }
	/** `name` is as in `layerName`: `not-found at /`. */
	| { readonly kind: 'remove-state'; readonly name: string }
	| { readonly kind: 'set-pages'; readonly pattern: string; readonly pages: PagesChoice }
	| {
			readonly kind: 'add-layout';
			readonly name: string;
			readonly at: string;
			readonly onRequest?: boolean;
	  }
	| { readonly kind: 'rename-layout'; readonly name: string; readonly to: string }
	| { readonly kind: 'move-layout'; readonly name: string; readonly at: string }
	| { readonly kind: 'remove-layout'; readonly name: string }
	| { readonly kind: 'set-on-request'; readonly name: string; readonly on: boolean }
	| ArrangeFrameCommand
	| { readonly kind: 'set-sheets'; readonly name: string; readonly do: 'move' | 'paint' }
	| { readonly kind: 'set-measure'; readonly name: string; readonly by: 'screen' | 'space' }
	/** `undefined`: under the nearest layout that covers it. */
	| { readonly kind: 'set-under'; readonly layer: LayerRef; readonly under: string | undefined }
	/** A title or description as it is written in quotes; `undefined` takes it back. */
	| {
			readonly kind: 'set-words';
			readonly layer: LayerRef;
			readonly part: 'title' | 'description';
			readonly value: string | undefined;
	  }
	| { readonly kind: 'set-admit'; readonly layer: LayerRef; readonly roles: readonly string[] }
	| {
			readonly kind: 'change-access';
			readonly route: string;
			readonly role: string;
			readonly opens: boolean;
	  }
	| {
			readonly kind: 'set-fill';
			readonly layer: LayerRef;
			readonly region: RegionRef;
			readonly fill: FillKind;
	  }
	/** `layer` undefined: the site. */
	| {
			readonly kind: 'set-document-file';
			readonly layer: LayerRef | undefined;
			readonly file: DocumentFile;
	  }
	| {
			readonly kind: 'remove-document-file';
			readonly layer: LayerRef | undefined;
			readonly file: Pick<DocumentFile, 'kind' | 'from'>;
	  }
	/** `undefined` takes it back. */
	| {
			readonly kind: 'set-document-text';
			readonly layer: LayerRef | undefined;
			readonly part: DocumentPart;
			readonly text: string | undefined;
	  }
	| { readonly kind: 'remove-fill'; readonly layer: LayerRef; readonly region: RegionRef }
	/** For whom it is what a layer puts into a region; everyone where no role is named. */
	| {
			readonly kind: 'set-fill-seen-by';
			readonly layer: LayerRef;
			readonly region: RegionRef;
			readonly roles: readonly string[];
	  };
