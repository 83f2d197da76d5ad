import type { LayerRef } from './command.ts';
import { layerName, type Layer } from './site.ts';

/** A layer as commands name it. */
export function layerRef(layer: Layer): LayerRef {
	return { kind: layer.kind, name: layerName(layer) };
}
