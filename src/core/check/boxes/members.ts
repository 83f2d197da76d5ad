import type { Arrangement } from '../../model/arrange.ts';
import type { Layer, Member, Piece } from '../../model/site.ts';
import { fillTarget, isProblem } from '../../resolve/fill-target.ts';
import { boxesOf, contentsOf } from '../../resolve/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';

/** A member with what arranges it. */
export interface Placement {
	readonly member: Member | Piece;
	readonly around: { readonly arrangements: readonly Arrangement[] };
}

/** Everything with settings that a layer brings into something that may arrange it, there or further out. */
export function placementsIn(layer: Layer, { structure }: ResolvedSite): Placement[] {
	const own = layer.kind === 'layout' ? boxesOf(layer) : [];
	const placed = own.flatMap((around) => contentsOf(around).map((member) => ({ member, around })));
	const content = layer.kind === 'layout' ? [] : layer.pieces;
	if (layer.fills.length === 0 && content.length === 0) return withSettings(placed);
	const chain = structure.chainOf(layer);
	const innermost = chain.at(-1);
	const slot = (innermost && slotOf(innermost)) ?? { arrangements: [] };
	const filled = layer.fills.flatMap((fill) => {
		const target = fillTarget(fill, layer, chain);
		if (isProblem(target)) return [];
		return fill.pieces.map((member) => ({ member, around: target.region }));
	});
	return withSettings([
		...placed,
		...content.map((member) => ({ member, around: slot })),
		...filled
	]);
}

function withSettings(placements: readonly Placement[]): Placement[] {
	return placements.filter(({ member }) => member.settings.length > 0);
}
