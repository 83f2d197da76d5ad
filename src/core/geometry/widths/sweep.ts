import type { Turns } from '../../size/turns.ts';
import type { BoxName, GridLines } from '../layout-box.ts';
import type { Viewport } from '../../size/length.ts';
import type { PlacedBox, Sticking } from '../page-layout.ts';

/** Neighbouring widths, px, over which every box moves and grows evenly, on a straight line. */
export interface Stretch {
	readonly from: number;
	/** The last of them. */
	readonly to: number;
	/** The boxes at both ends: the same ones in the same order. */
	readonly first: readonly PlacedBox[];
	readonly last: readonly PlacedBox[];
}

/** What lays out a page, and notes the turns that it takes. */
export interface Noting {
	notedAt(view: Viewport): { readonly boxes: readonly PlacedBox[]; readonly turns: Turns };
}

interface Laid {
	readonly width: number;
	readonly boxes: readonly PlacedBox[];
	readonly turns: Turns;
}

/** The boxes of a page at every whole width of a range, worked out where something changes its way. */
export class Sweep {
	private constructor(readonly stretches: readonly Stretch[]) {}

	/** `from` and `to` are whole widths of the screen, px, both inclusive; `height` is the screen's. */
	static over(layout: Noting, from: number, to: number, height: number): Sweep {
		const steps = Sweep.inSteps(layout, from, to, height);
		let step = steps.next();
		while (!step.done) step = steps.next();
		return step.value;
	}

	/** The same, which can be left alone after each layout. */
	static *inSteps(
		layout: Noting,
		from: number,
		to: number,
		height: number
	): Generator<undefined, Sweep> {
		const lay = (width: number): Laid => ({ width, ...layout.notedAt({ width, height }) });
		return new Sweep(yield* stretchesBetween(lay(from), lay(to), lay));
	}

	/** All boxes at a whole width of the range; within 0.05 px of what laying out gives. */
	boxesAt(width: number): PlacedBox[] {
		const stretch = this.stretches.find((one) => width <= one.to);
		return stretch ? boxesWithin(stretch, width) : [];
	}

	/**
	 * Looks at the boxes at one width after the other, without making them anew for each: they hold until the next
	 * width is looked at.
	 */
	each(look: (width: number, boxes: readonly PlacedBox[]) => void): void {
		for (const { from, to, first, last } of this.stretches) {
			const way = { share: 0 };
			const boxes = from === to ? first : between(first, last, way);
			for (let width = from; width <= to; width++) {
				way.share = (width - from) / (to - from);
				look(width, boxes);
			}
		}
	}

	/** The boxes at one width after the other. */
	*[Symbol.iterator](): Generator<{ readonly width: number; readonly boxes: PlacedBox[] }> {
		for (const stretch of this.stretches) {
			for (let width = stretch.from; width <= stretch.to; width++) {
				yield { width, boxes: boxesWithin(stretch, width) };
			}
		}
	}
}

/** Parts a range where a turn changes, until the turns at both ends of each part are the same. */
function* stretchesBetween(
	first: Laid,
	last: Laid,
	lay: (width: number) => Laid
): Generator<undefined, Stretch[]> {
	const stretches: Stretch[] = [];
	const open = [{ first, last }];
	for (let part = open.pop(); part; part = open.pop()) {
		const { first: one, last: other } = part;
		const change = one.width === other.width ? undefined : one.turns.firstChange(other.turns);
		if (change === undefined) {
			const ends = { from: one.width, to: other.width };
			stretches.push({ ...ends, first: one.boxes, last: other.boxes });
			continue;
		}
		const across = Math.ceil(one.width + change * (other.width - one.width)) - 1;
		yield;
		const before = Math.min(Math.max(across, one.width), other.width - 1);
		const end = before === one.width ? one : lay(before);
		const start = before + 1 === other.width ? other : lay(before + 1);
		// The narrower part is taken up next, so that stretches come in order.
		open.push({ first: start, last: other }, { first: one, last: end });
	}
	return stretches;
}

function boxesWithin({ from, to, first, last }: Stretch, width: number): PlacedBox[] {
	if (width === from) return [...first];
	return between(first, last, { share: (width - from) / (to - from) });
}

/** How far on the way from one width to another, 0 to 1. */
interface Way {
	share: number;
}

function between(
	first: readonly PlacedBox[],
	last: readonly PlacedBox[],
	way: Readonly<Way>
): PlacedBox[] {
	return first.flatMap((a, index) => {
		const b = last[index];
		return b ? [new BoxBetween(a, b, way)] : [];
	});
}

/** A box on the straight line between two, wherever it is on the way now. */
class BoxBetween implements PlacedBox {
	constructor(
		private readonly a: PlacedBox,
		private readonly b: PlacedBox,
		private readonly way: Readonly<Way>
	) {}

	get name(): BoxName {
		return this.a.name;
	}

	get scrolls(): boolean {
		return this.a.scrolls;
	}

	get inScroller(): boolean {
		return this.a.inScroller;
	}

	get inside(): number | undefined {
		return this.a.inside;
	}

	get x(): number {
		return this.a.x + (this.b.x - this.a.x) * this.way.share;
	}

	get y(): number {
		return this.a.y + (this.b.y - this.a.y) * this.way.share;
	}

	get width(): number {
		return this.a.width + (this.b.width - this.a.width) * this.way.share;
	}

	get height(): number {
		return this.a.height + (this.b.height - this.a.height) * this.way.share;
	}

	get overflowX(): number {
		const { a, b, way } = this;
		return a.overflowX + (b.overflowX - a.overflowX) * way.share;
	}

	get overflowY(): number {
		const { a, b, way } = this;
		return a.overflowY + (b.overflowY - a.overflowY) * way.share;
	}

	get cut(): number {
		return this.a.cut + (this.b.cut - this.a.cut) * this.way.share;
	}

	get sticking(): Sticking | undefined {
		const { a, b, way } = this;
		if (!a.sticking || !b.sticking) return a.sticking;
		return { ...a.sticking, by: a.sticking.by + (b.sticking.by - a.sticking.by) * way.share };
	}

	get lines(): GridLines | undefined {
		const { a, b, way } = this;
		return a.lines && b.lines && linesBetween(a.lines, b.lines, way.share);
	}
}

function linesBetween(a: GridLines, b: GridLines, share: number): GridLines {
	const between = (one: number, other = one): number => one + (other - one) * share;
	return {
		columns: a.columns.map((size, index) => between(size, b.columns[index])),
		rows: a.rows.map((size, index) => between(size, b.rows[index])),
		columnGap: between(a.columnGap, b.columnGap),
		rowGap: between(a.rowGap, b.rowGap),
		across: between(a.across, b.across),
		down: between(a.down, b.down)
	};
}
