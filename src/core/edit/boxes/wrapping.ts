import { areasOf, type AreasArrangement, type Arrangement } from '../../model/arrange.ts';
import { listWords } from '../../messages/wording.ts';
import type { PieceGroup, Wrapper } from '../../model/site.ts';
import type { Named, Span } from '../../model/span.ts';
import { bandPlace, type Bands } from '../../resolve/bands.ts';
import { contentsOf } from '../../resolve/boxes/members.ts';
import { CommandRefused } from '../proposal.ts';
import { indentLines, type Surgery } from '../surgery.ts';
import { columnsWords } from './columns.ts';
import { bandWord } from './find-box.ts';
import { areasText, columnWords } from './tracks.ts';

/** Boxes that are put around others and taken away: wrappers of regions, and groups of pieces. */

/** A box around others. */
type Around = Wrapper | PieceGroup;

/** What is to get a box around it: where it stands, and its name. */
interface Wrapped {
	readonly name: Named;
	readonly span: Span;
}

/**
 * Puts a box around some of what stands in one place, in the place of the first. In areas they must fill a rectangle,
 * which the box then takes, arranging them inside as they lay.
 */
export function wrapAround(
	surgery: Surgery,
	wrapped: readonly Wrapped[],
	arrangements: readonly Arrangement[],
	name: string,
	bands: Bands
): void {
	const names = wrapped.map((one) => one.name.text);
	const inside = arrangements.flatMap((one) => takeOut(surgery, one, names, name, bands));
	const [head, ...rest] = wrapped;
	if (!head) return;
	const lines = wrapped.flatMap((one) => surgery.linesOf(one.span));
	surgery.replaceLines(head.span, [
		`wrapper ${name} {`,
		...[...inside, ...lines].map((line) => indentLines([line], '  ')),
		'}'
	]);
	for (const one of rest) surgery.remove(one.span);
}

/** Takes a box away; what it holds stands where it stood, in areas in its place. Gives what goes with it. */
export function unwrapIn(
	surgery: Surgery,
	box: Around,
	arrangements: readonly Arrangement[]
): string[] {
	for (const arrangement of arrangements) {
		if (arrangement.kind === 'areas') unfold(surgery, arrangement, box);
	}
	const inner = contentsOf(box);
	surgery.replaceLines(
		box.span,
		inner.flatMap((one) => surgery.linesOf(one.span))
	);
	const set = [...new Set(box.settings.map(({ kind }) => kind))];
	if (set.length === 0) return [];
	return [`This also removes what ${box.name.text} sets itself (${listWords(set)}).`];
}

/** Lets a wrapper take the place of members in an arrangement; gives how they lie inside it. */
function takeOut(
	surgery: Surgery,
	arrangement: Arrangement,
	names: readonly string[],
	name: string,
	bands: Bands
): string[] {
	const band = bandWord(bands, Math.max(0, bandPlace(bands, arrangement.band)));
	if (arrangement.kind !== 'areas') {
		const { kind, gap } = arrangement;
		const words = kind === 'columns' ? columnsWords(arrangement) : kind;
		return [`arrange ${words}${band}${gap ? ` { gap ${gap.text} }` : ''}`];
	}
	const places = [...areasOf(arrangement.rows)].filter(([area]) => names.includes(area));
	if (places.length === 0) return [];
	const [left, right] = [
		Math.min(...places.map(([, { x }]) => x.from)),
		Math.max(...places.map(([, { x }]) => x.to))
	];
	const [top, bottom] = [
		Math.min(...places.map(([, { y }]) => y.from)),
		Math.max(...places.map(([, { y }]) => y.to))
	];
	const rows = arrangement.rows.slice(top, bottom);
	const cells = rows.map((row) => row.cells.slice(left, right));
	const stranger = cells.flat().find((cell) => !names.includes(cell) && !/^\.+$/.test(cell));
	if (stranger !== undefined) {
		throw new CommandRefused(
			`${listWords(names)} cannot get a wrapper: ${stranger} lies between them${band ? ` at${band}` : ''}.`,
			rows[0]?.areas.span
		);
	}
	for (const row of rows) {
		const changed = row.cells.map((cell, x) => (x >= left && x < right ? name : cell));
		surgery.replace(row.areas.span, `"${changed.join(' ')}"`);
	}
	const columns = columnWords(arrangement).slice(left, right).join(' ');
	return areasText(
		{
			rows: rows.map((row, y) => ({ cells: cells[y] ?? [], size: row.size })),
			columns: arrangement.columns && { text: columns },
			gap: arrangement.gap
		},
		band
	);
}

/** The cells of a wrapper become those of its members, where they fit; else they lie one below the other. */
function unfold(surgery: Surgery, outer: AreasArrangement, wrapper: Around): void {
	const place = areasOf(outer.rows).get(wrapper.name.text);
	if (!place) return;
	const inner = cellsInside(wrapper, outer);
	const width = Math.max(...inner.map((row) => row.length));
	const fits = place.x.to - place.x.from === width || width === 1;
	if (!fits) {
		throw new CommandRefused(
			`${wrapper.name.text} lies over ${place.x.to - place.x.from} columns and has ${width} inside: give both as many, then take it away.`,
			wrapper.name.span
		);
	}
	const rowsOf = (index: number): readonly string[] => inner[index] ?? inner.at(-1) ?? ['.'];
	for (let y = place.y.from; y < place.y.to; y++) {
		const row = outer.rows[y];
		if (!row) continue;
		const own = y === place.y.to - 1 ? inner.slice(y - place.y.from) : [rowsOf(y - place.y.from)];
		const lines = (own.length === 0 ? [rowsOf(y)] : own).map((cells) =>
			row.cells
				.map((cell, x) => {
					if (cell !== wrapper.name.text) return cell;
					return cells[cells.length === 1 ? 0 : x - place.x.from] ?? '.';
				})
				.join(' ')
		);
		const [first = '', ...more] = lines;
		surgery.replace(row.areas.span, `"${first}"`);
		if (more.length > 0) {
			surgery.insertBelow(
				row.span,
				more.map((cells) => `"${cells}" auto`)
			);
		}
	}
}

/** How members of a wrapper lie, row by row, as it is written for the band of the arrangement around it. */
function cellsInside(wrapper: Around, outer: AreasArrangement): (readonly string[])[] {
	const same = wrapper.arrangements.find((one) => one.band?.text === outer.band?.text);
	const holds = same ?? wrapper.arrangements.find((one) => one.band === undefined);
	const names = contentsOf(wrapper).map((one) => one.name.text);
	if (holds?.kind === 'areas') return holds.rows.map((row) => row.cells);
	return holds?.kind === 'row' ? [names] : names.map((one) => [one]);
}
