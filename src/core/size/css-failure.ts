import { parse } from './css-syntax.ts';
import { CssText, isGroup, type CssItem, type CssRange } from './css-items.ts';

/** Why some CSS cannot be read, as the end of a sentence, and where. */
export interface CssFailure {
	/** Offset in the CSS. */
	readonly at: number;
	readonly why: string;
}

/** The first thing in a style that is no CSS. Brackets are taken to be closed. Never throws. */
export function cssFailure(css: string): CssFailure | undefined {
	const text = new CssText(css);
	return inBlock(text, text.whole, 'rules');
}

/** What a block holds: rules, what a rule says with rules in it, or declarations alone. */
type Content = 'rules' | 'rule' | 'declarations';

function inBlock(text: CssText, range: CssRange, content: Content): CssFailure | undefined {
	for (const item of text.items(range)) {
		const failure = inItem(text, item, content);
		if (failure) return failure;
	}
	return undefined;
}

function inItem(text: CssText, item: CssItem, content: Content): CssFailure | undefined {
	const { kind, inner, prelude, start, to } = item;
	if (kind === 'rule') {
		return selectorFailure(text, prelude) ?? (inner && inBlock(text, inner, 'rule'));
	}
	if (kind === 'declaration') {
		if (content === 'rules') return { at: start, why: 'a rule has its declarations in braces' };
		const declared = text.css.slice(start, to).replace(/;\s*$/, '');
		// CSS Values 5, section 8: `if()` has semicolons in its brackets, which the library does not know yet.
		if (/^[\w-]+\s*:[^]*;/.test(declared)) return undefined;
		return parseFailure(declared, 'declaration', start);
	}
	if (!inner) return undefined;
	if (isGroup(item)) return inBlock(text, inner, content);
	const hasOnlyDeclarations = !text.items(inner).some((one) => one.inner);
	return hasOnlyDeclarations ? inBlock(text, inner, 'declarations') : undefined;
}

/** A selector in a rule may begin with a combinator; at its end there is always something that it names. */
function selectorFailure(text: CssText, prelude: CssRange): CssFailure | undefined {
	const selectors = text.text(prelude);
	if (selectors.trim() === '') return { at: prelude.from, why: 'a rule needs a selector' };
	const loose = /[>+~]\s*(?=,|$)/.exec(selectors);
	if (loose) return { at: prelude.from + loose.index, why: 'nothing stands behind a combinator' };
	return parseFailure(selectors, 'selectorList', prelude.from);
}

function parseFailure(css: string, context: string, at: number): CssFailure | undefined {
	let failure: CssFailure | undefined;
	const found = (problem: { message: string; offset?: number }): void => {
		failure ??= { at: at + (problem.offset ?? 0), why: problem.message };
	};
	try {
		parse(css, { context, onParseError: found });
	} catch (thrown) {
		if (thrown instanceof Error) found(thrown);
	}
	return failure;
}
