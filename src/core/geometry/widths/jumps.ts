import type { PlacedBox } from '../page-layout.ts';
import type { Sweep } from './sweep.ts';

/** Widths that are looked at, px of the screen. */
export const sweepFrom = 280;
export const sweepTo = 1760;

/** A change of less than this for one px of width is a flow, not a jump. */
const flow = 8;

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

function framesOf(boxes: readonly PlacedBox[]): Map<string, PlacedBox> {
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
		if (Math.abs(old.x - box.x) > flow || Math.abs(old.width - box.width) > flow) return true;
	}
	return false;
}
