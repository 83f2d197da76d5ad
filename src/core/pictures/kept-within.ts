import { subjectsOf } from '../author-styles/page-tree.ts';
import type { WrittenPage } from '../check/subject/written-page.ts';
import { layerRef } from '../model/layer-ref.ts';
import type { LayerRef } from '../model/command.ts';
import { layerName, type Layer } from '../model/site.ts';

/** A rule that keeps pictures within their place, and the layer that is to have it. */
export interface KeepingRule {
	readonly in: LayerRef;
	readonly css: string;
}

/**
 * The rule that a picture of a layer still needs so that it is no wider than its place; undefined where a style says
 * that of all pictures already.
 */
export function keepingRule(page: WrittenPage, owner: string): KeepingRule | undefined {
	const layer = [...page.page.written, page.declared].find((one) => layerName(one) === owner);
	if (!layer || isKept(page, layer)) return undefined;
	return { in: layerRef(layer), css: 'img { max-width: 100%; height: auto; }' };
}

function isKept(page: WrittenPage, layer: Layer): boolean {
	return page.rules.some(
		({ within, owner, conditions, selectors, declarations }) =>
			(within === undefined || owner === layer) &&
			conditions.length === 0 &&
			subjectsOf(selectors).some(({ selector }) => selector === 'img' || selector === '*') &&
			declarations.some(
				({ property, value }) =>
					/^(max-)?(width|inline-size)$/.test(property) && value.trim() === '100%'
			)
	);
}
