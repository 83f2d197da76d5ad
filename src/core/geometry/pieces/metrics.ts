import { z } from 'zod';
import { sampledSize, type PieceSize } from './piece-size.ts';
import { pieceKeyWord, type PieceKey } from '../../model/piece-key.ts';

const px = z.number().nonnegative();

/** Sizes of pieces as a browser measured them: what `--metrics` takes, and what the application keeps. */
export const metricsSchema = z.object({
	pieces: z.array(
		z.object({
			/** One piece, or those of a run, and the layers that brought them: a layout's name, or a route. */
			pieces: z.array(z.object({ piece: z.string(), owner: z.string() })).min(1),
			/** Where they stand; the same piece may stand in several regions. */
			layout: z.string().optional(),
			region: z.string().optional(),
			/** It is the button that opens a drawer. */
			opener: z.boolean().optional(),
			/** px at which nothing sticks out, and at which nothing wraps. */
			min: px,
			max: px,
			/** Widths and the heights measured at them, px, narrowest first. */
			heights: z.array(z.tuple([px, px])).min(1)
		})
	)
});

export type Metrics = z.infer<typeof metricsSchema>;
type Measured = Metrics['pieces'][number];

/** Looks sizes up in metrics; undefined for a piece that was not measured. */
export function sizesFrom(metrics: Metrics): (key: PieceKey) => PieceSize | undefined {
	const sizes = new Map<string, PieceSize>();
	for (const measured of metrics.pieces) {
		const samples = measured.heights.map(([width, height]) => ({ width, height }));
		const size = sampledSize(measured.min, measured.max, samples);
		for (const name of namesOf(measured)) if (!sizes.has(name)) sizes.set(name, size);
	}
	return (key) => sizes.get(nameOf(key, true)) ?? sizes.get(nameOf(key, false));
}

function nameOf(
	{ layout, region, pieces, opener = false }: Measured | PieceKey,
	exact: boolean
): string {
	const where = exact ? { layout, region } : { layout: undefined, region: undefined };
	return pieceKeyWord({ ...where, pieces, opener });
}

function namesOf(measured: Measured): string[] {
	return [nameOf(measured, true), nameOf(measured, false)];
}
