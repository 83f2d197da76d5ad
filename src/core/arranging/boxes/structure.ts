import type { UnitBox } from './unit-box.ts';
import type { Unit } from './units.ts';

/** Units that lie side by side: groups from left to right, and in each what lies one below the other. */
export type Row = readonly (readonly Unit[])[];

/** px by which boxes may reach over each other and still lie beside each other. */
const grain = 1;

/** How units lie at one width: rows from top to bottom, those in a row from left to right. */
export function rowsOf(boxes: ReadonlyMap<Unit, UnitBox>): Row[] {
	return parted([...boxes], ({ bare }) => [bare.top, bare.bottom]).map((row) =>
		parted(row, ({ left, right }) => [left, right]).map((group) =>
			group.sort(([, a], [, b]) => a.top - b.top || a.left - b.left).map(([unit]) => unit)
		)
	);
}

/** The same rows, groups and units give the same word. */
export function wordOfRows(rows: readonly Row[]): string {
	return rows
		.map((row) => row.map((group) => group.map(({ name }) => name).join('/')).join(' '))
		.join(', ');
}

/** What lies over the same stretch of one axis is together. */
function parted(
	boxes: readonly (readonly [Unit, UnitBox])[],
	ends: (box: UnitBox) => readonly [number, number]
): [Unit, UnitBox][][] {
	const sorted = boxes
		.map(([unit, box]): [Unit, UnitBox, readonly [number, number]] => [unit, box, ends(box)])
		.sort(([, , a], [, , b]) => a[0] - b[0] || a[1] - b[1]);
	const parts: [Unit, UnitBox][][] = [];
	let end = -Infinity;
	for (const [unit, box, [from, to]] of sorted) {
		if (parts.length > 0 && from < end - grain) parts.at(-1)?.push([unit, box]);
		else parts.push([[unit, box]]);
		end = Math.max(end, to);
	}
	return parts;
}
