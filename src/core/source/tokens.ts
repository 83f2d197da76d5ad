import { ContextTracker, ExternalTokenizer, type InputStream } from '@lezer/lr';
import {
	Block,
	BlockStart,
	Markup,
	MissingBlockEnd,
	UnclosedMarkup
} from './grammar/parser.terms.ts';

const QUOTE = 34;
const NEWLINE = 10;
const END = -1;

/**
 * How many blocks are open. Where a declaration begins depends on it, so a node is used again for
 * another text only where as many blocks are open there.
 */
export const openBlocks = new ContextTracker<number>({
	start: 0,
	shift: (open, term) => (term === BlockStart ? open + 1 : open),
	reduce: (open, term) => (term === Block ? open - 1 : open),
	hash: (open) => open
});

/** The words a declaration can start with; none of them stands inside a block. */
const declarationStart = /^(?:site|layout|route|state|data|part)[ \t]/;

/**
 * Ends the open blocks where a declaration starts in the first column. So one forgotten brace
 * costs its own declaration only, not the rest of the file.
 */
export const blockTokens = new ExternalTokenizer(
	(input, stack) => {
		if (!stack.canShift(MissingBlockEnd)) return;
		if (input.next === END) {
			input.acceptToken(MissingBlockEnd);
			return;
		}
		if (input.peek(-1) !== NEWLINE) return;
		if (declarationStart.test(ahead(input, 8))) input.acceptToken(MissingBlockEnd);
	},
	{ contextual: true }
);

/**
 * Blocks of markup or style between `"""`. A block that goes over several lines ends at a `"""` that
 * stands first on its line. Where that is missing, it ends with the lines that are indented deeper
 * than the one it started on, so that the next declaration is still read.
 */
export const markupTokens = new ExternalTokenizer((input) => {
	if (!atTripleQuote(input)) return;
	const indent = indentBefore(input);
	input.advance(3);
	while (input.next !== NEWLINE && input.next !== END) {
		if (atTripleQuote(input)) {
			input.advance(3);
			input.acceptToken(Markup);
			return;
		}
		input.advance();
	}
	readLines(input, indent);
});

function readLines(input: InputStream, openingIndent: number): void {
	let lastInside = 0;
	let offset = 0;
	let stillInside = true;
	while (input.peek(offset) !== END) {
		const line = measureLine(input, offset + 1);
		if (line.startsWithQuotes) {
			input.acceptToken(Markup, line.textAt + 3);
			return;
		}
		if (line.opensAnother) break;
		stillInside &&= line.blank || line.indent > openingIndent;
		if (stillInside && !line.blank) lastInside = line.end;
		offset = line.end;
	}
	input.acceptToken(UnclosedMarkup, lastInside);
}

interface Line {
	/** All of these are offsets from the stream's position. */
	textAt: number;
	end: number;
	indent: number;
	blank: boolean;
	startsWithQuotes: boolean;
	/** `"""` as the last thing on a line that has something before it: the next block's opening. */
	opensAnother: boolean;
}

function measureLine(input: InputStream, start: number): Line {
	let textAt = start;
	while (isSpace(input.peek(textAt))) textAt++;
	let end = textAt;
	let quotes = 0;
	for (let code = input.peek(end); code !== NEWLINE && code !== END; code = input.peek(++end)) {
		if (code === QUOTE) quotes++;
	}
	// Most lines have no quotes, and a block may have thousands: only the others are read as text.
	const text = quotes >= 3 ? stretch(input, textAt, end) : '';
	return {
		textAt,
		end,
		indent: textAt - start,
		blank: end === textAt,
		startsWithQuotes: text.startsWith('"""'),
		opensAnother: /^[a-z][^"]*"""\s*$/.test(text)
	};
}

function stretch(input: InputStream, from: number, to: number): string {
	let text = '';
	for (let at = from; at < to; at++) text += String.fromCharCode(input.peek(at));
	return text;
}

function indentBefore(input: InputStream): number {
	let start = 0;
	for (let code = input.peek(start - 1); code !== NEWLINE && code !== END;) {
		code = input.peek(--start - 1);
	}
	let indent = 0;
	while (isSpace(input.peek(start + indent))) indent++;
	return indent;
}

function atTripleQuote(input: InputStream): boolean {
	return input.next === QUOTE && input.peek(1) === QUOTE && input.peek(2) === QUOTE;
}

function isSpace(code: number): boolean {
	return code === 32 || code === 9 || code === 13;
}

function ahead(input: InputStream, length: number): string {
	let text = '';
	for (let i = 0; i < length && input.peek(i) !== END; i++) {
		text += String.fromCharCode(input.peek(i));
	}
	return text;
}
