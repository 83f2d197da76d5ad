import { parse, type CssNode, type SyntaxParseError } from 'css-tree';
import { error, reasonOf, warning } from '../../messages/problem.ts';
import type { Style } from '../../model/site.ts';
import { nestingOf, unbalancedAt } from '../../size/css-tokens.ts';
import { deepestNesting } from '../../size/css-value.ts';
import { boxStyles } from '../box-styles.ts';
import { placeInFile } from '../markup-block.ts';
import type { ReadContext } from './block.ts';
import type { Cursor } from './cursor.ts';

/**
 * `style [global] [@band] """ css """`. CSS that does not parse is refused, so that it cannot end its scope
 * early. `ofBox`: what it begins at is a box of the frame, whose size settings say.
 */
export function readStyle(cursor: Cursor, context: ReadContext, ofBox = true): Style | undefined {
	const global = cursor.takeWord('global') !== undefined;
	const band = cursor.takeBand();
	cursor.finish({ markup: true });
	const block = cursor.needMarkup('A style');
	if (!block) return undefined;
	const css = block.text;
	const sheet = parseSheet(css);
	if ('why' in sheet) {
		// What is missing at the end is marked at the last character there is.
		const from = Math.min(placeInFile(block, sheet.at), block.span.to - 1);
		const span = { file: cursor.statement.span.file, from, to: from + 1 };
		context.problems.push(error('style-invalid', span, sheet.why));
		return undefined;
	}
	for (const { property, at: offset, advice } of ofBox ? boxStyles(sheet.parsed) : []) {
		const from = placeInFile(block, offset);
		const span = { file: cursor.statement.span.file, from, to: from + property.length };
		context.problems.push(warning('style-of-box', span, property, advice));
	}
	return { css, global, band, span: cursor.statement.span };
}

/** A sheet as parsed, or why it is none and where. Never throws, whatever the parser does. */
function parseSheet(css: string): { parsed: CssNode } | { at: number; why: string } {
	if (nestingOf(css) > deepestNesting) {
		return { at: 0, why: `it has brackets more than ${deepestNesting} deep inside each other` };
	}
	let failure: SyntaxParseError | undefined;
	let parsed: CssNode;
	try {
		parsed = parse(css, { onParseError: (problem) => (failure ??= problem), positions: true });
	} catch (thrown) {
		return { at: 0, why: reasonOf(thrown) };
	}
	if (failure) return { at: failure.offset, why: failure.message };
	const at = unbalancedAt(css);
	if (at === undefined) return { parsed };
	return { at, why: 'a brace, bracket or text in it is not closed' };
}
