import type { CssValues, Declarations } from '../settings/declarations.ts';
import { scrolls } from '../settings/box/scroll.ts';
import { edges, type Edge } from '../settings/placed.ts';
import type { BoxInBand } from './box-in-band.ts';
import { isCutOff, keepsAny, sticksInside } from './stick.ts';

/**
 * What a box hands on of what keeps to the edges. A layout takes what is kept further out under
 * another name, since a property cannot refer to itself; a region with the slot hands on the sum.
 */
export function edgeDeclarations(placed: BoxInBand): Declarations {
	return Object.assign({}, ...edges.map((edge) => atEdgeOf(placed, edge)));
}

type EdgeName = Extract<keyof CssValues, `--${Edge}-${string}`>;

function atEdgeOf(placed: BoxInBand, edge: Edge): Declarations {
	const { box, band, settings, surroundings } = placed;
	const { bands, outside, inside } = surroundings;
	const [around, within]: readonly [EdgeName, EdgeName] = [`--${edge}-outside`, `--${edge}-inside`];
	if (box.kind === 'layout' && outside[edge] && sticksInside(box, edge, bands)) {
		return { [around]: `var(${within}, 0px)` };
	}
	if (box.kind !== 'region' || !box.holdsSlot || !inside[edge]) return {};
	const handsOn = keepsAny(box, edge, band, bands);
	const cuts = scrolls(settings) || isCutOff(box, bands, band);
	if (cuts && (handsOn || outside[edge])) return { [within]: '0px' };
	return handsOn ? { [within]: placed.stuckAt(edge) } : {};
}
