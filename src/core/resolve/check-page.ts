import { error, type Problem } from '../messages/problem.ts';
import { layerName, type Layer, type Page } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import { fillTarget, isProblem } from './fill-target.ts';
import type { ResolvedPage } from './page.ts';
import { slotOf, type Structure } from './structure.ts';

const none: readonly Problem[] = [];

/** What is wrong with a layer's own fills. A layout's mistakes are reported once, not for each of its pages. */
export function checkFills(layer: Layer, structure: Structure): readonly Problem[] {
	if (layer.fills.length === 0) return none;
	const chain = structure.chainOf(layer);
	return layer.fills.map((fill) => fillTarget(fill, layer, chain)).filter(isProblem);
}

/**
 * Reports required regions that a page leaves without anything. The page is resolved only where a
 * region beside the slot is required; a slot needs no more than a look at the page's own pieces.
 */
export function checkRequired(
	page: Page,
	structure: Structure,
	resolve: (page: Page) => ResolvedPage
): Problem[] {
	const chain = structure.chainOf(page);
	const innermost = chain.at(-1);
	const problems: Problem[] = [];
	for (const layout of chain) {
		for (const region of layout.regions) {
			if (!region.required) continue;
			const isSlot = slotOf(layout) === region;
			if (isSlot && (layout !== innermost || page.pieces.length > 0)) continue;
			const landed = resolve(page).regions.find((one) => one.region === region)?.landed ?? [];
			const brought = isSlot
				? landed.some((one) => one.kind === 'piece' && one.owner !== layout)
				: landed.length > 0;
			if (brought) continue;
			const names = [region.name.text, layout.name.text, layerName(page)] as const;
			problems.push(error('required-unfilled', pageSpan(page), ...names));
		}
	}
	return problems;
}

function pageSpan(page: Page): Span {
	return page.kind === 'route' ? page.patternSpan : page.state.span;
}
