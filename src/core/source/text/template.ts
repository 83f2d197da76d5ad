import { error, type Problem } from '../../messages/problem.ts';
import type { Span } from '../../model/span.ts';
import type { Tag, Template, WrittenRow } from '../../model/template.ts';
import type { MarkupBlock } from '../markup-block.ts';
import { placeInFile } from '../markup-block.ts';
import type { Atom } from '../syntax.ts';
import { readTag, type TagPlace } from './tag.ts';

/** How a template is written in the file. */
interface Writing {
	readonly text: string;
	readonly span: Span;
	/** What a backslash before it makes literal. */
	readonly escapable: RegExp;
	/** Quotes in it stand behind a backslash, those in a tag too. */
	readonly inQuotes: boolean;
	toFile(offset: number): number;
}

/** Splits a block of markup into literal text and tags. `\{` stands for a brace. */
export function readMarkupTemplate(block: MarkupBlock, problems: Problem[]): Template {
	const toFile = (offset: number) => placeInFile(block, offset);
	const { text, span } = block;
	return readTemplate({ text, span, escapable: /^[{]/, inQuotes: false, toFile }, problems);
}

/** Splits text in quotes into literal text and tags. `\"` and `\\` stand for themselves. */
export function readTextTemplate(atom: Atom, problems: Problem[]): Template {
	const toFile = (offset: number) => atom.span.from + 1 + offset;
	const { text, span } = atom;
	return readTemplate({ text, span, escapable: /^[{"\\]/, inQuotes: true, toFile }, problems);
}

/** Text in quotes where expressions have no meaning. */
export function plainText(atom: Atom): string {
	return atom.text.replace(/\\(["\\{])/g, '$1');
}

function readTemplate(writing: Writing, problems: Problem[]): Template {
	const { text, span, escapable, inQuotes, toFile } = writing;
	const parts: (string | Tag)[] = [];
	const places: (readonly WrittenRow[])[] = [];
	let literal = '';
	let rows: WrittenRow[] = [];
	let at = 0;
	/** Where the next character of the literal is, if nothing is left out. */
	let following = 0;
	/** A line ended just now. To ask the literal itself would join what it is made of, for each character. */
	let isLineEnd = false;
	const flush = (): void => {
		if (literal) {
			parts.push(literal);
			places.push(rows);
		}
		literal = '';
		rows = [];
	};
	// A line may be indented in the file, and a backslash is not in the text: from there on it is counted anew.
	const take = (character: string, from: number): void => {
		if (literal === '' || isLineEnd || from !== following) {
			rows.push({ from: literal.length, inFile: toFile(from) });
		}
		following = from + 1;
		isLineEnd = character === '\n';
		literal += character;
	};
	const place = (from: number, to: number): Span => {
		const start = toFile(from);
		return { file: span.file, from: start, to: Math.max(start + 1, toFile(to)) };
	};
	while (at < text.length) {
		const character = text[at];
		const next = text[at + 1];
		if (character === '\\' && next !== undefined && escapable.test(next)) {
			take(next, at + 1);
			at += 2;
			continue;
		}
		if (character !== '{') {
			take(text.charAt(at), at);
			at++;
			continue;
		}
		const end = findEnd(text, at, inQuotes);
		if (end === -1) {
			problems.push(error('expression-unclosed', place(at, at + 1)));
			take(text.charAt(at), at);
			at++;
			continue;
		}
		const tag = readTag(tagPlace(text.slice(at + 1, end), at, writing, problems));
		if (tag) {
			flush();
			parts.push(tag);
			places.push([]);
		}
		at = end + 1;
	}
	flush();
	return { parts, span, places };
}

function tagPlace(written: string, at: number, writing: Writing, problems: Problem[]): TagPlace {
	const { span, inQuotes, toFile } = writing;
	const from = toFile(at);
	const whole = { file: span.file, from, to: Math.max(from + 1, toFile(at + written.length + 2)) };
	const { inner, toWritten } = inQuotes ? withoutBackslashes(written) : plainly(written);
	const inFile = (offset: number): number => toFile(at + 1 + toWritten(offset));
	return {
		inner,
		span: whole,
		toFile: inFile,
		readText(quoted, start) {
			const text = quoted.slice(1, -1);
			const place = { file: span.file, from: inFile(start), to: inFile(start + quoted.length) };
			const inside = (offset: number): number => inFile(start + 1 + offset);
			const escapable = /^[{"\\]/;
			const given = { text, span: place, escapable, inQuotes: true, toFile: inside };
			return readTemplate(given, problems);
		},
		problems
	};
}

/** The text of a tag as it is meant, and where each of its characters is written. */
interface TagText {
	readonly inner: string;
	toWritten(offset: number): number;
}

function plainly(written: string): TagText {
	return { inner: written, toWritten: (offset) => offset };
}

/** In quotes, each quote of a tag has a backslash before it. */
function withoutBackslashes(written: string): TagText {
	const offsets: number[] = [];
	let inner = '';
	for (let index = 0; index < written.length; index++) {
		if (written[index] === '\\' && /["\\]/.test(written[index + 1] ?? '')) index++;
		offsets.push(index);
		inner += written[index];
	}
	return { inner, toWritten: (offset) => offsets[offset] ?? written.length };
}

/** The brace that closes a tag: on the same line, or on a later one where a part is used; not in quotes. */
function findEnd(text: string, from: number, inQuotes: boolean): number {
	const isUse = /^\{\s*use\s/.test(text.slice(from, from + 40));
	let quoted = false;
	for (let at = from + 1; at < text.length; at++) {
		const character = text[at];
		if (inQuotes && character === '\\') {
			if (text[at + 1] === '"') quoted = !quoted;
			at++;
		} else if (!inQuotes && character === '"') {
			quoted = !quoted;
		} else if (!inQuotes && quoted && character === '\\') {
			at++;
		} else if (character === '}' && !quoted) {
			return at;
		}
		if ((character === '\n' && (quoted || !isUse)) || (character === '{' && !quoted)) return -1;
	}
	return -1;
}
