/**
 * What boxes of a page rest on: `guessed`, where some size of its content was guessed from its text; `measured`, where
 * all of them were measured; `known`, where they follow from the text of the site, whatever size its content has.
 */
export type Basis = 'guessed' | 'known' | 'measured';

/** Whether something is no more than an estimate. */
export function isEstimate(by: Basis): boolean {
	return by === 'guessed';
}
