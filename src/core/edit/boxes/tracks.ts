import { isEmptyCell, type AreaRow, type AreasArrangement } from '../../model/arrange.ts';
import type { ArrangedRef, Axis } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { splitSizes } from '../../size/css-tokens.ts';
import { countTracks, mostTracks } from '../../size/tracks.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { arrangedAt, writeArrangement, type Arranged } from './arranged.ts';
import { changeColumns } from './columns.ts';
import { bandWord } from './find-box.ts';

/** Edits of columns, rows and areas, each in one band. */

/** Sets the size of one column or row as it is written; several sizes take its place together. */
export function setTrack(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	axis: Axis,
	index: number,
	size: string,
	bandName: string
): void {
	const sizes = splitSizes(size);
	if (isOfOwnSizes(resolved, ref, axis, bandName)) {
		return changeColumns(resolved, surgery, ref, bandName, (words) =>
			words.toSpliced(index, 1, ...(sizes.length === 0 ? ['auto'] : sizes))
		);
	}
	const holding = areasHolding(resolved, ref, bandName);
	const changed = withTracks(
		holding.arrangement,
		axis,
		index,
		sizes.length === 0 ? ['auto'] : sizes
	);
	writeAreas(resolved, surgery, ref, holding, changed);
}

/** Lets areas lie anew: one name a cell, row by row. */
export function setAreas(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	cells: readonly (readonly string[])[],
	bandName: string
): void {
	const holding = areasHolding(resolved, ref, bandName);
	const { arrangement } = holding;
	const rows = arrangement.rows.map((row, at) => ({ ...row, cells: cells[at] ?? row.cells }));
	writeAreas(resolved, surgery, ref, holding, { ...arrangement, rows });
}

/** Puts an empty column or row in front of another; an area on both sides of it lies over it. */
export function addTrack(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	axis: Axis,
	index: number,
	bandName: string,
	count = 1
): void {
	if (isOfOwnSizes(resolved, ref, axis, bandName)) {
		const added = Array.from({ length: Math.min(count, mostTracks) }, () => '1fr');
		return changeColumns(resolved, surgery, ref, bandName, (words) =>
			words.toSpliced(index, 0, ...added)
		);
	}
	const holding = areasHolding(resolved, ref, bandName);
	let changed = holding.arrangement;
	for (let added = 0; added < Math.min(count, mostTracks); added++) {
		changed = axis === 'columns' ? withNewColumn(changed, index) : withNewRow(changed, index);
	}
	writeAreas(resolved, surgery, ref, holding, changed);
}

/** Takes a column or row away, and with `away` those in front of it, with what lies only there. */
export function removeTrack(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	axis: Axis,
	index: number,
	bandName: string,
	away = 1
): void {
	if (isOfOwnSizes(resolved, ref, axis, bandName)) {
		return changeColumns(resolved, surgery, ref, bandName, (words) =>
			words.toSpliced(Math.max(0, index - away + 1), away)
		);
	}
	const holding = areasHolding(resolved, ref, bandName);
	const { arrangement, arranged } = holding;
	const { box } = arranged;
	const count = axis === 'columns' ? columnCount(arrangement) : arrangement.rows.length;
	if (count <= away) throw new CommandRefused(`The last of the ${axis} of ${box.name.text} stays.`);
	let changed = arrangement;
	for (let at = index; at > index - away; at--) changed = withTracks(changed, axis, at, []);
	writeAreas(resolved, surgery, ref, holding, changed);
}

/** Whether tracks of an axis are columns with sizes of their own, which members fill in order. */
function isOfOwnSizes(
	resolved: ResolvedSite,
	ref: ArrangedRef,
	axis: Axis,
	bandName: string
): boolean {
	const { holds } = arrangedAt(resolved, ref, bandName);
	return axis === 'columns' && holds?.kind === 'columns' && holds.sizes !== undefined;
}

export interface Holding {
	readonly arranged: Arranged;
	/** What holds in the band, of areas. */
	readonly arrangement: AreasArrangement;
}

/** The areas in which a box arranges in a band. Throws a CommandRefused where it arranges in another way. */
export function areasHolding(resolved: ResolvedSite, ref: ArrangedRef, bandName: string): Holding {
	const arranged = arrangedAt(resolved, ref, bandName);
	if (arranged.holds?.kind !== 'areas') {
		throw new CommandRefused(`${arranged.box.name.text} is not arranged in areas at ${bandName}.`);
	}
	return { arranged, arrangement: arranged.holds };
}

function columnCount({ rows }: AreasArrangement): number {
	return rows[0]?.cells.length ?? 0;
}

/** The columns as words, of which each but repeat() is one track; auto where fewer are written. */
export function columnWords(arrangement: AreasArrangement): string[] {
	const words = arrangement.columns ? splitSizes(arrangement.columns.text) : [];
	const count = words.reduce((sum, word) => sum + countTracks(word), 0);
	const missing = Math.max(0, columnCount(arrangement) - count);
	return [...words, ...Array.from({ length: missing }, () => 'auto')];
}

/** The word that makes a column; undefined where it comes from a repetition. */
export function wordOfColumn(words: readonly string[], index: number): number | undefined {
	let column = 0;
	for (const [at, word] of words.entries()) {
		if (column === index && !word.startsWith('repeat(')) return at;
		column += countTracks(word);
	}
	return column === index ? words.length : undefined;
}

