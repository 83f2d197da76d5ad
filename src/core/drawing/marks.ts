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
 * Each layout takes the next hue and hatch, outer layouts first. Where hues run out they come again with
 * another hatch, and never twice in one chain while the chain has fewer layers than there are hues.
 */
export function layoutMarks(structure: Structure): Map<string, Mark> {
	const marks = new Map<string, Mark>();
	const used = Array.from({ length: hues }, () => 0);
	for (const layout of layoutsInOrder(structure)) {
		const above = structure.chainOf(layout).map((one) => marks.get(one.name.text)?.hue);
		const order = used
			.map((count, index) => ({ index, count, clash: above.includes(index + 1) }))
			.sort((a, b) => Number(a.clash) - Number(b.clash) || a.count - b.count || a.index - b.index);
		const { index, count } = order[0] ?? { index: 0, count: 0 };
		used[index] = count + 1;
		marks.set(layout.name.text, { hue: index + 1, hatch: ((index + count) % hatches) + 1 });
	}
	return marks;
}

export function markOf(layer: Layer, marks: ReadonlyMap<string, Mark>): Mark | undefined {
	return layer.kind === 'layout' ? marks.get(layer.name.text) : undefined;
}
