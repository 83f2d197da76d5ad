import { layerRef } from '../../model/layer-ref.ts';
import { plainPage } from '../example.ts';
import { Memory } from '../../lib/memory.ts';
import { warning, type Problem } from '../../messages/problem.ts';
import { layersOf, type Layer, type NavPiece, type Piece } from '../../model/site.ts';
import type { RegionRef } from '../../model/command.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { navLinks, startOf } from '../../resolve/content/nav.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { nothing, type LayerCheck } from '../check.ts';

const known = new Memory<Layer, readonly NavPiece[]>();

export const navEmpty: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['nav-empty', 'nav-no-start'],
	what: 'Every list of links has a link in it.',
	why: 'An empty list takes room and leads nowhere.',
	examples: {
		'nav-empty': {
			wrong: `${plainPage('<h1>Seed</h1>', 'piece links nav from /guides depth 1')}`,
			mended: `${plainPage('<h1>Seed</h1>', 'piece links nav from /guides depth 1')}\nroute /guides/sowing { title "Sowing" }`
		},
		'nav-no-start': {
			wrong: `${plainPage('<h1>Seed</h1>', 'piece links nav from /guides depth 1 with-start')}\nroute /guides/sowing { title "Sowing" }`,
			mended: `${plainPage('<h1>Seed</h1>', 'piece links nav from /guides depth 1 with-start')}\nroute /guides { title "Guides" }\nroute /guides/sowing { title "Sowing" }`
		}
	},
	find(layer, resolved) {
		const navs = known.get(layer, [], () => piecesIn(layer).filter((one) => one.kind === 'nav'));
		if (navs.length === 0) return nothing;
		const empty = navs
			.filter((nav) => navLinks(nav, resolved).length === 0)
			.map((nav) => warning('nav-empty', nav.fromSpan, nav.from.text));
		const noStart = navs.flatMap((nav): Problem[] =>
			nav.withStart && !startOf(nav, resolved.site)
				? [warning('nav-no-start', nav.withStart, nav.from.text)]
				: []
		);
		return [...empty, ...noStart];
	},
	mend({ code, span }, resolved) {
		if (code !== 'nav-empty') return undefined;
		for (const layer of layersOf(resolved.site)) {
			for (const { region, pieces } of holdersIn(layer, resolved)) {
				const piece = pieces.find((one) => one.kind === 'nav' && one.fromSpan === span);
				if (!piece) continue;
				const holder = { layer: layerRef(layer), region };
				return { kind: 'remove-piece', holder, name: piece.name.text };
			}
		}
		return undefined;
	}
};

interface Holder {
	readonly region: RegionRef | undefined;
	readonly pieces: readonly Piece[];
}

/** Where a layer has pieces: in its regions, in its own content, and in what it fills. */
function holdersIn(layer: Layer, { structure }: ResolvedSite): Holder[] {
	const own: Holder[] =
		layer.kind === 'layout'
			? layer.regions.map(({ name, pieces }) => ({
					region: { layout: layer.name.text, region: name.text },
					pieces
				}))
			: [{ region: undefined, pieces: layer.pieces }];
	const filled = landingFills(layer, structure.chainOf(layer)).map(
		({ fill, layout, region }): Holder => ({
			region: { layout: layout.name.text, region: region.name.text },
			pieces: fill.pieces
		})
	);
	return [...own, ...filled];
}
