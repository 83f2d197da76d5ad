import { tokenTypes, url as urlToken, string as stringToken } from '../../../size/css-syntax.ts';
import { tokensOf, type CssToken } from '../../../size/css-tokens.ts';

/** CSS with each `url()` as `link` has it (CSS Values 4, section 4.5). */
export function withUrls(css: string, link: (url: string) => string): string {
	if (!/url\(/i.test(css)) return css;
	const tokens = tokensOf(css);
	let written = '';
	let from = 0;
	for (const [index, token] of tokens.entries()) {
		const found = urlAt(css, tokens, index);
		if (!found || token.from < from) continue;
		const linked = link(found.url);
		if (linked === found.url) continue;
		written += `${css.slice(from, token.from)}url('${linked.replaceAll("'", '%27')}')`;
		from = found.to;
	}
	return written + css.slice(from);
}

/** Each `url()` of some CSS with its place. */
export function urlsIn(
	css: string
): { readonly url: string; readonly from: number; readonly to: number }[] {
	if (!/url\(/i.test(css)) return [];
	const tokens = tokensOf(css);
	return tokens.flatMap((token, index) => {
		const found = urlAt(css, tokens, index);
		return found ? [{ ...found, from: token.from }] : [];
	});
}

/** A `url()` that begins at a token, with quotes in it or without. */
function urlAt(
	css: string,
	tokens: readonly CssToken[],
	index: number
): { readonly url: string; readonly to: number } | undefined {
	const token = tokens[index];
	if (!token) return undefined;
	const text = css.slice(token.from, token.to);
	if (token.type === tokenTypes.Url) return { url: urlToken.decode(text), to: token.to };
	if (token.type !== tokenTypes.Function || text.toLowerCase() !== 'url(') return undefined;
	const [quoted, end] = tokens
		.slice(index + 1, index + 5)
		.filter(({ type }) => type !== tokenTypes.WhiteSpace);
	if (quoted?.type !== tokenTypes.String || end?.type !== tokenTypes.RightParenthesis) {
		return undefined;
	}
	return { url: stringToken.decode(css.slice(quoted.from, quoted.to)), to: end.to };
}
