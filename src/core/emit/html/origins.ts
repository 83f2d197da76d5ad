import type { Span } from '../../model/span.ts';
import { escapeHtml } from './escape.ts';

/* The name of the attribute is a character of Unicode's private use area: what authors write has none of them. */
const ORIGIN = '\ue012';

/** The attribute by which an element says where its tag is written. */
export function originText(file: string, at: number): string {
	return ` ${ORIGIN}="${at} ${escapeHtml(file)}"`;
}

/** Takes the origin off an element: the place of `<` and its name. Undefined where it has none. */
export function takeOrigin(element: {
	readonly name: string;
	readonly attribs: Record<string, string>;
}): Span | undefined {
	const said = element.attribs[ORIGIN];
	if (said === undefined) return undefined;
	Reflect.deleteProperty(element.attribs, ORIGIN);
	const { file, from } = readOrigin(said);
	return { file, from, to: from + 1 + element.name.length };
}

/** What an origin says: the file, and where `<` stands in it. */
function readOrigin(said: string): { readonly file: string; readonly from: number } {
	const [at = ''] = said.split(' ', 1);
	return { file: said.slice(at.length + 1), from: Number(at) };
}

/** Whether an element, by its attributes, is written within a span. */
export function isWrittenIn(
	{ file, from, to }: Span,
	attributes: readonly { readonly name: string; readonly value: string }[]
): boolean {
	const said = attributes.find(({ name }) => name === ORIGIN)?.value;
	if (said === undefined) return false;
	const origin = readOrigin(said);
	return origin.file === file && origin.from >= from && origin.from < to;
}

const anyOrigin = new RegExp(` ${ORIGIN}="[^"]*"`, 'g');

/** A page as it is without its origins. */
export function withoutOrigins(html: string): string {
	return html.replace(anyOrigin, '');
}
