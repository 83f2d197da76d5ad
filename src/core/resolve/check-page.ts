import { error, type Problem } from '../messages/problem.ts';
import { layerName, layerSpan, type Layer, type Layout, type Page } from '../model/site.ts';
import { fillTarget, isProblem } from './fill-target.ts';
import type { ResolvedPage, ResolvedRegion } from './page.ts';
import { slotOf, type Structure } from './structure.ts';

const none: readonly Problem[] = [];

/** What is wrong with a layer's own fills. A layout's mistakes are reported once, not for each of its pages. */
export function checkFills(layer: Layer, structure: Structure): readonly Problem[] {
	if (layer.fills.length === 0) return none;
	const chain = structure.chainOf(layer);
	return layer.fills.map((fill) => fillTarget(fill, layer, chain)).filter(isProblem);
}

/**
 * Reports required regions that a page leaves without anything. The page is resolved only where that
 * cannot be seen from its own pieces: nearly all pages bring some, and those land in every slot.
 */
export function checkRequired(
	page: Page,
	structure: Structure,
	resolve: (page: Page) => ResolvedPage
): Problem[] {
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
