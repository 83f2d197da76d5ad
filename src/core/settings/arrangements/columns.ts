import type { ColumnsArrangement } from '../../model/arrange.ts';
import type { Declarations } from '../declarations.ts';
import type { Around, Placed } from '../placed.ts';
import { gapWord, type ArrangementDefinition, type WrittenArrangement } from './definition.ts';
import { gapOf } from './gap.ts';

const wholeRow = { fromFirst: true, span: 'all' } as const;

/** A number of equal columns that members span. */
export const columns: ArrangementDefinition<ColumnsArrangement> = {
	declare: ({ columns: count, rows }, gap) => ({
		display: 'grid',
		'grid-template-columns': { kind: 'equal', count, least: 'nothing' },
		...(rows && { 'grid-template-rows': { kind: 'equal', count: rows, least: 'content' } }),
		...(gap && { gap })
	}),
	declareAny: () => ({ 'grid-column': wholeRow }),
	declareMember: declareSpan,
	isAbove({ columns: count }, one, other) {
		const span = one.settings.span?.columns ?? 'all';
		return one.index < other.index && (span === 'all' || span === count);
	}
};

/**
 * Columns left free before a box are part of what it spans, and become its margin: so many of the
 * shares of its area, where a share is a column and the gap behind it.
 */
function declareSpan(
	{ settings }: Placed,
	{ inside, settings: outer }: Around & { readonly inside: ColumnsArrangement }
): Declarations {
	const count = inside.columns;
	const { columns: span, rows } = settings.span ?? { columns: 'all', rows: 1 };
	const offset = Math.min(settings.offset ?? 0, count - 1);
	const wide = span === 'all' ? count : Math.min(count, span + offset);
	const gap = columnGap(gapOf(inside, outer));
	const whole = gap === undefined ? '100%' : `(100% + ${gap})`;
	return {
		'grid-column':
			wide === count ? wholeRow : { fromFirst: settings['new-row'] ?? false, span: wide },
		...(rows > 1 && { 'grid-row': { fromFirst: false, span: rows } }),
		...(offset > 0 && { 'margin-inline-start': `calc(${whole} * ${offset} / ${wide})` })
	};
}

/** The gap between columns; undefined where there is none. */
function columnGap(gap: readonly string[] | undefined): string | undefined {
	const last = gap?.at(-1);
	return last === undefined || Number(last) === 0 ? undefined : last;
}

export const columnsWritten: WrittenArrangement = {
	form: 'columns COUNT [rows COUNT]',
	says: 'so many equal columns that members span',
	inner: { gap: gapWord }
};
