import type { Rectangle } from '../view-models/rectangle.ts';
import { namesAt, type StarterPlace, type StarterRegion } from './regions.ts';

/** Where a region of the picture is let go. */
export interface StarterDrop {
	readonly place: StarterPlace;
	/** The one there before which it comes; undefined: it is the last. */
	readonly before: string | undefined;
}

/**
 * Where a region goes that is let go at a point of the picture: beside, above or below what holds the pages, and in
 * between as it lies to those that stand there. `tiles` are the regions as they lay before.
 */
export function dropAt(
	regions: readonly StarterRegion[],
	tiles: ReadonlyMap<string, Rectangle>,
	{ x, y }: { readonly x: number; readonly y: number },
	name: string
): StarterDrop | undefined {
	const holder = regions.find(({ element }) => element === 'main');
	if (!holder || holder.name === name) return undefined;
	const middle = namesAt(regions, 'middle').flatMap((one) => tiles.get(one) ?? []);
	if (middle.length === 0) return undefined;
	const [top, bottom] = [
		Math.min(...middle.map((one) => one.y)),
		Math.max(...middle.map((one) => one.y + one.height))
	];
	const [left, right] = [
		Math.min(...middle.map((one) => one.x)),
		Math.max(...middle.map((one) => one.x + one.width))
	];
	const place =
		y < top ? 'top' : y > bottom ? 'bottom' : x < left ? 'left' : x > right ? 'right' : 'middle';
	const isSideways = place === 'left' || place === 'right';
	const before = namesAt(regions, place).find((one) => {
		const tile = tiles.get(one);
		if (!tile || one === name) return false;
		return isSideways ? x < tile.x + tile.width / 2 : y < tile.y + tile.height / 2;
	});
	return { place, before };
}
