import { linksLand, type LinksLand } from '../../../box-styles/links-land.ts';
import type { Layout } from '../../../model/site.ts';
import { bandPlaces, type Bands } from '../../../resolve/bands.ts';
import { edges } from '../../../settings/placed.ts';
import type { BandedRule } from './banded.ts';
import type { Selectors } from '../selectors.ts';

const properties = {
	top: 'scroll-padding-block-start',
	bottom: 'scroll-padding-block-end'
} as const;

/**
 * So that a link to a heading lands below what sticks, and a page down scrolls no further than can be seen: what
 * scrolls says how much of it is covered. `outer`: the layouts for which other sheets say it already.
 */
export function landingRules(
	chain: readonly Layout[],
	outer: readonly Layout[],
	bands: Bands,
	selectors: Selectors
): BandedRule[] {
	const places = bandPlaces(bands);
	const bySelector = new Map<string, Map<string, string>[]>();
	for (const edge of edges) {
		const lands = places.map((band) => linksLand(chain, edge, band, bands));
		const isSaid = places.every((band, index) => isSame(lands[index], linksLand(outer, edge, band, bands))); // prettier-ignore
		if (isSaid) continue;
		for (const [index, land] of lands.entries()) {
			const selector = selectorOf(land, selectors);
			const said = bySelector.get(selector) ?? places.map(() => new Map());
			bySelector.set(selector, said);
			said[index]?.set(properties[edge], land.covered);
		}
	}
	return [...bySelector].map(([selector, said]) => ({ selector, bands: said, layout: undefined }));
}

function isSame(one: LinksLand | undefined, other: LinksLand): boolean {
	return one?.covered === other.covered && one.scroller?.box === other.scroller?.box;
}

function selectorOf({ scroller }: LinksLand, selectors: Selectors): string {
	if (!scroller) return ':root';
	const { layout, box } = scroller;
	return box.kind === 'layout' ? selectors.root(layout) : selectors.member(layout, box.name);
}
