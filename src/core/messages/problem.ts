import type { Span } from '../model/span.ts';
import { reasonOf } from './wording.ts';
import type { catalogue, ErrorCode, HintCode, WarningCode } from './catalogue.ts';

/** A change of the text that would take a problem away. */
export interface Mend {
	/** What it does, in a few words. */
	readonly label: string;
	readonly span: Span;
	/** What stands there afterwards. */
	readonly insert: string;
}

type Catalogue = typeof catalogue;
export type ErrorDetails = { [C in ErrorCode]: Parameters<Catalogue['error'][C]> };
export type WarningDetails = { [C in WarningCode]: Parameters<Catalogue['warning'][C]> };
export type HintDetails = { [C in HintCode]: Parameters<Catalogue['hint'][C]> };

interface Placed {
	readonly span: Span;
	readonly mend?: Mend;
}

/** An error of one kind: the site cannot be delivered while it stands. */
export interface ErrorOf<C extends ErrorCode> extends Placed {
	readonly severity: 'error';
	readonly code: C;
	/** What the sentence is made of, in the order of the catalogue. */
	readonly details: ErrorDetails[C];
}

/** A warning of one kind: the site can be delivered, but the author should look. */
export interface WarningOf<C extends WarningCode> extends Placed {
	readonly severity: 'warning';
	readonly code: C;
	readonly details: WarningDetails[C];
}

/** A hint of one kind: nothing is wrong, but it might be better. */
export interface HintOf<C extends HintCode> extends Placed {
	readonly severity: 'hint';
	readonly code: C;
	readonly details: HintDetails[C];
}

/**
 * Something wrong or doubtful in a site's text, as a value: what kind of thing it is, its details and
 * its place. The sentence is made where it is shown.
 */
export type Problem =
	| { [C in ErrorCode]: ErrorOf<C> }[ErrorCode]
	| { [C in WarningCode]: WarningOf<C> }[WarningCode]
	| { [C in HintCode]: HintOf<C> }[HintCode];

export function error<C extends ErrorCode>(
	code: C,
	span: Span,
	...details: ErrorDetails[C]
): ErrorOf<C> {
	return { severity: 'error', code, details, span };
}

export function warning<C extends WarningCode>(
	code: C,
	span: Span,
	...details: WarningDetails[C]
): WarningOf<C> {
	return { severity: 'warning', code, details, span };
}

export function hint<C extends HintCode>(
	code: C,
	span: Span,
	...details: HintDetails[C]
): HintOf<C> {
	return { severity: 'hint', code, details, span };
}

/** What makes two problems the same wherever they stand: the kind and the details. */
export function sameness({ code, details }: Problem): string {
	return JSON.stringify([code, ...details]);
}

/**
 * Runs a part of the work on one thing of the site. Whatever it throws becomes a problem at that
 * thing's place, and what is given instead goes on: one text that no one foresaw never stops the rest.
 */
export function atEdge<T>(
	about: { readonly what: string; readonly span: Span },
	problems: Problem[],
	run: () => T,
	instead: T
): T {
	try {
		return run();
	} catch (failure) {
		problems.push(error('work-failed', about.span, about.what, reasonOf(failure)));
		return instead;
	}
}

export function hasErrors(problems: readonly Problem[]): boolean {
	return problems.some((problem) => problem.severity === 'error');
}

/** More problems of a kind than anyone goes through; what else there is, is counted. */
const mostListed = 500;

/** Problems by file and place, as many as can be listed. */
export function listProblems(problems: readonly Problem[]): Problem[] {
	const sorted = [...problems].sort(
		(a, b) => compareText(a.span.file, b.span.file) || a.span.from - b.span.from
	);
	if (sorted.length <= mostListed) return sorted;
	const counts = { error: 0, warning: 0 };
	const listed: Problem[] = [];
	let last: { error?: Problem; warning?: Problem } = {};
	for (const problem of sorted) {
		if (problem.severity === 'hint' || ++counts[problem.severity] <= mostListed)
			listed.push(problem);
		else last = { ...last, [problem.severity]: problem };
	}
	if (last.error) listed.push(error('more-errors', last.error.span, counts.error - mostListed));
	if (last.warning) {
		listed.push(warning('more-warnings', last.warning.span, counts.warning - mostListed));
	}
	return listed;
}

function compareText(a: string, b: string): number {
	return a < b ? -1 : Number(a > b);
}
