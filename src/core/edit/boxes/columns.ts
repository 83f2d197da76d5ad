import type { ColumnsArrangement } from '../../model/arrange.ts';
import type { ArrangedRef, ColumnsSaid } from '../../model/command.ts';
import { settingsAt } from '../../resolve/bands.ts';
import { contentsOf } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { columnRows } from '../../settings/arrangements/column-rows.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import { countTracks } from '../../size/tracks.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { arrangedAt, writeArrangement, type Arranged } from './arranged.ts';
import { bandWord } from './find-box.ts';

/** Edits of columns that members fill in order. */

/** Says something anew of the columns that hold in a band. */
export function setColumns(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	said: Partial<ColumnsSaid>,
	bandName: string
): void {
	const arranged = arrangedAt(resolved, ref, bandName);
	const { box, holds, own, band, bands } = arranged;
	if (holds?.kind !== 'columns') {
		throw new CommandRefused(`${box.name.text} is not arranged in columns at ${bandName}.`);
	}
	const words = textOf({ ...saidOf(holds), ...said });
	if (own !== holds) {
		const gap = holds.gap ? ` { gap ${holds.gap.text} }` : '';
		const lines = [`arrange ${words}${bandWord(bands, band)}${gap}`];
		return writeArrangement(resolved, surgery, ref, arranged, lines);
	}
	const { atoms } = surgery.statementAt(holds.span);
	const first = atoms[1];
	const last = atoms.findLast((atom) => atom.kind !== 'band');
	if (first && last) surgery.replace({ ...first.span, to: last.span.to }, words);
}

/** Changes the sizes of columns that have their own, word by word; the last one stays. */
export function changeColumns(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	bandName: string,
	change: (words: readonly string[]) => readonly string[]
): void {
	const { box, holds } = arrangedAt(resolved, ref, bandName);
	const text = holds?.kind === 'columns' ? (holds.sizes?.text ?? '') : '';
	const words = splitSizes(text);
	if (words.length !== countTracks(text)) {
		throw new CommandRefused('These columns come from a repeat(): change that in the text.');
	}
	const columns = change(words).join(' ');
	if (columns === '')
		throw new CommandRefused(`The last of the columns of ${box.name.text} stays.`);
	setColumns(resolved, surgery, ref, { columns }, bandName);
}

/** An arrangement in columns as it is written behind `arrange`. */
export function columnsWords(arrangement: ColumnsArrangement): string {
	return textOf(saidOf(arrangement));
}

/** What an edit of columns does, in a few words. */
export function columnsLabel({ columns, each, rows, equalRows }: Partial<ColumnsSaid>): string {
	if (columns !== undefined) return `columns ${columns}`;
	if (each !== undefined) return each === 'unsaid' ? 'each says itself' : `each takes ${each}`;
	if (rows !== undefined) return rows === 'any' ? 'rows as needed' : `rows ${rows}`;
	return equalRows === true ? 'rows of equal height' : 'rows as high as they need';
}

/** What is said of columns. */
export function saidOf({ columns, sizes, each, rows, equalRows }: ColumnsArrangement): ColumnsSaid {
	return {
		columns: sizes?.text ?? String(columns),
		each: each?.count ?? 'unsaid',
		rows: rows ?? 'any',
		equalRows
	};
}

function textOf({ columns, each, rows, equalRows }: ColumnsSaid): string {
	return [
		`columns ${columns}`,
		...(each === 'unsaid' ? [] : [`each ${each}`]),
		...(rows === 'any' ? [] : [`rows ${rows}${equalRows ? ' equal' : ''}`])
	].join(' ');
}

/** The areas in which columns show their members, and the widths of the columns. */
export function cellsInColumns(
	{ box, band, bands }: Arranged,
	inside: ColumnsArrangement
): { cells: string[][]; columns: string } {
	const members = contentsOf(box).map(({ name, settings }) => ({
		name: name.text,
		settings: settingsAt(settings, bands, band)
	}));
	const rows = columnRows(members, inside).map((row) => {
		const cells = Array.from({ length: inside.columns }, () => '.');
		for (const { member, before, offset, wide } of row) {
			cells.fill(member.name, before + offset, before + wide);
		}
		return cells;
	});
	if (inside.sizes) return { cells: rows, columns: inside.sizes.text };
	return withoutTwins(rows, inside.columns);
}

/** Neighbouring columns with the same cells become one, as many shares wide. */
function withoutTwins(
	rows: readonly string[][],
	count: number
): { cells: string[][]; columns: string } {
	const isTwin = (x: number): boolean => x > 0 && rows.every((row) => row[x] === row[x - 1]);
	const starts = Array.from({ length: count }, (_, x) => x).filter((x) => !isTwin(x));
	const shares = starts.map((start, index) => (starts[index + 1] ?? count) - start);
	return {
		cells: rows.map((row) => starts.map((x) => row[x] ?? '.')),
		columns: shares.map((share) => `minmax(0, ${share}fr)`).join(' ')
	};
}
