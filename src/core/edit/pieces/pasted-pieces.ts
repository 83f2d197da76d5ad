import { pastedMembers, type PastedMember } from '../../data/pasted-table.ts';
import { freeName, nameFrom } from '../../model/name.ts';
import { encodeWords } from '../../outline/written-text.ts';

/** A piece as a row of a table, or a line of a list, says it. */
export interface PastedPiece {
	readonly name: string;
	readonly markup: string;
}

/** Letters of a line that make its piece's name. */
const longestName = 32;

/**
 * Pieces from a table or list as it was pasted: one for each row, its first cell the heading and each other one a
 * paragraph, or one for each line, a paragraph. None of them is called as one of `taken`. Throws a RangeError that says
 * why a row cannot be read.
 */
export function pastedPieces(text: string, taken: ReadonlySet<string>): PastedPiece[] {
	const names = new Set(taken);
	return (pastedMembers(text) ?? []).map((member) => {
		const [first = '', ...others] = cellsOf(member);
		const name = freeName(nameFrom(first.slice(0, longestName)) || 'piece', names);
		names.add(name);
		const isRow = typeof member === 'object';
		const head = element(isRow ? 'h2' : 'p', first);
		const rest = others.filter((cell) => cell !== '').map((cell) => element('p', cell));
		return { name, markup: [head, ...rest].join('\n') };
	});
}

function cellsOf(member: PastedMember): string[] {
	return typeof member === 'object' ? Object.values(member).map(String) : [String(member)];
}

/** What was pasted is text: a brace in it is one. */
function element(name: string, text: string): string {
	return `<${name}>${encodeWords(text.replaceAll('{', '\\{'))}</${name}>`;
}
