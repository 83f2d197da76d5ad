import * as z from 'zod';
import { pieceKeyWord, type PieceKey } from '../../model/piece-key.ts';
import type { Viewport } from '../../size/length.ts';
import { noteStep } from '../../size/turns.ts';
import { valueAt, type Line } from './lines.ts';
import { stiff, type ContentWidths, type PieceSize, type PieceSizes } from './piece-size.ts';

const px = z.number();
/** A width (or a screen), what holds from there on, and by how much that changes for each px; px. */
const line = z
	.union([z.tuple([px, px]), z.tuple([px, px, z.number()])])
	.transform(([from, value, slope = 0]): Line => ({ from, value, slope }));
const lines = z.array(line).min(1);

/** Where some content stands, by the names of the text. */
const keyShape = {
	/** One piece, or those of a run, and the layers that brought them: a layout's name, or a route. */
	pieces: z.array(z.object({ piece: z.string(), owner: z.string() })).min(1),
	/** Where they stand; the same piece may stand in several regions. */
	layout: z.string().optional(),
	region: z.string().optional(),
	/** It is the button that opens a drawer. */
	opener: z.boolean().optional(),
	/** The bands of layouts that measure their own space, from the outermost inward. */
	spaces: z.array(z.object({ layout: z.string(), band: z.number() })).optional(),
	/** The screens on which this holds, px, both inclusive; all of them where nothing is said. */
	screens: z.tuple([px, px]).optional()
};

/** A size that follows from the room alone. */
const byRoom = z.object({
	...keyShape,
	/** px at which nothing sticks out, and at which nothing wraps. */
	min: px.nonnegative(),
	max: px.nonnegative(),
	/** By the width of its room; what sticks out across is what `min` says, and nothing down, unless it is said. */
	heights: lines,
	across: lines.optional(),
	down: lines.optional()
});

/** A size that follows from the screen as well, along the way that its room takes with it. */
const byScreen = z.object({
	...keyShape,
	byScreen: z.object({
		min: lines,
		max: lines,
		heights: lines,
		across: lines.optional(),
		down: lines.optional()
	})
});

/** Sizes of pieces as a browser measured them: what `--metrics` takes and `--metrics-out` writes. */
export const metricsSchema = z.object({ pieces: z.array(z.union([byRoom, byScreen])) });

export type Metrics = z.infer<typeof metricsSchema>;
type Measured = Metrics['pieces'][number];
/** As it is written in a file. */
export type WrittenMetrics = z.input<typeof metricsSchema>;
export type WrittenLine = z.input<typeof line>;

/** Looks sizes up in metrics; undefined for a piece that was not measured. */
export function sizesFrom(
	metrics: Metrics
): (...asked: Parameters<PieceSizes>) => PieceSize | undefined {
	const sizes = new Map<string, Measured[]>();
	for (const measured of metrics.pieces) {
		for (const exact of [true, false]) {
			const name = nameOf(measured, exact);
			sizes.set(name, [...(sizes.get(name) ?? []), measured]);
		}
	}
	return (key, spaces) => {
		const found = sizes.get(nameOf(key, true)) ?? sizes.get(nameOf(key, false));
		const there = found?.filter((one) => standsIn(one, spaces));
		return there && there.length > 0 ? new WrittenSize(there) : undefined;
	};
}

function nameOf(
	{ layout, region, pieces, opener = false }: Measured | PieceKey,
	exact: boolean
): string {
	const where = exact ? { layout, region } : { layout: undefined, region: undefined };
	return pieceKeyWord({ ...where, pieces, opener });
}

/** What says nothing of spaces holds in all of their bands. */
function standsIn({ spaces }: Measured, asked: Parameters<PieceSizes>[1]): boolean {
	return (spaces ?? []).every(({ layout, band }) =>
		asked.every((one) => one.layout !== layout || one.band === band)
	);
}

/** A size as a file has it: one for all screens, or several with the screens on which they hold. */
class WrittenSize implements PieceSize {
	readonly steady: boolean;

	constructor(private readonly measured: readonly Measured[]) {
		const [first] = measured;
		this.steady = measured.length === 1 && first !== undefined && !('byScreen' in first);
	}

	contentWidths(view: Viewport): ContentWidths {
		const found = this.on(view);
		if (!('byScreen' in found)) return found;
		const { min, max } = found.byScreen;
		return { min: valueAt(min, view.width), max: valueAt(max, view.width) };
	}

	heightAt(width: number, view: Viewport): number {
		const found = this.on(view);
		return 'byScreen' in found
			? valueAt(found.byScreen.heights, view.width)
			: valueAt(found.heights, width);
	}

	overflowAt(width: number, view: Viewport): { x: number; y: number } {
		const found = this.on(view);
		const { across, down } = 'byScreen' in found ? found.byScreen : found;
		const at = 'byScreen' in found ? view.width : width;
		const { x, y } = stiff('byScreen' in found ? 0 : found.min, width);
		return { x: across ? valueAt(across, at) : x, y: down ? valueAt(down, at) : y };
	}

	/** What holds on a screen; beyond what was measured, the nearest. */
	private on({ width }: Viewport): Measured {
		const [first, ...others] = this.measured;
		if (!first) throw new Error('A size was made of nothing.');
		let found = first;
		for (const one of others) if ((one.screens?.[0] ?? -Infinity) <= width) found = one;
		if (this.measured.length > 1) {
			const next = this.measured[this.measured.indexOf(found) + 1];
			const from = found === first ? -Infinity : (found.screens?.[0] ?? -Infinity);
			noteStep(width, from, next?.screens?.[0] ?? Infinity);
		}
		return found;
	}
}
