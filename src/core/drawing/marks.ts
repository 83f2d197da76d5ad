import type { Layer } from '../model/site.ts';
import { layoutsInOrder, type Structure } from '../resolve/structure.ts';

/**
 * How a layer is told apart in every drawing: a hue and a hatch, each counted from 1. A page's own
 * matter has neither and is drawn in graphite.
 */
export interface Mark {
	readonly hue: number;
	readonly hatch: number;
}

const hues = 5;
const hatches = 5;

/**
 * Each layout takes the next hue and hatch, outer layouts first; past the fifth, hues come again with
 * other hatches.
 */
export function layoutMarks(structure: Structure): Map<string, Mark> {
	return new Map(
		layoutsInOrder(structure).map((layout, index) => {
			const round = Math.floor(index / hues);
			return [
				layout.name.text,
				{ hue: (index % hues) + 1, hatch: ((index + round) % hatches) + 1 }
			];
		})
	);
}

export function markOf(layer: Layer, marks: ReadonlyMap<string, Mark>): Mark | undefined {
	return layer.kind === 'layout' ? marks.get(layer.name.text) : undefined;
}
