import type { Layer, Layout, Site } from '../model/site.ts';
import type { SettingKind } from '../model/setting.ts';
import type { Bands } from '../resolve/bands.ts';
import { sticksInside, type Edges, type Ground } from './declare.ts';
import { frameOf } from './frame.ts';
import { boxesIn } from './landing.ts';
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
