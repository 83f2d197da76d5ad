import { plainSite } from '../example.ts';
import { error, type ErrorOf, type Problem } from '../../messages/problem.ts';
import { layerName, layerSpan, type Layer, type Layout, type Page } from '../../model/site.ts';
import type { ResolvedRegion } from '../../resolve/page.ts';
import { hasSeenBy, isSeenBy, keptOutBy } from '../../resolve/roles.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const requiredUnfilled: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['required-unfilled', 'required-unfilled-for'],
	what: 'Every page has something in each required region.',
	why: 'The layout says that it makes no sense without.',
	examples: {
		'required-unfilled': {
			wrong: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { required }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>""";  }`,
			mended: `layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n  region foot as footer { required }\n}\nroute / { title "Home"; piece text """<h1>Seed</h1>"""; fill foot { piece small """<p>Seed</p>""" } }`
		},
		'required-unfilled-for': {
			wrong: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot; required } }\nroute / { title "Home"; piece text for keeper """<h1>Seed</h1>""" }`
			),
			mended: plainSite(
				'roles { visitor; keeper }',
				`layout frame at / { description "Seed that is lent."; region main as main { slot; required } }\nroute / { title "Home"; piece text """<h1>Seed</h1>""" }`
			)
		}
	},
	find(layer, resolved) {
		if (layer.kind === 'layout') return nothing;
		const all = findUnfilled(layer, resolved);
		return all.length > 0 ? all : findUnfilledFor(layer, resolved);
	}
};

/** What is for some roles only may leave a region empty for others. */
function findUnfilledFor(page: Page, resolved: ResolvedSite): readonly Problem[] {
	const { structure, site } = resolved;
	const layers: Layer[] = [...structure.chainOf(page), page];
	if (!layers.some(hasSeenBy)) return nothing;
	return site.settings.roles
		.filter((role) => keptOutBy(page, role.text, structure) === undefined)
		.flatMap(({ text: role }) =>
			findUnfilled(page, resolved.as(role)).map(({ span, details: [region, layout, name] }) =>
				error('required-unfilled-for', span, region, layout, name, role)
			)
		);
}

/**
 * The page is resolved only where it cannot be seen from its own pieces that something lands: nearly
 * all pages bring some, and those land in every slot.
 */
function findUnfilled(
	page: Page,
	{ structure, page: resolve, role }: ResolvedSite
): ErrorOf<'required-unfilled'>[] {
	const problems: ErrorOf<'required-unfilled'>[] = [];
	for (const layout of structure.chainOf(page)) {
		for (const region of layout.regions) {
			if (!region.required) continue;
			const isSlot = slotOf(layout) === region;
			if (isSlot && page.pieces.some((piece) => isSeenBy(piece, role))) continue;
			const { regions } = resolve(page);
			const found = regions.find((one) => one.region === region);
			const has = isSlot ? bringsInto(layout, page, regions) : (found?.landed ?? []).length > 0;
			if (has) continue;
			const names = [region.name.text, layout.name.text, layerName(page)] as const;
			problems.push(error('required-unfilled', layerSpan(page), ...names));
		}
	}
	return problems;
}

/** Whether something lands in a layout's slot, or in a slot inside it, that does not stand there on every page. */
function bringsInto(layout: Layout, page: Page, regions: readonly ResolvedRegion[]): boolean {
	const from = regions.findIndex((one) => one.layout === layout);
	const slots = regions.slice(from).filter((one) => slotOf(one.layout) === one.region);
	return slots.some((slot) =>
		slot.landed.some((one) => one.kind === 'piece' && one.owner === page)
	);
}
