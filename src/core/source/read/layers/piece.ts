import { error } from '../../../messages/problem.ts';
import { listWords } from '../../../messages/wording.ts';
import type { Arrangement } from '../../../model/arrange.ts';
import type { MarkupPiece, NavPiece, Piece, PieceGroup } from '../../../model/site.ts';
import { standInKinds } from '../../../model/trial.ts';
import type { Setting } from '../../../model/setting.ts';
import type { Named } from '../../../model/span.ts';
import { readMarkupTemplate } from '../../text/template.ts';
import { readRoles } from './admit.ts';
import { ArrangementsReader } from '../boxes/arrange.ts';
import { readBlock, type ReadContext, type Vocabulary } from '../block.ts';
import type { Cursor } from '../cursor.ts';
import { takeElement } from '../boxes/element.ts';
import { SettingsReader } from '../boxes/setting.ts';

/** Deeper than any route. */
const mostDepth = 20;

/** Collects the pieces of a block and the wrappers around some of them, and sees that no name is there twice. */
export class PiecesReader {
	readonly pieces: Piece[] = [];
	readonly statements: Vocabulary['statements'];

	/** `where`: what they stand in, for sentences; `taken`: names that stand there already, further out. */
	constructor(where: string, context: ReadContext, taken: Set<string> = new Set()) {
		const add = (piece: Piece | undefined): void => {
			if (!piece) return;
			const { text, span } = piece.name;
			if (taken.has(text)) context.problems.push(error('piece-twice', span, text, where));
			else this.pieces.push(piece);
			taken.add(text);
		};
		this.statements = {
			piece: (cursor) => add(readPiece(cursor, context)),
			wrapper: (cursor) => add(readGroup(cursor, { where, context, taken }))
		};
	}
}

/** The pieces of what says besides only how they lie: a page, a state or a fill. */
export class BringsReader {
	readonly pieces: readonly Piece[];
	readonly arrangements: readonly Arrangement[];
	readonly statements: Vocabulary['statements'];

	constructor(where: string, context: ReadContext) {
		const pieces = new PiecesReader(where, context);
		const arranges = new ArrangementsReader(context);
		this.pieces = pieces.pieces;
		this.arrangements = arranges.arrangements;
		this.statements = { ...pieces.statements, arrange: arranges.read };
	}
}

interface Around {
	readonly where: string;
	readonly context: ReadContext;
	/** Names of the pieces and wrappers that stand there already. */
	readonly taken: Set<string>;
}

/** `wrapper NAME [as ELEMENT] [for ROLE ROLE] { pieces, wrappers, an arrangement and settings }`. */
function readGroup(cursor: Cursor, { where, context, taken }: Around): PieceGroup | undefined {
	const name = cursor.takeName('A wrapper');
	if (!name) return undefined;
	const what = `the wrapper ${name.text}`;
	const element = cursor.takeWord('as') ? takeElement(cursor, what) : undefined;
	const seenBy = readRoles(cursor, 'for');
	const settings = new SettingsReader('piece', context);
	const arrangements = new ArrangementsReader(context);
	const inner = new PiecesReader(where, context, taken);
	cursor.finish({ block: true });
	readBlock(
		cursor.needBlock(`The wrapper ${name.text}`),
		{
			name: what,
			statements: { ...settings.statements, ...inner.statements, arrange: arrangements.read }
		},
		context
	);
	return {
		kind: 'group',
		name,
		seenBy,
		element: element ?? { text: 'div', span: name.span },
		settings: settings.settings,
		arrangements: arrangements.arrangements,
		pieces: inner.pieces,
		isWhole: false,
		span: cursor.statement.span
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
