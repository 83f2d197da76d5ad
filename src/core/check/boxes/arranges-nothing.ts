import { plainPage } from '../example.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { layerName, type Layer } from '../../model/site.ts';
import { groupsIn } from '../../resolve/content/pieces.ts';
import type { LayerCheck } from '../check.ts';

export const arrangesNothing: LayerCheck = {
	of: 'layer',
	codes: ['arranges-nothing'],
	what: 'A page that says how its pieces lie has some, and so has a wrapper among pieces.',
	why: 'Nothing comes of it, and most often the pieces stand somewhere else.',
	examples: {
		'arranges-nothing': {
			wrong: plainPage('<h1>Seed</h1>', 'wrapper cards { arrange columns 3 }'),
			mended: plainPage(
				'<h1>Seed</h1>',
				'wrapper cards { arrange columns 3; piece bean """<p>Bean</p>""" }'
			)
		}
	},
	find: (layer) => [
		...ownWithout(layer),
		...groupsIn(layer)
			.filter(({ pieces }) => pieces.length === 0)
			.map(({ name }) => warning('arranges-nothing', name.span, `The wrapper ${name.text}`))
	]
};

/** What a page or a fill says of pieces that it does not have. */
function ownWithout(layer: Layer): Problem[] {
	const fills = layer.fills.map((fill) => ({ brings: fill, what: `The fill of ${fill.region}` }));
	const own = layer.kind === 'layout' ? [] : [{ brings: layer, what: layerName(layer) }];
	return [...own, ...fills]
		.filter(({ brings }) => brings.pieces.length === 0)
		.flatMap(({ brings, what }) =>
			brings.arrangements.map(({ span }) => warning('arranges-nothing', span, what))
		);
}
