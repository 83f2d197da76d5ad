import type { LayoutBox } from '../layout-box.ts';

/** Where an item stands: columns and rows counted from 0, `to` exclusive. */
export interface GridPlace {
	readonly box: LayoutBox;
	readonly column: { readonly from: number; readonly to: number };
	readonly row: { readonly from: number; readonly to: number };
}

export interface Placement {
	readonly places: readonly GridPlace[];
	readonly columns: number;
	readonly rows: number;
}

/**
 * CSS Grid Layout 2, section 8.5, for what the language can say: areas, and spans that flow along
 * the rows (sparse), some of them from the first column. `columns` is what tracks and areas make.
 */
export function placeItems(box: LayoutBox, columns: number, rows: number): Placement {
	const { areas } = box.style;
	const taken = new Taken();
	const places = new Map<LayoutBox, GridPlace>();
	for (const child of box.children) {
		const area = child.style.area === undefined ? undefined : areas.get(child.style.area);
		if (!area) continue;
		places.set(child, { box: child, column: area.x, row: area.y });
		taken.add(area.x, area.y);
	}
	const flowing = box.children.filter((child) => !places.has(child));
	const width = flowing.reduce((most, { style }) => {
		return Math.max(most, style.column.span === 'all' ? 1 : style.column.span);
	}, columns);
	const cursor = { column: 0, row: 0 };
	for (const child of flowing) {
		const place = flow(child, Math.max(1, width), columns, cursor, taken);
		places.set(child, place);
		taken.add(place.column, place.row);
	}
	const all = box.children.flatMap((child) => places.get(child) ?? []);
	return {
		places: all,
		columns: Math.max(width, ...all.map((place) => place.column.to)),
		rows: Math.max(rows, ...all.map((place) => place.row.to))
	};
}

function flow(
	box: LayoutBox,
	width: number,
	explicit: number,
	cursor: { column: number; row: number },
	taken: Taken
): GridPlace {
	const { column, row } = box.style;
	const rows = row.span === 'all' ? 1 : row.span;
	// `1 / -1` ends at the last line that tracks make, or takes one column where they make none.
	const columns = column.span === 'all' ? Math.max(1, explicit) : column.span;
	const at = (x: number, y: number): GridPlace => ({
		box,
		column: { from: x, to: x + columns },
		row: { from: y, to: y + rows }
	});
	const { start } = column;
	if (start !== undefined) {
		if (start < cursor.column) cursor.row++;
		cursor.column = start;
		while (!taken.isFree(at(start, cursor.row))) cursor.row++;
		return at(start, cursor.row);
	}
	for (;;) {
		for (; cursor.column + columns <= width; cursor.column++) {
			const place = at(cursor.column, cursor.row);
			if (taken.isFree(place)) return place;
		}
		cursor.column = 0;
		cursor.row++;
	}
}

/** Cells that hold an item. */
class Taken {
	private readonly cells = new Set<number>();

	add(column: GridPlace['column'], row: GridPlace['row']): void {
		for (let y = row.from; y < row.to; y++) {
			for (let x = column.from; x < column.to; x++) this.cells.add(y * 4096 + x);
		}
	}

	isFree({ column, row }: GridPlace): boolean {
		for (let y = row.from; y < row.to; y++) {
			for (let x = column.from; x < column.to; x++) {
				if (this.cells.has(y * 4096 + x)) return false;
			}
		}
		return true;
	}
}
