import { Memory } from '../model/memory.ts';
import { type Layer, type Layout, type Site, layersOf } from '../model/site.ts';
import type { SettingKind } from '../model/setting.ts';
import type { Bands } from '../resolve/bands.ts';
import type { Edge } from '../settings/placed.ts';
import { frameOf } from './frame.ts';
import { boxesIn } from './landing.ts';
import { sticksInside } from './stick.ts';

/** Whether something keeps to an edge, in any band. */
export type Edges = Readonly<Record<Edge, boolean>>;

/** What boxes are declared from beside their own text: the site's bands, and what is around their layout and in it. */
export interface Surroundings {
	readonly bands: Bands;
	/** Layouts further out have something stuck to the edge. */
	readonly outside: Edges;
	/** What lands in the layout's slot has; only for that a slot hands on what is kept before it. */
	readonly inside: Edges;
	/** Names of regions into which other layers put something that its neighbours overlap, in any band. */
	readonly overlapped: ReadonlySet<string>;
}

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
		outer.some((one) => sticksInside(frameOf(one, bands).root, edge, bands));
	return { bands, outside: { top: sticks('top'), bottom: sticks('bottom') }, inside, overlapped };
}

const known = new Memory<Layer, ReadonlySet<SettingKind>>();

/** The kinds of settings that some box of the site has. */
export function settingKindsUsed(site: Site): ReadonlySet<SettingKind> {
	const used = new Set<SettingKind>();
	for (const layer of layersOf(site)) {
		for (const kind of kindsIn(layer)) used.add(kind);
	}
	return used;
}

function kindsIn(layer: Layer): ReadonlySet<SettingKind> {
	return known.get(layer, [], () => {
		const settings = boxesIn(layer).flatMap((box) => box.settings);
		return new Set(settings.map((setting) => setting.kind));
	});
}
