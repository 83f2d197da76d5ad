import { withInner, type MarkupPiece, type NavPiece } from '../../model/site.ts';
import type { StandIn } from '../../model/trial.ts';
import type { HolderRef, NavSaid } from '../../model/command.ts';
import { stretched } from '../../emit/html/stretch.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findPieces } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import { Surgery } from '../surgery.ts';
import { markupIn } from './blocks.ts';

/** Pieces as their editor shows them. */

/** What stands in for a piece, or what it could begin with where nothing is written. */
interface StandInView {
	readonly markup: string;
	readonly written: boolean;
}

/** A piece as its editor shows it: the markup as it is written, without its common indentation. */
export interface PieceView {
	readonly name: string;
	/** It is a box around others, which follow it. */
	readonly isGroup: boolean;
	/** undefined for a list made from routes. */
	readonly markup: string | undefined;
	/** What stands in for it where a page is tried with less or more content. */
	readonly standIns: Readonly<Partial<Record<StandIn, StandInView>>>;
	/** Where a list of links starts, and how many segments down it reaches. */
	readonly nav: NavSaid | undefined;
	/** The roles it is for; everyone where there is none. */
	readonly seenBy: readonly string[];
}

function standInsOf(surgery: Surgery, { standIns, markup }: MarkupPiece): PieceView['standIns'] {
	const view = (of: StandIn): StandInView => {
		const written = standIns[of];
		if (written) return { markup: markupIn(surgery, written.span), written: true };
		const own = markupIn(surgery, markup.span);
		// Words between braces are no words of the page.
		return { markup: own.includes('{') ? own : stretched(own, of), written: false };
	};
	return { short: view('short'), long: view('long') };
}

/** The pieces that stand in a holder; none where it is not there. */
export function piecesIn(resolved: ResolvedSite, holder: HolderRef): PieceView[] {
	const surgery = new Surgery(resolved.reading);
	try {
		return withInner(findPieces(resolved, holder).pieces).map((piece) => ({
			name: piece.name.text,
			isGroup: piece.kind === 'group',
			markup: piece.kind === 'markup' ? markupIn(surgery, piece.markup.span) : undefined,
			standIns: piece.kind === 'markup' ? standInsOf(surgery, piece) : {},
			nav: piece.kind === 'nav' ? navSaid(piece) : undefined,
			seenBy: piece.seenBy.map(({ text }) => text)
		}));
	} catch (failure) {
		if (failure instanceof CommandRefused) return [];
		throw failure;
	}
}

function navSaid({ from, depth, withStart }: NavPiece): NavSaid {
	return { from: from.text, depth, withStart: withStart !== undefined };
}
