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
	const starts = lineStarts(text);
	let [low, high] = [0, starts.length - 1];
	while (low < high) {
		const middle = Math.ceil((low + high) / 2);
		if ((starts[middle] ?? 0) <= offset) low = middle;
		else high = middle - 1;
	}
	return { line: low + 1, column: offset - (starts[low] ?? 0) + 1 };
}

/** Where lines start in the texts asked about last: one text is mostly asked about many times. */
const known = new Map<string, readonly number[]>();
const mostKnown = 64;

function lineStarts(text: string): readonly number[] {
	let starts = known.get(text);
	if (!starts) {
		if (known.size >= mostKnown) known.clear();
		known.set(text, (starts = findLineStarts(text)));
	}
	return starts;
}

function findLineStarts(text: string): number[] {
	const starts = [0];
	for (let at = text.indexOf('\n'); at !== -1; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
	return starts;
}

/** The line of a place, and its column. */
export function positionOf(span: Span, texts: ReadonlyMap<string, string>): Position {
	return positionAt(texts.get(span.file) ?? '', span.from);
}

/** `file:line:column` of a place, for sentences and for the command line. */
export function placeWords(span: Span, texts: ReadonlyMap<string, string>): string {
	const { line, column } = positionOf(span, texts);
	return `${span.file}:${line}:${column}`;
}
