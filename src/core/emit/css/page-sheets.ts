import type { Layer, Layout, Page } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { Structure } from '../../resolve/structure.ts';
import { needsPartSheet, partSheet, partSheetPath } from './author/part-styles.ts';
import { baseSheet, baseSheetPath, siteSheet, siteSheetPath } from './site-sheet.ts';
import { layoutSheet, layoutSheetPath, pageSheet } from './sheets.ts';
import type { StyleSheet } from './style-sheet.ts';

/** A sheet by its path; it is written where somebody reads it. */
export interface SheetOfPage {
	readonly path: string;
	write(): StyleSheet | undefined;
}

/**
 * The sheets that a page brings in by its boxes and styles, outermost layer first; those that layers name (`sheet "…"`)
 * are not among them. A page in a frame of own markup that needs none of them has none.
 * Where sheets of the site's own only paint the outermost layout, nothing is reset in its content.
 */
export function sheetsOfPage(page: Page, structure: Structure): SheetOfPage[] {
	const { site } = structure;
	const chain = structure.chainOf(page);
	const own = pageSheet(page, site, structure);
	const inner = [
		...(needsPartSheet(page, structure)
			? [{ path: partSheetPath, write: () => partSheet(site) }]
			: []),
		...chain.filter(hasSheet).map((layout) => ({
			path: layoutSheetPath(layout),
			write: () => layoutSheet(layout, site, structure)
		})),
		...(own ? [{ path: own.path, write: () => own }] : [])
	];
	if (!chain[0]?.frame && chain[0]?.sheets !== 'paint') {
		return [{ path: siteSheetPath, write: () => siteSheet(site, structure) }, ...inner];
	}
	const needsBase =
		inner.length > 0 || site.settings.tokens.length > 0 || [...chain, page].some(hasList);
	const base = { path: baseSheetPath, write: () => baseSheet(site, structure) };
	return needsBase ? [base, ...inner] : [];
}

/** A frame of own markup has a sheet only where its layout says something besides. */
export function hasSheet({ frame, styles, fills, adjusts }: Layout): boolean {
	return !frame || styles.length + fills.length + adjusts.length > 0;
}

function hasList(layer: Layer): boolean {
	return piecesIn(layer).some(({ kind }) => kind === 'nav');
}
