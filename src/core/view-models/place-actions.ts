import { fillKindsOf, type FillKind } from '../model/site.ts';
import type { LayerRef, RegionRef } from '../model/command.ts';
import type { SectionEntry, SectionRegion } from './cross-section.ts';
import type { Action } from './size-actions.ts';

const fillKeys: Readonly<Record<FillKind, string>> = {
	before: 'B',
	after: 'A',
	instead: 'I',
	empty: 'E'
};

/** What a layer can do with a region that stands further out. */
export function fillActions(
	layer: LayerRef,
	region: SectionRegion,
	entry: SectionEntry | undefined
): Action[] {
	const ref: RegionRef = { layout: region.layout, region: region.name };
	const made = fillKindsOf(region).map((fill): Action => {
		return {
			name: fill,
			key: fillKeys[fill],
			command: { kind: 'set-fill', layer, region: ref, fill },
			on: entry?.action === fill
		};
	});
	const fills = entry !== undefined && entry.action !== 'content' && entry.action !== 'gave';
	if (!fills || region.locked) return made;
	const pass: Action = {
		name: 'let pass',
		key: 'P',
		command: { kind: 'remove-fill', layer, region: ref },
		on: false
	};
	return [...made, pass];
}

/** What a layout can say of its own region. */
export function regionActions(region: SectionRegion): Action[] {
	const ref: RegionRef = { layout: region.layout, region: region.name };
	const flag = (name: 'locked' | 'required', key: string): Action => {
		const on = region[name];
		return { name, key, on, command: { kind: 'set-flag', region: ref, flag: name, on: !on } };
	};
	return [flag('locked', 'L'), flag('required', 'R')];
}
