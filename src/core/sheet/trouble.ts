import type { PlacedBox } from '../geometry/page-layout.ts';
import { beyondScreen } from '../geometry/sticking-out.ts';
import { boxWords } from '../check/fit/box-words.ts';
import type { Column } from './columns.ts';

/** Something of a page that does not fit on a screen. */
export interface Trouble {
	readonly column: Column;
	/** The innermost box that reaches beyond the edge, in words. */
	readonly box: string;
	/** The region that it stands in. */
	readonly region: string | undefined;
	/** By how much, px. */
	readonly by: number;
}

/** px; browsers round to less. */
const tolerance = 1;

/** What makes a page wider than a screen: the innermost of the boxes that reach farthest. */
export function troubleOn(
	boxes: readonly PlacedBox[],
	column: Column,
	isMirrored: boolean
): Trouble | undefined {
	let found: Trouble | undefined;
	for (const box of boxes) {
		const { name } = box;
		const { left, right } = beyondScreen(box, column.width, isMirrored);
		const by = Math.max(left, right);
		if (by <= tolerance || by < (found?.by ?? 0) - tolerance) continue;
		found = { column, box: boxWords(name), region: name.region, by: Math.round(by) };
	}
	return found;
}

/** The same on several screens, as one sentence each. */
export function troubleWords(troubles: readonly Trouble[]): string[] {
	return troubles.map(
		({ column: { name, width }, box, by }) =>
			`At ${name === '' ? '' : `${name} `}${width} px ${box} reaches ${by} px beyond the edge.`
	);
}
