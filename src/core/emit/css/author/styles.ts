import type { Layout, Page, Site, Style } from '../../../model/site.ts';
import type { Structure } from '../../../resolve/structure.ts';
import { bandPlace } from '../../../resolve/bands.ts';
import { bandQuery } from '../boxes/banded.ts';
import { group } from '../css-text.ts';
import { layerScope, regionScope, type StyleScope } from '../../style-scope.ts';
import { classNames } from '../../names.ts';
import { scopedCss } from './scoped-css.ts';

/**
 * The styles that authors write: each reaches what its own layer wrote, and ends where what another layer brought
 * begins; a global one reaches everything.
 */

/** A layout's own styles, and those of its regions. */
export function layoutStyles(layout: Layout, structure: Structure): string[] {
	const names = classNames(structure.site);
	const own = layerScope(layout, structure, names);
	return [
		...layout.styles.map((style) => authorCss(style, own, structure.site, layout)),
		...layout.regions.flatMap((region) => {
			const scope = regionScope(region, layout, structure, names);
			return region.styles.map((style) => authorCss(style, scope, structure.site, layout));
		})
	];
}

export function pageStyles(page: Page, structure: Structure): string[] {
	const scope = layerScope(page, structure, classNames(structure.site));
	return page.styles.map((style) => authorCss(style, scope, structure.site));
}

/** A style as it stands in a sheet; `space`: the layout whose own width its bands look at, where it is not the screen's. */
export function authorCss(
	{ band, css, global }: Style,
	scope: StyleScope,
	{ settings: { bands } }: Site,
	space?: Layout
): string {
	const from = bands[bandPlace(bands, band)]?.from ?? 0;
	const own = global ? css.trim() : scopedCss(css.trim(), scope);
	return from === 0 ? own : group(bandQuery(from, space), [own]);
}
