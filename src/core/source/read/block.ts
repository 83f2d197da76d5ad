import { error, type Problem } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import { joinSpans } from '../../model/span.ts';
import type { Block, Statement } from '../syntax.ts';
import { Cursor } from './cursor.ts';
import { nearest } from '../../lib/nearest.ts';
import { writeInstead } from './write-instead.ts';

/** The text of the file being read, and where its problems are collected. */
export interface ReadContext {
	readonly text: string;
	readonly problems: Problem[];
}

/** What one kind of block can say: for each first word, what reads the statement. */
export interface Vocabulary {
	/** How the block is called in a sentence, such as "a region". */
	readonly name: string;
	readonly statements: Readonly<Record<string, (cursor: Cursor) => void>>;
}

/** Hands each statement of a block to what reads it, and reports words that mean nothing here. */
export function readBlock(
	block: Block | undefined,
	vocabulary: Vocabulary,
	context: ReadContext
): void {
	for (const said of block?.statements ?? []) {
		const statement = withoutColon(said, vocabulary, context);
		const cursor = new Cursor(statement, context.problems);
		const first = statement.atoms[0];
		const read = first?.kind === 'word' ? own(vocabulary.statements, cursor.head) : undefined;
		if (read) {
			read(cursor);
		} else {
			const words = Object.keys(vocabulary.statements);
			const meant = first?.kind === 'word' ? nearest(cursor.head, words) : undefined;
			const known = meant === undefined ? listWords(words) : `"${meant}"`;
			const problem = error('unknown-statement', cursor.headSpan, cursor.head, vocabulary.name, known, meant !== undefined); // prettier-ignore
			if (first === undefined || meant === undefined) {
				context.problems.push(problem);
				continue;
			}
			// It is read as what it was meant to be, so that nothing else is said of it.
			context.problems.push({ ...problem, mend: writeInstead(first, meant) });
			own(vocabulary.statements, meant)?.(cursor);
		}
	}
}

/** CSS has a colon behind a property's name; here it is an error with a mend, and read as if it were not there. */
function withoutColon(
	statement: Statement,
	{ statements }: Vocabulary,
	{ text, problems }: ReadContext
): Statement {
	const [first, colon, ...rest] = statement.atoms;
	if (first?.kind !== 'word' || colon?.kind !== 'symbol' || colon.text !== ':') return statement;
	if (!Object.hasOwn(statements, first.text)) return statement;
	const [start, end] = [rest[0], rest.at(-1)];
	const value = start && end ? text.slice(start.span.from, end.span.to) : '';
	const shown = value === '' ? '' : ` ${value.length > 40 ? `${value.slice(0, 40)}…` : value}`;
	const mended = {
		label: `Write ${first.text}${shown}`,
		span: start
			? { ...joinSpans(first.span, start.span), to: start.span.from }
			: joinSpans(first.span, colon.span),
		insert: `${first.text}${start ? ' ' : ''}`
	};
	problems.push({ ...error('said-with-colon', colon.span, first.text, shown), mend: mended });
	return { ...statement, atoms: [first, ...rest] };
}

function own<T>(record: Readonly<Record<string, T>>, key: string): T | undefined {
	return Object.hasOwn(record, key) ? record[key] : undefined;
}

/** Holds a thing that can be said once, and reports when it is said again. */
export class Once<T> {
	value: T | undefined;
	private said = false;

	constructor(private readonly what: string) {}

	set(value: T | undefined, cursor: Cursor): void {
		if (this.said) cursor.problems.push(error('said-twice', cursor.headSpan, this.what));
		this.said = true;
		this.value ??= value;
	}
}
