import type { ReadBox, WidthReading } from '../frame/reading.ts';
import type { Unit } from './units.ts';

/** px by which two lengths may differ that are the same. */
export const close = 0.6;

/** A box as a unit lies at one width, px of the page. */
export interface UnitBox extends Pick<
	ReadBox,
	| 'border'
	| 'padding'
	| 'flow'
	| 'isHug'
	| 'saidHeight'
	| 'saidMin'
	| 'isPainted'
	| 'sharesRows'
	| 'keepsContent'
> {
	readonly left: number;
	readonly top: number;
	readonly right: number;
	readonly bottom: number;
	/** The same without margins of what is in it. */
	readonly bare: Pick<Room, 'top' | 'bottom'>;
}

/** The room inside the borders and padding of a box. */
export interface Room {
	readonly left: number;
	readonly top: number;
	readonly right: number;
	readonly bottom: number;
}

/** Sides at which margins of what is in a region are taken away, and said outside of it. */
export interface Trim {
	/** How deep in it the elements stand whose margins those are; 0: it keeps them. */
	readonly top: number;
	readonly bottom: number;
}

/** What is another about boxes than about the elements that they were. */
export interface Shape {
	readonly trims: ReadonlyMap<Unit, Trim>;
	/** Wrappers that are no wider than what is in them: as they were they lay over what is beside them. */
	readonly drawnIn: ReadonlySet<Unit>;
	/** What floats beside a unit, whose words went around it; the unit begins behind that. */
	readonly goesAround: ReadonlyMap<Unit, ReadonlySet<Unit>>;
}

/**
 * Where a unit lies: around all that it was. A region keeps the margins of what is in it, so it begins where those do,
 * and a wrapper is around all of its members. Undefined where nothing of it is shown.
 */
export function unitBox(unit: Unit, reading: WidthReading, shape: Shape): UnitBox | undefined {
	const own = unit.words.flatMap((word) => reading.parts[word] ?? []);
	const [first] = own;
	if (!first) return undefined;
	const trim = shape.trims.get(unit);
	const boxes = own.map((box) => around(box, unit, trim));
	const inner =
		unit.kind === 'wrapper' ? unit.units.flatMap((one) => unitBox(one, reading, shape) ?? []) : [];
	const all = [...boxes, ...inner];
	const bare = own.map((box) => around(box, unit, { top: 1, bottom: 1 }));
	const { border, padding, flow, saidHeight, saidMin, isPainted, sharesRows } = first;
	const wide = shape.drawnIn.has(unit) && inner.length > 0 ? inner : boxes;
	const isAround = unit.number === undefined;
	return {
		border: isAround ? [0, 0, 0, 0] : border,
		padding: isAround ? [0, 0, 0, 0] : padding,
		flow,
		sharesRows,
		keepsContent: own.every((one) => one.keepsContent),
		isPainted: !isAround && isPainted,
		saidHeight: isAround ? undefined : saidHeight,
		saidMin: isAround ? undefined : saidMin,
		isHug: own.every(({ isHug }) => isHug),
		...besides(
			{
				left: Math.min(...wide.map(({ left }) => left)),
				right: Math.max(...wide.map(({ right }) => right))
			},
			[...(shape.goesAround.get(unit) ?? [])].flatMap((one) => unitBox(one, reading, shape) ?? [])
		),
		top: Math.min(...all.map(({ top }) => top)),
		bottom: Math.max(...all.map(({ bottom }) => bottom)),
		bare: {
			top: Math.min(...bare.map(({ top }) => top)),
			bottom: Math.max(...bare.map(({ bottom }) => bottom))
		}
	};
}

/** What is left of a stretch beside what floats at its ends. */
function besides(
	{ left, right }: Pick<Room, 'left' | 'right'>,
	floats: readonly UnitBox[]
): Pick<Room, 'left' | 'right'> {
	for (const float of floats) {
		if (float.flow !== 'float') continue;
		if (float.left - left < right - float.right) left = Math.max(left, float.right);
		else right = Math.min(right, float.left);
	}
	return { left, right };
}

/** A part with the margins that its unit keeps in it: its own, where the unit is a box around it, and those that reach out. */
function around(
	{ x, y, width, height, margin, out }: ReadBox,
	{ kind, number }: Unit,
	trim: Trim | undefined
): Room {
	const [top, right, bottom, left] = number === undefined ? margin : [0, 0, 0, 0];
	const [above, below] = kind === 'wrapper' ? [0, 0] : out;
	return {
		left: x - left,
		right: x + width + right,
		top: y - (trim && trim.top > 0 ? 0 : Math.max(top, above)),
		bottom: y + height + (trim && trim.bottom > 0 ? 0 : Math.max(bottom, below))
	};
}

/** The room in a box. */
export function roomIn({ left, top, right, bottom, border, padding }: UnitBox): Room {
	return {
		left: left + border[3] + padding[3],
		top: top + border[0] + padding[0],
		right: right - border[1] - padding[1],
		bottom: bottom - border[2] - padding[2]
	};
}

/** Where those of some units lie that are shown at a width. */
export function boxesAt(
	units: readonly Unit[],
	reading: WidthReading,
	shape: Shape
): Map<Unit, UnitBox> {
	return new Map(
		units.flatMap((unit): [Unit, UnitBox][] => {
			const box = unitBox(unit, reading, shape);
			return box ? [[unit, box]] : [];
		})
	);
}

/** The outermost edge of some units. */
export function edgeOf(
	units: readonly Unit[],
	boxes: ReadonlyMap<Unit, UnitBox>,
	side: keyof Room
): number {
	const all = units.flatMap((unit) => boxes.get(unit)?.[side] ?? []);
	return side === 'left' || side === 'top' ? Math.min(...all) : Math.max(...all);
}
