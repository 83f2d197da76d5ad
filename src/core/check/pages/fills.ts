import { fillTarget, isProblem } from '../../resolve/fill-target.ts';
import { nothing, type LayerCheck } from '../check.ts';

export const fills: LayerCheck = {
	of: 'layer',
	codes: ['fill-locked', 'fill-slot', 'fill-no-layout', 'fill-no-region'],
	what: 'Every fill has a region further out that it may fill.',
	why: 'What a fill brings would be on no page.',
	find(layer, { structure }) {
		if (layer.fills.length === 0) return nothing;
		const chain = structure.chainOf(layer);
		return layer.fills.map((fill) => fillTarget(fill, layer, chain)).filter(isProblem);
	}
};
