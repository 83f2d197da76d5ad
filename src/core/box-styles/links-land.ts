import type { Layout } from '../model/site.ts';
import { bandPlaces, settingsAt, type Bands } from '../resolve/bands.ts';
import { slotOf } from '../resolve/structure.ts';
import { scrolls } from '../settings/box/scroll.ts';
import type { Edge } from '../settings/placed.ts';
import { sumOf, withUnit } from '../size/sums.ts';
import { frameOf, type Box } from './frame.ts';
import { keptHeights } from './stick.ts';

/** Where what lands in the slot of a layout scrolls, and what keeps to an edge of that. */
export interface LinksLand {
	/** A box that scrolls by itself; undefined: the page. */
	readonly scroller: { readonly layout: Layout; readonly box: Box } | undefined;
	/** Sum of the heights of what sticks there before the content, as CSS. */
	readonly covered: string;
}

/**
 * What covers the edge at which a link to a heading lands (CSS Scroll Snap 1, section 4.2), for content of the
 * innermost of some layouts, outermost first, on screens of a band. A layout that measures its own space may be in any band
 * of that, so the most that it keeps there counts.
 */
export function linksLand(
	chain: readonly Layout[],
	edge: Edge,
	band: number,
	bands: Bands
): LinksLand {
	let scroller: LinksLand['scroller'];
	let heights: string[] = [];
	for (const layout of chain) {
		const slot = slotOf(layout);
		const box = slot && frameOf(layout, bands).boxes.get(slot.name.text);
		if (!box) continue;
		const inner = scrollerOf(box, band, bands);
		if (inner) [scroller, heights] = [{ layout, box: inner }, []];
		if (inner === box) continue;
		const own = layout.measure === 'space' ? bandPlaces(bands) : [band];
		const sums = own.map((place) => sumOf(keptHeights(box, edge, place, bands)));
		heights.push(mostOf([...new Set(sums)]));
	}
	return { scroller, covered: sumOf(heights.filter((height) => height !== '0')) };
}

/** The box around some content, or it itself, that scrolls in a band. */
function scrollerOf(box: Box, band: number, bands: Bands): Box | undefined {
	if (scrolls(settingsAt(box.settings, bands, band))) return box;
	return box.parent && scrollerOf(box.parent, band, bands);
}

function mostOf(sums: readonly string[]): string {
	const [only = '0'] = sums;
	return sums.length > 1 ? `max(${sums.map(withUnit).join(', ')})` : only;
}
