import type { ColumnsArrangement } from '../../model/arrange.ts';
import type { SettingsAt } from '../../model/setting.ts';
import { isApart } from '../member/show.ts';
import type { Declarations } from '../declarations.ts';
import type { Around, Placed } from '../placed.ts';
import { gapWord, type ArrangementDefinition, type WrittenArrangement } from './definition.ts';
import { gapOf } from './gap.ts';

const wholeRow = { from: 1, span: 'all' } as const;

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
 * Columns left free before a box: where all that stands before it is known, it begins at a line of the grid. Elsewhere
 * they are part of what it spans, and become its margin: so many of the shares of its area, where a share is a column
 * and the gap behind it.
 */
function declareSpan(placed: Placed, around: Around & { readonly inside: ColumnsArrangement }): Declarations {
	const { settings } = placed;
	const { inside } = around;
	const count = inside.columns;
	const rows = settings.span?.rows ?? 1;
	const { offset, wide } = takenBy(settings, count);
	const down = rows > 1 && { 'grid-row': { from: undefined, span: rows } };
	const from = offset > 0 ? lineOf(around) : undefined;
	if (from !== undefined) return { 'grid-column': { from, span: wide - offset }, ...down };
	const gap = columnGap(gapOf(inside, around.settings));
	const whole = gap === undefined ? '100%' : `(100% + ${gap})`;
	return {
		'grid-column':
			wide === count ? wholeRow : { from: settings['new-row'] ? 1 : undefined, span: wide },
		...down,
		...(offset > 0 && { 'margin-inline-start': `calc(${whole} * ${offset} / ${wide})` })
	};
} // prettier-ignore

/** How many columns a member takes, with those that stay free before it. */
function takenBy(
	settings: SettingsAt,
	count: number
): { readonly offset: number; readonly wide: number } {
	const span = settings.span?.columns ?? 'all';
	const offset = Math.min(settings.offset ?? 0, count - 1);
	return { offset, wide: span === 'all' ? count : Math.min(count, span + offset) };
}

/**
 * The line at which a box begins behind what it leaves free, as the members before it fill the rows (CSS Grid Layout 2,
 * section 8.5, sparse); undefined where that is not known, or the line would put it into another row.
 */
function lineOf({
	inside: { columns: count },
	members,
	place
}: Around & { readonly inside: ColumnsArrangement }): number | undefined {
	if (!members) return undefined;
	const flowing = members.map((one) => (isApart(one) ? undefined : one));
	const isPlain = flowing.every((one) => !one || ((one.span?.rows ?? 1) === 1 && (one.order ?? 0) === 0)); // prettier-ignore
	if (!isPlain) return undefined;
	let taken = 0;
	for (const [index, one] of flowing.entries()) {
		if (!one) continue;
		const { offset, wide } = takenBy(one, count);
		const begins = one['new-row'] === true || taken + wide > count;
		// At the same line there would be room in the row before.
		if (index === place) return begins && offset >= taken && taken > 0 ? undefined : (begins ? 0 : taken) + offset + 1;
		taken = begins ? wide : taken + wide;
	}
	return undefined;
} // prettier-ignore

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