export function withColumnWords(
	arrangement: AreasArrangement,
	at: number,
	away: number,
	sizes: readonly string[]
): Pick<AreasArrangement, 'columns'> {
	const words = columnWords(arrangement);
	const place = wordOfColumn(words, at);
	if (place === undefined) {
		throw new CommandRefused('This column comes from a repeat(): change that in the text.');
	}
	const text = [...words.slice(0, place), ...sizes, ...words.slice(place + away)].join(' ');
	return { columns: { text, span: arrangement.columns?.span ?? arrangement.span } };
}

/** Puts tracks in the place of one, each with its cells; none takes it away. */
export function withTracks(
	arrangement: AreasArrangement,
	axis: Axis,
	index: number,
	sizes: readonly string[]
): AreasArrangement {
	if (axis === 'rows') {
		const rows = arrangement.rows.flatMap((row, at) =>
			at === index ? sizes.map((size) => ({ ...row, size })) : [row]
		);
		return { ...arrangement, rows };
	}
	const rows = arrangement.rows.map((row) => ({
		...row,
		cells: row.cells.flatMap((cell, at) => (at === index ? sizes.map(() => cell) : [cell]))
	}));
	return { ...arrangement, ...withColumnWords(arrangement, index, 1, sizes), rows };
}

/** What lies in a new cell between two: what lies on both sides of it, else nothing. */
function between(before: string | undefined, behind: string | undefined): string {
	return before !== undefined && before === behind && !isEmptyCell(before) ? before : '.';
}

function withNewColumn(arrangement: AreasArrangement, index: number): AreasArrangement {
	const rows = arrangement.rows.map((row) => ({
		...row,
		cells: row.cells.toSpliced(index, 0, between(row.cells[index - 1], row.cells[index]))
	}));
	return { ...arrangement, ...withColumnWords(arrangement, index, 0, ['1fr']), rows };
}

/** An empty row needs a height, or no one could paint in it. */
const newRowHeight = '80px';

function withNewRow(arrangement: AreasArrangement, index: number): AreasArrangement {
	const [above, below] = [arrangement.rows[index - 1], arrangement.rows[index]];
	const like = above ?? below;
	if (!like) return arrangement;
	const cells = like.cells.map((_, x) => between(above?.cells[x], below?.cells[x]));
	const row = { ...like, cells, size: newRowHeight };
	return { ...arrangement, rows: arrangement.rows.toSpliced(index, 0, row) };
}

/**
 * Writes a changed arrangement where it stands, if that is the band itself; else as one for the band,
 * so that narrower bands stay as they are.
 */
export function writeAreas(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	{ arranged, arrangement }: Holding,
	changed: AreasArrangement
): void {
	const { own, band, bands } = arranged;
	if (own !== arrangement) {
		const lines = areasText(changed, bandWord(bands, band));
		return writeArrangement(resolved, surgery, ref, arranged, lines);
	}
	writeRows(surgery, arrangement, changed);
	const columns = changed.columns?.text;
	if (columns === undefined || columns === arrangement.columns?.text) return;
	if (arrangement.columns) surgery.replace(arrangement.columns.span, columns);
	else surgery.insertInto(arrangement.span, [`columns ${columns}`]);
}

/** Rows that are the same at both ends stay as they are written; what differs between them is written anew. */
function writeRows(surgery: Surgery, before: AreasArrangement, after: AreasArrangement): void {
	const [was, is] = [before.rows.map(rowText), after.rows.map(rowText)];
	const most = Math.min(was.length, is.length);
	let start = 0;
	while (start < most && was[start] === is[start]) start++;
	let end = 0;
	while (end < most - start && was.at(-1 - end) === is.at(-1 - end)) end++;
	const old = before.rows.slice(start, was.length - end);
	const next = after.rows.slice(start, is.length - end);
	if (old.length === next.length) {
		for (const [index, row] of old.entries()) writeRow(surgery, row, next[index] ?? row);
		return;
	}
	const [first, ...others] = old;
	// What is put where something is taken away stands in its place, or it would go with it.
	for (const row of next.length === 0 ? old : others) surgery.remove(row.span);
	if (next.length === 0) return;
	const [above, below] = [before.rows[start - 1], before.rows[start]];
	if (first) surgery.replaceLines(first.span, next.map(rowText));
	else if (above) surgery.insertBelow(above.span, next.map(rowText));
	else if (below) surgery.insertBefore(below.span, next.map(rowText));
}

function writeRow(surgery: Surgery, row: AreaRow, next: AreaRow): void {
	const cells = next.cells.join(' ');
	if (cells !== row.cells.join(' ')) surgery.replace(row.areas.span, `"${cells}"`);
	if (next.size === row.size) return;
	if (row.sizeSpan) surgery.replace(row.sizeSpan, next.size);
	else surgery.insertBehind(row.areas.span, next.size, ' ');
}

function rowText({ cells, size }: Pick<AreaRow, 'cells' | 'size'>): string {
	return `"${cells.join(' ')}" ${size}`;
}

/** What an arrangement in areas is made of, without its places in a text. */
export interface PlainAreas {
	readonly rows: readonly Pick<AreaRow, 'cells' | 'size'>[];
	readonly columns: { readonly text: string } | undefined;
	readonly gap: { readonly text: string } | undefined;
}

/** The lines of an arrangement in areas. */
export function areasText({ rows, columns, gap }: PlainAreas, band: string): string[] {
	return [
		`arrange areas${band} {`,
		...rows.map((row) => `  ${rowText(row)}`),
		...(columns ? [`  columns ${columns.text}`] : []),
		...(gap ? [`  gap ${gap.text}`] : []),
		'}'
	];
}
