import type { Layer, Layout, Member, Piece, Site } from '../model/site.ts';
import type { Setting, SettingKind } from '../model/setting.ts';
import type { Bands } from '../resolve/bands.ts';
import { membersIn } from '../resolve/check-bands.ts';
import { fillTarget, isProblem } from '../resolve/fill-target.ts';
import { piecesIn } from '../resolve/pieces.ts';
import { slotOf, type Structure } from '../resolve/structure.ts';
import { sticksInside, type Edges, type Ground } from './declare.ts';
import { frameOf } from './frame.ts';
import type { Edge } from './stick.ts';

const bothEdges: Edges = { top: true, bottom: true };

/**
 * What a layout's boxes are declared from, by the layouts it sits under, outermost first. Where it is
 * not said what lands in it, something in there may keep to either edge.
 */
export function groundOf(
	outer: readonly Layout[],
	bands: Bands,
	inside = bothEdges,
	overlapped: ReadonlySet<string> = new Set()
): Ground {
	const sticks = (edge: Edge): boolean =>
		outer.some((one) => sticksInside(frameOf(one, bands).root, edge, bands));
	return { bands, outside: { top: sticks('top'), bottom: sticks('bottom') }, inside, overlapped };
}

/** Regions of a layout into which other layers put something with an overlap, on whatever page. */
export function overlappedIn(layout: Layout, structure: Structure): ReadonlySet<string> {
	let known = overlaps.get(structure);
	if (!known) overlaps.set(structure, (known = allOverlapped(structure)));
	return known.get(layout) ?? new Set();
}

const overlaps = new WeakMap<Structure, ReadonlyMap<Layout, ReadonlySet<string>>>();

function allOverlapped({ site, chainOf }: Structure): Map<Layout, Set<string>> {
	const found = new Map<Layout, Set<string>>();
	const note = (layout: Layout, region: string): void => {
		const names = found.get(layout);
		if (names) names.add(region);
		else found.set(layout, new Set([region]));
	};
	for (const layer of [...site.layouts, ...site.routes, ...site.states]) {
		const chain = chainOf(layer);
		const around = chain.at(-1);
		const slot = around && slotOf(around);
		// A layout lands by its root, a page by its pieces.
		const content = layer.kind === 'layout' ? [layer] : layer.pieces;
		if (around && slot && content.some(hasOverlap)) note(around, slot.name.text);
		for (const fill of layer.fills.filter((one) => one.pieces.some(hasOverlap))) {
			const target = fillTarget(fill, layer, chain);
			if (!isProblem(target)) note(target.layout, target.region.name.text);
		}
	}
	return found;
}

function hasOverlap({ settings }: { readonly settings: readonly Setting[] }): boolean {
	return settings.some(({ kind }) => kind === 'overlap');
}

const insides = new WeakMap<Structure, ReadonlyMap<Layout, Edges>>();

/** What of all that may land in a layout's slot, on whatever page, keeps to an edge. */
export function edgesInside(layout: Layout, structure: Structure): Edges {
	let known = insides.get(structure);
	if (!known) insides.set(structure, (known = allInside(structure)));
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
	for (const layer of [...site.layouts, ...site.routes, ...site.states]) {
		const edges = edgesOf(layer);
		for (const outer of chainOf(layer)) note(outer, edges);
		if (layer.kind === 'layout') note(layer, edgesOfSettings(slotOf(layer)?.pieces ?? []));
	}
	return found;
}

const layerEdges = new WeakMap<Layer, Edges>();

function edgesOf(layer: Layer): Edges {
	let edges = layerEdges.get(layer);
	if (!edges) layerEdges.set(layer, (edges = edgesOfSettings(boxesIn(layer))));
	return edges;
}

function edgesOfSettings(boxes: readonly { readonly settings: readonly Setting[] }[]): Edges {
	const settings = boxes.flatMap((box) => box.settings);
	const shrinks = settings.some(({ kind, value }) => kind === 'shrink' && value !== 'none');
	const keeps = (edge: Edge): boolean =>
		settings.some(({ kind, value }) => kind === 'stick' && value === edge);
	return { top: shrinks || keeps('top'), bottom: keeps('bottom') };
}

/** Everything with settings that a layer brings. */
function boxesIn(layer: Layer): (Layout | Member | Piece)[] {
	const boxes: (Layout | Member | Piece)[] = piecesIn(layer);
	if (layer.kind === 'layout') boxes.push(layer, ...membersIn(layer.members));
	return boxes;
}

const known = new WeakMap<Layer, ReadonlySet<SettingKind>>();

/** The kinds of settings that some box of the site has. */
export function settingKindsUsed({ layouts, routes, states }: Site): ReadonlySet<SettingKind> {
	const used = new Set<SettingKind>();
	for (const layer of [...layouts, ...routes, ...states]) {
		for (const kind of kindsIn(layer)) used.add(kind);
	}
	return used;
}

function kindsIn(layer: Layer): ReadonlySet<SettingKind> {
	let kinds = known.get(layer);
	if (!kinds) {
		const settings = boxesIn(layer).flatMap((box) => box.settings);
		kinds = new Set(settings.map((setting) => setting.kind));
		known.set(layer, kinds);
	}
	return kinds;
}
