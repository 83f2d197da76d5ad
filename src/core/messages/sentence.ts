import { catalogue, type ErrorCode, type HintCode, type WarningCode } from './catalogue.ts';
import type {
	ErrorDetails,
	ErrorOf,
	HintDetails,
	HintOf,
	Problem,
	WarningDetails,
	WarningOf
} from './problem.ts';

/** Problems in words: apart from problems themselves, since all of the words are much, and few say any. */

/** The plain sentence that says a problem. */
export function sentenceOf(problem: Problem): string {
	switch (problem.severity) {
		case 'error':
			return errorSentence(problem);
		case 'warning':
			return warningSentence(problem);
		case 'hint':
			return hintSentence(problem);
	}
}

function errorSentence<C extends ErrorCode>({ code, details }: ErrorOf<C>): string {
	const say: { [K in ErrorCode]: (...details: ErrorDetails[K]) => string } = catalogue.error;
	return say[code](...details);
}

function warningSentence<C extends WarningCode>({ code, details }: WarningOf<C>): string {
	const say: { [K in WarningCode]: (...details: WarningDetails[K]) => string } = catalogue.warning;
	return say[code](...details);
}

function hintSentence<C extends HintCode>({ code, details }: HintOf<C>): string {
	const say: { [K in HintCode]: (...details: HintDetails[K]) => string } = catalogue.hint;
	return say[code](...details);
}
