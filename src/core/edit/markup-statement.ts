import type { Span } from '../model/span.ts';
import { dedent } from '../source/markup-block.ts';
import { CommandRefused } from './proposal.ts';
import type { Surgery } from './surgery.ts';

/** What markup stands between. */
const quotes = '"""';

/**
 * Says a statement that holds markup, in the block of its owner, or something else in it where it is `there`; `undefined`
 * takes it back. Throws a CommandRefused where the text would end the markup.
 */
export function sayMarkup(
	surgery: Surgery,
	owner: Span,
	there: Span | undefined,
	word: string,
	text: string | undefined
): void {
	if (text?.includes(quotes)) {
		throw new CommandRefused('Three quotation marks in a row would end it in the text.');
	}
	if (text === undefined) {
		if (there) surgery.remove(there);
		return;
	}
	const written = markupLines(word, text);
	if (there) surgery.replaceLines(there, written);
	else surgery.insertInto(owner, written);
}

/** The lines of such a statement. */
export function markupLines(word: string, text: string): string[] {
	const lines = text.split('\n');
	if (lines.length === 1) return [`${word} ${quotes} ${text} ${quotes}`];
	return [`${word} ${quotes}`, ...lines.map((line) => (line === '' ? '' : `  ${line}`)), quotes];
}

/** The markup of such a statement as it is written, without its indentation. */
export function saidMarkup(
	texts: ReadonlyMap<string, string>,
	span: Span | undefined
): string | undefined {
	const file = span && texts.get(span.file);
	if (!span || file === undefined) return undefined;
	return dedent(file, { ...span, from: file.indexOf(quotes, span.from) }, true).text;
}
