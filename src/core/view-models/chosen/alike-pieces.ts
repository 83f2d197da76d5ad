import { stretchesOf } from '../../edit/content/stretches.ts';
import { findPiece } from '../../edit/find.ts';
import type { PieceRef } from '../../model/command.ts';
import { layerName, layersOf } from '../../model/site.ts';
import { holdersIn } from '../../resolve/content/holders.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** Pieces that differ from one in texts and values alone, anywhere in the site; itself is not among them. Throws a CommandRefused where that is gone. */
export function alikePieces(resolved: ResolvedSite, ref: PieceRef): PieceRef[] {
	const piece = findPiece(resolved, ref.holder, ref.piece);
	const [whole] = stretchesOf(resolved, ref.holder.layer.name, piece);
	if (!whole) return [];
	return layersOf(resolved.site).flatMap((layer) =>
		holdersIn(layer, resolved).flatMap(({ holder, pieces }) =>
			pieces.flatMap((one): PieceRef[] => {
				const [other] = one === piece ? [] : stretchesOf(resolved, layerName(layer), one);
				return other?.shape === whole.shape ? [{ holder, piece: one.name.text }] : [];
			})
		)
	);
}
