import { Memory } from '../model/memory.ts';
import type { SettingKind } from '../model/setting.ts';
import { layersOf, type Layer, type Site } from '../model/site.ts';
import { boxesIn } from './landing.ts';

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
export function kindsIn(layer: Layer): ReadonlySet<SettingKind> {
	return known.get(layer, [], () => {
		const settings = boxesIn(layer).flatMap((box) => box.settings);
		return new Set(settings.map((setting) => setting.kind));
	});
}
