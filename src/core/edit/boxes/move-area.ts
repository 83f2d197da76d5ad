import {
	areasOf,
	isEmptyCell,
	type AreaPlace,
	type AreasArrangement
} from '../../model/arrange.ts';
import { isPieceRef, type ArrangedRef, type Side } from '../../model/command.ts';
import { contentsOf } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { arrangedAt } from './arranged.ts';
import { findArranging } from './find-box.ts';
import { placeMember } from './members.ts';
import { areasHolding, withColumnWords, withTracks, writeAreas } from './tracks.ts';

/**
 * Lets a member change places with another one, or puts it to one of its sides. In areas it gets a column
 * or row of its own there, and what becomes empty goes; elsewhere the order of reading changes.
 */
export function moveArea(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	member: string,
	target: string,
	side: Side,
	bandName: string
): void {
	const { holds } = arrangedAt(resolved, ref, bandName);
	if (holds?.kind !== 'areas') return moveInLine(resolved, surgery, ref, member, target, side);
	const holding = areasHolding(resolved, ref, bandName);
	const { arrangement } = holding;
	const changed =
		side === 'swap'
			? swapped(arrangement, member, target)
			: beside(arrangement, member, target, side);
	writeAreas(resolved, surgery, ref, holding, changed);
}

function moveInLine(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	member: string,
	target: string,
	side: Side
): void {
	const box = findArranging(resolved, ref);
	const where = side === 'left' || side === 'above' ? 'before' : 'after';
	if (side !== 'swap' && !isPieceRef(ref) && box.kind !== 'region') {
		placeMember(resolved, surgery, ref.layout, member, { name: target, where });
		return;
	}
	const [one, other] = [member, target].map((name) =>
		contentsOf(box).find((found) => found.name.text === name)
	);
	if (!one || !other) throw new CommandRefused(`${member} and ${target} do not stand in one box.`);
	if (side !== 'swap') return surgery.moveBeside(one.span, other.span, where);
	surgery.replaceLines(one.span, surgery.linesOf(other.span));
	surgery.replaceLines(other.span, surgery.linesOf(one.span));
}

function swapped(arrangement: AreasArrangement, one: string, other: string): AreasArrangement {
	const name = (cell: string): string => (cell === one ? other : cell === other ? one : cell);
	const rows = arrangement.rows.map((row) => ({ ...row, cells: row.cells.map(name) }));
	return { ...arrangement, rows };
}

function beside(
	arrangement: AreasArrangement,
	member: string,
	target: string,
	side: Exclude<Side, 'swap'>
): AreasArrangement {
	const place = areasOf(arrangement.rows).get(target);
	if (!place) throw new CommandRefused(`${target} has no area there.`);
	const own = areasOf(arrangement.rows).get(member);
	const cleared = {
		...arrangement,
		rows: arrangement.rows.map((row) => ({
			...row,
			cells: row.cells.map((cell) => (cell === member ? left : cell))
		}))
	};
	const put =
		side === 'left' || side === 'right'
			? withColumn(cleared, member, place, side === 'left' ? place.x.from : place.x.to, own)
			: withRow(cleared, member, place, side === 'above' ? place.y.from : place.y.to);
	const { rows, ...others } = withoutEmpty(put);
	return {
		...others,
		rows: rows.map((row) => ({
			...row,
			cells: row.cells.map((cell) => (cell === left ? '.' : cell))
		}))
	};
}

/** A cell that the member left, until it is clear what becomes of it: other empty cells are meant to be so. */
const left = '. left';

/** A column for a member beside a place; what lies above and below reaches over it. */
function withColumn(
	arrangement: AreasArrangement,
	member: string,
	place: AreaPlace,
	x: number,
	own: AreaPlace | undefined
): AreasArrangement {
	const rows = arrangement.rows.map((row, y) => {
		const isBeside = y >= place.y.from && y < place.y.to;
		const cell = isBeside ? member : (row.cells[x === 0 ? 0 : x - 1] ?? '.');
		return { ...row, cells: row.cells.toSpliced(x, 0, cell) };
	});
	// It keeps its width where it had a column of its own.
	const width = own && own.x.to - own.x.from === 1 ? columnSize(arrangement, own.x.from) : '1fr';
	return { ...arrangement, ...withColumnWords(arrangement, x, 0, [width]), rows };
}

function columnSize(arrangement: AreasArrangement, x: number): string {
	const words = arrangement.columns?.text.split(/\s+(?![^(]*\))/) ?? [];
	return words[x] ?? '1fr';
}

function withRow(
	arrangement: AreasArrangement,
	member: string,
	place: AreaPlace,
	y: number
): AreasArrangement {
	const like = arrangement.rows[y === 0 ? 0 : y - 1];
	if (!like) return arrangement;
	const cells = like.cells.map((cell, x) => (x >= place.x.from && x < place.x.to ? member : cell));
	return {
		...arrangement,
		rows: arrangement.rows.toSpliced(y, 0, { ...like, cells, size: 'auto' })
	};
}

/** Without the columns and rows in which nothing lies any more but what reaches over them. */
function withoutEmpty(arrangement: AreasArrangement): AreasArrangement {
	const rows = arrangement.rows.map(({ cells }) => cells);
	const columns = rows[0]?.map((_, x) => rows.map((cells) => cells[x] ?? '.')) ?? [];
	const emptyRow = needless(rows);
	if (emptyRow !== -1) return withoutEmpty(withTracks(arrangement, 'rows', emptyRow, []));
	const emptyColumn = needless(columns);
	if (emptyColumn !== -1) return withoutEmpty(withTracks(arrangement, 'columns', emptyColumn, []));
	return arrangement;
}

/** The first of some lines of cells that the member left, and that has else only what the line beside it has too; -1 for none. */
function needless(lines: readonly (readonly string[])[]): number {
	if (lines.length < 2) return -1;
	return lines.findIndex((line, index) => {
		const [before, after] = [lines[index - 1], lines[index + 1]];
		return (
			line.includes(left) &&
			line.every(
				(cell, at) =>
					cell === left || isEmptyCell(cell) || cell === before?.[at] || cell === after?.[at]
			)
		);
	});
}
