import { error, warning, type Problem } from '../messages/problem.ts';
import type { Layout } from '../model/site.ts';

/** Sees that areas and regions of a layout belong together. */
export function checkArrangement(layout: Layout): Problem[] {
	const { arrange } = layout;
	if (arrange?.kind !== 'areas') return [];
	const problems: Problem[] = [];
	const regions = new Map(layout.regions.map((region) => [region.name.text, region]));
	const arranged = new Set<string>();
	for (const row of arrange.rows) {
		for (const cell of row.cells) {
			if (/^\.+$/.test(cell) || arranged.has(cell)) continue;
			arranged.add(cell);
			if (regions.has(cell)) continue;
			problems.push(error('area-unknown', row.areas.span, cell, layout.name.text));
		}
	}
	for (const { name, slot } of layout.regions) {
		if (arranged.has(name.text)) continue;
		problems.push(
			slot
				? error('slot-not-arranged', name.span, name.text, layout.name.text)
				: warning('region-not-arranged', name.span, name.text, layout.name.text)
		);
	}
	return problems;
}
