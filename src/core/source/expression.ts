import { error, type Problem } from '../messages/problem.ts';
import type { Span } from '../model/span.ts';
import type { Expression, Template } from '../model/template.ts';
import type { MarkupBlock } from './markup-block.ts';
import { placeInFile } from './markup-block.ts';
import type { Atom } from './syntax.ts';

const pathShape = /^[a-z][a-zA-Z0-9-]*(?:\.[a-zA-Z0-9_-]+)*$/;
const laterShapes: readonly [RegExp, string][] = [
	[/^for\s/, 'A list in text, {for …},'],
	[/^if\s/, 'A condition in text, {if …},'],
	[/^else$/, 'A condition in text, {else},'],
	[/^end$/, '{end}'],
	[/^use\s/, 'A part in text, {use …},'],
	[/\?\?/, 'A value for where there is none, {… ?? …},']
];

/** Splits a block of markup into literal text and expressions. `\{` stands for a brace. */
export function readMarkupTemplate(block: MarkupBlock, problems: Problem[]): Template {
	const toFile = (offset: number) => placeInFile(block, offset);
	return readTemplate(block.text, block.span, /^[{]/, toFile, problems);
}

/** Splits text in quotes into literal text and expressions. `\"` and `\\` stand for themselves. */
export function readTextTemplate(atom: Atom, problems: Problem[]): Template {
	const toFile = (offset: number) => atom.span.from + 1 + offset;
	return readTemplate(atom.text, atom.span, /^[{"\\]/, toFile, problems);
}

/** Text in quotes where expressions have no meaning. */
export function plainText(atom: Atom): string {
	return atom.text.replace(/\\(["\\{])/g, '$1');
}

function readTemplate(
	text: string,
	span: Span,
	/** What a backslash before it makes literal. */
	escapable: RegExp,
	toFile: (offset: number) => number,
	problems: Problem[]
): Template {
	const parts: (string | Expression)[] = [];
	let literal = '';
	let at = 0;
	const place = (from: number, to: number): Span => {
		const start = toFile(from);
		return { file: span.file, from: start, to: Math.max(start + 1, toFile(to)) };
	};
	while (at < text.length) {
		const character = text[at];
		const next = text[at + 1];
		if (character === '\\' && next !== undefined && escapable.test(next)) {
			literal += next;
			at += 2;
			continue;
		}
		if (character !== '{') {
			literal += character;
			at++;
			continue;
		}
		const end = findEnd(text, at);
		if (end === -1) {
			problems.push(error('expression-unclosed', place(at, at + 1)));
			literal += character;
			at++;
			continue;
		}
		const inner = text.slice(at + 1, end).trim();
		const expressionSpan = place(at, end + 1);
		if (pathShape.test(inner) && inner !== 'else' && inner !== 'end') {
			if (literal) parts.push(literal);
			literal = '';
			parts.push({ path: inner.split('.'), span: expressionSpan });
		} else {
			problems.push(refuse(inner, expressionSpan));
		}
		at = end + 1;
	}
	if (literal) parts.push(literal);
	return { parts, span };
}

/** The closing brace, on the same line. */
function findEnd(text: string, from: number): number {
	for (let at = from + 1; at < text.length; at++) {
		if (text[at] === '}') return at;
		if (text[at] === '\n' || text[at] === '{') return -1;
	}
	return -1;
}

function refuse(inner: string, span: Span): Problem {
	for (const [shape, what] of laterShapes) {
		if (shape.test(inner)) return error('not-yet', span, what);
	}
	return error('expression-invalid', span, inner);
}
