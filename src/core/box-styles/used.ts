import { Memory } from '../lib/memory.ts';
import type { Setting, SettingKind } from '../model/setting.ts';
import {
	layersOf,
	type Adjust,
	type Layer,
	type Layout,
	type Member,
	type Piece,
	type Site
} from '../model/site.ts';
import { membersIn } from '../resolve/boxes/members.ts';
import { piecesIn } from '../resolve/content/pieces.ts';

const known = new Memory<Layer, ReadonlySet<SettingKind>>();

/** The kinds of settings that some box of the site has. */
export function settingKindsUsed(site: Site): ReadonlySet<SettingKind> {
	const used = new Set<SettingKind>();
	for (const layer of layersOf(site)) {
		for (const kind of kindsIn(layer)) used.add(kind);
	}
	return used;
}

/** The kinds of settings that a layer says. */
function kindsIn(layer: Layer): ReadonlySet<SettingKind> {
	return known.get(layer, [], () => {
		const settings = boxesIn(layer).flatMap((box) => box.settings);
		return new Set(settings.map((setting) => setting.kind));
	});
}

/** Whether a setting lets what follows lie over its box. */
export function mayLieUnder({ kind, value }: Setting): boolean {
	return kind === 'overlap' || (kind === 'stick' && value.toString().endsWith('behind'));
}

/** Whether some box of a layer may lie under what follows. */
export function liesUnderIn(layer: Layer): boolean {
	const kinds = kindsIn(layer);
	if (!kinds.has('overlap') && !kinds.has('stick')) return false;
	return boxesIn(layer).some(({ settings }) => settings.some(mayLieUnder));
}

/** Everything with settings that a layer brings. */
export function boxesIn(layer: Layer): (Layout | Member | Piece | Adjust)[] {
	const boxes: (Layout | Member | Piece | Adjust)[] = [...piecesIn(layer), ...layer.adjusts];
	if (layer.kind === 'layout') boxes.push(layer, ...membersIn(layer.members));
	return boxes;
}
