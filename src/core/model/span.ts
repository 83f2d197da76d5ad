/** A stretch of a site's text. Offsets count UTF-16 units from the file's start; `to` is exclusive. */
export interface Span {
	readonly file: string;
	readonly from: number;
	readonly to: number;
}

/** A name or word together with its place, so that an edit can replace just that. */
export interface Named<T extends string = string> {
	readonly text: T;
	readonly span: Span;
}

/** Text that goes through unread, such as a CSS value. */
export type Raw = Named;

/** A place as people and compilers name it; line and column count from 1. */
export interface Position {
	readonly line: number;
	readonly column: number;
}

export function joinSpans(first: Span, last: Span): Span {
	return { file: first.file, from: first.from, to: last.to };
}

/** The line and column of an offset. */
export function positionAt(text: string, offset: number): Position {
	const before = text.slice(0, offset);
	const lineStart = before.lastIndexOf('\n') + 1;
	let line = 1;
	for (let at = before.indexOf('\n'); at !== -1; at = before.indexOf('\n', at + 1)) line++;
	return { line, column: offset - lineStart + 1 };
}
