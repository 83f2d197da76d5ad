import { warning, type Problem } from '../../messages/problem.ts';
import { Memory } from '../../model/memory.ts';
import type { Layer, Style } from '../../model/site.ts';
import { frameBoxWords, frameMoves } from '../../reach/frame-moves.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { nothing, type LayerCheck } from '../check.ts';

const found = new Memory<Layer, readonly Problem[]>();

/** Matched against the tree of a page, so that a rule counts by what it hits, however it is written. */
export const styleOfBox: LayerCheck = {
	of: 'layer',
	reaches: 'site',
	codes: ['style-of-box'],
	what: 'No style resizes or moves a box of the frame.',
	why: 'Computed boxes know settings, not styles.',
	find(layer, resolved) {
		if (stylesIn(layer).length === 0) return nothing;
		return found.get(layer, [resolved.site], () => problemsIn(layer, resolved));
	}
};

function stylesIn(layer: Layer): Style[] {
	const own = layer.kind === 'layout' ? layer.regions.flatMap((region) => region.styles) : [];
	return [...layer.styles, ...own];
}

function problemsIn(layer: Layer, resolved: ResolvedSite): readonly Problem[] {
	const instance = pageUnder(layer, resolved);
	if (!instance) return nothing;
	// Words of the year move no box.
	const moves = frameMoves(instance, resolved, 2000, ({ owner }) => owner === layer);
	return moves.flatMap(({ span, property, boxes, advice }) => {
		const [box] = boxes;
		if (!box) return [];
		return [warning('style-of-box', span, property, frameBoxWords(box), advice)];
	});
}

/** A page that a layer's style holds on: for a layout the first one under it. */
function pageUnder(layer: Layer, resolved: ResolvedSite): PageInstance | undefined {
	const { site, routes, structure } = resolved;
	const pages = layer.kind === 'layout' ? [...routes, ...site.states] : [layer];
	for (const page of pages) {
		const isUnder = page === layer || structure.chainOf(page).some((one) => one === layer);
		const [instance] = isUnder ? resolved.instances(page) : [];
		if (instance) return instance;
	}
	return undefined;
}
