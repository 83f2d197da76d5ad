import { plainLayout } from '../../example.ts';
import { hint, type Problem } from '../../../messages/problem.ts';
import type { SettingsAt } from '../../../model/setting.ts';
import type { Span } from '../../../model/span.ts';
import {
	arrangementAt,
	bandPlaces,
	settingHolding,
	settingsAt,
	type Bands
} from '../../../resolve/bands.ts';
import {
	columnRows,
	takenIn,
	type InColumns,
	type TakenColumns
} from '../../../settings/arrangements/column-rows.ts';
import { isApart } from '../../../settings/member/show.ts';
import type { WholeCheck } from '../../check.ts';
import { boxAtArrangement, settingAtPlace } from '../members.ts';
import { standingIn, type Standing } from '../standing.ts';

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
			const [, , , rows] = problem.details;
			const there = boxAtArrangement(problem.span, resolved);
			return there && { kind: 'set-columns', ...there, said: { rows } };
		}
		// That it begins a row is what is drawn already: said, it is meant.
		const there = settingAtPlace(problem.span, resolved);
		if (problem.code !== 'row-not-full' || !there) return undefined;
		const { box, band } = there;
		return { kind: 'set-setting', box, setting: 'new-row', value: '', band };
	}
};

function findIn({ box, contents }: Standing, bands: Bands, place: number): Problem[] {
	const inside = arrangementAt(box.arrangements, bands, place);
	if (inside?.kind !== 'columns' || inside.columns < 2) return [];
	const seen = contents
		.map(({ name, settings }) => ({ name, written: settings, settings: settingsAt(settings, bands, place) }))
		.filter(({ settings }) => !isApart(settings));
	// Where one stands over several rows, the next ones stand beside it.
	if (seen.some(({ settings }) => (settings.span?.rows ?? 1) > 1)) return [];
	const { columns } = inside;
	const rows = columnRows(seen, inside);
	const holes = rows.flatMap((row, index) => {
		const next = rows[index + 1]?.[0];
		const at = next && settingHolding(next.member.written, 'span', bands, place)?.span;
		const left = columns - takenIn(row);
		if (!at || left === 0 || isMeant(row, next, columns)) return [];
		const names = row.map(({ member }) => member.name.text).join(', ');
		return [hint('row-not-full', at, box.name.text, columns, names, next.member.name.text, next.wide, left)];
	});
	const { rows: said } = inside;
	if (said === undefined || inside.equalRows || rows.length <= said) return holes;
	return [...holes, hint('rows-more', inside.span, box.name.text, columns, said, rows.length)];
} // prettier-ignore

/** A row that says itself where it begins, one over all columns, or a column of boxes as wide as each other is no slip. */
function isMeant(
	row: readonly TakenColumns[],
	next: InColumns<{ readonly settings: SettingsAt }>,
	columns: number
): boolean {
	if (next.member.settings['new-row'] || next.wide === columns) return true;
	return row.length === 1 && row.every(({ wide }) => wide === next.wide && wide * 2 > columns);
}
