import { parse, type CssNode } from './css-syntax.ts';
import { nestingOf } from './css-tokens.ts';

/** Parentheses and blocks inside each other: deeper than anyone writes, and less than any reader can bear. */
export const deepestNesting = 32;

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
