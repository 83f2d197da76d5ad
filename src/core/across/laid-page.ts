import { drawMiniature, type Miniature } from './sheet/miniature.ts';
import type { LaidPage } from './sheet/sheet-row.ts';
import type { Column } from './columns.ts';
import { layoutMarks } from '../drawing/marks.ts';
import type { MeasuredPage } from '../measure/measured-page.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** A page on several screens by what is known of the sizes of its content, and by guesses for the rest. */
export function layPage(page: MeasuredPage, columns: readonly Column[]): LaidPage {
	const laid = columns.map(({ width }) => page.roughlyAt(width));
	return {
		boxes: laid.map(({ boxes }) => boxes),
		estimated: laid.some(({ estimated }) => estimated)
	};
}

/** The small drawings of a page that was laid out so; what lies lower than `depth`, px, is left out. */
export function miniaturesOf(
	{ boxes, estimated }: LaidPage,
	page: MeasuredPage,
	instance: PageInstance,
	seen: ResolvedSite,
	columns: readonly Column[],
	depth: number
): Miniature[] {
	const marks = layoutMarks(seen.structure);
	const resolved = seen.page(instance.page);
	const text = page.textOf.bind(page);
	return columns.map(({ width }, index) =>
		drawMiniature(boxes[index] ?? [], resolved, seen, { width, depth, marks, text, estimated })
	);
}
