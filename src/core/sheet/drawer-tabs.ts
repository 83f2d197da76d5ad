import type { Mark, Marks } from '../view-models/marks.ts';
import { bandAt, settingsAt } from '../resolve/bands.ts';
import { isDrawer } from '../resolve/boxes/drawers.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** A drawer that is closed on a screen: a tab at the edge that it comes from. */
export interface DrawerTab {
	readonly region: string;
	readonly side: 'left' | 'right' | 'top' | 'bottom';
	readonly mark: Mark | undefined;
}

/**
 * The drawers of a page on a screen of some width, px. Bands of layouts that measure their own space are
 * looked up by the screen, which is the widest they can be.
 */
export function drawersAt(
	page: ResolvedPage,
	{ site }: ResolvedSite,
	width: number,
	marks: Marks
): DrawerTab[] {
	const { bands, trial } = site.settings;
	// What is open is drawn with its content.
	if (trial.printed || trial.drawersOpen) return [];
	const band = bandAt(bands, width);
	return page.regions.flatMap(({ layout, region }): DrawerTab[] => {
		if (!isDrawer(region)) return [];
		const { show } = settingsAt(region.settings, bands, band);
		if (show?.kind !== 'drawer') return [];
		const mark = marks.get(layout.name.text);
		return [{ region: region.name.text, side: show.side, mark }];
	});
}
