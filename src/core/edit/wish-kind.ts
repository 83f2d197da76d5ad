import type { CheckedSite } from '../check/site.ts';
import type { SizedRef, Wish } from '../model/wish.ts';
import { isPieceRef } from '../model/wish.ts';
import type { Surgery } from './surgery.ts';

/** A kind of wish: what its edit is called, and how it is made. */
export interface WishKind<W extends Wish> {
	/** In a few words, for the list of things that can be undone. */
	readonly label: (wish: W) => string;
	/** Makes the edit; gives as sentences what else it takes along. Throws a WishRefused. */
	readonly carryOut: (resolved: CheckedSite, surgery: Surgery, wish: W) => readonly string[] | void;
}

export type WishOf<K extends Wish['kind']> = Extract<Wish, { readonly kind: K }>;

/** Wishes of some kinds, by kind. */
export type WishKinds<W extends Wish> = { readonly [K in W['kind']]: WishKind<WishOf<K>> };

/** What something with settings is called. */
export function sizedName(ref: SizedRef): string {
	return isPieceRef(ref) ? ref.piece : (ref.box ?? ref.layout);
}
