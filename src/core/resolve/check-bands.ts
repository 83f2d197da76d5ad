import { error, listWords, type Problem } from '../messages/problem.ts';
import type { Layer, Member, Site } from '../model/site.ts';
import type { Named } from '../model/span.ts';
import { piecesIn } from './pieces.ts';

/** Sees that every band that a layer names is one of the site's. */
export function checkBands(layer: Layer, site: Site): Problem[] {
	const { bands } = site.settings;
	const known = new Set(bands.map((band) => band.name.text));
	return bandsNamedIn(layer)
		.filter((band) => !known.has(band.text))
		.map((band) => error('band-unknown', band.span, band.text, listWords([...known])));
}

function bandsNamedIn(layer: Layer): Named[] {
	const own = layer.kind === 'layout' ? [layer, ...membersIn(layer.members)] : [];
	const said = [
		...own.flatMap((box) => [...box.settings, ...box.arrangements]),
		...piecesIn(layer).flatMap((piece) => piece.settings),
		...layer.styles,
		...own.flatMap((box) => ('styles' in box ? box.styles : []))
	];
	return said.flatMap(({ band }) => (band ? [band] : []));
}

/** All wrappers and regions among members, and in their wrappers. */
export function membersIn(members: readonly Member[]): Member[] {
	return members.flatMap((member) =>
		member.kind === 'region' ? [member] : [member, ...membersIn(member.members)]
	);
}
