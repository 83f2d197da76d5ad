import { commonEnds } from '../lib/common-ends.ts';
import { textOf } from '../model/files.ts';
import type { Span } from '../model/span.ts';
import type { Change } from '../source/change.ts';
import type { SiteReading } from '../source/read.ts';
import { parseSyntax, type Statement } from '../source/syntax.ts';

interface Cut {
	readonly from: number;
	readonly to: number;
	readonly insert: string;
}

/**
 * Collects small cuts into a site's text and gives them as one list of changes. All places are those
 * of the text as it was read; bytes outside the cuts stay as they are.
 */
export class Surgery {
	private readonly cuts = new Map<string, Cut[]>();
	private readonly statements = new Map<string, Map<number, Statement>>();
	private readonly others: Change[] = [];

	constructor(private readonly reading: SiteReading) {}

	/** A change of whole files beside the cuts. */
	files(change: Exclude<Change, { kind: 'edit' }>): void {
		this.others.push(change);
	}

	replace(span: Span, text: string): void {
		this.cut(span.file, span.from, span.to, text);
	}

	/** Takes a statement out, with its line where it stands alone on it, else with one separator. */
	remove(span: Span): void {
		const text = this.text(span.file);
		const lineStart = text.lastIndexOf('\n', span.from - 1) + 1;
		const newline = text.indexOf('\n', span.to);
		const lineEnd = newline === -1 ? text.length : newline;
		const before = text.slice(lineStart, span.from);
		const behind = text.slice(span.to, lineEnd);
		if (before.trim() === '' && /^\s*;?\s*(\/\/.*)?$/.test(behind)) {
			const to = newline === -1 ? text.length : newline + 1;
			this.cut(span.file, lineStart, this.blankLinesBelow(text, lineStart, to), '');
			return;
		}
		const separator = /^\s*;[ \t]*/.exec(behind)?.[0];
		if (separator !== undefined) {
			this.cut(span.file, span.from, span.to + separator.length, '');
			return;
		}
		const lead = /;?[ \t]*$/.exec(before)?.[0] ?? '';
		this.cut(span.file, span.from - lead.length, span.to, '');
	}

	/** Puts a statement last into the block of the statement at `owner`, in the block's own manner. */
	insertInto(owner: Span, lines: readonly string[]): void {
		const statement = this.statementAt(owner);
		const text = this.text(owner.file);
		const outer = this.indentAt(owner.file, owner.from);
		const { block } = statement;
		if (!block) {
			const end = statement.atoms.at(-1)?.span.to ?? statement.span.to;
			this.cut(owner.file, end, end, ` {\n${indentLines(lines, outer + '  ')}\n${outer}}`);
			return;
		}
		const close = block.span.to - 1;
		const last = block.statements.at(-1);
		const inOneLine = !text.slice(block.span.from, close).includes('\n');
		if (inOneLine) {
			this.insertInLine(owner.file, block.span.from + 1, close, last?.span.to, lines, outer);
			return;
		}
		const inner = last ? this.indentAt(owner.file, last.span.from) : outer + '  ';
		const at = last?.span.to ?? block.span.from + 1;
		const newline = text.indexOf('\n', at);
		const closesOnLine = newline === -1 || newline > close;
		const added = `\n${indentLines(lines, inner)}`;
		if (closesOnLine) this.cut(owner.file, at, close, `${added}\n${outer}`);
		else this.cut(owner.file, newline, newline, added);
	}

	/** Puts a declaration behind another one, with a blank line between. */
	insertAfter(span: Span, lines: readonly string[]): void {
		const text = this.text(span.file);
		const newline = text.indexOf('\n', span.to);
		const at = newline === -1 ? text.length : newline;
		this.cut(span.file, at, at, `\n\n${lines.join('\n')}`);
	}

