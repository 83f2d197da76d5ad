import type { Layout, Region } from '../../model/site.ts';
import { bandPlaces, settingsAt, type Bands } from '../bands.ts';
import { isShownAt } from './shown.ts';

/** The button that opens a drawer. It stands in another region of the same layout. */
export interface Opener {
	readonly region: Region;
	readonly label: string;
	/** The label of the button in the drawer that closes it. */
	readonly close: string;
	readonly host: Region;
	/** First in its host, or last. */
	readonly end: 'first' | 'last';
}

/** Whether a region is a drawer in any band. */
export function isDrawer({ settings }: Pick<Region, 'settings'>): boolean {
	return settings.some((one) => one.kind === 'show' && one.value.kind === 'drawer');
}

/**
 * The openers of a layout's drawers. Each stands in the first region that can be seen wherever the
 * region is a drawer: first in it for drawers from the left and the top, last for the others.
 */
export function openersOf(layout: Layout, bands: Bands): Opener[] {
	return layout.regions.flatMap((region) => {
		const host = isDrawer(region) ? openerHost(region, layout, bands) : undefined;
		const shows = region.settings.flatMap((one) => (one.kind === 'show' ? [one.value] : []));
		const drawer = shows.find((show) => show.kind === 'drawer');
		if (!host || drawer?.kind !== 'drawer') return [];
		const end = drawer.side === 'left' || drawer.side === 'top' ? 'first' : 'last';
		return [{ region, label: drawer.label, close: drawer.close, host, end }];
	});
}

/** Where the opener of a drawer can stand: where it shows; undefined where no region can hold it. */
export function openerHost(drawer: Region, layout: Layout, bands: Bands): Region | undefined {
	const places = bandPlaces(bands).filter(
		(place) => settingsAt(drawer.settings, bands, place).show?.kind === 'drawer'
	);
	return layout.regions.find((region) => {
		if (isDrawer(region) || region.arrangements.some((one) => one.kind === 'areas')) return false;
		return places.every((place) => isShownAt(region, layout, bands, place));
	});
}
