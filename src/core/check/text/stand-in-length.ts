import { plainFrame } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { layerName, type MarkupPiece } from '../../model/site.ts';
import { isPlain, templateText, type Template } from '../../model/template.ts';
import { standInKinds } from '../../model/trial.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { LayerCheck } from '../check.ts';

export const standInLength: LayerCheck = {
	of: 'layer',
	codes: ['stand-in-length'],
	what: 'A short stand-in has fewer words than what it stands in for, and a long one more.',
	why: 'A page that is tried with it would show nothing that it does not show anyway.',
	examples: {
		'stand-in-length': {
			wrong: `${plainFrame}\nroute / {\n  title "Home"\n  piece text """<h1>Seed</h1>""" long """<h1>Sow</h1>"""\n}`,
			mended: `${plainFrame}\nroute / {\n  title "Home"\n  piece text """<h1>Seed</h1>""" long """<h1>Seed that is lent</h1>"""\n}`
		}
	},
	find: (layer) =>
		piecesIn(layer).flatMap((piece) =>
			piece.kind === 'markup' ? problemsOf(piece, layerName(layer)) : []
		)
};

/** Where lists and conditions stand in one of the two, how long it is depends on what they give. */
function problemsOf({ markup, standIns, name }: MarkupPiece, owner: string): Problem[] {
	return standInKinds.flatMap((kind) => {
		const standIn = standIns[kind];
		if (!standIn || !isPlain(markup) || !isPlain(standIn)) return [];
		const more = lengthOf(standIn) - lengthOf(markup);
		const stands = kind === 'short' ? more < 0 : more > 0;
		return stands ? [] : [warning('stand-in-length', standIn.span, kind, name.text, owner)];
	});
}

/** Letters that are shown, about. */
function lengthOf(template: Template): number {
	return templateText(template).replace(/<[^>]*>|\s+/g, '').length;
}