	/** Puts a statement in front of another one. */
	insertBefore(span: Span, lines: readonly string[]): void {
		const indent = this.indentAt(span.file, span.from);
		const lineStart = this.text(span.file).lastIndexOf('\n', span.from - 1) + 1;
		const isAlone = this.text(span.file).slice(lineStart, span.from) === indent;
		// In front of its whole line, which may be taken out in the same edit.
		if (isAlone) this.cut(span.file, lineStart, lineStart, `${indentLines(lines, indent)}\n`);
		else {
			const text = lines.map((line, index) => (index > 0 && line ? indent + line : line));
			this.cut(span.file, span.from, span.from, `${text.join('\n')}\n${indent}`);
		}
	}

	/** Whether a comment follows a statement on its line; it is about that statement, and stays with it. */
	hasComment({ file, to }: Span): boolean {
		return /^[ \t]*;?[ \t]*\/\//.test(this.text(file).slice(to));
	}

	/** Puts something right behind a statement, on its line. */
	insertBehind(span: Span, text: string, separator = '; '): void {
		this.cut(span.file, span.to, span.to, separator + text);
	}

	/** Puts a statement on lines of its own below another one. */
	insertBelow(span: Span, lines: readonly string[]): void {
		const text = this.text(span.file);
		const indent = this.indentAt(span.file, span.from);
		const newline = text.indexOf('\n', span.to);
		// What follows on the same line stays behind the statement that it follows.
		const isLast = newline !== -1 && /^\s*;?\s*(\/\/.*)?$/.test(text.slice(span.to, newline));
		const at = isLast ? newline : span.to;
		this.cut(span.file, at, at, `\n${indentLines(lines, indent)}`);
	}

	/** Puts other lines in the place of a statement. */
	replaceLines(span: Span, lines: readonly string[]): void {
		const indent = this.indentAt(span.file, span.from);
		this.replace(span, indentLines(lines, indent).trimStart());
	}

	/** The statement in the block of another one that starts with a word; undefined where there is none. */
	innerOf(owner: Span, word: string): Statement | undefined {
		const { block } = this.statementAt(owner);
		return block?.statements.find((statement) => statement.atoms[0]?.text === word);
	}

	/** Lets the block of a statement say one thing of a word: in the place of what it says now, or nothing. */
	setInner(owner: Span, word: string, line: string | undefined): void {
		const there = this.innerOf(owner, word);
		if (there && line === undefined) this.remove(there.span);
		else if (there && line !== undefined) this.replace(there.span, line);
		else if (line !== undefined) this.insertInto(owner, [line]);
	}

	/** The same for what stands best at the beginning of the block. */
	setInnerFirst(owner: Span, word: string, line: string | undefined): void {
		const first = this.statementAt(owner).block?.statements[0];
		if (line !== undefined && first && !this.innerOf(owner, word)) {
			const opening = this.statementAt(owner).block?.span.from ?? first.span.from;
			const isOnLine = !this.text(owner.file).slice(opening, first.span.from).includes('\n');
			if (isOnLine) this.replace({ ...first.span, to: first.span.from }, `${line}; `);
			else this.insertBefore(first.span, [line]);
		} else {
			this.setInner(owner, word, line);
		}
	}

	/** Lines of a statement without the indentation of its place. */
	linesOf(span: Span): string[] {
		const indent = this.indentAt(span.file, span.from);
		return this.textOf(span)
			.split('\n')
			.map((line, index) =>
				index > 0 && line.startsWith(indent) ? line.slice(indent.length) : line
			);
	}

	/** A statement goes in front of another one or behind it, with its lines. */
	moveBeside(span: Span, other: Span, where: 'before' | 'after'): void {
		const lines = this.linesOf(span);
		this.remove(span);
		if (where === 'before') this.insertBefore(other, lines);
		else this.insertBelow(other, lines);
	}

	/** The statement that starts where a span starts. */
	statementAt(span: Span): Statement {
		let byStart = this.statements.get(span.file);
		if (!byStart) {
			byStart = new Map();
			collect(parseSyntax(span.file, this.text(span.file)).statements, byStart);
			this.statements.set(span.file, byStart);
		}
		const statement = byStart.get(span.from);
		if (!statement) throw new RangeError(`No statement starts at ${span.from} in ${span.file}.`);
		return statement;
	}

