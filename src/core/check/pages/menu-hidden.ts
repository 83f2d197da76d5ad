import { hint, type Problem } from '../../messages/problem.ts';
import type { Setting } from '../../model/setting.ts';
import type { Layout, NavPiece, Region } from '../../model/site.ts';
import { bandPlaces, settingHolding, settingsAt, type Bands } from '../../resolve/bands.ts';
import { navLinks, type NavLink } from '../../resolve/content/nav.ts';
import { isShownAt } from '../../resolve/boxes/shown.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { nothing, type LayerCheck } from '../check.ts';

const site = (more: string): string =>
	`layout frame at / {\n  description "Seed that is lent."\n  region head as header { show hidden; show in-place @wide; piece links nav from / depth 1 }\n  region main as main { slot }${more}\n}\nroute / { title "Home"; piece text """<h1>Seed</h1><p><a href="/visit">Visit</a></p>""" }\nroute /visit { title "Visit"; piece text """<h1>Visit</h1><p><a href="/">Home</a></p>""" }`;

/** A list of links made from routes, in a region of a layout. */
interface Menu {
	readonly region: Region;
	readonly piece: NavPiece;
	/** Patterns of the routes that it leads to. */
	readonly links: ReadonlySet<string>;
}

export const menuHidden: LayerCheck = {
	of: 'layer',
	codes: ['menu-hidden'],
	reaches: 'site',
	what: 'Where a menu is hidden, something else of the layout leads where it does.',
	why: 'On a narrow screen one gets only where the content happens to lead.',
	examples: {
		'menu-hidden': {
			wrong: site(''),
			mended: site('\n  region foot as footer { piece pages nav from / depth 1 }')
		}
	},
	find(layer, resolved) {
		if (layer.kind !== 'layout') return nothing;
		const { bands } = resolved.site.settings;
		const menus = menusOf(layer, resolved);
		return menus.flatMap((menu): Problem[] => {
			const away = bandPlaces(bands).flatMap((band) => {
				const said = hiding(menu, bands, band);
				const isLost = !menus.some((other) => leadsThereToo(other, menu) && isThere(other, layer, bands, band)); // prettier-ignore
				return said && isLost ? [{ said, name: bands[band]?.name.text ?? '' }] : [];
			});
			const [first] = away;
			return first ? [hint('menu-hidden', first.said.span, menu.piece.name.text, first.name)] : [];
		});
	}
};

function menusOf(layout: Layout, resolved: ResolvedSite): Menu[] {
	return layout.regions.flatMap((region) =>
		region.pieces.flatMap((piece): Menu[] => {
			if (piece.kind !== 'nav') return [];
			const links = new Set(patternsIn(navLinks(piece, resolved)));
			return links.size === 0 ? [] : [{ region, piece, links }];
		})
	);
}

function patternsIn(links: readonly NavLink[]): string[] {
	return links.flatMap(({ route, links: inner }) => [route.pattern.text, ...patternsIn(inner)]);
}

/** What says that it is hidden there, of itself or of its region. */
function hiding({ region, piece }: Menu, bands: Bands, band: number): Setting | undefined {
	return [region, piece]
		.map(({ settings }) => settingHolding(settings, 'show', bands, band))
		.find((one) => one?.kind === 'show' && one.value.kind === 'hidden');
}

/** Whether one can get to it there: it is seen, or in a drawer that opens. */
function isThere({ region, piece }: Menu, layout: Layout, bands: Bands, band: number): boolean {
	if (settingsAt(piece.settings, bands, band).show?.kind === 'hidden') return false;
	const isDrawer = settingsAt(region.settings, bands, band).show?.kind === 'drawer';
	return isDrawer || isShownAt(region, layout, bands, band);
}

function leadsThereToo(other: Menu, menu: Menu): boolean {
	return other !== menu && [...menu.links].every((one) => other.links.has(one));
}
