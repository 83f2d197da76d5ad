import { parse, type CssNode } from 'css-tree';

/** Parentheses and blocks inside each other: deeper than anyone writes, and less than any reader can bear. */
export const deepestNesting = 32;

/** How deep brackets of any kind stand inside each other. */
export function nestingOf(text: string): number {
	let [depth, deepest] = [0, 0];
	for (const character of text) {
		if (character === '(' || character === '[' || character === '{') {
			deepest = Math.max(deepest, ++depth);
		} else if (character === ')' || character === ']' || character === '}') {
			depth = Math.max(0, depth - 1);
		}
	}
	return deepest;
}

/**
 * The parts of a CSS value (CSS Syntax 3, section 5.4.1); undefined where it is none. Never throws:
 * for some of what is no value the parser reports a failure, for some it throws.
 */
export function parseValue(text: string): CssNode[] | undefined {
	if (text.trim() === '' || nestingOf(text) > deepestNesting) return undefined;
	let failed = false;
	try {
		const value = parse(text, { context: 'value', onParseError: () => (failed = true) });
		return failed || value.type !== 'Value' ? undefined : value.children.toArray();
	} catch {
		return undefined;
	}
}
