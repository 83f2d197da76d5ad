import type { PlacedBox } from '../page-layout.ts';
import type { Sweep } from './sweep.ts';

/** Widths that are looked at, px of the screen. */
export const sweepFrom = 280;
export const sweepTo = 1760;

/** px; what changes by no more than this for one px of width flows, and does not jump. */
export const jumpSize = 8;

/**
 * Widths at which something jumps: where one px less, a region or wrapper was not there, was
 * elsewhere or had another width. Heights that change as text wraps are no jumps.
 */
export function jumpWidths({ stretches }: Pick<Sweep, 'stretches'>): number[] {
	return stretches.flatMap(({ from, first }, index) => {
		const before = stretches[index - 1];
		return before && jumps(framesOf(before.last), framesOf(first)) ? [from] : [];
	});
}

/** Regions and wrappers among some boxes, by a word for each. */
export function framesOf(boxes: readonly PlacedBox[]): Map<string, PlacedBox> {
	const frames = boxes.filter(({ name }) => name.kind === 'region' || name.kind === 'wrapper');
	return new Map(
		frames.map((box) => [`${box.name.layout}.${box.name.region ?? box.name.wrapper}`, box])
	);
}

function jumps(before: Map<string, PlacedBox>, after: Map<string, PlacedBox>): boolean {
	if (before.size !== after.size) return true;
	for (const [name, box] of after) {
		const old = before.get(name);
		if (!old) return true;
		if (Math.abs(old.x - box.x) > jumpSize || Math.abs(old.width - box.width) > jumpSize)
			return true;
	}
	return false;
}
