import { isName } from '../../model/name.ts';
import { error, type Problem } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import { readPattern, type Pattern } from '../../model/pattern.ts';
import { joinSpans, type Named, type Raw, type Span } from '../../model/span.ts';
import type { Template } from '../../model/template.ts';
import { nearest } from '../../lib/nearest.ts';
import { writeInstead } from './write-instead.ts';
import { readTextTemplate } from '../text/template.ts';
import type { MarkupBlock } from '../markup-block.ts';
import type { Atom, AtomKind, Block, Statement } from '../syntax.ts';

/**
 * Goes through the atoms of one statement from left to right. Each `take…` reads one thing, or
 * reports at its place that it is missing and gives undefined.
 */
export class Cursor {
	private at = 1;

	constructor(
		readonly statement: Statement,
		readonly problems: Problem[]
	) {}

	/** The word the statement starts with. */
	get head(): string {
		return this.statement.atoms[0]?.text ?? '';
	}

	get headSpan(): Span {
		return this.statement.atoms[0]?.span ?? this.statement.span;
	}

	/** The atom that was taken last, the statement's first word at the beginning. */
	get lastTaken(): Atom | undefined {
		return this.statement.atoms[this.at - 1];
	}

	/** The atom that would be taken next, or one further on. */
	peek(ahead = 0): Atom | undefined {
		return this.statement.atoms[this.at + ahead];
	}

	/** Takes the next atom where it is of that kind. */
	take(kind: AtomKind): Atom | undefined {
		const atom = this.peek();
		if (atom?.kind !== kind) return undefined;
		this.at++;
		return atom;
	}

	/** Takes the next atom where it is that word. */
	takeWord(word: string): Span | undefined {
		const atom = this.peek();
		if (atom?.kind !== 'word' || atom.text !== word) return undefined;
		this.at++;
		return atom.span;
	}

	needWord(word: string, what: string): boolean {
		if (this.takeWord(word)) return true;
		this.problems.push(error('word-missing', this.place(), word, what));
		return false;
	}

	takeName(what: string): Named | undefined {
		const atom = this.take('word');
		if (!atom) {
			this.problems.push(error('name-missing', this.place(), what));
			return undefined;
		}
		if (!isName(atom.text)) {
			this.problems.push(error('name-invalid', atom.span, atom.text));
			return undefined;
		}
		return { text: atom.text, span: atom.span };
	}

	/** A word that is one of `choices`. */
	takeChoice<T extends string>(what: string, choices: readonly T[]): Named<T> | undefined {
		const atom = this.take('word');
		if (!atom) {
			this.problems.push(error('value-missing', this.place(), what));
			return undefined;
		}
		const text = choices.find((choice) => choice === atom.text);
		if (text !== undefined) return { text, span: atom.span };
		const list = listWords(choices, 'or');
		const meant = nearest(atom.text, choices);
		const problem = error('choice-invalid', atom.span, atom.text, what, list);
		this.problems.push(
			meant === undefined ? problem : { ...problem, mend: writeInstead(atom, meant) }
		);
		return undefined;
	}

	takePattern(what: string): { pattern: Pattern; span: Span } | undefined {
		const first = this.take('path');
		if (!first) {
			this.problems.push(error('route-missing', this.place(), what));
			return undefined;
		}
		const pattern = readPattern(first.text);
		if (typeof pattern !== 'string') return { pattern, span: first.span };
		this.problems.push(error('route-invalid', first.span, first.text, pattern));
		return undefined;
	}

	takeText(what: string): Atom | undefined {
		const atom = this.take('text');
		if (!atom) this.problems.push(error('text-missing', this.place(), what));
		return atom;
	}

	takeTemplate(what: string): Template | undefined {
		const atom = this.takeText(what);
		// What an open text has swallowed is told by that alone.
		return atom?.isOpen ? undefined : atom && readTextTemplate(atom, this.problems);
	}

	/** A whole number from zero to `most`; work grows with each of them, so all have a bound. */
	takeWholeNumber(what: string, most: number): number | undefined {
		return this.takeNumber(what, /^\d+$/, most);
	}

