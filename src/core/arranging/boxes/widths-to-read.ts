import { wordOfRows, rowsOf } from './structure.ts';
import type { FrameReading, WidthReading } from '../frame/reading.ts';
import { boxesAt, type Shape } from './unit-box.ts';
import { withInnerUnits, type Unit } from './units.ts';

/** The narrowest and the widest screen that is read, px. */
const readFrom = 320;
const readTo = 1920;

const asItIs: Shape = { trims: new Map(), drawnIn: new Set(), goesAround: new Map() };

/** Widths that are read first, px. */
const firstWidths = [readFrom, 480, 640, 768, 900, 1024, 1280, 1600, readTo];

/**
 * Widths at which a frame is still to be read before it is known how its boxes lie at all: on both sides of what media
 * queries ask, and between two widths at which boxes lie in another order, until it is known from which px on.
 */
export function widthsToRead({ at, edges }: FrameReading, units: readonly Unit[]): number[] {
	const known = new Set(at.map(({ width }) => width));
	const first = at.length === 0 ? firstWidths : aroundEdges(edges);
	const missing = first.filter((width) => !known.has(width));
	if (missing.length > 0) return missing;
	const starts = new Set(edges);
	return at.flatMap((reading, place) => {
		const before = at[place - 1];
		if (
			!before ||
			starts.has(reading.width) ||
			orderWord(before, units) === orderWord(reading, units)
		)
			return [];
		const middle = Math.floor((before.width + reading.width) / 2);
		return middle > before.width ? [middle] : [];
	});
}

/** The widths from which on boxes lie in another order, where no media query says so. */
export function turnsIn({ at, edges }: FrameReading, units: readonly Unit[]): number[] {
	const starts = new Set(edges);
	return at.flatMap((reading, place) => {
		const before = at[place - 1];
		const isTurn =
			before !== undefined &&
			!starts.has(reading.width) &&
			reading.width - before.width <= 1 &&
			orderWord(before, units) !== orderWord(reading, units);
		return isTurn ? [reading.width] : [];
	});
}

/** Each stretch between edges is read at its ends and in its middle. */
function aroundEdges(edges: readonly number[]): number[] {
	const inside = edges.filter((edge) => edge > readFrom && edge <= readTo);
	const starts = [readFrom, ...inside];
	return [...starts.entries()].flatMap(([place, from]) => {
		const to = (starts[place + 1] ?? readTo + 1) - 1;
		return to > from ? [from, Math.floor((from + to) / 2), to] : [from];
	});
}

/** How all boxes lie at a width, and which are there. */
function orderWord(reading: WidthReading, units: readonly Unit[]): string {
	const inside = (list: readonly Unit[]): string =>
		wordOfRows(rowsOf(boxesAt(list, reading, asItIs)));
	const wrappers = withInnerUnits(units).flatMap((unit) =>
		unit.kind === 'wrapper' ? [unit.units] : []
	);
	return [units, ...wrappers].map(inside).join('; ');
}
