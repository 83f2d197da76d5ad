/** Values at one place, such as a height and how far something sticks out, px. */
export type Values = readonly number[];

/** A stretch of places on which every value lies on a straight line. */
export interface Straight {
	readonly from: number;
	/** The last place that is known to lie on it. */
	readonly to: number;
	readonly start: Values;
	/** Change for each px. */
	readonly slope: Values;
}

/** A curve as plain data. */
export interface KeptCurve {
	readonly places: readonly number[];
	readonly values: readonly Values[];
	/** Whether nothing is left to ask behind a place. */
	readonly settled: readonly boolean[];
}

/** What a curve says at a place. */
export interface Found {
	readonly values: Values;
	/** The values lie on straight lines from here to below `to`. */
	readonly from: number;
	readonly to: number;
	/** Whether it was measured, or lies between places that were, with a third to prove it. */
	readonly sure: boolean;
}

/** px; what browsers round away may add up to this. */
const hair = 0.05;
/** px; farther apart than this, three places in a line prove nothing. */
const widest = 40;
/**
 * Of three places the middle one stands well between the others, but not at a plain share of the way: text
 * beside a picture that grows falls back by a line again and again, and where both halves have as many of
 * such falls, their ends and the middle are in a line by chance.
 */
const inMiddle = { least: 0.15, most: 0.85 };
const plainShares = [1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4];
const plain = 0.015;
/** Change for each px; what is steeper are jumps side by side. */
const steepest = 8;
/** Where a stretch is parted, as a share of it. */
const parting = 0.44;
/** Stretches of so many grains are too short for that to matter. */
const short = 6;

/**
 * A function that jumps here and there and is straight between, known from what was measured of it. It
 * says where to measure next, until each stretch is proved: its two ends and a third place in a line.
 */
export class Curve {
	private readonly places: number[] = [];
	private readonly values: Values[] = [];
	/** Whether nothing is left to ask between a place and the next. */
	private readonly settled: boolean[] = [];
	private lines: readonly Straight[] | undefined;

	/** `grain` is the distance below which a change is a jump, px: 1/64 for rooms, 1 for screens. */
	constructor(private readonly grain: number) {}

	/** A curve as it was kept. */
	static from(grain: number, { places, values, settled }: KeptCurve): Curve {
		const curve = new Curve(grain);
		curve.places.push(...places);
		curve.values.push(...values);
		curve.settled.push(...places.map((_, index) => settled[index] === true));
		return curve;
	}

	/** All that is known, to be kept. */
	kept(): KeptCurve {
		return { places: [...this.places], values: [...this.values], settled: [...this.settled] };
	}

	/** The nearest place that can be asked for. */
	snapped(at: number): number {
		return Math.round(at / this.grain) * this.grain;
	}

	add(at: number, values: Values): void {
		const { places } = this;
		const index = this.indexOf(at);
		if (places[index] === at) return;
		const next = index + 1;
		const inside = index >= 0 && next < places.length;
		const agrees = inside && this.settled[index] === true && this.isBetween(index, at, values);
		places.splice(next, 0, at);
		this.values.splice(next, 0, values);
		if (inside) this.settled[index] = agrees || this.isFine(index);
		this.settled.splice(next, 0, next + 1 < places.length && (agrees || this.isFine(next)));
		if (index >= 0 && !inside) this.settled[index] = this.isFine(index);
		for (const middle of [index, next, next + 1]) this.prove(middle);
		this.lines = undefined;
	}

	/** Where to measure next, so that all between two places is settled; nothing where it is. */
	wants(from: number, to: number): number[] {
		const [first, last] = [this.snapped(from), this.snapped(to)];
		const ends = [...new Set([first, last])].filter((at) => !this.has(at));
		if (ends.length > 0) return [...ends, ...this.grid(first, last)];
		const even: number[] = [];
		const uneven: number[] = [];
		for (let index = this.indexOf(first); (this.places[index] ?? Infinity) < last; index++) {
			if (this.settled[index] === true) continue;
			const middle = this.middleOf(index);
			(this.isEven(index) ? even : uneven).push(middle);
		}
		// What is even is often proved by what is found beside it.
		return uneven.length > 0 ? uneven : even;
	}

	/** What it says at a place; undefined as long as nothing was measured. */
	at(where: number): Found | undefined {
		const at = this.snapped(where);
		const index = this.indexOf(at);
		const here = this.values[Math.max(0, index)];
		if (here === undefined) return undefined;
		const known = this.places[index] === at;
		const sure = known || (index >= 0 && index + 1 < this.places.length && this.settled[index]);
		if (!sure) return { values: this.guess(index, at), from: at, to: at, sure: false };
		const line = this.lineAt(at);
		if (!line) return { values: here, from: at, to: at, sure: known };
		return {
			values: line.start.map(
				(value, which) => value + (line.slope[which] ?? 0) * (where - line.from)
			),
			from: line.from - this.grain / 2,
			to: line.to + this.grain / 2,
			sure: true
		};
	}

	/** All that is known, as straight lines one after the other. */
	straights(): readonly Straight[] {
		return (this.lines ??= this.drawLines());
	}

	private has(at: number): boolean {
		return this.places[this.indexOf(at)] === at;
	}

