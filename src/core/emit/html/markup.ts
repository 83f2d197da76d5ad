import { encodeSegment } from '../../model/address.ts';
import type { Expression } from '../../model/template.ts';
import type { CompiledMarkup } from '../../resolve/markup.ts';
import { evaluate, type Scope } from '../../resolve/values.ts';
import { escapeCssValue, escapeHtml, isSafeUrl } from './escape.ts';

/**
 * Writes compiled markup for one page. `link` turns a URL as written into one that works from the page;
 * `rootMarks` stands behind the attributes of each outermost element.
 */
export function renderMarkup(
	markup: CompiledMarkup,
	scope: Scope,
	link: (url: string) => string,
	rootMarks = ''
): string {
	let written = '';
	for (const part of markup.parts) {
		if (typeof part === 'string') {
			written += part;
		} else if (part.kind === 'value') {
			const value = evaluate(part.expression, scope);
			written += escapeHtml(part.inStyle ? escapeCssValue(value) : value);
		} else if (part.kind === 'root') {
			written += rootMarks;
		} else {
			written += escapeHtml(link(renderUrl(part.value, scope)));
		}
	}
	return written;
}

/** A value at the start of a URL may be a whole URL; one further in is a part of its path or query. */
function renderUrl(value: readonly (string | Expression)[], scope: Scope): string {
	const [first] = value;
	const url = value
		.map((part, index) => {
			if (typeof part === 'string') return part;
			const text = evaluate(part, scope);
			return index === 0 ? text : encodeSegment(text);
		})
		.join('');
	return typeof first === 'string' || isSafeUrl(url) ? url : '#';
}
