import type { Span } from '../span.ts';
import type { LayerRef } from './refs.ts';

/** What can say that findings are set aside: a layer, a part, or the whole site, which has no name. */
export interface AllowRef {
	readonly kind: LayerRef['kind'] | 'part' | 'site';
	readonly name: string;
}

/** Edits that take findings away. */
export type MendCommand =
	/** Other text in the place of what a finding is about; `was` has to stand there still. */
	| {
			readonly kind: 'mend-text';
			readonly label: string;
			readonly span: Span;
			readonly was: string;
			readonly insert: string;
	  }
	/** A rule in a style of its own, for the content that a layer brings. */
	| {
			readonly kind: 'add-rule';
			readonly label: string;
			readonly in: LayerRef;
			readonly css: string;
	  }
	| {
			readonly kind: 'set-aside';
			readonly code: string;
			readonly in: AllowRef;
			readonly reason: string;
	  }
	/** What was set aside is told again. */
	| { readonly kind: 'tell-again'; readonly code: string; readonly in: AllowRef };
