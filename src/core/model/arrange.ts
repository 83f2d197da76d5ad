import type { Named, Raw, Span } from './span.ts';

/** How the members of a box lie: regions and wrappers in a layout, pieces in a region. */
export type Arrangement = AreasArrangement | ColumnsArrangement | LineArrangement;

/** An arrangement holds from its band upward, from the narrowest where it names none. */
interface Arranged {
	readonly band: Named | undefined;
	readonly gap: Raw | undefined;
	readonly span: Span;
}

/** CSS grid template areas (CSS Grid Layout 2, section 7.3). */
export interface AreasArrangement extends Arranged {
	readonly kind: 'areas';
	readonly rows: readonly AreaRow[];
	/** A CSS track list. */
	readonly columns: Raw | undefined;
}

export interface AreaRow {
	/** One name a column; `.` for an empty cell. */
	readonly cells: readonly string[];
	readonly areas: Named;
	/** A CSS track size; `auto` where none is written. */
	readonly size: string;
	/** Where the size stands, if it is written. */
	readonly sizeSpan: Span | undefined;
	readonly span: Span;
}

/** Columns that members fill in the order of reading, and span: a number of equal ones, or of sizes of their own. */
export interface ColumnsArrangement extends Arranged {
	readonly kind: 'columns';
	/** How many there are. */
	readonly columns: number;
	/** A CSS track list of as many; undefined where they are equal. */
	readonly sizes: Raw | undefined;
	/** How many a member takes that says nothing. */
	readonly each: { readonly count: number; readonly span: Span } | undefined;
	/** Rows that share alike; undefined where rows come as they are needed. */
	readonly rows: number | undefined;
	/** Rows are as high as each other whatever is in them, also those beyond the number. */
	readonly equalRows: boolean;
}

/** How many columns a member takes that says nothing: of equal ones all, of sizes of their own each the next. */
export function takenUnsaid({ each, sizes }: ColumnsArrangement): number | 'all' {
	return each?.count ?? (sizes ? 1 : 'all');
}

export const justifications = ['start', 'center', 'end', 'between', 'around', 'evenly'] as const;
export type Justification = (typeof justifications)[number];
export const alignments = ['start', 'center', 'end', 'stretch'] as const;
export type Alignment = (typeof alignments)[number];

/** Along one axis: side by side, or one below the other. */
export interface LineArrangement extends Arranged {
	readonly kind: 'row' | 'stack';
	readonly justify: Justification;
	readonly align: Alignment;
	/** Members that find no room go on in a further line. */
	readonly wrap: boolean;
}

/** A cell that belongs to no area (CSS Grid Layout 2, section 7.3). */
export function isEmptyCell(cell: string): boolean {
	return /^\.+$/.test(cell);
}

/** The columns and rows an area covers, counted from 0; `to` is exclusive. */
export interface AreaPlace {
	readonly x: { readonly from: number; readonly to: number };
	readonly y: { readonly from: number; readonly to: number };
	/** How many cells bear its name. */
	readonly cells: number;
}

/** The rectangle around each area's cells, by the area's name. */
export function areasOf(rows: readonly Pick<AreaRow, 'cells'>[]): Map<string, AreaPlace> {
	const places = new Map<string, AreaPlace>();
	for (const [row, { cells }] of rows.entries()) {
		for (const [column, name] of cells.entries()) {
			if (isEmptyCell(name)) continue;
			const {
				x,
				y,
				cells: before
			} = places.get(name) ?? {
				x: { from: column, to: column },
				y: { from: row, to: row },
				cells: 0
			};
			places.set(name, {
				x: { from: Math.min(x.from, column), to: Math.max(x.to, column + 1) },
				y: { from: y.from, to: row + 1 },
				cells: before + 1
			});
		}
	}
	return places;
}
