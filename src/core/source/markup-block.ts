import { lastBefore } from '../lib/last-before.ts';
import type { Span } from '../model/span.ts';

/** What stands between two `"""`, with its common indentation taken off. */
export interface MarkupBlock {
	readonly text: string;
	/** With the quotes. */
	readonly span: Span;
	/** Where each line of `text` starts, in `text` and in the file. */
	readonly lines: readonly { readonly inText: number; readonly inFile: number }[];
}

/** Takes the common indentation off a block, and remembers where each line came from. */
export function dedent(fileText: string, span: Span, closed: boolean): MarkupBlock {
	const inner = { from: span.from + 3, to: closed ? span.to - 3 : span.to };
	const rows = splitRows(fileText, inner.from, inner.to);
	if (rows.length === 1) return oneLine(fileText, inner, span);
	const opening = rows[0];
	if (opening && fileText.slice(opening.from, opening.to).trim() === '') rows.shift();
	const closing = rows.at(-1);
	if (closing && fileText.slice(closing.from, closing.to).trim() === '') rows.pop();
	const indent = commonIndent(rows.map((row) => fileText.slice(row.from, row.to)));
	const lines: { inText: number; inFile: number }[] = [];
	let text = '';
	for (const [index, row] of rows.entries()) {
		if (index > 0) text += '\n';
		const blank = fileText.slice(row.from, row.to).trim() === '';
		const from = blank ? row.to : row.from + indent;
		lines.push({ inText: text.length, inFile: from });
		text += fileText.slice(from, row.to);
	}
	return { text, span, lines };
}

function oneLine(fileText: string, inner: { from: number; to: number }, span: Span): MarkupBlock {
	const written = fileText.slice(inner.from, inner.to);
	const from = inner.from + (written.length - written.trimStart().length);
	return { text: written.trim(), span, lines: [{ inText: 0, inFile: from }] };
}

/** The place in the file of an offset in the block's text. */
export function placeInFile(block: MarkupBlock, offset: number): number {
	const line = lastBefore(block.lines, offset, ({ inText }) => inText) ?? block.lines[0];
	return line ? line.inFile + (offset - line.inText) : block.span.from + 3;
}

function splitRows(text: string, from: number, to: number): { from: number; to: number }[] {
	const rows: { from: number; to: number }[] = [];
	let start = from;
	for (;;) {
		const newline = text.indexOf('\n', start);
		const end = newline === -1 || newline >= to ? to : newline;
		const carriageReturn = end > start && end < to && text[end - 1] === '\r';
		rows.push({ from: start, to: carriageReturn ? end - 1 : end });
		if (end === to) return rows;
		start = end + 1;
	}
}

function commonIndent(rows: readonly string[]): number {
	const indents = rows
		.filter((row) => row.trim() !== '')
		.map((row) => row.length - row.trimStart().length);
	return indents.length === 0 ? 0 : Math.min(...indents);
}
