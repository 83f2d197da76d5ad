import { drawerName, type PageContent } from '../geometry/page.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import { sweepFrom, sweepTo } from '../geometry/widths/jumps.ts';
import type { Stretch } from '../geometry/widths/sweep.ts';
import { bandPlaces, settingsAt, type Bands } from '../resolve/bands.ts';
import { isDrawer } from '../resolve/boxes/drawers.ts';
import type { ResolvedPage } from '../resolve/page.ts';

/** A page with all of its drawers open, and with nothing else in it where they do not follow from that. */
export function withDrawers({ chain }: ResolvedPage): Pick<PageContent, 'open' | 'only'> {
	const open = new Set(
		chain.flatMap(({ name, regions }) =>
			regions.filter(isDrawer).map((region) => drawerName(name.text, region.name.text))
		)
	);
	// Where a layout looks at its own width, its bands follow from what stands around it.
	return chain.every(({ measure }) => measure === 'screen') ? { open, only: 'drawers' } : { open };
}

/** The screens on which a page has a drawer, px, both inclusive: whole bands. */
export function drawerScreens(
	{ chain }: ResolvedPage,
	bands: Bands
): { from: number; to: number }[] {
	const drawers = chain.flatMap(({ regions }) => regions.filter(isDrawer));
	return bandPlaces(bands).flatMap((place) => {
		const shows = drawers.some(
			({ settings }) => settingsAt(settings, bands, place).show?.kind === 'drawer'
		);
		const from = Math.max(sweepFrom, bands[place]?.from ?? 0);
		const to = Math.min(sweepTo, (bands[place + 1]?.from ?? Infinity) - 1);
		return shows && from <= to ? [{ from, to }] : [];
	});
}

/** Of all that is there with the drawers open, the drawers and what is in them. */
export function drawersIn(stretches: readonly Stretch[]): Stretch[] {
	return stretches.map((one) => ({
		...one,
		first: inDrawers(one.first),
		last: inDrawers(one.last)
	}));
}

/** The boxes behind those of the page itself, of which the first stands in no other. */
function inDrawers(boxes: readonly PlacedBox[]): readonly PlacedBox[] {
	const first = boxes.findIndex(({ inside }, index) => index > 0 && inside === undefined);
	return first === -1 ? [] : boxes.slice(first);
}
