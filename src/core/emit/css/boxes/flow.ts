import { declare } from '../../../box-styles/declare.ts';
import { frameOf, type Box } from '../../../box-styles/frame.ts';
import type { Surroundings } from '../../../box-styles/surroundings.ts';
import type { Layout } from '../../../model/site.ts';
import { bandPlaces } from '../../../resolve/bands.ts';
import { arrangesPieces } from '../../../resolve/boxes/runs.ts';
import { rule } from '../css-text.ts';
import type { Selectors } from '../selectors.ts';
import { flowingInGroups, placeInRegion } from './piece-rules.ts';

/**
 * Boxes that arrange nothing, in some band at least, keep the margins of what is in them, and so does
 * what stands in a region that arranges it in other bands only: gives their selectors.
 */
export function flowing(
	layout: Layout,
	surroundings: Surroundings,
	selectors: Selectors
): string[] {
	const { root, boxes } = frameOf(layout, surroundings.bands);
	const flows = (box: Box): boolean =>
		bandPlaces(surroundings.bands).some((band) => {
			const { display } = declare(box, band, surroundings);
			return display !== 'flex' && display !== 'grid';
		});
	const plain = [...boxes.values()].flatMap((box) => {
		const selector = selectors.member(layout, box.name);
		const region = layout.regions.find(({ name }) => name.text === box.name);
		const place = placeInRegion(box, layout, surroundings, selectors);
		const inner = flowingInGroups(region?.pieces ?? [], layout, place);
		const content = box.kind === 'region' && arrangesPieces(box) ? [`${selector} > *`] : [];
		return [...(flows(box) ? [selector, ...content] : []), ...inner];
	});
	return [...(flows(root) ? [selectors.root(layout)] : []), ...plain];
}

/** What is said of them; nothing where there are none. */
export function flowRule(selectors: readonly string[]): string {
	return selectors.length === 0 ? '' : rule(selectors.join(',\n'), ['display: flow-root;']);
}
