import { layerName, layerPattern, type Layer } from '../../model/site.ts';
import { outOfScope } from '../../resolve/structure.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findLayer } from '../find.ts';
import type { LayerRef } from '../../model/command.ts';

/** Something a layer could sit under, and why it may not. */
export interface UnderChoice {
	/** A layout's name, or `none`. */
	readonly under: string;
	/** A sentence where the choice is refused. */
	readonly refused: string | undefined;
	/** It sits under this one now. */
	readonly now: boolean;
}

/** Every layout of the site and `none`, with what stands against it: for drags that refuse while dragging. */
export function underChoices(resolved: ResolvedSite, ref: LayerRef): UnderChoice[] {
	const layer = findLayer(resolved, ref);
	const parent = resolved.structure.chainOf(layer).at(-1);
	const layouts = resolved.site.layouts
		.filter((layout) => layout !== layer)
		.map((layout) => ({
			under: layout.name.text,
			refused: refusal(resolved, layer, layout),
			now: layout === parent
		}));
	return [...layouts, { under: 'none', refused: undefined, now: parent === undefined }];
}

function refusal(
	resolved: ResolvedSite,
	layer: Layer,
	layout: ResolvedSite['site']['layouts'][number]
): string | undefined {
	if (layer.kind === 'layout' && resolved.structure.chainOf(layout).includes(layer)) {
		return `${layout.name.text} sits under ${layerName(layer)} itself.`;
	}
	if (!outOfScope(layer, layout)) return undefined;
	return `${layout.name.text} can be picked only at ${layout.at.text} and below; this is ${layerPattern(layer).text}.`;
}
