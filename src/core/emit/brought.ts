import { Memory } from '../model/memory.ts';
import { layersOf, type Layer, type Layout, type Page, type Region } from '../model/site.ts';
import type { ResolvedRegion } from '../resolve/page.ts';
import { landingFills } from '../resolve/fill-target.ts';
import { slotOf, type Structure } from '../resolve/structure.ts';
import { broughtClass, pageClass, type ClassNames } from './names.ts';

/**
 * Where the styles of a layer begin and end on a page (CSS Cascade 6, section 2.5): they reach what the
 * layer wrote itself. What lands in its slot is known by the slot; what other layers put into its other
 * regions has classes that say so.
 */

/** Whether a layer has styles that reach only what it wrote itself, so that pages must say what that is. */
export function hasScope(layer: Layer): boolean {
	const own = layer.kind === 'layout' ? layer.regions.flatMap((region) => region.styles) : [];
	return [...layer.styles, ...own].some((style) => !style.global);
}

/** The slot of a layout, where nothing but what other layers bring can ever stand in it. */
export function openSlot(layout: Layout): Region | undefined {
	const slot = slotOf(layout);
	return slot?.pieces.length === 0 ? slot : undefined;
}

/** The classes that say whose a piece is, for the styles of its layer and of the layout it stands in. */
export function broughtClasses(
	owner: Layer,
	host: ResolvedRegion | undefined,
	names: ClassNames
): string[] {
	if (!host || owner === host.layout) return [];
	const inOpenSlot = openSlot(host.layout) === host.region;
	const starts = inOpenSlot && owner.kind !== 'layout' && isContent(owner, host);
	return [
		...(hasScope(owner) && !starts ? [names.brought(owner)] : []),
		...(hasScope(host.layout) && !inOpenSlot ? [broughtClass] : [])
	];
}

/** Whether a region is the slot in which a page's content lands. */
function isContent(page: Page, { steps }: ResolvedRegion): boolean {
	return steps.at(1)?.layer === page;
}

/** The selectors at which a layout's styles begin. */
export function layoutScopeStarts(layout: Layout, names: ClassNames): string[] {
	const brought = layout.fills.length > 0 ? [`.${names.brought(layout)}`] : [];
	return [`.${names.layout(layout)}`, ...brought];
}

/** The selectors at which a page's styles begin: its content, wherever it lands, and what it fills in. */
export function pageScopeStarts(page: Page, structure: Structure, names: ClassNames): string[] {
	const layout = structure.chainOf(page).at(-1);
	if (!layout) return [`.${pageClass}`];
	const brought = `.${names.brought(page)}`;
	const slot = openSlot(layout);
	if (!slot) return [brought];
	const content = `.${names.member(layout, slot.name.text)} > *`;
	return page.fills.length > 0 ? [content, brought] : [content];
}

/** The selectors at which a layer's styles end; none where nothing of another layer can stand in it. */
export function scopeLimits(layer: Layer, structure: Structure, names: ClassNames): string[] {
	if (layer.kind !== 'layout') return [];
	const slot = slotOf(layer);
	const member = slot && `.${names.member(layer, slot.name.text)}`;
	const open = openSlot(layer) !== undefined;
	const inSlot =
		member === undefined ? [] : [open ? `${member} > *` : `${member} > .${broughtClass}`];
	return [...inSlot, ...(filledLayouts(structure).has(layer) ? [`:scope .${broughtClass}`] : [])];
}

const filled = new Memory<Structure, ReadonlySet<Layout>>();

/** Layouts into whose regions, apart from the slot, other layers put something, on whatever page. */
function filledLayouts(structure: Structure): ReadonlySet<Layout> {
	return filled.get(structure, [], () => {
		const { site, chainOf } = structure;
		const landing = layersOf(site).flatMap((layer) => landingFills(layer, chainOf(layer)));
		const beside = landing.filter(({ layout, region }) => slotOf(layout) !== region);
		return new Set(beside.map(({ layout }) => layout));
	});
}
