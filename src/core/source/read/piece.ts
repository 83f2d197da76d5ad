import { error, listWords } from '../../messages/problem.ts';
import type { MarkupPiece, NavPiece, Piece } from '../../model/site.ts';
import { standInKinds } from '../../model/trial.ts';
import type { Setting } from '../../model/setting.ts';
import type { Named } from '../../model/span.ts';
import { readMarkupTemplate } from '../text/template.ts';
import type { Block } from '../syntax.ts';
import { readRoles } from './admit.ts';
import { readBlock, type ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';
import { SettingsReader } from './setting.ts';

/** Deeper than any route. */
const mostDepth = 20;

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

/**
 * `piece NAME [for ROLE ROLE] [{ settings }] """ markup """ [short """ markup """] [long """ markup """]` or
 * `piece NAME nav from ROUTE depth N [with-start] [for ROLE ROLE] [{ settings }]`.
 */
function readPiece(cursor: Cursor, context: ReadContext): Piece | undefined {
	const name = cursor.takeName('A piece');
	if (!name) return undefined;
	const reader = new SettingsReader('piece', context);
	const vocabulary = { name: `the piece ${name.text}`, statements: reader.statements };
	readBlock(cursor.statement.block, vocabulary, context);
	const { settings } = reader;
	if (cursor.takeWord('nav')) return readNav(cursor, name, settings);
	const seenBy = readRoles(cursor, 'for');
	cursor.finish({ markup: true, block: true, more: true });
	const block = cursor.needMarkup(`The piece ${name.text}`);
	if (!block) return undefined;
	const markup = readMarkupTemplate(block, context.problems);
	const standIns = readStandIns(cursor, name, context);
	return { kind: 'markup', name, seenBy, settings, markup, standIns, span: cursor.statement.span };
}

function readStandIns(
	{ statement }: Cursor,
	name: Named,
	{ problems }: ReadContext
): MarkupPiece['standIns'] {
	let standIns: MarkupPiece['standIns'] = {};
	for (const { word, markup } of statement.more) {
		const kind = standInKinds.find((one) => one === word.text);
		if (!kind) {
			const list = listWords(standInKinds, 'or');
			problems.push(error('choice-invalid', word.span, word.text, 'stand-in', list));
		} else if (standIns[kind]) {
			problems.push(error('said-twice', word.span, `${kind} of ${name.text}`));
		} else {
			standIns = { ...standIns, [kind]: readMarkupTemplate(markup, problems) };
		}
	}
	return standIns;
}

function readNav(cursor: Cursor, name: Named, settings: readonly Setting[]): NavPiece | undefined {
	const what = 'A list of links';
	if (!cursor.needWord('from', what)) return undefined;
	const from = cursor.takePattern(what);
	if (!from) return undefined;
	const depth = cursor.takeWord('depth') ? cursor.takeWholeNumber('The depth', mostDepth) : 1;
	const withStart = cursor.takeWord('with-start');
	const seenBy = readRoles(cursor, 'for');
	cursor.finish({ block: true });
	if (depth === undefined) return undefined;
	return {
		kind: 'nav',
		name,
		seenBy,
		settings,
		from: from.pattern,
		fromSpan: from.span,
		depth,
		withStart,
		span: cursor.statement.span
	};
}
