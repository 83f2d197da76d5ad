import { tokenTypes } from 'css-tree';
import { stepsOf, tokensOf, type CssToken } from '../../size/css-tokens.ts';
import type { ScopeSelectors } from './scope-selectors.ts';

/**
 * A list of selectors, each of which names only what belongs to a scope: the test stands behind its last compound,
 * whose elements it names, and in front of pseudo-elements (Selectors 4, sections 3.1 and 3.6). What stands around
 * the subject may be anyone's. A selector that ends with a combinator stays as it is: it names nothing.
 */
export function scopedSelector(selectors: string, { test }: ScopeSelectors): string {
	return complexSelectors(selectors)
		.map(({ from, to, subjectEnd }) => {
			const text = selectors.slice(from, to);
			if (subjectEnd === undefined) return text;
			return text.slice(0, subjectEnd - from) + test + text.slice(subjectEnd - from);
		})
		.join(',');
}

/** A selector with what `:scope` means in a style of its own, and `&` where no rule stands around it. */
export function withScopeRoot(
	selectors: string,
	{ root, weightlessRoot }: ScopeSelectors,
	isOutermost: boolean
): string {
	if (!/[&:]/.test(selectors)) return selectors;
	const tokens = tokensOf(selectors);
	return tokens
		.map(({ type, from, to }, index) => {
			const text = selectors.slice(from, to);
			const next = tokens[index + 1];
			const before = tokens[index - 1];
			if (type === tokenTypes.Colon && next && isScope(next, selectors)) return '';
			if (before?.type === tokenTypes.Colon && isScope({ type, from, to }, selectors)) return root;
			const isAmpersand = type === tokenTypes.Delim && text === '&';
			return isAmpersand && isOutermost ? weightlessRoot : text;
		})
		.join('');
}

function isScope({ type, from, to }: CssToken, text: string): boolean {
	return type === tokenTypes.Ident && text.slice(from, to).toLowerCase() === 'scope';
}

interface Complex {
	readonly from: number;
	readonly to: number;
	/** Behind the last compound without its pseudo-elements; undefined where there is none. */
	readonly subjectEnd: number | undefined;
}

const legacyPseudoElements = /^(before|after|first-line|first-letter)$/i;

function complexSelectors(selectors: string): Complex[] {
	const found: Complex[] = [];
	let from = 0;
	/** Behind the last token that says something. */
	let end: number | undefined;
	let pseudoAt: number | undefined;
	const tokens = tokensOf(selectors);
	const close = (to: number): void => {
		found.push({ from, to, subjectEnd: pseudoAt ?? end });
		[end, pseudoAt] = [undefined, undefined];
		from = to + 1;
	};
	let depth = 0;
	for (const [index, token] of tokens.entries()) {
		const isInside = depth > 0;
		depth += stepsOf(token);
		if (token.type === tokenTypes.Comma && !isInside) {
			close(token.from);
			continue;
		}
		if (token.type === tokenTypes.WhiteSpace || token.type === tokenTypes.Comment) continue;
		if (isInside) {
			end = token.to;
			continue;
		}
		const text = selectors.slice(token.from, token.to);
		end = token.type === tokenTypes.Delim && /^[>+~|]$/.test(text) ? undefined : token.to;
		if (token.type !== tokenTypes.Colon || pseudoAt !== undefined) continue;
		const next = tokens[index + 1];
		const name = next ? selectors.slice(next.from, next.to) : '';
		const isLegacy = next?.type === tokenTypes.Ident && legacyPseudoElements.test(name);
		if (next?.type === tokenTypes.Colon || isLegacy) pseudoAt = token.from;
	}
	close(selectors.length);
	return found;
}
