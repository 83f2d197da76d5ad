import { bandAt, type Bands } from '../../resolve/bands.ts';
import { noteStep } from '../../size/turns.ts';

/** The band of a width, px, noted as a turn: another band is another calculation. */
export function notedBand(bands: Bands, width: number): number {
	const band = bandAt(bands, width);
	const from = band === 0 ? -Infinity : (bands[band]?.from ?? -Infinity);
	noteStep(width, from, bands[band + 1]?.from ?? Infinity);
	return band;
}
