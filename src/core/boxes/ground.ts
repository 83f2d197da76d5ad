import type { Layer, Layout, Member, Piece, Site } from '../model/site.ts';
import type { SettingKind } from '../model/setting.ts';
import type { Bands } from '../resolve/bands.ts';
import { membersIn } from '../resolve/check-bands.ts';
import { piecesIn } from '../resolve/pieces.ts';
import { sticksInside, type Ground } from './declare.ts';
import { frameOf } from './frame.ts';

/** What a layout's boxes are declared from, by the layouts it sits under, outermost first. */
export function groundOf(outer: readonly Layout[], bands: Bands): Ground {
	const sticks = (edge: 'top' | 'bottom'): boolean =>
		outer.some((one) => sticksInside(frameOf(one, bands).root, edge, bands));
	return { bands, outside: { top: sticks('top'), bottom: sticks('bottom') } };
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
		const boxes: (Layout | Member | Piece)[] = piecesIn(layer);
		if (layer.kind === 'layout') boxes.push(layer, ...membersIn(layer.members));
		kinds = new Set(boxes.flatMap((box) => box.settings.map((setting) => setting.kind)));
		known.set(layer, kinds);
	}
	return kinds;
}
