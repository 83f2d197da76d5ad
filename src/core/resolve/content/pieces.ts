import { Memory } from '../../lib/memory.ts';
import { withInner, type Layer, type Piece, type PieceGroup } from '../../model/site.ts';
import { broughtBy } from './brought.ts';

/** All pieces that stand in a layer, in regions, fills or the page itself, with the groups they stand in. */
export function piecesIn(layer: Layer): readonly Piece[] {
	return known.get(layer, [], () => {
		const own =
			layer.kind === 'layout' ? layer.regions.flatMap((one) => one.pieces) : broughtBy(layer);
		return withInner([...own, ...layer.fills.flatMap(broughtBy)]);
	});
}

const known = new Memory<Layer, readonly Piece[]>();

/** Pieces and groups as they are written, those in groups too: without a box around all, which no one has named. */
export function writtenIn(pieces: readonly Piece[]): Piece[] {
	return withInner(pieces).filter((piece) => piece.kind !== 'group' || !piece.isWhole);
}

/** The groups among them. */
export function groupsIn(layer: Layer): PieceGroup[] {
	return piecesIn(layer).filter((piece) => piece.kind === 'group');
}
