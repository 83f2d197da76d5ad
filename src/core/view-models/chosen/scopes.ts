import type { BoxRef, LayerRef } from '../../model/command.ts';
import type { CrossSection, SectionRegion } from '../cross-section.ts';

/** A layer that can say something of a region, for the pages inside it. */
export interface Scope {
	readonly layer: LayerRef;
	/** Its place among the layers of the cross-section. */
	readonly at: number;
	/** In a few words, with the pages it is for. */
	readonly label: string;
}

/** The region as a layer can change it: its own layout for all pages, another for its own. Where it is locked, as its layout has it. */
export function boxFor(
	layer: LayerRef,
	{ layout, name, locked }: SectionRegion,
	isOwn: boolean
): BoxRef {
	return { layout, box: name, ...(!isOwn && !locked && { only: layer }) };
}

/** Who can say something of a region: its layout, and unless it is locked each layer further in. */
export function scopesOf({ layers }: CrossSection, { layout, locked }: SectionRegion): Scope[] {
	const own = layers.findIndex(({ name, kind }) => kind === 'layout' && name === layout);
	if (own < 0) return [];
	return layers.slice(own, locked ? own + 1 : undefined).map(({ name, layerKind }, further) => {
		const layer: LayerRef = { kind: layerKind, name };
		return {
			layer,
			at: own + further,
			label: further === 0 ? `all of ${name}` : `only ${scopeWords(layer)}`
		};
	});
}

/** For which pages a layer speaks. */
export function scopeWords({ kind, name }: LayerRef): string {
	return kind === 'layout' ? `under ${name}` : `on ${name}`;
}
