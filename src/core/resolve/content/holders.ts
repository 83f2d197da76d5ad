import type { HolderRef } from '../../model/command.ts';
import { layerRef } from '../../model/layer-ref.ts';
import { withInner, type Layer, type Piece } from '../../model/site.ts';
import { landingFills } from '../fill-target.ts';
import { broughtBy } from './brought.ts';
import type { ResolvedSite } from '../site.ts';

/** A place that pieces of a layer stand in, as a command names it. */
export interface Holder {
	readonly holder: HolderRef;
	/** With the groups among them, and all that stands in those. */
	readonly pieces: readonly Piece[];
}

/** All such places of a layer: its regions or its own content, and its fills that land somewhere. */
export function holdersIn(layer: Layer, { structure }: ResolvedSite): Holder[] {
	const ref = layerRef(layer);
	const own =
		layer.kind === 'layout'
			? layer.regions.map(({ name, pieces }) => ({
					holder: { layer: ref, region: { layout: ref.name, region: name.text } },
					pieces: withInner(pieces)
				}))
			: [{ holder: { layer: ref, region: undefined }, pieces: withInner(broughtBy(layer)) }];
	const fills = landingFills(layer, structure.chainOf(layer)).map(({ fill, layout, region }) => ({
		holder: { layer: ref, region: { layout: layout.name.text, region: region.name.text } },
		pieces: withInner(broughtBy(fill))
	}));
	return [...own, ...fills];
}
