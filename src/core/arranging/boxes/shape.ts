import type { FrameReading, WidthReading } from '../frame/reading.ts';
import { rowsOf } from './structure.ts';
import {
	boxesAt,
	close,
	edgeOf,
	unitBox,
	type Trim,
	type Shape,
	type UnitBox
} from './unit-box.ts';
import type { RegionUnit, Unit } from './units.ts';

type Side = 'top' | 'bottom';

/**
 * What has to be another about boxes than about elements. Margins of content would show otherwise in boxes that keep
 * them: in what is painted, which would be painted further, and where they fell together with those of what is before or
 * behind (CSS 2.2, section 8.3.1). Those are taken away, and the room that they made is said of the boxes.
 */
export function shapeOf(units: readonly Unit[], { at }: FrameReading): Shape {
	const finding = new Finding();
	for (const reading of at) finding.drawIn(units, reading);
	for (const reading of at) finding.inside(units, reading);
	return finding;
}

class Finding implements Shape {
	readonly trims = new Map<Unit, Trim>();
	readonly drawnIn = new Set<Unit>();
	readonly goesAround = new Map<Unit, Set<Unit>>();

	/** Of what lies over each other, wrappers of which nothing is seen are as wide as what is in them. */
	drawIn(units: readonly Unit[], reading: WidthReading): void {
		for (const unit of units) if (unit.kind === 'wrapper') this.drawIn(unit.units, reading);
		const boxes = [...boxesAt(units, reading, this)];
		for (const [unit, box] of boxes) {
			if (box.flow === 'block') {
				// Browsers shorten lines beside what floats, and leave the box as wide as it is (CSS 2.2, section 9.5).
				for (const [other, beside] of boxes) {
					if (beside.flow !== 'float' || !liesOver(box, beside)) continue;
					const floats = this.goesAround.get(unit) ?? new Set();
					this.goesAround.set(unit, floats.add(other));
				}
			}
			if (unit.kind !== 'wrapper' || box.isPainted) continue;
			if (boxes.some(([other, beside]) => other !== unit && liesOver(box, beside)))
				this.drawnIn.add(unit);
		}
	}

	inside(units: readonly Unit[], reading: WidthReading): void {
		for (const unit of units) {
			if (unit.kind === 'wrapper') this.inside(unit.units, reading);
			this.painted(unit, reading);
		}
		this.together(units, reading);
	}

	private painted(unit: Unit, reading: WidthReading): void {
		const box = unitBox(unit, reading, this);
		if (!box?.isPainted) return;
		for (const side of ['top', 'bottom'] as const) {
			if (reachOf(box, side) > close)
				this.trim(outermost(unit, side, reading, this), side, reading);
		}
	}

	/** Of two margins that fell together the smaller one is taken away. */
	private together(units: readonly Unit[], reading: WidthReading): void {
		const boxes = boxesAt(units, reading, this);
		const rows = rowsOf(boxes);
		for (const [place, row] of rows.entries()) {
			const next = rows[place + 1] ?? [];
			for (const group of row) {
				for (const [at, unit] of group.entries()) {
					const below = group[at + 1];
					for (const other of below ? [below] : next.flatMap(([first]) => first ?? [])) {
						this.pair(unit, other, boxes, reading);
					}
				}
			}
		}
	}

	private pair(
		unit: Unit,
		other: Unit,
		boxes: ReadonlyMap<Unit, UnitBox>,
		reading: WidthReading
	): void {
		const [one, two] = [boxes.get(unit), boxes.get(other)];
		if (!one || !two || one.bottom - two.top <= close || two.bare.top < one.bare.bottom - close)
			return;
		const isAbove = reachOf(one, 'bottom') <= reachOf(two, 'top');
		const [smaller, side] = isAbove ? ([unit, 'bottom'] as const) : ([other, 'top'] as const);
		this.trim(outermost(smaller, side, reading, this), side, reading);
	}

	private trim(region: RegionUnit | undefined, side: Side, { parts }: WidthReading): void {
		if (!region) return;
		const word = side === 'top' ? region.words[0] : region.words.at(-1);
		const depth = parts[word ?? '']?.depth[side === 'top' ? 0 : 1] ?? 0;
		// Of a box around an element that element itself has the margin.
		const all = region.number === undefined ? depth + 1 : depth;
		const there = this.trims.get(region) ?? { top: 0, bottom: 0 };
		this.trims.set(region, { ...there, [side]: Math.max(there[side], all) });
	}
}

function liesOver(one: UnitBox, other: UnitBox): boolean {
	return (
		one.left < other.right - 1 &&
		other.left < one.right - 1 &&
		one.bare.top < other.bare.bottom - 1 &&
		other.bare.top < one.bare.bottom - 1
	);
}

/** How far margins reach out of what a unit is, px. */
function reachOf({ top, bottom, bare }: UnitBox, side: Side): number {
	return side === 'top' ? bare.top - top : bottom - bare.bottom;
}

/** The region in a unit whose margins reach furthest out of it at a side. */
function outermost(
	unit: Unit,
	side: Side,
	reading: WidthReading,
	shape: Shape
): RegionUnit | undefined {
	if (unit.kind === 'region') return unit;
	const boxes = boxesAt(unit.units, reading, shape);
	const most = edgeOf([...boxes.keys()], boxes, side);
	const first = [...boxes].find(([, box]) => box[side] === most);
	return first && outermost(first[0], side, reading, shape);
}
