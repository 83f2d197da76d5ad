import type { Layout } from '../model/site.ts';
import type { Bands } from '../resolve/bands.ts';
import type { Edge } from '../settings/placed.ts';
import { frameOf } from './frame.ts';
import { coversInside } from './stick.ts';
import type { Edges, Surroundings } from './surroundings.ts';

const bothEdges: Edges = { top: true, bottom: true };

/**
 * The surroundings of a layout's boxes, by the layouts it sits under, outermost first. Where it is not
 * said what lands in it, something in there may keep to either edge.
 */
export function surroundingsOf(
	outer: readonly Layout[],
	bands: Bands,
	inside = bothEdges,
	overlapped: ReadonlySet<string> = new Set()
): Surroundings {
	const sticks = (edge: Edge): boolean =>
		outer.some((one) => coversInside(frameOf(one, bands).root, edge, bands));
	return { bands, outside: { top: sticks('top'), bottom: sticks('bottom') }, inside, overlapped };
}
