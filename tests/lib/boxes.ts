import { sizesByName } from '../judge/boxes/sizes.ts';
import { PageLayout, type PlacedBox } from '../../src/core/geometry/page-layout.ts';
import { drawerName } from '../../src/core/geometry/page.ts';
import type { CheckedSite } from '../../src/core/check/checked-site.ts';
import { pageNamed, resolve } from './site.ts';

/** A site with one layout and one page; pieces are named for their sizes, such as `fix-50-20`. */
export function oneLayout(layout: string, page = '', site = ''): CheckedSite {
	return resolve(
		[
			`site "T" { bands { narrow 0; medium 600; wide 1000 }; tokens { --gap: 10px; --gap @wide: 30px }; ${site} }`,
			`layout f at / { ${layout} }`,
			`route / { ${page || 'piece fix-50-20 """x"""'} }`
		].join('\n')
	);
}

/** `x y width height` of every box by its name: the piece's, else the region's or wrapper's, else "f". */
export function boxesOf(
	resolved: CheckedSite,
	width: number,
	height = 400,
	open: readonly string[] = []
): Record<string, string> {
	const placed = placedOf(resolved, width, height, open);
	return Object.fromEntries(
		placed.map(({ name, x, y, width: w, height: h }) => [
			name.kind === 'opener'
				? `opener ${name.pieces[0]?.piece}`
				: name.pieces.map(({ piece }) => piece).join(' + ') ||
					(name.region ?? name.wrapper ?? name.layout ?? 'page'),
			[x, y, w, h].map((side) => Math.round(side * 10) / 10).join(' ')
		])
	);
}

export function placedOf(
	resolved: CheckedSite,
	width: number,
	height: number,
	open: readonly string[] = []
): PlacedBox[] {
	const layout = new PageLayout({
		page: resolved.page(pageNamed(resolved, '/')),
		site: resolved.site,
		sizes: sizesByName,
		open: new Set(open.map((region) => drawerName('f', region)))
	});
	return layout.boxesAt({ width, height });
}

/** Widths of the columns of a grid whose regions are a, b, c …, one a column, in the order of the row. */
export function columnsAt(
	columns: string,
	contents: readonly string[],
	width: number,
	gap = '0'
): number[] {
	const names = contents.map((_, index) => String.fromCharCode(97 + index));
	const regions = names.map(
		(name, index) =>
			`region ${name} as div { ${index === 0 ? 'slot; ' : ''}piece ${contents[index] ?? 'fix-0-0'} """x""" }`
	);
	const resolved = resolve(
		[
			'site "T" { }',
			`layout f at / { arrange areas { "${names.join(' ')}" auto; columns ${columns}; gap ${gap} }; ${regions.join('; ')} }`,
			'route / { }'
		].join('\n')
	);
	const boxes = boxesOf(resolved, width);
	return names.map((name) => Number(boxes[name]?.split(' ')[2]));
}
