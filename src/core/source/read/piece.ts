import { error } from '../../messages/problem.ts';
import type { NavPiece, Piece } from '../../model/site.ts';
import type { Named } from '../../model/span.ts';
import { readMarkupTemplate } from '../expression.ts';
import type { Block } from '../syntax.ts';
import { readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';

/** The pieces of a block that can hold nothing else, such as a fill. */
export function readPieces(block: Block | undefined, name: string, context: ReadContext): Piece[] {
	const pieces: Piece[] = [];
	readBlock(block, { name, statements: { piece: pieceReader(pieces, name, context) } }, context);
	return pieces;
}

/** Reads `piece` statements into a list, and sees that no name is there twice. */
export function pieceReader(
	pieces: Piece[],
	where: string,
	context: ReadContext
): (cursor: Cursor) => void {
	return (cursor) => {
		const piece = readPiece(cursor, context);
		if (!piece) return;
		if (pieces.some((other) => other.name.text === piece.name.text)) {
			context.problems.push(error('piece-twice', piece.name.span, piece.name.text, where));
		} else {
			pieces.push(piece);
		}
	};
}

/** `piece NAME """ markup """` or `piece NAME nav from ROUTE depth N`. */
function readPiece(cursor: Cursor, context: ReadContext): Piece | undefined {
	const name = cursor.takeName('A piece');
	if (!name) return undefined;
	if (cursor.statement.block) {
		const inner = cursor.statement.block.statements[0];
		const span = inner?.span ?? cursor.statement.block.span;
		context.problems.push(error('not-yet', span, 'A setting of a piece'));
	}
	if (cursor.takeWord('nav')) return readNav(cursor, name);
	cursor.finish({ markup: true, block: true });
	const block = cursor.needMarkup(`The piece ${name.text}`);
	if (!block) return undefined;
	const markup = readMarkupTemplate(block, context.problems);
	return { kind: 'markup', name, markup, span: cursor.statement.span };
}

function readNav(cursor: Cursor, name: Named): NavPiece | undefined {
	const what = 'A list of links';
	if (!cursor.needWord('from', what)) return undefined;
	const from = cursor.takePattern(what);
	if (!from) return undefined;
	const depth = cursor.takeWord('depth') ? cursor.takeWholeNumber('The depth') : 1;
	cursor.finish({ block: true });
	if (depth === undefined) return undefined;
	return {
		kind: 'nav',
		name,
		from: from.pattern,
		fromSpan: from.span,
		depth,
		span: cursor.statement.span
	};
}
