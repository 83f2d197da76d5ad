import { isName } from '../model/name.ts';
import {
	layerName,
	withInner,
	type Brings,
	type Fill,
	type Layer,
	type Layout,
	type Piece,
	type PieceGroup,
	type Region,
	type Route,
	layersOf
} from '../model/site.ts';
import type { Span } from '../model/span.ts';
import { landingAdjusts, type LandingAdjust } from '../resolve/adjust.ts';
import { fillTarget, isProblem, landingFills } from '../resolve/fill-target.ts';
import { wholeIn, wholeOf } from '../resolve/content/brought.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { type HolderRef, type LayerRef, type RegionRef } from '../model/command.ts';
import { CommandRefused } from './proposal.ts';

/** Finds what a command names in the site. Each throws a CommandRefused with a sentence where it is not there. */

export function findLayer(resolved: ResolvedSite, ref: LayerRef): Layer {
	const found = layersOf(resolved.site).find(
		(one) => one.kind === ref.kind && layerName(one) === ref.name
	);
	if (!found) throw new CommandRefused(`There is no ${ref.kind} ${ref.name} any more.`);
	return found;
}

export function findLayout(resolved: ResolvedSite, name: string): Layout {
	const found = resolved.structure.layoutsByName.get(name);
	if (!found) throw new CommandRefused(`There is no layout ${name} any more.`);
	return found;
}

export function findRoute(resolved: ResolvedSite, pattern: string): Route {
	const found = resolved.site.routes.find((route) => route.pattern.text === pattern);
	if (!found) throw new CommandRefused(`There is no route ${pattern} any more.`);
	return found;
}

export function findRegion(resolved: ResolvedSite, ref: RegionRef): Region {
	const layout = findLayout(resolved, ref.layout);
	const found = layout.regions.find((region) => region.name.text === ref.region);
	if (!found)
		throw new CommandRefused(`The layout ${ref.layout} has no region ${ref.region} any more.`);
	return found;
}

/** The fills of a layer that mean a region. */
export function fillsOf(resolved: ResolvedSite, layer: Layer, ref: RegionRef): Fill[] {
	const region = findRegion(resolved, ref);
	const chain = resolved.structure.chainOf(layer);
	return layer.fills.filter((fill) => {
		const target = fillTarget(fill, layer, chain);
		return isProblem(target)
			? fill.region === ref.region && (fill.layout ?? ref.layout) === ref.layout
			: target.region === region;
	});
}

/** All fills of the site that mean a region, with the layers they stand in. */
export function fillsOfRegion(
	resolved: ResolvedSite,
	region: Region
): { layer: Layer; fill: Fill }[] {
	return layersOf(resolved.site).flatMap((layer) => {
		return landingFills(layer, resolved.structure.chainOf(layer))
			.filter((landing) => landing.region === region)
			.map(({ fill }) => ({ layer, fill }));
	});
}

/** The pieces that stand in a holder, and the statement whose block they stand in. */
export function findPieces(
	resolved: ResolvedSite,
	holder: HolderRef
): { pieces: readonly Piece[]; owner: Span } {
	const { region: ref, group } = holder;
	if (group !== undefined) {
		const found = findPiece(resolved, { ...holder, group: undefined }, group);
		if (found.kind !== 'group') throw new CommandRefused(`${group} is no wrapper any more.`);
		return { pieces: found.pieces, owner: found.span };
	}
	const layer = findLayer(resolved, holder.layer);
	if (!ref) {
		if (layer.kind === 'layout') throw new CommandRefused('A layout has no content of its own.');
		return { pieces: layer.pieces, owner: layer.span };
	}
	if (layer.kind === 'layout' && layer.name.text === ref.layout) {
		const region = findRegion(resolved, ref);
		return { pieces: region.pieces, owner: region.span };
	}
	const fills = fillsOf(resolved, layer, ref);
	const [fill] = fills;
	if (!fill) throw new CommandRefused(`${layerName(layer)} does not fill ${ref.region}.`);
	return { pieces: fills.flatMap((one) => one.pieces), owner: fill.span };
}

export function findPiece(resolved: ResolvedSite, holder: HolderRef, name: string): Piece {
	const { pieces } = findPieces(resolved, holder);
	const found = withInner(pieces).find((piece) => piece.name.text === name);
	if (!found) throw new CommandRefused(`There is no piece ${name} here any more.`);
	return found;
}

/** What says how the pieces of a holder lie that are no layout's own: a page, or fills. */
function bringsOf(resolved: ResolvedSite, { layer: ref, region }: HolderRef): Brings[] {
	const layer = findLayer(resolved, ref);
	if (region) {
		const isOwn = layer.kind === 'layout' && layer.name.text === region.layout;
		return isOwn ? [] : fillsOf(resolved, layer, region);
	}
	return layer.kind === 'layout' ? [] : [layer];
}

/** The box around all that stands in a holder; undefined where nothing says how that lies. */
export function wholeAround(resolved: ResolvedSite, holder: HolderRef): PieceGroup | undefined {
	return bringsOf(resolved, holder)
		.map(wholeIn)
		.find((one) => one !== undefined);
}

/** The box around all that a page or fill brings; as it would be where it says nothing yet of how that lies. */
export function findWhole(resolved: ResolvedSite, holder: HolderRef): PieceGroup {
	const [brings] = bringsOf(resolved, holder);
	if (!brings) throw new CommandRefused('What a layout gives by itself, its region arranges.');
	return wholeIn(brings) ?? wholeOf(brings);
}

/** The group that a piece of a holder stands in; the box around all of them counts, too. Undefined where it stands in the region. */
export function groupAround(
	resolved: ResolvedSite,
	holder: HolderRef,
	name: string
): PieceGroup | undefined {
	const piece = findPiece(resolved, holder, name);
	const wholes = bringsOf(resolved, holder).flatMap((brings) => wholeIn(brings) ?? []);
	const here = findPieces(resolved, { ...holder, group: undefined }).pieces;
	const groups = withInner([...here, ...wholes]).filter((one) => one.kind === 'group');
	return groups.find(({ pieces }) => pieces.includes(piece));
}

/** The region that a layout gives pieces to itself; undefined for fills and content. */
export function ownRegion(
	resolved: ResolvedSite,
	{ layer, region }: HolderRef
): Region | undefined {
	if (!region || layer.kind !== 'layout' || layer.name !== region.layout) return undefined;
	return findRegion(resolved, region);
}

/** A name as the language has it; throws a CommandRefused otherwise. */
export function checkName(name: string): string {
	if (isName(name)) return name;
	throw new CommandRefused(
		`"${name}" cannot be a name: names are small letters, digits and hyphens, and start with a letter.`
	);
}

/** How a layer names a region: with its layout only where a nearer one has a region of that name. */
export function fillTargetWord(resolved: ResolvedSite, ref: LayerRef, region: RegionRef): string {
	const chain = resolved.structure.chainOf(findLayer(resolved, ref));
	const nearest = chain.findLast((layout) =>
		layout.regions.some((one) => one.name.text === region.region)
	);
	return nearest?.name.text === region.layout ? region.region : `${region.layout}.${region.region}`;
}

/** What layers further in say of the boxes of a layout. */
export function adjustsIn(resolved: ResolvedSite, layout: string): LandingAdjust[] {
	const { site, structure } = resolved;
	return layersOf(site)
		.flatMap((layer) => landingAdjusts(layer, structure.chainOf(layer)))
		.filter((one) => one.layout.name.text === layout);
}
