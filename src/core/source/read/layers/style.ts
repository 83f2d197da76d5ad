import { error } from '../../../messages/problem.ts';
import type { Style } from '../../../model/site.ts';
import { cssFailure, type CssFailure } from '../../../size/css-failure.ts';
import { nestingOf, unbalancedAt } from '../../../size/css-tokens.ts';
import { deepestNesting } from '../../../size/css-value.ts';
import { placeInFile } from '../../markup-block.ts';
import type { ReadContext } from '../block.ts';
import type { Cursor } from '../cursor.ts';

/**
 * `style [global] [@band] """ css """`. CSS that does not parse is refused, so that it cannot end its scope
 * early.
 */
export function readStyle(cursor: Cursor, context: ReadContext): Style | undefined {
	const global = cursor.takeWord('global') !== undefined;
	const band = cursor.takeBand();
	cursor.finish({ markup: true });
	const block = cursor.needMarkup('A style');
	if (!block) return undefined;
	const css = block.text;
	const failure = failureOf(css);
	if (failure) {
		// What is missing at the end is marked at the last character there is.
		const from = Math.min(placeInFile(block, failure.at), block.span.to - 1);
		const span = { file: cursor.statement.span.file, from, to: from + 1 };
		context.problems.push(error('style-invalid', span, failure.why));
		return undefined;
	}
	return { css, lines: block.lines, global, band, span: cursor.statement.span };
}

/** Why a text is no style sheet, and where. Never throws, whatever the parser does. */
function failureOf(css: string): CssFailure | undefined {
	if (nestingOf(css) > deepestNesting) {
		return { at: 0, why: `it has brackets more than ${deepestNesting} deep inside each other` };
	}
	const at = unbalancedAt(css);
	if (at !== undefined) return { at, why: 'a brace, bracket or text in it is not closed' };
	return cssFailure(css);
}
