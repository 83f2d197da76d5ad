import { takenUnsaid, type ColumnsArrangement } from '../../model/arrange.ts';
import type { SettingsAt } from '../../model/setting.ts';

/** What a member takes of equal columns. */
export interface TakenColumns {
	/** Columns that stay free before it. */
	readonly offset: number;
	/** With those. */
	readonly wide: number;
}

/** How many of the columns a member takes. */
export function takenBy(settings: SettingsAt, inside: ColumnsArrangement): TakenColumns {
	const { columns: count } = inside;
	const span = settings.span?.columns ?? takenUnsaid(inside);
	const offset = Math.min(settings.offset ?? 0, count - 1);
	return { offset, wide: span === 'all' ? count : Math.min(count, span + offset) };
}

/** A member in its row, with how much of that is taken before it. */
export interface InColumns<T> extends TakenColumns {
	readonly member: T;
	readonly before: number;
}

/**
 * Members row by row, as CSS Grid Layout 2, section 8.5, fills them one after the other (sparse), where none takes more
 * than one row.
 */
export function columnRows<T extends { readonly settings: SettingsAt }>(
	members: readonly T[],
	inside: ColumnsArrangement
): InColumns<T>[][] {
	const rows: InColumns<T>[][] = [];
	for (const member of members) {
		const taken = takenBy(member.settings, inside);
		const row = rows.at(-1);
		const before = takenIn(row);
		const isBeside = row && !member.settings['new-row'] && before + taken.wide <= inside.columns;
		if (isBeside) row.push({ member, before, ...taken });
		else rows.push([{ member, before: 0, ...taken }]);
	}
	return rows;
}

/** How many columns of a row are taken. */
export function takenIn(row: readonly InColumns<unknown>[] | undefined): number {
	const last = row?.at(-1);
	return last ? last.before + last.wide : 0;
}
