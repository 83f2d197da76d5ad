import type { Span } from '../model/span.ts';
import { errors, warnings, type ErrorCode, type WarningCode } from './catalogue.ts';

/** Something wrong or doubtful in a site's text, with its place and one plain sentence. */
export interface Problem {
	readonly severity: 'error' | 'warning';
	readonly code: ErrorCode | WarningCode;
	readonly sentence: string;
	readonly span: Span;
}

type ErrorDetails = { [C in ErrorCode]: Parameters<(typeof errors)[C]> };
type WarningDetails = { [C in WarningCode]: Parameters<(typeof warnings)[C]> };

const errorSentences: { [C in ErrorCode]: (...details: ErrorDetails[C]) => string } = errors;
const warningSentences: { [C in WarningCode]: (...details: WarningDetails[C]) => string } =
	warnings;

/** An error: the site cannot be delivered while it stands. */
export function error<C extends ErrorCode>(
	code: C,
	span: Span,
	...details: ErrorDetails[C]
): Problem {
	return { severity: 'error', code, sentence: errorSentences[code](...details), span };
}

/** A warning: the site can be delivered, but the author should look. */
export function warning<C extends WarningCode>(
	code: C,
	span: Span,
	...details: WarningDetails[C]
): Problem {
	return { severity: 'warning', code, sentence: warningSentences[code](...details), span };
}

export function hasErrors(problems: readonly Problem[]): boolean {
	return problems.some((problem) => problem.severity === 'error');
}

/** Names as they stand in a sentence: "a, b and c", or "none". */
export function listWords(words: readonly string[], last = 'and'): string {
	if (words.length === 0) return 'none';
	if (words.length === 1) return words[0] ?? '';
	return `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}
