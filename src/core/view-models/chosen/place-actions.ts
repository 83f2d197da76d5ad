import { fillKindsOf, type FillKind } from '../../model/site.ts';
import type { LayerRef, RegionRef } from '../../model/command.ts';
import type { SectionEntry, SectionRegion } from '../cross-section.ts';
import type { Action } from './size-actions.ts';

const fillKeys: Readonly<Record<FillKind, string>> = {
	before: 'B',
	after: 'A',
	instead: 'I',
	empty: 'E'
};

/** How a fill is said by itself. */
const fillSays: Readonly<Record<FillKind, (region: string, layer: string) => string>> = {
	before: (region, layer) => `Put something before what ${region} has, on ${layer}`,
	after: (region, layer) => `Put something after what ${region} has, on ${layer}`,
	instead: (region, layer) => `Put something in place of what ${region} has, on ${layer}`,
	empty: (region, layer) => `Leave ${region} empty on ${layer}`
};

/** What a layer can do with a region that stands further out. */
export function fillActions(
	layer: LayerRef,
	region: SectionRegion,
	entry: SectionEntry | undefined
): Action[] {
	const ref: RegionRef = { layout: region.layout, region: region.name };
	const its = `${region.name} of ${region.layout}`;
	const made = fillKindsOf(region).map((fill): Action => {
		return {
			name: fill,
			does: fillSays[fill](its, layer.name),
			key: fillKeys[fill],
			command: { kind: 'set-fill', layer, region: ref, fill },
			on: entry?.action === fill
		};
	});
	const fills = entry !== undefined && entry.action !== 'content' && entry.action !== 'gave';
	if (!fills || region.locked) return made;
	const pass: Action = {
		name: 'let pass',
		does: `Let ${its} pass through ${layer.name} as it is`,
		key: 'P',
		command: { kind: 'remove-fill', layer, region: ref },
		on: false
	};
	return [...made, pass];
}

/** What a layout can say of its own region. */
export function regionActions(region: SectionRegion): Action[] {
	const ref: RegionRef = { layout: region.layout, region: region.name };
	const its = `${region.name} of ${region.layout}`;
	const says = {
		locked: region.locked ? `Unlock ${its}` : `Lock ${its}`,
		required: region.required ? `Allow ${its} to stay unfilled` : `Require ${its} to be filled`
	};
	const flag = (name: 'locked' | 'required', key: string): Action => {
		const on = region[name];
		const command = { kind: 'set-flag', region: ref, flag: name, on: !on } as const;
		return { name, does: says[name], key, on, command };
	};
	return [flag('locked', 'L'), flag('required', 'R')];
}
