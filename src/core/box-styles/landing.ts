import { boxesIn, liesUnderIn, mayLieUnder } from './used.ts';
import { Memory } from '../lib/memory.ts';
import type { Setting } from '../model/setting.ts';
import { type Layer, type Layout, layersOf, withInner } from '../model/site.ts';
import { landingFills } from '../resolve/fill-target.ts';
import { broughtBy } from '../resolve/content/brought.ts';
import { slotOf, type Structure } from '../resolve/structure.ts';
import type { Edge } from '../settings/placed.ts';
import type { Edges } from './surroundings.ts';

/** What other layers bring into a layout, on any page, as far as the layout's own boxes depend on it. */

/** Regions of a layout into which other layers put something that its neighbours lie over, on whatever page. */
export function overlappedIn(layout: Layout, structure: Structure): ReadonlySet<string> {
	const known = overlaps.get(structure, [], () => allOverlapped(structure));
	return known.get(layout) ?? new Set();
}

const overlaps = new Memory<Structure, ReadonlyMap<Layout, ReadonlySet<string>>>();

function allOverlapped({ site, chainOf }: Structure): Map<Layout, Set<string>> {
	const found = new Map<Layout, Set<string>>();
	const note = (layout: Layout, region: string): void => {
		const names = found.get(layout);
		if (names) names.add(region);
		else found.set(layout, new Set([region]));
	};
	for (const layer of layersOf(site)) {
		if (!liesUnderIn(layer)) continue;
		const chain = chainOf(layer);
		const around = chain.at(-1);
		const slot = around && slotOf(around);
		// A layout lands by its root, a page by its pieces.
		const content = layer.kind === 'layout' ? [layer] : broughtBy(layer);
		if (around && slot && content.some(hasOverlap)) note(around, slot.name.text);
		for (const { fill, layout, region } of landingFills(layer, chain)) {
			if (broughtBy(fill).some(hasOverlap)) note(layout, region.name.text);
		}
	}
	return found;
}

function hasOverlap({ settings }: { readonly settings: readonly Setting[] }): boolean {
	return settings.some(mayLieUnder);
}

const insides = new Memory<Structure, ReadonlyMap<Layout, Edges>>();

/** What of all that may land in a layout's slot, on whatever page, keeps to an edge. */
export function edgesInside(layout: Layout, structure: Structure): Edges {
	const known = insides.get(structure, [], () => allInside(structure));
	return known.get(layout) ?? { top: false, bottom: false };
}

function allInside({ site, chainOf }: Structure): Map<Layout, Edges> {
	const found = new Map<Layout, { top: boolean; bottom: boolean }>();
	const note = (layout: Layout, { top, bottom }: Edges): void => {
		const edges = found.get(layout);
		if (edges) {
			edges.top ||= top;
			edges.bottom ||= bottom;
		} else {
			found.set(layout, { top, bottom });
		}
	};
	for (const layer of layersOf(site)) {
		const edges = edgesOf(layer);
		for (const outer of chainOf(layer)) note(outer, edges);
		if (layer.kind === 'layout')
			note(layer, edgesOfSettings(withInner(slotOf(layer)?.pieces ?? [])));
	}
	return found;
}

const layerEdges = new Memory<Layer, Edges>();

function edgesOf(layer: Layer): Edges {
	return layerEdges.get(layer, [], () => edgesOfSettings(boxesIn(layer)));
}

function edgesOfSettings(boxes: readonly { readonly settings: readonly Setting[] }[]): Edges {
	const settings = boxes.flatMap((box) => box.settings);
	const shrinks = settings.some(({ kind, value }) => kind === 'shrink' && value !== 'none');
	const keeps = (edge: Edge): boolean =>
		settings.some((one) => one.kind === 'stick' && one.value.startsWith(edge));
	return { top: shrinks || keeps('top'), bottom: keeps('bottom') };
}
