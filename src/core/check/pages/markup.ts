import { Memory } from '../../model/memory.ts';
import type { Problem } from '../../messages/problem.ts';
import type { Layer } from '../../model/site.ts';
import { compileMarkup } from '../../resolve/markup.ts';
import { piecesIn } from '../../resolve/pieces.ts';
import type { LayerCheck } from '../check.ts';

const known = new Memory<Layer, readonly Problem[]>();

export const markup: LayerCheck = {
	of: 'layer',
	codes: ['expression-place', 'markup-too-deep'],
	what: 'Markup can be written as it is, with values where they may stand.',
	why: 'A value in a place where it would run, or break the markup, is a way in.',
	find: (layer) => known.get(layer, [], () => problemsIn(layer))
};

function problemsIn(layer: Layer): readonly Problem[] {
	return piecesIn(layer).flatMap((piece) =>
		piece.kind === 'markup' ? compileMarkup(piece.markup).problems : []
	);
}
