import { layerName } from '../model/site.ts';
import type { Named, Span } from '../model/span.ts';
import type { HolderRef, LayerRef, RegionRef } from '../model/command.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { fillsOf, findLayer, findPiece } from './find.ts';
import { CommandRefused } from './proposal.ts';
import type { Surgery } from './surgery.ts';

/** Says for whom a piece is; everyone where no role is named. */
export function setPieceSeenBy(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string,
	roles: readonly string[]
): void {
	const piece = findPiece(resolved, holder, name);
	const { atoms } = surgery.statementAt(piece.span);
	const behind = piece.kind === 'markup' ? piece.name.span : atoms.at(-1)?.span;
	write(surgery, piece.span, piece.seenBy, behind ?? piece.name.span, roles);
}

/** Says for whom it is what a layer puts into a region. */
export function setFillSeenBy(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef,
	region: RegionRef,
	roles: readonly string[]
): void {
	const layer = findLayer(resolved, ref);
	const fills = fillsOf(resolved, layer, region);
	if (fills.length === 0) {
		throw new CommandRefused(`${layerName(layer)} does not fill ${region.region}.`);
	}
	for (const fill of fills) {
		const last = surgery.statementAt(fill.span).atoms.at(-1);
		write(surgery, fill.span, fill.seenBy, last?.span ?? fill.targetSpan, roles);
	}
}

function write(
	surgery: Surgery,
	statement: Span,
	now: readonly Named[],
	behind: Span,
	roles: readonly string[]
): void {
	const words = roles.length === 0 ? '' : ` for ${roles.join(' ')}`;
	const last = now.at(-1);
	if (!last) {
		if (words !== '') surgery.insertBehind(behind, words.trimStart(), ' ');
		return;
	}
	const { atoms } = surgery.statementAt(statement);
	const first = now[0]?.span.from ?? 0;
	const word = atoms.findLastIndex((atom) => atom.text === 'for' && atom.span.to <= first);
	const before = atoms[word - 1];
	if (before) surgery.replace({ ...statement, from: before.span.to, to: last.span.to }, words);
}
