import { plainLayout } from '../example.ts';
import { error } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import type { Layer } from '../../model/site.ts';
import type { Named } from '../../model/span.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { LayerCheck } from '../check.ts';

export const bandUnknown: LayerCheck = {
	of: 'layer',
	codes: ['band-unknown'],
	what: 'Every band that a layer names is one of the site’s.',
	why: 'What is said for a band that there is not would never hold.',
	examples: {
		'band-unknown': {
			wrong: plainLayout(
				'region side as aside { pad 8px; pad 16px @huge; piece hours """<p>Two to six.</p>""" }'
			),
			mended: plainLayout(
				'region side as aside { pad 8px; pad 16px @wide; piece hours """<p>Two to six.</p>""" }'
			)
		}
	},
	find(layer, { site }) {
		const known = site.settings.bands.map((band) => band.name.text);
		return bandsNamedIn(layer)
			.filter((band) => !known.includes(band.text))
			.map((band) => error('band-unknown', band.span, band.text, listWords(known)));
	}
};

function bandsNamedIn(layer: Layer): Named[] {
	const own = layer.kind === 'layout' ? [layer, ...membersIn(layer.members)] : [];
	const said = [
		...[...own, ...layer.adjusts].flatMap((box) => [...box.settings, ...box.arrangements]),
		...piecesIn(layer).flatMap((piece) => [
			...piece.settings,
			...(piece.kind === 'group' ? piece.arrangements : [])
		]),
		...layer.styles,
		...own.flatMap((box) => ('styles' in box ? box.styles : []))
	];
	return said.flatMap(({ band }) => (band ? [band] : []));
}
