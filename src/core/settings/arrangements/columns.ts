import { takenUnsaid, type ColumnsArrangement } from '../../model/arrange.ts';
import { columnRows, takenBy, takenIn } from './column-rows.ts';
import { isApart } from '../member/show.ts';
import type { Declarations } from '../declarations.ts';
import type { Around, Placed } from '../placed.ts';
import { gapWord, type ArrangementDefinition, type WrittenArrangement } from './definition.ts';
import { gapOf } from './gap.ts';

const wholeRow = { from: 1, span: 'all' } as const;

/** Columns that members fill one after the other, and span. */
export const columns: ArrangementDefinition<ColumnsArrangement> = {
	declare: ({ columns: count, sizes, rows, equalRows }, gap) => ({
		display: 'grid',
		'grid-template-columns': sizes
			? { kind: 'written', text: sizes.text }
			: { kind: 'equal', count, least: 'nothing' },
		...(rows && {
			'grid-template-rows': { kind: 'equal', count: rows, least: equalRows ? 'nothing' : 'content' }
		}),
		// What needs a row beyond them gets one that shares with them.
		...(equalRows && { 'grid-auto-rows': { kind: 'equal', count: 1, least: 'nothing' } }),
		...(gap && { gap })
	}),
	declareAny(inside) {
		const each = takenUnsaid(inside);
		if (each === 'all' || each >= inside.columns) return { 'grid-column': wholeRow };
		return each === 1 ? {} : { 'grid-column': { from: undefined, span: each } };
	},
	declareMember: declareSpan,
	isAbove(inside, one, other) {
		const { offset, wide } = takenBy(one.settings, inside);
		return one.index < other.index && offset === 0 && wide === inside.columns;
	}
};

/**
 * Columns left free before a box: where all that stands before it is known, it begins at a line of the grid. Elsewhere
 * they are part of what it spans, and become its margin: so many of the shares of its area, where a share is a column
 * and the gap behind it. Columns of their own sizes have no such shares: there only a line can leave some free.
 */
function declareSpan(placed: Placed, around: Around & { readonly inside: ColumnsArrangement }): Declarations {
	const { settings } = placed;
	const { inside } = around;
	const count = inside.columns;
	const rows = settings.span?.rows ?? 1;
	const { offset, wide } = takenBy(settings, inside);
	const down = rows > 1 && { 'grid-row': { from: undefined, span: rows } };
	const from = offset > 0 ? lineOf(around) : undefined;
	if (from !== undefined) return { 'grid-column': { from, span: wide - offset }, ...down };
	if (inside.sizes && offset > 0) return { 'grid-column': { from: undefined, span: wide - offset }, ...down };
	const gap = columnGap(gapOf(inside, around.settings));
	const whole = gap === undefined ? '100%' : `(100% + ${gap})`;
	return {
		'grid-column':
			wide === count ? wholeRow : { from: settings['new-row'] ? 1 : undefined, span: wide },
		...down,
		...(offset > 0 && { 'margin-inline-start': `calc(${whole} * ${offset} / ${wide})` })
	};
} // prettier-ignore

/**
 * The line at which a box begins behind what it leaves free, as the members before it fill the rows; undefined where that
 * is not known, or the line would put it into another row.
 */
export function lineOf({
	inside,
	members,
	place
}: Around & { readonly inside: ColumnsArrangement }): number | undefined {
	const own = members?.[place];
	const flowing = (members ?? []).filter((one) => !isApart(one));
	const isPlain = flowing.every(({ span, order }) => (span?.rows ?? 1) === 1 && (order ?? 0) === 0);
	if (!own || !isPlain) return undefined;
	const rows = columnRows(flowing.map((settings) => ({ settings })), inside);
	const at = rows.findIndex((row) => row.some(({ member }) => member.settings === own));
	const found = rows[at]?.find(({ member }) => member.settings === own);
	if (!found) return undefined;
	// At the same line there would be room in the row before.
	const isFree = found.before === 0 && at > 0 && found.offset >= takenIn(rows[at - 1]);
	return isFree ? undefined : found.before + found.offset + 1;
} // prettier-ignore

/** The gap between columns; undefined where there is none. */
function columnGap(gap: readonly string[] | undefined): string | undefined {
	const last = gap?.at(-1);
	return last === undefined || Number(last) === 0 ? undefined : last;
}

export const columnsWritten: WrittenArrangement = {
	form: 'columns COUNT [each COUNT] [rows COUNT [equal]] | columns TRACKS [each COUNT] [rows COUNT [equal]]',
	says: 'columns that members fill in order and span',
	inner: { gap: gapWord }
};
