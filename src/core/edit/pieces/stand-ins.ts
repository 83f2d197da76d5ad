import { markupsOf, type MarkupPiece } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { StandIn } from '../../model/trial.ts';
import type { PieceCommand } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findPiece } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { blockOf, replaceBlock } from './blocks.ts';

/** Writes what stands in for a piece, or takes it away where `markup` is undefined. */
export function setStandIn(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ holder, name, of, markup }: Extract<PieceCommand, { kind: 'set-stand-in' }>
): void {
	const piece = findPiece(resolved, holder, name);
	if (piece.kind !== 'markup') {
		throw new CommandRefused(
			`The piece ${name} is a list made from routes: a short and a long one are made from the routes, too.`
		);
	}
	const known = piece.standIns[of];
	if (markup !== undefined && known) replaceBlock(surgery, known.span, markup);
	else if (markup !== undefined) addStandIn(surgery, piece, of, markup);
	else if (known) surgery.replace(withWord(surgery, piece, known.span), '');
	else throw new CommandRefused(`Nothing ${of} stands in for ${name}.`);
}

function addStandIn(surgery: Surgery, piece: MarkupPiece, of: StandIn, markup: string): void {
	const last = lastBlock(piece);
	const inOneLine = !surgery.textOf(piece.markup.span).includes('\n') && !markup.includes('\n');
	const block = blockOf(markup, surgery.indentAt(last.file, piece.span.from), inOneLine);
	surgery.replace({ ...last, from: last.to }, ` ${of} ${block}`);
}

function lastBlock(piece: MarkupPiece): Span {
	const spans = markupsOf(piece).map(({ span }) => span);
	return spans.reduce((last, span) => (span.to > last.to ? span : last));
}

/** A block with the word before it, and the blanks before that. */
function withWord(surgery: Surgery, piece: MarkupPiece, span: Span): Span {
	const before = surgery.textOf({ ...span, from: piece.span.from, to: span.from });
	const lead = /\s*[a-z]+\s*$/.exec(before)?.[0].length ?? 0;
	return { ...span, from: span.from - lead };
}