	/** The text that a span stands for. */
	textOf(span: Span): string {
		return this.text(span.file).slice(span.from, span.to);
	}

	indentAt(file: string, offset: number): string {
		const text = this.text(file);
		const lineStart = text.lastIndexOf('\n', offset - 1) + 1;
		return /^[ \t]*/.exec(text.slice(lineStart))?.[0] ?? '';
	}

	/** The indentation of what stands alone on its lines; undefined where something else stands there, too. */
	indentOfAlone({ file, from, to }: Span): string | undefined {
		const text = this.text(file);
		const before = text.slice(text.lastIndexOf('\n', from - 1) + 1, from);
		const newline = text.indexOf('\n', to);
		const behind = text.slice(to, newline === -1 ? text.length : newline);
		return before.trim() === '' && behind.trim() === '' ? before : undefined;
	}

	/** All cuts, last place first, so that each counts in the text that the ones before it left. */
	changes(): Change[] {
		const edits = [...this.cuts].flatMap(([file, cuts]) =>
			mergeCuts(cuts)
				.reverse()
				.map((cut) => this.least(file, cut))
		);
		return [...edits, ...this.others];
	}

	/** A cut without what its ends share with the text that is there. */
	private least(file: string, { from, to, insert }: Cut): Change {
		const there = this.text(file).slice(from, to);
		const { start, end } = commonEnds(there, insert);
		const rest = insert.slice(start, insert.length - end);
		return { kind: 'edit', file, from: from + start, to: to - end, insert: rest };
	}

	private insertInLine(
		file: string,
		open: number,
		close: number,
		lastEnd: number | undefined,
		lines: readonly string[],
		outer: string
	): void {
		const [only] = lines;
		if (lines.length === 1 && only !== undefined) {
			if (lastEnd === undefined) this.cut(file, open, close, ` ${only} `);
			else this.cut(file, lastEnd, lastEnd, `; ${only}`);
			return;
		}
		const inner = indentLines(lines, outer + '  ');
		this.cut(file, lastEnd ?? open, close, `\n${inner}\n${outer}`);
	}

	/** One of two blank lines that a removed declaration would leave behind goes with it. */
	private blankLinesBelow(text: string, from: number, to: number): number {
		const blankAbove = from === 0 || /\n[ \t]*\n$/.test(text.slice(0, from));
		const blankBelow = /^[ \t]*\n/.exec(text.slice(to))?.[0];
		return blankAbove && blankBelow !== undefined ? to + blankBelow.length : to;
	}

	private cut(file: string, from: number, to: number, insert: string): void {
		const list = this.cuts.get(file) ?? [];
		list.push({ from, to, insert });
		this.cuts.set(file, list);
	}

	private text(file: string): string {
		return textOf(this.reading.files, file) ?? '';
	}
}

function collect(statements: readonly Statement[], byStart: Map<number, Statement>): void {
	for (const statement of statements) {
		byStart.set(statement.span.from, statement);
		if (statement.block) collect(statement.block.statements, byStart);
	}
}

/**
 * Cuts in order; where two overlap, such as a statement inside a removed one, the wider one holds. What is put right in
 * front of one lies outside of it.
 */
function mergeCuts(cuts: readonly Cut[]): Cut[] {
	const isPut = ({ from, to }: Cut): boolean => from === to;
	const sorted = [...cuts].sort(
		(a, b) => a.from - b.from || Number(isPut(b)) - Number(isPut(a)) || b.to - a.to
	);
	const merged: Cut[] = [];
	for (const cut of sorted) {
		const last = merged.at(-1);
		if (!last || cut.from >= last.to) {
			merged.push(cut);
		} else if (cut.to > last.to) {
			merged[merged.length - 1] = { from: last.from, to: cut.to, insert: last.insert + cut.insert };
		}
	}
	return merged;
}

export function indentLines(lines: readonly string[], indent: string): string {
	return lines.map((line) => (line === '' ? '' : indent + line)).join('\n');
}
