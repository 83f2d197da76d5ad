import type { Span } from '../../model/span.ts';
import { dedent } from '../../source/markup-block.ts';
import { CommandRefused } from '../proposal.ts';
import { indentLines, type Surgery } from '../surgery.ts';

/** A block of markup as it is written between its quotes: in one line, or with its lines below each other. */
export function blockOf(markup: string, indent: string, inOneLine: boolean): string {
	if (/"""/.test(markup)) {
		throw new CommandRefused('Markup cannot have three quotes in a row: they end the block.');
	}
	if (inOneLine) return `"""${markup}"""`;
	const lines = markup.replaceAll('\r', '').split('\n');
	return `"""\n${indentLines(lines, indent + '  ')}\n${indent}"""`;
}

/** Writes a block anew: in one line where it was in one line and still fits. */
export function replaceBlock(surgery: Surgery, span: Span, markup: string): void {
	const before = surgery.textOf(span);
	const inOneLine = !before.includes('\n') && !markup.includes('\n');
	const pad = inOneLine && / """$/.test(before) ? ' ' : '';
	const indent = surgery.indentAt(span.file, span.from);
	surgery.replace(span, blockOf(pad + markup + pad, indent, inOneLine));
}

/** The markup of a block as it is written, without its common indentation. */
export function markupIn(surgery: Surgery, span: Span): string {
	const inner = surgery.textOf(span);
	return dedent(inner, { ...span, from: 0, to: inner.length }, true).text;
}
