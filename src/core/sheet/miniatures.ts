import { drawMiniature, type Miniature } from './miniature.ts';
import type { Column } from './columns.ts';
import { layoutMarks } from '../view-models/marks.ts';
import { isEstimate } from '../laid/basis.ts';
import type { LaidPage } from '../laid/laid-page.ts';
import type { MeasuredPage } from '../laid/measured-page.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** The small drawings of a page that was laid out so; what lies lower than `depth`, px, is left out. */
export function miniaturesOf(
	{ boxes, by }: LaidPage,
	page: MeasuredPage,
	instance: PageInstance,
	seen: ResolvedSite,
	columns: readonly Column[],
	depth: number
): Miniature[] {
	const marks = layoutMarks(seen.structure);
	const resolved = seen.page(instance.page);
	const estimated = isEstimate(by);
	const text = page.textOf.bind(page);
	return columns.map(({ width }, index) =>
		drawMiniature(boxes[index] ?? [], resolved, seen, { width, depth, marks, text, estimated })
	);
}
