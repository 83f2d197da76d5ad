import type { Layer, Piece } from '../../model/site.ts';

/** All pieces that stand in a layer, in regions, fills or the page itself. */
export function piecesIn(layer: Layer): Piece[] {
	const own = layer.kind === 'layout' ? layer.regions.flatMap((one) => one.pieces) : layer.pieces;
	return [...own, ...layer.fills.flatMap((fill) => fill.pieces)];
}
