import { atEdge, type Problem } from '../messages/problem.ts';
import type { Arrangement } from '../model/arrange.ts';
import { Memory } from '../lib/memory.ts';
import { layerName, layerSpan, layersOf, type Layer, type Layout } from '../model/site.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { nothing, type Check, type LayerCheck, type SiteCheck } from './check.ts';

const frames = new Memory<Layout, string>();

/**
 * What of a layout matters to the pages inside: its regions, what may be put into them, and how they
 * arrange it. Sizes and markup do not: as long as this is the same, what is found in the pages is.
 */
function frameOf(layout: Layout): string {
	return frames.get(layout, [], () =>
		JSON.stringify([
			layout.name.text,
			layout.at.key,
			layout.regions.map(({ name, slot, locked, required, arrangements }) => [
				name.text,
				[slot, locked, required],
				arrangements.map(arrangementWords)
			])
		])
	);
}

function arrangementWords(arrangement: Arrangement): readonly unknown[] {
	const { kind, band } = arrangement;
	const inner =
		kind === 'areas'
			? arrangement.rows.map(({ cells }) => cells)
			: kind === 'columns'
				? [arrangement.columns, arrangement.each?.count, arrangement.rows]
				: [arrangement.wrap];
	return [kind, band?.text, inner];
}

/** Checks that are gone through together, with what is remembered of the layers they have seen. */
export class CheckGroup {
	private readonly ofSite: readonly SiteCheck[];
	/** Those that look no further than a layer's chain, and those that do. */
	private readonly near: readonly LayerCheck[];
	private readonly far: readonly LayerCheck[];
	/** What the near ones found: known for as long as layer and chain stay as they are. */
	private readonly found = new Memory<Layer, readonly Problem[]>();

	constructor(checks: readonly Check[]) {
		const ofLayers = checks.filter((check) => check.of === 'layer');
		this.ofSite = checks.filter((check) => check.of === 'site');
		this.near = ofLayers.filter(({ reaches }) => reaches === undefined);
		this.far = ofLayers.filter(({ reaches }) => reaches === 'site');
	}

	/** What they find in a site, and in each of its layers. */
	find(resolved: ResolvedSite): Problem[] {
		const { settings, values, data, parts } = resolved.site;
		const dataNames = data.map(({ name }) => name.text).join(' ');
		const found = this.ofSite.flatMap((check) => check.find(resolved));
		for (const layer of layersOf(resolved.site)) {
			const chain = resolved.structure.chainOf(layer);
			const depends = [settings, values, dataNames, parts, ...chain.map(frameOf)];
			const near = this.found.get(layer, depends, () => findIn(layer, this.near, resolved));
			for (const problem of near) found.push(problem);
			for (const problem of findIn(layer, this.far, resolved)) found.push(problem);
		}
		return found;
	}
}

/** What some checks find in a layer. */
function findIn(
	layer: Layer,
	list: readonly LayerCheck[],
	resolved: ResolvedSite
): readonly Problem[] {
	let found: Problem[] | undefined;
	for (const check of list) {
		const about = { what: layerName(layer), span: layerSpan(layer) };
		const own: Problem[] = [];
		for (const problem of atEdge(about, own, () => check.find(layer, resolved), nothing)) {
			own.push(problem);
		}
		if (own.length > 0) (found ??= []).push(...own);
	}
	return found ?? nothing;
}
