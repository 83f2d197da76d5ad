import type { CheckedSite } from '../check/site.ts';
import type { Wish } from '../model/wish.ts';
import { regionWishes, sizeWishes } from './boxes/wishes.ts';
import { layerWishes } from './layers/wishes.ts';
import { mendWishes } from './mending/wishes.ts';
import { pieceWishes } from './pieces/wishes.ts';
import { sharedWishes } from './content/wishes.ts';
import { siteWishes } from './site/wishes.ts';
import type { Surgery } from './surgery.ts';
import type { WishKinds, WishOf } from './wish-kind.ts';

/** Every kind of wish. */
const kinds: WishKinds<Wish> = {
	...sizeWishes,
	...siteWishes,
	...layerWishes,
	...regionWishes,
	...pieceWishes,
	...sharedWishes,
	...mendWishes,
	'mend-all': {
		label: ({ label }) => label,
		carryOut: (resolved, surgery, { mends }) =>
			mends.flatMap((mend) => carryOut(resolved, surgery, mend))
	}
};

export function labelOf(wish: Wish): string {
	return labelOfKind(wish.kind, wish);
}

function labelOfKind<K extends Wish['kind']>(kind: K, wish: WishOf<K>): string {
	return kinds[kind].label(wish);
}

/** Makes the edit that a wish asks for; gives as sentences what else it takes along. Throws a WishRefused. */
export function carryOut(resolved: CheckedSite, surgery: Surgery, wish: Wish): readonly string[] {
	return carryOutKind(wish.kind, resolved, surgery, wish) ?? [];
}

function carryOutKind<K extends Wish['kind']>(
	kind: K,
	resolved: CheckedSite,
	surgery: Surgery,
	wish: WishOf<K>
): readonly string[] | void {
	return kinds[kind].carryOut(resolved, surgery, wish);
}
