/** The variables with which the long judging goes through the same properties with other sites, and more of them. */
const [more, seed] = [process.env['LONG_EAVE_RUNS'], process.env['LONG_EAVE_SEED']];

/**
 * How often a property is tried: a fixed small number of times in each run of the tests, always with the same
 * values; in the long judging more often, with values of its own.
 */
export function runs(
	numRuns: number,
	own: number
): { readonly numRuns: number; readonly seed: number } {
	return {
		numRuns: numRuns * Number(more ?? 1),
		seed: seed === undefined ? own : Number(seed)
	};
}
