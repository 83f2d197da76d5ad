import { error, listWords, type Problem } from '../../messages/problem.ts';
import type { Block } from '../syntax.ts';
import { Cursor } from './cursor.ts';

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
	/** Words of the language that this version does not read, with what to call them. */
	readonly later?: Readonly<Record<string, string>>;
}

/** Hands each statement of a block to what reads it, and reports words that mean nothing here. */
export function readBlock(
	block: Block | undefined,
	vocabulary: Vocabulary,
	context: ReadContext
): void {
	for (const statement of block?.statements ?? []) {
		const cursor = new Cursor(statement, context.problems);
		const first = statement.atoms[0];
		const read = first?.kind === 'word' ? own(vocabulary.statements, cursor.head) : undefined;
		const later = first?.kind === 'word' ? own(vocabulary.later ?? {}, cursor.head) : undefined;
		if (read) {
			read(cursor);
		} else if (later) {
			cursor.notYet(later);
		} else {
			const known = listWords(Object.keys(vocabulary.statements));
			context.problems.push(
				error('unknown-statement', cursor.headSpan, cursor.head, vocabulary.name, known)
			);
		}
	}
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
