import { dedent } from '../source/markup-block.ts';
import type { MarkupPiece } from '../model/site.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { areaRows, replaceInAreas } from './areas.ts';
import { checkName, findPiece, findPieces, findRegion } from './find.ts';
import { indentLines, Surgery } from './surgery.ts';
import { type HolderRef } from '../model/wish.ts';
import { WishRefused } from './proposal.ts';

/** The lines of a new piece. */
export function pieceLines(name: string, markup: string): string[] {
	return [
		`piece ${name} """`,
		...markup.split('\n').map((line) => (line ? '  ' + line : '')),
		'"""'
	];
}

/** A name for a new piece that none of `taken` has. */
export function newPieceName(taken: readonly string[]): string {
	for (let number = 1; ; number++) {
		const name = number === 1 ? 'new' : `new-${number}`;
		if (!taken.includes(name)) return name;
	}
}

export function addPiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string
): void {
	const { owner } = findPieces(resolved, holder);
	surgery.insertInto(owner, pieceLines(checkName(name), '<p>New</p>'));
}

export function renamePiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string,
	to: string
): void {
	surgery.replace(findPiece(resolved, holder, name).name.span, checkName(to));
	const { layer, region: ref } = holder;
	if (!ref || layer.kind !== 'layout' || layer.name !== ref.layout) return;
	replaceInAreas(areaRows(findRegion(resolved, ref)), surgery, name, to);
}

export function removePiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string
): void {
	const { pieces, owner } = findPieces(resolved, holder);
	const piece = findPiece(resolved, holder, name);
	const isFill = surgery.statementAt(owner).atoms[0]?.text === 'fill';
	// A fill without pieces says nothing, so it goes with its last one.
	surgery.remove(isFill && pieces.length === 1 ? owner : piece.span);
}

/** A piece as its editor shows it: the markup as it is written, without its common indentation. */
export interface PieceView {
	readonly name: string;
	/** undefined for a list made from routes. */
	readonly markup: string | undefined;
}

/** The pieces that stand in a holder; none where it is not there. */
export function piecesIn(resolved: ResolvedSite, holder: HolderRef): PieceView[] {
	const surgery = new Surgery(resolved.reading);
	try {
		return findPieces(resolved, holder).pieces.map((piece) => ({
			name: piece.name.text,
			markup: piece.kind === 'markup' ? markupOf(surgery, piece) : undefined
		}));
	} catch (failure) {
		if (failure instanceof WishRefused) return [];
		throw failure;
	}
}

function markupOf(surgery: Surgery, piece: MarkupPiece): string {
	const { span } = piece.markup;
	const inner = surgery.textOf(span);
	return dedent(inner, { ...span, from: 0, to: inner.length }, true).text;
}

/** Replaces the markup of a piece. In one line where it was in one line and still fits. */
export function setMarkup(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string,
	markup: string
): void {
	const piece = findPiece(resolved, holder, name);
	if (piece.kind !== 'markup') {
		throw new WishRefused(`The piece ${name} is a list made from routes and has no markup.`);
	}
	if (/"""/.test(markup)) {
		throw new WishRefused('Markup cannot have three quotes in a row: they end the block.');
	}
	const { span } = piece.markup;
	const wasOneLine = !surgery.textOf(span).includes('\n');
	if (wasOneLine && !markup.includes('\n')) {
		const pad = / """$/.test(surgery.textOf(span)) ? ' ' : '';
		surgery.replace(span, `"""${pad}${markup}${pad}"""`);
		return;
	}
	const indent = surgery.indentAt(span.file, span.from);
	const lines = markup.replaceAll('\r', '').split('\n');
	surgery.replace(span, `"""\n${indentLines(lines, indent + '  ')}\n${indent}"""`);
}
