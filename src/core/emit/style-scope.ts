import { Memory } from '../lib/memory.ts';
import {
	layersOf,
	type Layer,
	type Layout,
	type Page,
	type Part,
	type Region,
	type Site
} from '../model/site.ts';
import { openersOf } from '../resolve/boxes/drawers.ts';
import type { ResolvedRegion } from '../resolve/page.ts';
import { landingFills } from '../resolve/fill-target.ts';
import { partBook } from '../resolve/content/parts.ts';
import { slotOf, type Structure } from '../resolve/structure.ts';
import { broughtClass, pageClass, type ClassNames } from './names.ts';

/**
 * Which elements the styles of a layer or part may reach: what it wrote itself. What lands in the slot of
 * a layout is known by the slot; what other layers put into its other regions has classes that say so.
 */

/** Elements from those that a selector names, with all in them, to those that others name, without them. */
export interface ScopeRange {
	/** Selectors of the outermost elements; they belong to it. */
	readonly starts: readonly string[];
	/** Selectors of elements that belong to others, with all in them. */
	readonly limits: readonly string[];
	/** The names that the outermost elements have, where they are known. */
	readonly elements?: readonly string[];
	/** It starts with the body of every page that has its sheet, so that all in a page is in it. */
	readonly isPage?: boolean;
}

/** What belongs to a layer or part: all of these ranges. */
export type StyleScope = readonly ScopeRange[];

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

/** What the styles of a layer may reach. */
export function layerScope(layer: Layer, structure: Structure, names: ClassNames): StyleScope {
	if (layer.kind !== 'layout') {
		return [{ starts: pageStarts(layer, structure, names), limits: [] }];
	}
	const root = `.${names.layout(layer)}`;
	const brought = layer.fills.length > 0 ? [`.${names.brought(layer)}`] : [];
	const isPage = isBody(layer) && brought.length === 0 && isOutermost(layer, structure);
	return [
		{
			starts: [root, ...brought],
			limits: limitsIn(layer, isPage ? '' : `${root} `, structure, names),
			...(isPage && { isPage, elements: ['body'] })
		}
	];
}

/** What the styles of a region of a layout may reach: the part of it that its layout wrote. */
export function regionScope(
	region: Region,
	layout: Layout,
	structure: Structure,
	names: ClassNames
): StyleScope {
	const member = `.${names.member(layout, region.name.text)}`;
	const limits = slotOf(layout) === region ? landedLimits(layout, region, structure, names) : [];
	const isFilled = slotOf(layout) !== region && filledIn(structure).regions.has(region);
	return [
		{
			starts: [member],
			limits: isFilled ? [`${member} > .${broughtClass}`] : limits,
			elements: writtenElements(region)
		}
	];
}

/** What the style of a part may reach: from its outermost elements to what it wraps. */
export function partScope(part: Part, site: Site, names: ClassNames): StyleScope {
	const wraps = partBook(site.parts).wraps(part.name.text);
	return names.parts
		.filter((one) => one.part === part)
		.map(({ start, end }) => ({ starts: [`.${start}`], limits: wraps ? [`.${end}`] : [] }));
}

/** Where a page's styles begin: its content, wherever it lands, and what it fills in. */
function pageStarts(page: Page, structure: Structure, names: ClassNames): string[] {
	const layout = structure.chainOf(page).at(-1);
	if (!layout) return [`.${pageClass}`];
	const brought = `.${names.brought(page)}`;
	const slot = openSlot(layout);
	if (!slot) return [brought];
	const content = landedIn(layout, slot, structure, names);
	return page.fills.length > 0 ? [content, brought] : [content];
}

/** What of a layout belongs to other layers: what lands in its slot, and what they put into its regions. */
function limitsIn(layout: Layout, root: string, structure: Structure, names: ClassNames): string[] {
	const slot = slotOf(layout);
	const filled = filledIn(structure).layouts.has(layout) ? [`${root}.${broughtClass}`] : [];
	return [...(slot ? landedLimits(layout, slot, structure, names) : []), ...filled];
}

/** What lands in a slot, and so is not its layout's. */
function landedLimits(
	layout: Layout,
	slot: Region,
	structure: Structure,
	names: ClassNames
): string[] {
	if (openSlot(layout)) return [landedIn(layout, slot, structure, names)];
	return [`.${names.member(layout, slot.name.text)} > .${broughtClass}`];
}

/** Elements that land in an open slot: all in it, but for the openers of drawers that stand there. */
function landedIn(layout: Layout, slot: Region, { site }: Structure, names: ClassNames): string {
	const openers = openersOf(layout, site.settings.bands).filter(({ host }) => host === slot);
	const own = openers.map(({ region }) => `.${names.opener(layout, region.name.text)}`);
	const member = `.${names.member(layout, slot.name.text)}`;
	return own.length === 0 ? `${member} > *` : `${member} > :not(:where(${own.join(', ')}))`;
}

/** Where layers put something into regions that are no slot, on whatever page. */
interface Filled {
	readonly layouts: ReadonlySet<Layout>;
	readonly regions: ReadonlySet<Region>;
}

/**
 * What of other layers, on whatever page, the scopes of a layout depend on: the same words where that is the same.
 */
export function scopeWords(layout: Layout, structure: Structure): string {
	const { layouts, regions } = filledIn(structure);
	const own = layout.regions.map((region) => regions.has(region));
	return [layouts.has(layout), isOutermost(layout, structure), ...own].join(' ');
}

const filled = new Memory<Structure, Filled>();

function filledIn(structure: Structure): Filled {
	return filled.get(structure, [], () => {
		const { site, chainOf } = structure;
		const landing = layersOf(site).flatMap((layer) => landingFills(layer, chainOf(layer)));
		const beside = landing.filter(({ layout, region }) => slotOf(layout) !== region);
		return {
			layouts: new Set(beside.map(({ layout }) => layout)),
			regions: new Set(beside.map(({ region }) => region))
		};
	});
}

/** The elements that a region may be written as: a main part inside another one is a plain box. */
function writtenElements({ element }: Region): readonly string[] {
	return element.text === 'main' ? ['main', 'div'] : [element.text];
}

/** Whether a layout has the body of a page, where it is the outermost. */
export function isBody({ measure, settings }: Layout): boolean {
	return measure === 'screen' && !settings.some(({ kind }) => kind === 'scroll');
}

const outermost = new Memory<Structure, ReadonlySet<Layout>>();

/** Whether a layout stands in no other one, on whatever page. */
function isOutermost(layout: Layout, structure: Structure): boolean {
	const { site, chainOf } = structure;
	return outermost
		.get(structure, [], () => {
			const inner = new Set(layersOf(site).flatMap((layer) => chainOf(layer).slice(1)));
			return new Set(site.layouts.filter((one) => !inner.has(one)));
		})
		.has(layout);
}
