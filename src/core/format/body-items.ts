import type { Statement } from '../source/syntax.ts';

/** What stands in a body, in its order: statements, and comments on lines of their own. */
export type Item = StatementItem | CommentItem;

export interface StatementItem {
	readonly kind: 'statement';
	readonly statement: Statement;
	/** An empty line, or several, stand in front of it. */
	readonly isApart: boolean;
	/** It goes on the line of the statement before it. */
	readonly isBeside: boolean;
	/** Behind it on its line. */
	comment: Comment | undefined;
}

export interface CommentItem {
	readonly kind: 'comment';
	readonly text: string;
	readonly isApart: boolean;
}

export interface Comment {
	readonly text: string;
	/** Where it begins, in characters behind the indentation of its line. */
	readonly column: number;
}

export interface Body {
	/** Behind the brace that opens it. */
	readonly lead: Comment | undefined;
	readonly items: readonly Item[];
}

/** The items of the text between two places, in which some statements stand. */
export function bodyItems(
	text: string,
	from: number,
	to: number,
	statements: readonly Statement[]
): Body {
	const items: Item[] = [];
	let lead: Comment | undefined;
	let at = from;
	let breaks = 0;
	const take = (end: number): void => {
		for (const { 0: found, index } of text.slice(at, end).matchAll(/\/\/[^\n]*|\n/g)) {
			if (found === '\n') breaks++;
			else {
				const last = items.at(-1);
				const said = found.trimEnd();
				const comment = { text: said, column: columnOf(text, at + index) };
				if (breaks > 0 || (!last && from === 0)) {
					items.push({ kind: 'comment', text: said, isApart: isApart(items, breaks) });
				} else if (last?.kind === 'statement') last.comment = comment;
				else lead = comment;
				breaks = 0;
			}
		}
	};
	for (const statement of statements) {
		take(statement.span.from);
		const isBeside = items.length > 0 && breaks === 0;
		items.push({ kind: 'statement', statement, isApart: isApart(items, breaks), isBeside, comment: undefined });
		breaks = 0;
		at = statement.span.to;
	}
	take(to);
	return { lead, items };
} // prettier-ignore

function isApart(before: readonly Item[], breaks: number): boolean {
	return before.length > 0 && breaks > 1;
}

function columnOf(text: string, at: number): number {
	const line = text.slice(text.lastIndexOf('\n', at - 1) + 1, at);
	return line.length - (line.length - line.trimStart().length);
}
