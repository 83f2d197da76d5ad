import { bandPlaces, settingsAt, type Bands } from '../resolve/bands.ts';
import { isAbove } from '../settings/arrangements/list.ts';
import { scrolls } from '../settings/box/scroll.ts';
import { coveredEdge, edgeOf, keptHeight } from '../settings/member/stick.ts';
import type { Edge } from '../settings/placed.ts';
import { sumOf } from '../size/sums.ts';
import type { Box } from './frame.ts';
import { insideAt } from './inside.ts';
import type { Surroundings } from './surroundings.ts';

/** How far from the edge a box sticks: what already keeps to that edge, there and further out. */
export function stuckAt(box: Box, edge: Edge, band: number, surroundings: Surroundings): string {
	if (box.kind === 'piece' && box.parent) {
		return pieceStuckAt(outOfGroups(box.parent), edge, band, surroundings);
	}
	const { bands, outside, heightName } = surroundings;
	const heights = keptBefore(box, edge, bands, band).flatMap((one) => {
		const height = keptHeight(settingsAt(one.settings, bands, band));
		if (height === undefined) return [];
		const name = heightName?.(one.name);
		return [name === undefined ? height : `var(${name})`];
	});
	const reached = outside[edge] && !isCutOff(box, bands, band);
	return sumOf([...(reached ? [`var(--${edge}-outside)`] : []), ...heights]);
}

/** Heights of what keeps to an edge of a layout before a box gets there, as CSS, nearest to the edge first. */
export function keptHeights(box: Box, edge: Edge, band: number, bands: Bands): string[] {
	return keptBefore(box, edge, bands, band).flatMap(
		(one) => keptHeight(settingsAt(one.settings, bands, band)) ?? []
	);
}

/** The region that a group stands in, however deep; a box that is no group is that itself. */
function outOfGroups(box: Box): Box {
	return box.kind === 'piece' && box.parent ? outOfGroups(box.parent) : box;
}

/** A piece sticks where its region would; what lands in a slot starts from what the slot hands on. */
function pieceStuckAt(region: Box, edge: Edge, band: number, surroundings: Surroundings): string {
	const { bands, outside } = surroundings;
	const own = settingsAt(region.settings, bands, band);
	if (!region.holdsSlot && (scrolls(own) || isCutOff(region, bands, band))) return '0';
	const kept = keepsAny(region, edge, band, bands);
	if (kept && !region.holdsSlot) return stuckAt(region, edge, band, surroundings);
	return kept || outside[edge] ? `var(--${edge}-inside, 0px)` : '0';
}

/** Whether anything of its own layout keeps to an edge before a box gets there. */
export function keepsAny(box: Box, edge: Edge, band: number, bands: Bands): boolean {
	return keptBefore(box, edge, bands, band).length > 0;
}

/** Whether a box or anything in it that stands on every page keeps to an edge, in any band. */
export function sticksInside(box: Box, edge: Edge, bands: Bands): boolean {
	return isAtEdge(box, edge, bands, edgeOf);
}

/** The same of what covers what is scrolled. */
export function coversInside(box: Box, edge: Edge, bands: Bands): boolean {
	return isAtEdge(box, edge, bands, coveredEdge);
}

function isAtEdge(box: Box, edge: Edge, bands: Bands, edgeIn: typeof edgeOf): boolean {
	const own = bandPlaces(bands).some(
		(band) => edgeIn(settingsAt(box.settings, bands, band)) === edge
	);
	return own || box.members.some((member) => isAtEdge(member, edge, bands, edgeIn));
}

/**
 * Boxes of the same layout that cover the same edge before a box gets there: those above it for
 * the top, those below it for the bottom, nearest to the edge first.
 */
function keptBefore(box: Box, edge: Edge, bands: Bands, band: number): Box[] {
	const { parent } = box;
	if (!parent) return [];
	const inside = insideAt(parent, band, bands);
	const neighbour = (one: Box) => ({
		name: one.name,
		index: parent.members.indexOf(one),
		settings: settingsAt(one.settings, bands, band)
	});
	const beside = parent.members.filter((one) => {
		if (one === box || coveredEdge(settingsAt(one.settings, bands, band)) !== edge) return false;
		return edge === 'top'
			? isAbove(inside, neighbour(one), neighbour(box))
			: isAbove(inside, neighbour(box), neighbour(one));
	});
	// What scrolls by itself has edges of its own.
	const cuts = scrolls(settingsAt(parent.settings, bands, band));
	return cuts ? beside : [...keptBefore(parent, edge, bands, band), ...beside];
}

/** Whether a box or one that it is in scrolls by itself, so that nothing outside is in its way. */
export function isCutOff(box: Box, bands: Bands, band: number): boolean {
	const { parent } = box;
	if (!parent) return false;
	return scrolls(settingsAt(parent.settings, bands, band)) || isCutOff(parent, bands, band);
}
