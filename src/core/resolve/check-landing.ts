import { warning, type Problem } from '../messages/problem.ts';
import { areasOf } from '../model/arrange.ts';
import { layerName, type Layer, type Piece, type Region, type Site } from '../model/site.ts';
import { checkMember, isSaidElsewhere } from './check-boxes.ts';
import { fillTarget, isProblem } from './fill-target.ts';
import { slotOf, type Structure } from './structure.ts';

const none: readonly Problem[] = [];

/** Sees that what a layer puts into regions of other layers stands somewhere there, and fits. */
export function checkLanding(layer: Layer, structure: Structure, site: Site): readonly Problem[] {
	const content = layer.kind === 'layout' ? [] : layer.pieces;
	if (layer.fills.length === 0 && !content.some((piece) => piece.settings.length > 0)) return none;
	const chain = structure.chainOf(layer);
	const innermost = chain.at(-1);
	const slot = innermost && slotOf(innermost);
	const around = slot ?? { arrangements: [] };
	return [
		...content.flatMap((piece) => checkMember(piece, around, site)),
		...layer.fills.flatMap((fill) => {
			const target = fillTarget(fill, layer, chain);
			if (isProblem(target)) return [];
			return fill.pieces.flatMap((piece) => [
				...checkMember(piece, target.region, site),
				...checkPlaced(piece, layer, target.region, target.layout.name.text)
			]);
		})
	];
}

/** A region in areas shows only pieces that an area is named for. */
function checkPlaced(piece: Piece, layer: Layer, region: Region, layout: string): Problem[] {
	const { text, span } = piece.name;
	if (isSaidElsewhere(piece)) return [];
	return region.arrangements.flatMap((one) => {
		if (one.kind !== 'areas' || areasOf(one.rows).has(text)) return [];
		const where = one.band ? ` from ${one.band.text} on` : '';
		const names = [text, layerName(layer), region.name.text, layout] as const;
		return [warning('piece-not-arranged', span, ...names, where)];
	});
}
