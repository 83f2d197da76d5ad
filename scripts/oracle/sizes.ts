import { fixedSize, runSize, type PieceSizes } from '../../src/core/geometry/pieces/piece-size.ts';

/** Sizes of pieces that are named for them: `fix-WIDTH-HEIGHT`, `run-COUNT-WIDTH-HEIGHT`; openers have one size. */
export const sizesByName: PieceSizes = ({ piece, opener }) => {
	if (opener) return fixedSize(60, 24);
	const [kind, one, two, three] = piece.split('-');
	if (kind === 'fix') return fixedSize(Number(one), Number(two));
	return runSize(Number(one), Number(two), Number(three));
};
