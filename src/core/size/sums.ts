/** Sums of CSS lengths, as a careful author would write them. */

/** The sum of some lengths; "0" for none. */
export function sumOf(lengths: readonly string[]): string {
	const [only] = lengths;
	if (only === undefined) return '0';
	return lengths.length === 1 ? withUnit(only) : `calc(${lengths.map(withUnit).join(' + ')})`;
}

/** A length as calculations need it: nothing is 0px there. */
export function withUnit(length: string): string {
	return length === '0' ? '0px' : length;
}

/** Whether a length is nothing, in whatever unit. */
export function isZero(length: string): boolean {
	return /^[+-]?0*\.?0+([a-z]+|%)?$/i.test(length);
}

/** As much below zero. */
export function negative(length: string): string {
	return /^[\d.]+[a-z]+$/.test(length) ? `-${length}` : `calc(-1 * (${length}))`;
}
