import type { Style } from './site.ts';
import type { Span } from './span.ts';

/** Where something in a style's CSS stands in its file: `length` characters from an offset. */
export function placeOfStyle({ lines, span }: Style, offset: number, length: number): Span {
	const line = lines.findLast(({ inText }) => inText <= offset);
	const from = line ? line.inFile + (offset - line.inText) : span.from;
	return { file: span.file, from, to: from + length };
}
