import { error, type Problem } from '../../messages/problem.ts';
import { layerName, layerSpan, type Layout, type Page } from '../../model/site.ts';
import type { ResolvedRegion } from '../../resolve/page.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const requiredUnfilled: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['required-unfilled'],
	what: 'Every page has something in each required region.',
	why: 'The layout says that it makes no sense without.',
	find: (layer, resolved) => (layer.kind === 'layout' ? nothing : findUnfilled(layer, resolved))
};

/**
 * The page is resolved only where it cannot be seen from its own pieces that something lands: nearly
 * all pages bring some, and those land in every slot.
 */
function findUnfilled(page: Page, { structure, page: resolve }: ResolvedSite): Problem[] {
	const problems: Problem[] = [];
	for (const layout of structure.chainOf(page)) {
		for (const region of layout.regions) {
			if (!region.required) continue;
			const isSlot = slotOf(layout) === region;
			if (isSlot && page.pieces.length > 0) continue;
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
