import { exceeds, larger, smaller } from '../../size/turns.ts';
import type { BoxName } from '../layout-box.ts';
import type { PlacedBox } from '../page-layout.ts';
import type { Values } from './curve.ts';

/** A box that lies where sheets of the site's own put it. */
export interface MarkedBox {
	readonly name: BoxName;
	/** The elements that it is made of, by their places among all that carry marks; those of a run count as one. */
	readonly elements: readonly number[];
	/** The box around it, by its place among these. */
	readonly inside: number | undefined;
}

/** What is measured of each marked element, or run of them: x, y, width and height, px, and 1 where what is around hides or scrolls it. */
const numbersEach = 5;

interface Measured {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly isHeld: boolean;
}

/**
 * The boxes as they were measured, px of the page; those that are not there are left out. `around` is the place of
 * the box that all of them stand in.
 */
export function measuredBoxes(
	marked: readonly MarkedBox[],
	numbers: Values,
	around: { readonly place: number; readonly width: number }
): PlacedBox[] {
	const placed: PlacedBox[] = [];
	const places = new Map<number, number>();
	for (const [index, { name, elements, inside }] of marked.entries()) {
		const sides = elements.flatMap((element) => sidesOf(numbers, element));
		const all = sides.length > 0 ? sides.reduce(joined) : undefined;
		if (!all) continue;
		places.set(index, around.place + 1 + placed.length);
		const { isHeld, ...at } = all;
		// What lies wholly beside the page is hidden there on purpose.
		const isAway = !exceeds(at.x + at.width, 0) || !exceeds(around.width, at.x);
		placed.push({
			name,
			...at,
			overflowX: 0,
			overflowY: 0,
			cut: 0,
			scrolls: false,
			inScroller: isHeld || isAway,
			lines: undefined,
			inside: placeAround(inside, marked, places) ?? around.place,
			sticking: undefined
		});
	}
	return placed;
}

function sidesOf(numbers: Values, element: number): Measured[] {
	const from = element * numbersEach;
	const [x, y, width, height, held] = numbers.slice(from, from + numbersEach);
	if (x === undefined || y === undefined || width === undefined || height === undefined) return [];
	if (!exceeds(width, 0) && !exceeds(height, 0)) return [];
	return [{ x, y, width, height, isHeld: exceeds(held ?? 0, 0.5) }];
}

function joined(a: Measured, b: Measured): Measured {
	const x = smaller(a.x, b.x);
	const y = smaller(a.y, b.y);
	const width = larger(a.x + a.width, b.x + b.width) - x;
	const height = larger(a.y + a.height, b.y + b.height) - y;
	return { x, y, width, height, isHeld: a.isHeld && b.isHeld };
}

/** The place of the nearest box around that is there. */
function placeAround(
	inside: number | undefined,
	marked: readonly MarkedBox[],
	places: ReadonlyMap<number, number>
): number | undefined {
	let at = inside;
	while (at !== undefined && !places.has(at)) at = marked[at]?.inside;
	return at === undefined ? undefined : places.get(at);
}
