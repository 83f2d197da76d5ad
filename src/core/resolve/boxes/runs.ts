import { layerName, type Piece, type PieceGroup, type Region } from '../../model/site.ts';
import type { PieceName } from '../../model/piece-key.ts';
import { isBlank } from '../markup/compile.ts';
import type { Landed, LandedLayout, LandedPiece, ResolvedRegion } from '../page.ts';

/**
 * Pieces that stand in a region one after the other, with nothing said of how they lie, are one run:
 * their markup stands directly in the region, and their margins collapse (CSS 2, section 8.3.1).
 */
export interface Run {
	readonly kind: 'run';
	readonly pieces: readonly LandedPiece[];
}

/** What pieces stand in: a region, or a group of them. */
export type PiecesHolder = Region | PieceGroup;

/** What stands in a region as one box. */
export type Standing = LandedPiece | LandedLayout | Run;

/**
 * Whether a piece has a box of its own: its region arranges what is in it, it has settings itself, or it stands beside
 * one that is hidden on some screens: what stands before and behind that would else collapse its margins there.
 */
export function hasOwnBox(
	piece: Piece,
	region: PiecesHolder | undefined,
	beside: readonly Landed[]
): boolean {
	return (
		piece.kind === 'group' ||
		piece.settings.length > 0 ||
		(region !== undefined && arrangesPieces(region)) ||
		standsApart(beside)
	);
}

/** Whether pieces that stand together are boxes by themselves, since one of them comes and goes. */
export function standsApart(landed: readonly Landed[]): boolean {
	return landed.some(
		(one) =>
			one.kind === 'piece' &&
			one.piece.settings.some(({ kind, value }) => kind === 'show' && value.kind === 'hidden')
	);
}

/** Whether a region says how what is in it lies, in whatever band. */
export function arrangesPieces({
	arrangements,
	settings
}: Pick<Region, 'arrangements' | 'settings'>): boolean {
	return (
		arrangements.length > 0 ||
		settings.some((setting) => setting.kind === 'show' && setting.value.kind === 'strip')
	);
}

/** What lands in a region, with pieces that are one run together. */
export function standingIn({
	region,
	landed
}: Pick<ResolvedRegion, 'landed'> & { readonly region: PiecesHolder | undefined }): Standing[] {
	const standing: Standing[] = [];
	let run: LandedPiece[] = [];
	for (const one of landed) {
		if (one.kind === 'layout' || hasOwnBox(one.piece, region, landed)) {
			run = [];
			standing.push(one);
			continue;
		}
		if (isEmpty(one.piece)) continue;
		if (run.length === 0) standing.push({ kind: 'run', pieces: run });
		run.push(one);
	}
	return standing;
}

function isEmpty(piece: Piece): boolean {
	return piece.kind === 'markup' && isBlank(piece.markup);
}

/** The pieces of a group, as they land with it. */
export function landedIn({ piece, owner }: LandedPiece): LandedPiece[] {
	return piece.kind === 'group'
		? piece.pieces.map((inner) => ({ kind: 'piece', piece: inner, owner }))
		: [];
}

/** All that lands, with what stands in groups in the place of the groups. */
export function leavesOf(landed: readonly Landed[]): Landed[] {
	return landed.flatMap((one) =>
		one.kind === 'piece' && one.piece.kind === 'group' ? leavesOf(landedIn(one)) : [one]
	);
}

/** What stands as one box, and where. */
interface StandingWhere {
	readonly one: Standing;
	readonly holder: PiecesHolder | undefined;
	/** All that stands in there. */
	readonly beside: readonly Landed[];
}

/** What stands in a place and in the groups there, each with what it stands in. */
export function standingThroughout({
	region,
	landed
}: Parameters<typeof standingIn>[0]): StandingWhere[] {
	return standingIn({ region, landed }).flatMap((one) => {
		const own = { one, holder: region, beside: landed };
		if (one.kind !== 'piece' || one.piece.kind !== 'group') return [own];
		return [own, ...standingThroughout({ region: one.piece, landed: landedIn(one) })];
	});
}

/** The pieces of a box by their names. */
export function namesIn(standing: LandedPiece | Run): PieceName[] {
	const pieces = standing.kind === 'run' ? standing.pieces : [standing];
	return pieces.map(({ piece, owner }) => ({ piece: piece.name.text, owner: layerName(owner) }));
}
