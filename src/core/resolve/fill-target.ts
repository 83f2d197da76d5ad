import { error, type Problem } from '../messages/problem.ts';
import { listWords } from '../messages/wording.ts';
import {
	fillKindsOf,
	layerName,
	type Fill,
	type Layer,
	type Layout,
	type Region
} from '../model/site.ts';

/** A region together with the layout it stands in. */
export interface RegionOf {
	readonly layout: Layout;
	readonly region: Region;
}

/**
 * The region a fill means: of the nearest layout above with a region of that name, or of the layout
 * the fill names. Gives the problem instead where there is none, or where it may not be filled so.
 */
export function fillTarget(fill: Fill, layer: Layer, chain: readonly Layout[]): RegionOf | Problem {
	const found = findRegion(fill, chain);
	if (!found) return notFound(fill, layer, chain);
	const { layout, region } = found;
	if (region.locked) {
		const names = [region.name.text, layout.name.text, layerName(layer)] as const;
		return error('fill-locked', fill.targetSpan, ...names);
	}
	if (!fillKindsOf(region).includes(fill.fillKind)) {
		const names = [region.name.text, layout.name.text, fill.fillKind] as const;
		return error('fill-slot', fill.targetSpan, ...names);
	}
	return found;
}

/** A fill together with the region that it lands in. */
export interface LandingFill extends RegionOf {
	readonly fill: Fill;
}

/** The fills of a layer that land somewhere, by what it sits under; others are problems of their own. */
export function landingFills(layer: Layer, chain: readonly Layout[]): LandingFill[] {
	return layer.fills.flatMap((fill) => {
		const target = fillTarget(fill, layer, chain);
		return isProblem(target) ? [] : [{ ...target, fill }];
	});
}

export function isProblem(target: RegionOf | Problem): target is Problem {
	return 'code' in target;
}

function findRegion(fill: Fill, chain: readonly Layout[]): RegionOf | undefined {
	for (const layout of chain.toReversed()) {
		if (fill.layout !== undefined && layout.name.text !== fill.layout) continue;
		const region = layout.regions.find((candidate) => candidate.name.text === fill.region);
		if (region) return { layout, region };
	}
	return undefined;
}

function notFound(fill: Fill, layer: Layer, chain: readonly Layout[]): Problem {
	const named = chain.find((layout) => layout.name.text === fill.layout);
	if (fill.layout !== undefined && !named) {
		return error('fill-no-layout', fill.targetSpan, fill.layout, layerName(layer));
	}
	const open = (named ? [named] : chain).flatMap((layout) =>
		layout.regions.filter((region) => !region.locked).map((region) => region.name.text)
	);
	const known = listWords([...new Set(open)]);
	return error('fill-no-region', fill.targetSpan, fill.region, layerName(layer), known);
}