	/** A whole number, above or below zero. */
	takeInteger(what: string, most: number): number | undefined {
		return this.takeNumber(what, /^[+-]?\d+$/, most);
	}

	private takeNumber(what: string, shape: RegExp, most: number): number | undefined {
		const atom = this.take('number');
		if (!atom || !shape.test(atom.text)) {
			this.problems.push(error('number-missing', atom?.span ?? this.place(), what));
			return undefined;
		}
		const value = Number(atom.text);
		if (Math.abs(value) <= most) return value;
		this.problems.push(error('number-too-large', atom.span, what, most));
		return undefined;
	}

	/** A whole number above zero. */
	takeCount(what: string, most: number): number | undefined {
		const span = this.peek()?.span ?? this.place();
		const count = this.takeWholeNumber(what, most);
		if (count !== 0) return count;
		this.problems.push(error('count-zero', span, what));
		return undefined;
	}

	/** The band a statement is for, such as `@wide`; undefined where it names none. */
	takeBand(): Named | undefined {
		const atom = this.take('band');
		return atom && { text: atom.text.slice(1), span: atom.span };
	}

	/** Everything up to a band or the end of the statement, unread: a value in CSS notation. */
	takeRest(source: string, what: string): Raw | undefined {
		return this.takeUntil((atom) => atom.kind === 'band', source, what);
	}

	/** A value in CSS notation that ends at a band or one of some words. */
	takeUntilWord(source: string, what: string, words: readonly string[]): Raw | undefined {
		const ends = ({ kind, text }: Atom): boolean =>
			kind === 'band' || (kind === 'word' && words.includes(text));
		return this.takeUntil(ends, source, what);
	}

	/** A value in CSS notation that ends where a text begins. */
	takeUntilText(source: string, what: string): Raw | undefined {
		return this.takeUntil(({ kind }) => kind === 'text', source, what);
	}

	private takeUntil(ends: (atom: Atom) => boolean, source: string, what: string): Raw | undefined {
		const rest = this.statement.atoms.slice(this.at);
		const end = rest.findIndex(ends);
		const taken = end === -1 ? rest : rest.slice(0, end);
		const [first] = taken;
		const last = taken.at(-1);
		if (!first || !last) {
			this.problems.push(error('value-missing', this.place(), what));
			return undefined;
		}
		this.at += taken.length;
		const span = joinSpans(first.span, last.span);
		return { text: source.slice(span.from, span.to), span };
	}

	needBlock(what: string): Block | undefined {
		if (!this.statement.block) {
			this.problems.push(error('block-missing', this.place(), what));
		}
		return this.statement.block;
	}

	needMarkup(what: string): MarkupBlock | undefined {
		if (!this.statement.markup) {
			this.problems.push(error('markup-missing', this.place(), what));
		}
		return this.statement.markup;
	}

	/** Reports whatever stands in the statement and was not asked for. */
	finish(allowed: { block?: boolean; markup?: boolean; more?: boolean } = {}): void {
		const { atoms, block, markup, more } = this.statement;
		for (const atom of atoms.slice(this.at)) {
			this.problems.push(error('unexpected-text', atom.span, atom.text));
		}
		this.at = atoms.length;
		if (block && !allowed.block) {
			this.problems.push(error('block-unwanted', block.span, `"${this.head}"`));
		}
		if (markup && !allowed.markup) {
			this.problems.push(error('unexpected-text', markup.span, 'A block of text'));
		}
		if (!allowed.more) {
			for (const { word } of more) {
				this.problems.push(error('unexpected-text', word.span, word.text));
			}
		}
	}

	/** Where the next thing should stand. */
	private place(): Span {
		const atom = this.peek();
		if (atom) return atom.span;
		const { atoms, block, markup, span } = this.statement;
		const next = block?.span ?? markup?.span;
		if (next) return { ...next, to: next.from + 1 };
		const last = atoms.at(-1)?.span ?? span;
		return last;
	}
}
