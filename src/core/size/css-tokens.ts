import { tokenize, tokenTypes } from './css-syntax.ts';

/** What CSS is made of, token by token (CSS Syntax 3, section 4). */
export interface CssToken {
	readonly type: number;
	readonly from: number;
	readonly to: number;
}

export function tokensOf(text: string): CssToken[] {
	const tokens: CssToken[] = [];
	tokenize(text, (type, from, to) => tokens.push({ type, from, to }));
	return tokens;
}

/** Tokens that open something, with those that close it. */
const closings = new Map<number, number>([
	[tokenTypes.Function, tokenTypes.RightParenthesis],
	[tokenTypes.LeftParenthesis, tokenTypes.RightParenthesis],
	[tokenTypes.LeftSquareBracket, tokenTypes.RightSquareBracket],
	[tokenTypes.LeftCurlyBracket, tokenTypes.RightCurlyBracket]
]);
const closing = new Set(closings.values());

/** How much deeper in brackets one is behind a token. */
export function stepsOf({ type }: Pick<CssToken, 'type'>): -1 | 0 | 1 {
	if (closings.has(type)) return 1;
	return closing.has(type) ? -1 : 0;
}

/** How deep brackets of any kind stand inside each other. */
export function nestingOf(text: string): number {
	let [depth, deepest] = [0, 0];
	for (const { type } of tokensOf(text)) {
		if (closings.has(type)) deepest = Math.max(deepest, ++depth);
		else if (closing.has(type)) depth = Math.max(0, depth - 1);
	}
	return deepest;
}

/** Where a brace, bracket, comment or string of CSS opens without closing, or closes nothing. */
export function unbalancedAt(css: string): number | undefined {
	const open: { readonly closing: number; readonly at: number }[] = [];
	for (const token of tokensOf(css)) {
		const { type, from } = token;
		const closedBy = closings.get(type);
		if (closedBy !== undefined) open.push({ closing: closedBy, at: from });
		else if (closing.has(type) && open.pop()?.closing !== type) return from;
		else if (staysOpen(token, css)) return from;
	}
	return open[0]?.at;
}

/** The end of a text closes what is open in it (CSS Syntax 3, section 4.3); in a sheet more follows. */
function staysOpen({ type, from, to }: CssToken, css: string): boolean {
	const text = css.slice(from, to);
	switch (type) {
		case tokenTypes.BadString:
		case tokenTypes.BadUrl:
			return true;
		case tokenTypes.String:
			return text.length < 2 || !text.endsWith(text.charAt(0)) || /(?<!\\)(?:\\\\)*\\.$/.test(text);
		case tokenTypes.Comment:
			return text.length < 4 || !text.endsWith('*/');
		case tokenTypes.Url:
			return !text.endsWith(')');
		default:
			return false;
	}
}

/** Parts of a CSS value: blanks separate them, but not inside brackets. */
export function splitSizes(text: string): string[] {
	const parts: string[] = [''];
	let depth = 0;
	for (const { type, from, to } of tokensOf(text.trim())) {
		if (closings.has(type)) depth++;
		if (closing.has(type)) depth--;
		if (depth === 0 && type === tokenTypes.WhiteSpace) parts.push('');
		else parts[parts.length - 1] += text.trim().slice(from, to);
	}
	return parts;
}
