import { tokenTypes } from '../../../size/css-syntax.ts';
import { stepsOf, tokensOf, type CssToken } from '../../../size/css-tokens.ts';
import type { ScopeSelectors, Subject } from './scope-selectors.ts';

/**
 * A list of selectors, each of which names only what belongs to a scope: the test stands behind its last compound,
 * whose elements it names, and in front of pseudo-elements (Selectors 4, sections 3.1 and 3.6). What stands around
 * the subject may be anyone's. A selector whose subject is the root (`:scope`, where that is not an author's own) needs
 * no test, and one that ends with a combinator names nothing.
 */
export function scopedSelector(
	selectors: string,
	{ test }: ScopeSelectors,
	inOwnScope: boolean
): string {
	return complexSelectors(selectors)
		.map(({ from, to, subjectEnd, isRoot, element, hasClass }) => {
			const text = selectors.slice(from, to);
			if (subjectEnd === undefined || (isRoot && !inOwnScope)) return text;
			return (
				text.slice(0, subjectEnd - from) +
				test({ element, hasClass }) +
				text.slice(subjectEnd - from)
			);
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
		.map((token, index) => {
			if (isScopeColon(token, tokens[index + 1], selectors)) return '';
			if (isScopeColon(tokens[index - 1], token, selectors)) return root;
			return isOutermost && isAmpersand(token, selectors)
				? weightlessRoot
				: textOf(token, selectors);
		})
		.join('');
}

function textOf({ from, to }: CssToken, css: string): string {
	return css.slice(from, to);
}

/** The colon of `:scope`, by what follows it. */
function isScopeColon(
	token: CssToken | undefined,
	next: CssToken | undefined,
	css: string
): boolean {
	const isNamed = next?.type === tokenTypes.Ident && textOf(next, css).toLowerCase() === 'scope';
	return token?.type === tokenTypes.Colon && isNamed;
}

function isAmpersand(token: CssToken, css: string): boolean {
	return token.type === tokenTypes.Delim && textOf(token, css) === '&';
}

interface Complex extends Subject {
	readonly from: number;
	readonly to: number;
	/** Behind the last compound without its pseudo-elements; undefined where there is none. */
	readonly subjectEnd: number | undefined;
	/** The last compound has `:scope` in it. */
	readonly isRoot: boolean;
}

const legacyPseudoElements = /^(before|after|first-line|first-letter)$/i;

/** The selectors of a list. */
function complexSelectors(selectors: string): Complex[] {
	const tokens = tokensOf(selectors);
	const found: Complex[] = [];
	let from = 0;
	let depth = 0;
	let inList: { token: CssToken; index: number }[] = [];
	const close = (to: number): void => {
		found.push({ from, to, ...subjectOf(inList, tokens, selectors) });
		[from, inList] = [to + 1, []];
	};
	for (const [index, token] of tokens.entries()) {
		const isOutside = depth === 0;
		depth = Math.max(0, depth + stepsOf(token));
		if (isOutside && token.type === tokenTypes.Comma) close(token.from);
		// What stands in brackets counts as their end.
		else if (isOutside || depth === 0) inList.push({ token, index });
	}
	close(selectors.length);
	return found;
}

/** Where the last compound of a selector ends, by its tokens that stand in no brackets. */
function subjectOf(
	selector: readonly { readonly token: CssToken; readonly index: number }[],
	tokens: readonly CssToken[],
	css: string
): Omit<Complex, 'from' | 'to'> {
	let [subjectEnd, isRoot, isOver]: [number | undefined, boolean, boolean] = [
		undefined,
		false,
		false
	];
	/** Of the compound that is read. */
	let [element, hasClass, isFirst]: [string | undefined, boolean, boolean] = [
		undefined,
		false,
		true
	];
	let isBehindBlank = false;
	for (const { token, index } of selector) {
		if (token.type === tokenTypes.Comment) continue;
		if (token.type === tokenTypes.WhiteSpace) {
			isBehindBlank = true;
			continue;
		}
		const text = textOf(token, css);
		const isCombinator = token.type === tokenTypes.Delim && /^[>+~|]$/.test(text);
		if (isBehindBlank || isCombinator) {
			[subjectEnd, isRoot, isOver] = [undefined, false, false];
			[element, hasClass, isFirst] = [undefined, false, true];
		}
		isBehindBlank = false;
		const next = tokens[index + 1];
		isOver ||= startsPseudoElement(token, next, css);
		if (isScopeColon(token, next, css)) isRoot = true;
		if (isCombinator) subjectEnd = undefined;
		else if (!isOver) subjectEnd = token.to;
		else subjectEnd ??= token.from;
		if (isCombinator) continue;
		if (isFirst && token.type === tokenTypes.Ident) element = text.toLowerCase();
		hasClass ||= token.type === tokenTypes.Delim && text === '.';
		isFirst = false;
	}
	return { subjectEnd, isRoot, element, hasClass };
}

function startsPseudoElement({ type }: CssToken, next: CssToken | undefined, css: string): boolean {
	if (type !== tokenTypes.Colon || !next) return false;
	if (next.type === tokenTypes.Colon) return true;
	return next.type === tokenTypes.Ident && legacyPseudoElements.test(textOf(next, css));
}
