import { declare, declareInRegion } from '../../../box-styles/declare.ts';
import { bareBox, pieceBox, type Box } from '../../../box-styles/frame.ts';
import { insideAt } from '../../../box-styles/inside.ts';
import type { Surroundings } from '../../../box-styles/surroundings.ts';
import type { Layer, Layout, Piece } from '../../../model/site.ts';
import { bandPlaces } from '../../../resolve/bands.ts';
import { arrangesPieces } from '../../../resolve/boxes/runs.ts';
import { hasPieceClass } from '../../names.ts';
import type { Selectors } from '../selectors.ts';
import type { BandedRule } from './banded.ts';
import { printed, type Printed } from './printed.ts';

/** What style sheets say of pieces and groups of them, band by band. */

/** Where pieces stand: in the box of a region or of a group, or on a page without layouts, and what that is declared from. */
export interface PiecePlace {
	readonly box: Box;
	/** The selector of that box; none on a page without layouts. */
	readonly within: string;
	readonly layout: Layout | undefined;
	/** The region they stand in, in groups or not. */
	readonly region: string | undefined;
	readonly surroundings: Surroundings;
	readonly selectors: Selectors;
}

/** The place of pieces that stand in a region. */
export function placeInRegion(
	box: Box,
	layout: Layout,
	surroundings: Surroundings,
	selectors: Selectors
): PiecePlace {
	const within = selectors.member(layout, box.name);
	return { box, within, layout, region: box.name, surroundings, selectors };
}

/** The place of pieces on a page that sits under nothing. */
export function placeOnBare(surroundings: Surroundings, selectors: Selectors): PiecePlace {
	const nowhere = { layout: undefined, region: undefined };
	return { box: bareBox, within: '', ...nowhere, surroundings, selectors };
}

/** Settings of pieces, and of groups with all that stands in them. */
export function pieceRules(
	pieces: readonly Piece[],
	owner: Layer,
	place: PiecePlace
): BandedRule[] {
	const given = givenIn(place);
	return pieces
		.filter((piece) => hasPieceClass(piece, place.box))
		.flatMap((piece) => {
			const rule = pieceRule(piece, owner, place, given);
			if (piece.kind !== 'group') return [rule];
			const inside = { ...place, box: pieceBox(piece, place.box), within: rule.selector };
			const all = givenIn(inside);
			const content: BandedRule = {
				selector: `${rule.selector} > *`,
				bands: all,
				layout: place.layout
			};
			return [
				rule,
				...(all.some((lines) => lines.size > 0) ? [content] : []),
				...pieceRules(piece.pieces, owner, inside)
			];
		});
}

/** What everything that stands in a place has by the arrangement there, whoever brings it. */
function givenIn({ box, surroundings: { bands } }: PiecePlace): Printed[] {
	return bandPlaces(bands).map((at) => printed(declareInRegion(box, at, bands)));
}

/** What stands in groups that arrange it in some bands only keeps its margins in the others, too: gives selectors. */
export function flowingInGroups(
	pieces: readonly Piece[],
	owner: Layer,
	place: PiecePlace
): string[] {
	const { within, region, surroundings, selectors } = place;
	const { bands } = surroundings;
	return pieces.flatMap((piece) => {
		if (piece.kind !== 'group') return [];
		const box = pieceBox(piece, place.box);
		const selector = selectors.piece(within, owner, region, piece.name.text);
		const flows = bandPlaces(bands).some((at) => insideAt(box, at, bands).kind === 'flow');
		const own = arrangesPieces(box) && flows ? [`${selector} > *`] : [];
		return [...own, ...flowingInGroups(piece.pieces, owner, { ...place, box, within: selector })];
	});
}

/** A piece's own settings, over what is given to everything where it stands. */
function pieceRule(
	piece: Piece,
	owner: Layer,
	{ box, within, layout, region, surroundings, selectors }: PiecePlace,
	given: readonly Printed[]
): BandedRule {
	const isFree = !arrangesPieces(box);
	const own = pieceBox(piece, box);
	const bands = bandPlaces(surroundings.bands).map((at): Printed => {
		const lines = printed(declare(own, at, surroundings));
		return selectors.sizesEach ? new Map([['box-sizing', 'border-box'], ...lines]) : lines;
	});
	return {
		selector: selectors.piece(within, owner, region, piece.name.text),
		// What floats in the content before it would else push it aside.
		bands: isFree && selectors.mayFloat ? bands.map(clearing) : bands,
		under: isFree ? given.map(asBlock) : given,
		layout
	};
}

/** A box that is a block of its own accord, as elements are: what is in it has to be kept in it. */
function asBlock(lines: Printed): Printed {
	return new Map([['display', 'block'], ...lines]);
}

/** What floats in the content before a box would else push it aside. */
export function clearing(lines: Printed): Printed {
	return lines.get('display') === 'none' ? lines : new Map([...lines, ['clear', 'both']]);
}
