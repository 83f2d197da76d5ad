import { errors } from './errors.ts';
import { hints } from './hints.ts';
import { severities, type Severity } from './severity.ts';
import { warnings } from './warnings.ts';

/**
 * Every message of the core, by how much it matters and its code. A code never changes its meaning; the
 * sentence may be improved. Each sentence names the thing; file, line and column are added by who prints it.
 */
export const catalogue = {
	error: errors,
	warning: warnings,
	hint: hints
} as const satisfies Readonly<Record<Severity, unknown>>;

export type ErrorCode = keyof typeof errors;
export type WarningCode = keyof typeof warnings;
export type HintCode = keyof typeof hints;
export type Code = ErrorCode | WarningCode | HintCode;

/** How much a code matters; undefined for a word that is none. */
export function severityOf(code: string): Severity | undefined {
	return severities.find((severity) => Object.hasOwn(catalogue[severity], code));
}
