import type { PlacedBox } from '../geometry/page-layout.ts';
import { Sweep } from '../geometry/widths/sweep.ts';
import { Guesses } from '../laid/guesses.ts';
import { layoutBy } from '../laid/laid-page.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** The room that a picture has, over widths of the screen between which it grows evenly. */
export interface RoomLine {
	/** Widths of the screen, px, both inclusive. */
	readonly from: number;
	readonly to: number;
	/** px at both of them. */
	readonly first: number;
	readonly last: number;
}

/** px; narrower screens are not held, and on wider ones everything goes on as it is. */
const [narrowest, widest] = [280, 2560];
const screenHeight = 800;

/** A piece, with the layer that brings it. */
export interface PieceOnPage {
	readonly owner: string;
	readonly piece: string;
}

/** How wide the box is that a piece stands in, at every width of the screen at which it shows. */
export function roomOf(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number,
	{ owner, piece }: PieceOnPage
): RoomLine[] {
	const guesses = new Guesses(instance, resolved, year);
	const layout = layoutBy((key) => guesses.once(key), instance, resolved, 0);
	const { stretches } = Sweep.over(layout, narrowest, widest, screenHeight);
	const holds = ({ name }: PlacedBox): boolean =>
		name.pieces.some((one) => one.owner === owner && one.piece === piece);
	return stretches.flatMap(({ from, to, first, last }) => {
		const at = first.findIndex(holds);
		const [start, end] = [first[at], last[at]];
		return start && end ? [{ from, to, first: start.width, last: end.width }] : [];
	});
}
