import type { PlacedBox } from '../geometry/page-layout.ts';
import { layerName } from '../model/site.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import type { Trouble } from './trouble.ts';

/** px; places and widths that differ by less draw alike. */
const grain = 4;

/**
 * A word that is the same for pages that draw alike: the same frames, in which every region is as wide, stands at
 * the same place across and in the same order down, has content of the same layers, and the same does not fit. How
 * long texts are makes no difference, and with it how high what they stand in is.
 */
export function alikeWord(
	page: ResolvedPage,
	boxes: readonly (readonly PlacedBox[])[],
	troubles: readonly Trouble[]
): string {
	const frames = boxes.map((all) =>
		all
			.filter(({ name }) => name.kind === 'region')
			.sort((a, b) => a.y - b.y)
			.map(({ name, x, width }) => {
				const sides = [x, width].map((side) => Math.round(side / grain));
				return `${name.layout} ${name.region} ${sides.join(' ')}`;
			})
			.join(';')
	);
	const owners = page.regions.map(({ landed }) => landed.map(ownerOf).join()).join(';');
	const bare = page.chain.length === 0 ? page.bare.length : '';
	const out = troubles.map(({ region, column }) => `${region} ${column.width}`);
	return [...frames, owners, bare, ...out].join('|');
}

/** A layout by its name; pages are all alike. */
function ownerOf(landed: ResolvedPage['regions'][number]['landed'][number]): string {
	if (landed.kind === 'layout') return `<${landed.layout.name.text}>`;
	return landed.owner.kind === 'layout' ? layerName(landed.owner) : '';
}
