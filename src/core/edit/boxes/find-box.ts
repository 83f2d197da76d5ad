import { isPieceRef, type ArrangedRef, type BoxRef, type SizedRef } from '../../model/command.ts';
import type { Adjust, Layout, Member, Piece, PieceGroup, Wrapper } from '../../model/site.ts';
import type { Bands } from '../../resolve/bands.ts';
import { contentsOf, memberNamed, type Holder } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { adjustedChain, landingAdjusts } from '../../resolve/adjust.ts';
import { findLayer, findLayout, findPiece, findWhole } from '../find.ts';
import { CommandRefused } from '../proposal.ts';

/** A box that has settings and arranges something. */
export type ArrangedBox = Holder;

/** What has settings. */
export type SizedBox = ArrangedBox | Piece;

/** Whatever settings are written in. */
export type SaidBox = SizedBox | Adjust;

/** A box of a layout. Throws a CommandRefused where it is not there. */
export function findBox(resolved: ResolvedSite, { layout, box }: BoxRef): Layout | Member {
	const found = findLayout(resolved, layout);
	return box === undefined ? found : findMember(found, box);
}

/** What a layer says itself of a box further out; undefined where it says nothing. */
export function findAdjust(resolved: ResolvedSite, ref: BoxRef): Adjust | undefined {
	const { only, layout, box } = ref;
	if (!only) return undefined;
	const layer = findLayer(resolved, only);
	const landing = landingAdjusts(layer, resolved.structure.chainOf(layer));
	// Of two the later one has the last word.
	return landing.findLast((one) => one.layout.name.text === layout && one.adjust.box === box)
		?.adjust;
}

/** The same for a region or wrapper of a layout, however deep. */
export function findMember(layout: Layout, name: string): Member {
	const member = memberNamed(layout, name);
	if (!member) throw new CommandRefused(`The layout ${layout.name.text} has no ${name} any more.`);
	return member;
}

/** A box of a layout, or a piece. Throws a CommandRefused where it is not there. */
function findSized(resolved: ResolvedSite, ref: SizedRef): SizedBox {
	return isPieceRef(ref) ? findPiece(resolved, ref.holder, ref.piece) : findBox(resolved, ref);
}

/** A group of pieces, or the box around all that something brings. Throws a CommandRefused where it is none. */
export function findGroup(
	resolved: ResolvedSite,
	{ holder, piece }: Extract<ArrangedRef, { holder: unknown }>
): PieceGroup {
	if (piece === undefined) return findWhole(resolved, holder);
	const found = findPiece(resolved, holder, piece);
	if (found.kind === 'group') return found;
	throw new CommandRefused(`The piece ${piece} has nothing in it that it could arrange.`);
}

/** Whatever arranges something, as it is written. */
export function findArranging(resolved: ResolvedSite, ref: ArrangedRef): ArrangedBox {
	return isPieceRef(ref) ? findGroup(resolved, ref) : findBox(resolved, ref);
}

/** A box as all of its pages have it, or as those inside a layer do. */
export function findSeen(resolved: ResolvedSite, ref: ArrangedRef): ArrangedBox {
	if (isPieceRef(ref)) return findGroup(resolved, ref);
	const { only, layout: name, box } = ref;
	if (!only || box === undefined) return findBox(resolved, ref);
	const chain = adjustedChain(findLayer(resolved, only), resolved.structure);
	const seen = chain.find((one) => one.name.text === name);
	return seen ? findMember(seen, box) : findBox(resolved, ref);
}

/** Where settings of a box are written: with itself, or with the layer that says them for its pages alone; undefined where that says none yet. */
export function findSaid(resolved: ResolvedSite, ref: SizedRef): SaidBox | undefined {
	return !isPieceRef(ref) && ref.only ? findAdjust(resolved, ref) : findSized(resolved, ref);
}

/** The same for how a box arranges. */
export function findSaidToArrange(
	resolved: ResolvedSite,
	ref: ArrangedRef
): ArrangedBox | Adjust | undefined {
	if (isPieceRef(ref)) return findGroup(resolved, ref);
	return ref.only ? findAdjust(resolved, ref) : findBox(resolved, ref);
}

/** What a member stands in directly. */
export function parentOf(layout: Layout, member: Member): Layout | Wrapper {
	const inside = (parent: Layout | Wrapper): Layout | Wrapper | undefined => {
		for (const one of parent.members) {
			if (one === member) return parent;
			const found = one.kind === 'wrapper' ? inside(one) : undefined;
			if (found) return found;
		}
		return undefined;
	};
	return inside(layout) ?? layout;
}

/** What a box arranges, as it is written: regions and wrappers, or pieces. */
export function memberNames(box: ArrangedBox): string[] {
	return contentsOf(box).map((one) => one.name.text);
}

/** The place of a band by its name. Throws a CommandRefused where there is none. */
export function placeOfBand(bands: Bands, name: string): number {
	if (bands.length === 0) return 0;
	const place = bands.findIndex((band) => band.name.text === name);
	if (place === -1) throw new CommandRefused(`There is no band ${name} any more.`);
	return place;
}

/** How a statement says that it is for a band; the narrowest needs no word. */
export function bandWord(bands: Bands, place: number): string {
	return place === 0 ? '' : ` @${bands[place]?.name.text ?? ''}`;
}
