import type { AreaRow, Arrangement } from '../../model/arrange.ts';
import type { Surgery } from '../surgery.ts';

/** The rows of a box's own arrangements in areas. */
export function areaRows({
	arrangements
}: {
	readonly arrangements: readonly Arrangement[];
}): AreaRow[] {
	return arrangements.flatMap((one) => (one.kind === 'areas' ? one.rows : []));
}

/** Gives the cells of an area another name; `.` empties them. */
export function replaceInAreas(
	rows: readonly AreaRow[],
	surgery: Surgery,
	name: string,
	by: string
): void {
	for (const { areas } of rows) {
		const text = areas.text.replace(/[^\s]+/g, (cell) => (cell === name ? by : cell));
		if (text !== areas.text) surgery.replace(areas.span, `"${text}"`);
	}
}
