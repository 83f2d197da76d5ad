import { plainLayout } from '../example.ts';
import { hint, type Problem } from '../../messages/problem.ts';
import type { ColumnsArrangement } from '../../model/arrange.ts';
import type { SettingsAt } from '../../model/setting.ts';
import type { Span } from '../../model/span.ts';
import {
	arrangementAt,
	bandPlaces,
	settingHolding,
	settingsAt,
	type Bands
} from '../../resolve/bands.ts';
import type { WholeCheck } from '../check.ts';
import { boxAtArrangement, settingAtPlace } from './members.ts';
import { standingIn, type Content, type Standing } from './standing.ts';

const inTwelve = (second: number): string =>
	plainLayout(
		`arrange columns 12; region bean as div { span 7; piece words """<p>Bean</p>""" }; region pea as div { span ${second}; piece words """<p>Pea</p>""" }`
	);
const inRows = (rows: number): string =>
	plainLayout(
		`arrange columns 2 rows ${rows}; region bean as div { span 2; piece words """<p>Bean</p>""" }`
	);

export const rowsFilled: WholeCheck = {
	of: 'whole',
	codes: ['row-not-full', 'rows-more'],
	what: 'In columns, what is to stand beside each other has room there, and there are as many rows as are said.',
	why: 'What finds no room begins a row of its own and leaves a hole; a row beyond those that are said is not equal to them.',
	examples: {
		'row-not-full': { wrong: inTwelve(6), mended: inTwelve(5) },
		'rows-more': { wrong: inRows(1), mended: inRows(2) }
	},
	find(resolved) {
		const { bands } = resolved.site.settings;
		const found = new Map<Span, Problem>();
		for (const standing of standingIn(resolved)) {
			for (const place of bandPlaces(bands)) {
				for (const problem of findIn(standing, bands, place)) {
					if (!found.has(problem.span)) found.set(problem.span, problem);
				}
			}
		}
		return [...found.values()];
	},
	mend(problem, resolved) {
		if (problem.code === 'rows-more') {
			const [, columns, , rows] = problem.details;
			const there = boxAtArrangement(problem.span, resolved);
			return there && { kind: 'set-counts', ...there, columns, rows };
		}
		// That it begins a row is what is drawn already: said, it is meant.
		const there = settingAtPlace(problem.span, resolved);
		if (problem.code !== 'row-not-full' || !there) return undefined;
		const { box, band } = there;
		return { kind: 'set-setting', box, setting: 'new-row', value: '', band };
	}
};

/** What takes so many columns, in the order in which it stands. */
interface Item {
	readonly content: Content;
	/** With the columns that are free before it. */
	readonly wide: number;
	readonly beginsRow: boolean;
}

function findIn({ box, contents }: Standing, bands: Bands, place: number): Problem[] {
	const inside = arrangementAt(box.arrangements, bands, place);
	if (inside?.kind !== 'columns' || inside.columns < 2) return [];
	const seen = contents
		.map((content) => ({ content, at: settingsAt(content.settings, bands, place) }))
		.filter(({ at: { show } }) => show?.kind !== 'hidden' && show?.kind !== 'drawer');
	// Where one stands over several rows, the next ones stand beside it.
	if (seen.some(({ at }) => (at.span?.rows ?? 1) > 1)) return [];
	const rows = rowsOf(seen.map(({ content, at }) => itemOf(content, at, inside)), inside.columns);
	const holes = rows.flatMap((row, index) => {
		const next = rows[index + 1]?.[0];
		const at = next && settingHolding(next.content.settings, 'span', bands, place)?.span;
		const left = inside.columns - sumOf(row);
		if (!at || left === 0 || !isMeantBeside(row, next, inside.columns)) return [];
		const names = row.map(({ content }) => content.name.text).join(', ');
		return [hint('row-not-full', at, box.name.text, inside.columns, names, next.content.name.text, next.wide, left)];
	});
	const { rows: said } = inside;
	if (said === undefined || rows.length <= said) return holes;
	return [...holes, hint('rows-more', inside.span, box.name.text, inside.columns, said, rows.length)];
} // prettier-ignore

function itemOf(content: Content, at: SettingsAt, { columns }: ColumnsArrangement): Item {
	const span = at.span === undefined || at.span.columns === 'all' ? columns : at.span.columns;
	return {
		content,
		wide: Math.min(columns, span + (at.offset ?? 0)),
		beginsRow: at['new-row'] ?? false
	};
}

/** Row by row, as CSS Grid Layout 2, section 8.5, fills them one after the other. */
function rowsOf(items: readonly Item[], columns: number): Item[][] {
	const rows: Item[][] = [];
	for (const item of items) {
		const row = rows.at(-1);
		if (row && !item.beginsRow && sumOf(row) + item.wide <= columns) row.push(item);
		else rows.push([item]);
	}
	return rows;
}

function sumOf(row: readonly Item[]): number {
	return row.reduce((sum, { wide }) => sum + wide, 0);
}

/** A row that says itself where it begins, one over all columns, or a column of boxes as wide as each other is no slip. */
function isMeantBeside(row: readonly Item[], next: Item, columns: number): boolean {
	if (next.beginsRow || next.wide === columns) return false;
	return !(row.length === 1 && row.every(({ wide }) => wide === next.wide && wide * 2 > columns));
}
