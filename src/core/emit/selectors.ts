import { layerName, type Layer, type Layout } from '../model/site.ts';
import { escapeCssString } from './escape.ts';

/** How style sheets name what pages carry: data-layout, data-region, data-wrapper and data-piece. */

/** Selects everything that a layer wrote: its root, its regions and its pieces. */
export function layerSelector(layer: Layer): string {
	switch (layer.kind) {
		case 'layout':
			return `[data-layout='${layer.name.text}']`;
		case 'route':
			return `[data-route='${escapeCssString(layer.pattern.text)}']`;
		case 'state':
			return `[data-state='${escapeCssString(layerName(layer))}']`;
	}
}

export function rootSelector(layer: Layer): string {
	return `.layer${layerSelector(layer)}`;
}

/** The box around a layout whose bands look at the space it gets. */
export function spaceSelector(layout: Layout): string {
	return `.space[data-space='${layout.name.text}']`;
}

/** A region or wrapper of a layout. */
export function memberSelector(layout: Layout, kind: 'region' | 'wrapper', name: string): string {
	return `${layerSelector(layout)}[data-${kind}='${name}']`;
}

/** A piece in a region, by the layer that brought it. Two layers may bring pieces of one name. */
export function pieceSelector(region: string, owner: Layer, piece: string): string {
	return `${region} > ${layerSelector(owner)}[data-piece='${piece}']`;
}

export function openerSelector(layout: Layout, region: string): string {
	return `${layerSelector(layout)}[data-opener='${region}']`;
}

/** The cascade layer of a layout. */
export function cascadeName(layout: Layout): string {
	return `layout-${layout.name.text}`;
}

/** The id by which an opener finds its drawer. */
export function drawerId(layout: string, region: string): string {
	return `drawer-${layout}-${region}`;
}