	/** The last place that is not behind this one; -1 where there is none. */
	private indexOf(at: number): number {
		let [low, high] = [0, this.places.length];
		while (low < high) {
			const middle = (low + high) >> 1;
			if ((this.places[middle] ?? 0) <= at) low = middle + 1;
			else high = middle;
		}
		return low - 1;
	}

	private grid(first: number, last: number): number[] {
		const count = Math.ceil((last - first) / (widest * 0.8));
		const inner = Array.from({ length: Math.max(0, count - 1) }, (_, index) => {
			// Every other one is a little nearer to the one before it.
			const place = index % 2 === 0 ? index + 2 * parting : index + 1;
			return this.snapped(first + ((last - first) * place) / count);
		});
		return inner.filter((at) => !this.has(at));
	}

	private middleOf(index: number): number {
		const [from = 0, to = 0] = [this.places[index], this.places[index + 1]];
		const middle = this.snapped(from + (to - from) * parting);
		return Math.min(Math.max(middle, from + this.grain), to - this.grain);
	}

	/** Nothing can be asked between a place and the next: what differs there is a jump. */
	private isFine(index: number): boolean {
		const [from = 0, to = 0] = [this.places[index], this.places[index + 1]];
		return to - from <= this.grain;
	}

	private isEven(index: number): boolean {
		const [a, b] = [this.values[index], this.values[index + 1]];
		return a !== undefined && b !== undefined && alike(a, b);
	}

	private isBetween(index: number, at: number, values: Values): boolean {
		const [from = 0, to = 0] = [this.places[index], this.places[index + 1]];
		const [a = [], b = []] = [this.values[index], this.values[index + 1]];
		return alike(values, between(a, b, (at - from) / (to - from)));
	}

	/** Settles what lies on both sides of a place that is in a line with its neighbours. */
	private prove(middle: number): void {
		const { places, values } = this;
		const [from, at, to] = [places[middle - 1], places[middle], places[middle + 1]];
		const [a, b, c] = [values[middle - 1], values[middle], values[middle + 1]];
		if (from === undefined || at === undefined || to === undefined || !a || !b || !c) return;
		if (at - from > widest || to - at > widest) return;
		const share = (at - from) / (to - from);
		if (to - from > short * this.grain && !isTelling(share)) return;
		if (a.some((value, which) => Math.abs((c[which] ?? 0) - value) > steepest * (to - from)))
			return;
		if (alike(b, between(a, c, share))) this.settled[middle - 1] = this.settled[middle] = true;
	}

	private guess(index: number, at: number): Values {
		const [from, to] = [this.places[index], this.places[index + 1]];
		const [a, b] = [this.values[index], this.values[index + 1]];
		if (from === undefined || to === undefined || !a || !b) {
			return this.values[Math.max(0, index)] ?? [];
		}
		return between(a, b, (at - from) / (to - from));
	}

	private lineAt(at: number): Straight | undefined {
		const lines = this.straights();
		let [low, high] = [0, lines.length];
		while (low < high) {
			const middle = (low + high) >> 1;
			if ((lines[middle]?.from ?? 0) <= at) low = middle + 1;
			else high = middle;
		}
		const line = lines[low - 1];
		return line && at <= line.to ? line : undefined;
	}

	private drawLines(): Straight[] {
		const { places } = this;
		const lines: Straight[] = [];
		let first = 0;
		for (let last = 0; last < places.length; last++) {
			if (last + 1 < places.length && this.goesOn(first, last + 1)) continue;
			lines.push(this.straight(first, last));
			// What bends without a jump goes on from where it bends.
			const bends = first < last && this.settled[last] === true && !this.isFine(last);
			first = bends ? last : last + 1;
			if (bends) last--;
		}
		return lines;
	}

	/** Whether everything from one place to another is settled and in one line. */
	private goesOn(first: number, last: number): boolean {
		if (this.settled[last - 1] !== true) return false;
		const [from = 0, to = 0] = [this.places[first], this.places[last]];
		const [a = [], b = []] = [this.values[first], this.values[last]];
		if (last - first === 1) return !this.isFine(first) || alike(a, b);
		const checked = [first + 1, (first + last) >> 1, last - 1];
		return checked.every((index) => {
			const share = ((this.places[index] ?? 0) - from) / (to - from);
			return alike(this.values[index] ?? [], between(a, b, share));
		});
	}

	private straight(first: number, last: number): Straight {
		const [from = 0, to = 0] = [this.places[first], this.places[last]];
		const [a = [], b = []] = [this.values[first], this.values[last]];
		const slope = a.map((value, which) =>
			to > from ? ((b[which] ?? 0) - value) / (to - from) : 0
		);
		return { from, to, start: a, slope };
	}
}

function isTelling(share: number): boolean {
	const { least, most } = inMiddle;
	return (
		share >= least && share <= most && plainShares.every((one) => Math.abs(share - one) > plain)
	);
}

function alike(a: Values, b: Values): boolean {
	return a.every((value, which) => Math.abs(value - (b[which] ?? 0)) <= hair);
}

function between(a: Values, b: Values, share: number): number[] {
	return a.map((value, which) => value + ((b[which] ?? 0) - value) * share);
}
