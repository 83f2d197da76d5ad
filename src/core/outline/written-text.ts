import { decodeHTML } from 'entities';

/** Text as it is written in markup: references to characters, and values in braces. */

/** A tag in braces; behind a backslash a brace is one. */
const tags = /(?<!\\)\{[^{}]*\}/g;

/** What a text says that is written in markup; its values stay as they are written. */
export function decodeText(written: string): string {
	return betweenTags(written, decodeHTML);
}

/** Text as words of markup have it (HTML standard, section 13.1.4); values in braces stay values. */
export function encodeWords(text: string): string {
	return betweenTags(text, (plain) =>
		plain.replaceAll('&', '&amp;').replaceAll('\u00a0', '&nbsp;').replaceAll('<', '&lt;')
	).replaceAll('"""', '&quot;&quot;&quot;');
}

/** The same between the quotes of an attribute. */
function encodeValue(text: string): string {
	return betweenTags(text, (plain) =>
		plain.replaceAll('&', '&amp;').replaceAll('\u00a0', '&nbsp;').replaceAll('"', '&quot;')
	);
}

/** Attributes that say all by being there (HTML standard, section 3, "boolean attribute"). */
const boolean: ReadonlySet<string> = new Set(
	'allowfullscreen async autofocus autoplay checked controls default defer disabled formnovalidate hidden inert ismap itemscope loop multiple muted nomodule novalidate open playsinline readonly required reversed selected'.split(
		' '
	)
);

/** Whether an attribute says all by being there. */
export function isBooleanAttribute(name: string): boolean {
	return boolean.has(name);
}

/** An attribute as it is written. */
export function encodeAttribute(name: string, text: string): string {
	return text === '' && isBooleanAttribute(name) ? name : `${name}="${encodeValue(text)}"`;
}

function betweenTags(text: string, change: (plain: string) => string): string {
	let [written, at] = ['', 0];
	for (const { index, 0: tag } of text.matchAll(tags)) {
		written += change(text.slice(at, index)) + tag;
		at = index + tag.length;
	}
	return written + change(text.slice(at));
}

/** Whether some markup has text of which lines and blanks are a part (HTML, sections 4.4.3 and 4.10.11). */
export function keepsLines(markup: string): boolean {
	return /<(pre|textarea)\b/i.test(markup);
}
