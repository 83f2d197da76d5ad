import type { Named, Raw, Span } from './span.ts';

/** How a layout's regions lie. */
export type Arrangement = AreasArrangement | StackArrangement;

/** CSS grid template areas (CSS Grid Layout 1, section 7.3). */
export interface AreasArrangement {
	readonly kind: 'areas';
	readonly rows: readonly AreaRow[];
	readonly columns: Raw | undefined;
	readonly gap: Raw | undefined;
	readonly span: Span;
}

export interface AreaRow {
	/** One name a column; `.` for an empty cell. */
	readonly cells: readonly string[];
	readonly areas: Named;
	/** A CSS track size; `auto` where none is written. */
	readonly size: string;
	readonly span: Span;
}

/** One below the other, each as tall as its content. */
export interface StackArrangement {
	readonly kind: 'stack';
	readonly gap: Raw | undefined;
	readonly span: Span;
}
