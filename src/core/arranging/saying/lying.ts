import { isSteady, lengthWord, offOf, px, sidesWord, steady } from './fit.ts';
import { rowsOf, type Row } from '../boxes/structure.ts';
import { tracksOf, type Tracks } from './tracks.ts';
import { close, edgeOf, type Room, type UnitBox } from '../boxes/unit-box.ts';
import type { Unit } from '../boxes/units.ts';

/** How units lie in the room of one box, at one of the widths at which they lie in the same way. */
export interface Sample {
	readonly room: Room;
	/** Those that are shown. */
	readonly boxes: ReadonlyMap<Unit, UnitBox>;
}

/** What is said of a box: settings by their words. */
export type Says = Record<string, string>;

/** How the members of a box lie, as it is said. */
export interface Lying {
	/** What stands behind `arrange`; undefined where it arranges nothing. */
	readonly arrangement: string | undefined;
	readonly members: ReadonlyMap<Unit, Says>;
	/** By how much of a length that is said it may differ at some width, px; Infinity where nothing could be said of one. */
	readonly off: number;
}

/** How units lie, said of the box around them and of each; `tall`: who takes what is left over in that box. */
export function lyingOf(units: readonly Unit[], samples: readonly Sample[], tall: Tall): Lying {
	return new Lines(units, samples, tall).lying();
}

/** Who takes what a box is taller than what is in it: the row with the slot, all rows alike, or nobody. */
export type Tall = 'slot' | 'rows' | 'nobody';

/** Margins of a unit, px, or taking what is left. */
type Margins = [number | 'auto', number | 'auto', number | 'auto', number | 'auto'];

class Lines {
	private readonly members = new Map<Unit, Says>();
	private readonly margins = new Map<Unit, Margins>();
	private readonly rows: readonly Row[];
	private readonly shown: readonly Unit[];
	private off = 0;

	constructor(
		private readonly units: readonly Unit[],
		private readonly samples: readonly Sample[],
		private readonly tall: Tall
	) {
		this.shown = units.filter((unit) => samples.every(({ boxes }) => boxes.has(unit)));
		const middle = samples[Math.floor(samples.length / 2)];
		const shown = new Set(this.shown);
		this.rows = rowsOf(new Map([...(middle?.boxes ?? [])].filter(([unit]) => shown.has(unit))));
		for (const unit of units) {
			this.members.set(unit, {});
			this.margins.set(unit, [0, 0, 0, 0]);
		}
	}

	lying(): Lying {
		for (const unit of this.units) {
			if (this.shown.includes(unit)) continue;
			// A place in which nothing stands takes no room, and one that is empty here may be filled elsewhere.
			const isEmpty = unit.kind === 'region' && unit.region && unit.number === undefined;
			if (!isEmpty && !this.isSlot(unit)) this.say(unit, 'show', 'hidden');
		}
		const arrangement = this.shown.length === 0 ? undefined : this.arrange();
		for (const [unit, sides] of this.margins) {
			const [top, right, bottom, left] = sides.map((side) =>
				side === 'auto' ? side : px(Math.max(0, side))
			);
			const word = sidesWord([top ?? '0', right ?? '0', bottom ?? '0', left ?? '0']);
			if (word !== '0') this.say(unit, 'margin', word);
		}
		return { arrangement, members: this.members, off: this.off };
	}

	private isSlot(unit: Unit): boolean {
		return unit.kind === 'wrapper'
			? unit.units.some((one) => this.isSlot(one))
			: unit.region?.slot === true;
	}

	private arrange(): string {
		const wide = this.rows.filter((row) => row.length > 1);
		const isInOrder = this.rows.flat(2).every((unit, at) => unit === this.shown[at]);
		const [only] = this.rows;
		if (wide.length === 0) {
			const gap = this.down();
			for (const unit of this.shown) this.across([unit], unit);
			const isPlain = isInOrder && this.rows.every((row) => row[0]?.length === 1);
			if (isPlain && this.tall === 'nobody') return withGap('stack', gap);
			return this.areas(undefined, gap);
		}
		const [row] = wide;
		const tracks = tracksOf(row ?? [], this.samples);
		if (!tracks.isWhole) this.off = Infinity;
		if (only && this.rows.length === 1 && isInOrder && tracks.kind === 'row')
			return this.line(only, tracks);
		const gap = this.down();
		for (const one of this.rows) {
			for (const group of one) {
				for (const unit of group)
					this.across(one.length > 1 ? group : [unit], unit, one.length === 1);
			}
		}
		const isPlain = this.rows.length === 1 && isInOrder && !tracks.cells.includes('.');
		if (isPlain && only?.every((group) => group.length === 1)) {
			return withGap(`columns ${tracks.sizes.join(' ')}`, joined(gap, tracks.gap));
		}
		return this.areas(tracks, joined(gap, tracks.gap));
	}

	/** Members in a line that takes what it needs, with room left over. */
	private line(row: Row, { spaces, gap }: Tracks): string {
		const [top, bottom] = this.ends();
		for (const [at, group] of row.entries()) {
			const [unit] = group;
			if (!unit) continue;
			const widths = this.of(unit, ({ left, right }) => right - left);
			const isHug = this.of(unit, ({ isHug }) => (isHug ? 1 : 0)).every((one) => one === 1);
			if (!isHug && isSteady(widths)) this.say(unit, 'size', px(this.steady(widths)));
			const margins = this.marginsOf(unit);
			const before = spaces[at];
			if (before === 'varied') margins[3] = 'auto';
			else if (typeof before === 'number' && (at === 0 || gap === undefined)) margins[3] = before;
			margins[0] = top;
			margins[2] = bottom;
		}
		return withGap('row', gap, this.alignment(row));
	}

	/** How members of a line lie across it, where they do not all fill it. */
	private alignment(row: Row): string | undefined {
		const offsets = row.flatMap(([unit]) => (unit ? [this.inRow(unit, row)] : []));
		if (offsets.every(({ above, below }) => isNothing(above) && isNothing(below))) return undefined;
		if (offsets.every(({ above }) => isNothing(above))) return 'start';
		if (offsets.every(({ below }) => isNothing(below))) return 'end';
		return 'center';
	}

	/** How far a unit is from the top and bottom of its row, px at each width. */
	private inRow(unit: Unit, row: Row): { above: number[]; below: number[] } {
		const all = row.flat();
		return {
			above: this.samples.map(
				({ boxes }) => (boxes.get(unit)?.top ?? 0) - edgeOf(all, boxes, 'top')
			),
			below: this.samples.map(
				({ boxes }) => edgeOf(all, boxes, 'bottom') - (boxes.get(unit)?.bottom ?? 0)
			)
		};
	}

	/** The room above the first row and below the last, px. */
	private ends(): [number, number] {
		const [first, last] = [this.rows[0]?.flat() ?? [], this.rows.at(-1)?.flat() ?? []];
		return [
			this.steady(this.samples.map(({ room, boxes }) => edgeOf(first, boxes, 'top') - room.top)),
			// What is said to be as tall as it is needs no room below.
			Math.min(
				...this.samples.map(({ room, boxes }) => room.bottom - edgeOf(last, boxes, 'bottom'))
			)
		];
	}

	/** Says the room between rows, as a gap where it is the same between all, and where in its row each unit lies. */
	private down(): string | undefined {
		const [top, bottom] = this.ends();
		const between = this.rows.slice(1).map((row, at) => {
			const above = this.rows[at]?.flat() ?? [];
			return this.steady(
				this.samples.map(
					({ boxes }) => edgeOf(row.flat(), boxes, 'top') - edgeOf(above, boxes, 'bottom')
				)
			);
		});
		const [first = 0] = between;
		const isEven =
			between.length > 0 && between.every((one) => Math.abs(one - first) <= close) && first > close;
		for (const [at, row] of this.rows.entries()) {
			const above = at === 0 ? top : isEven ? 0 : (between[at - 1] ?? 0);
			for (const group of row)
				this.inGroup(group, row, above, at === this.rows.length - 1 ? bottom : 0);
		}
		return isEven ? px(first) : undefined;
	}

	private inGroup(group: readonly Unit[], row: Row, above: number, below: number): void {
		for (const [at, unit] of group.entries()) {
			const margins = this.marginsOf(unit);
			const before = group[at - 1];
			if (before) {
				margins[0] = this.steady(
					this.samples.map(
						({ boxes }) => (boxes.get(unit)?.top ?? 0) - (boxes.get(before)?.bottom ?? 0)
					)
				);
			} else margins[0] = above;
			if (at === group.length - 1) margins[2] = below;
			if (row.length === 1) continue;
			const { above: over, below: under } = this.inRow(unit, row);
			if (at > 0 || (isNothing(over) && isNothing(under))) continue;
			const isCentred = over.every(
				(one, place) => Math.abs(one - (under[place] ?? 0)) <= 2 * close
			);
			// What nothing arranges begins where it is put, and ends there by chance.
			const isItem = this.of(unit, ({ flow }) => (flow === 'item' ? 1 : 0)).includes(1);
			if (isItem && isCentred && !isNothing(over)) this.say(unit, 'place-self', 'center stretch');
			else if (isItem && isNothing(under)) this.say(unit, 'place-self', 'end stretch');
			else {
				this.say(unit, 'place-self', 'start stretch');
				margins[0] = above + this.steady(over);
			}
		}
	}

	/** Says how wide a unit is in the room of its group, or of the box, and where it lies in it. */
	private across(group: readonly Unit[], unit: Unit, inRoom = true): void {
		const room = (sample: Sample): { left: number; right: number } =>
			inRoom
				? sample.room
				: {
						left: edgeOf(group, sample.boxes, 'left'),
						right: edgeOf(group, sample.boxes, 'right')
					};
		const before = this.samples.map((one) => (one.boxes.get(unit)?.left ?? 0) - room(one).left);
		const behind = this.samples.map((one) => room(one).right - (one.boxes.get(unit)?.right ?? 0));
		const margins = this.marginsOf(unit);
		if (isSteady(before) && isSteady(behind)) {
			margins[3] = this.steady(before);
			margins[1] = this.steady(behind);
			return;
		}
		const rooms = this.samples.map((one) => room(one).right - room(one).left);
		const widths = this.of(unit, ({ left, right }) => right - left);
		const isHug = this.of(unit, (box) => (box.isHug ? 1 : 0)).every((one) => one === 1);
		const word = isHug ? 'fit-content' : lengthWord(widths, rooms);
		if (word === undefined) this.off = Infinity;
		if (word !== undefined) this.say(unit, 'width', word);
		// What is wider than its room begins where that does.
		const fits = before.flatMap((one, at) => ((behind[at] ?? 0) > -close ? [at] : []));
		const isCentred =
			fits.length > 0 &&
			fits.every((at) => Math.abs((before[at] ?? 0) - (behind[at] ?? 0)) <= 2 * close);
		if (isSteady(before)) margins[3] = this.steady(before);
		else if (isCentred) [margins[1], margins[3]] = ['auto', 'auto'];
		else {
			margins[3] = 'auto';
			margins[1] = isSteady(behind) ? this.steady(behind) : 0;
		}
	}

	/** Areas: a line for each row, in the columns of the row that has several. */
	private areas(tracks: Tracks | undefined, gap: string | undefined): string {
		const sizes = tracks?.sizes ?? ['1fr'];
		const lines = this.rows.flatMap((row): string[] => {
			const tall = Math.max(...row.map((group) => group.length));
			const grows =
				tall > 1 || (this.tall === 'slot' && row.flat().some((unit) => this.isSlot(unit)));
			return Array.from({ length: tall }, (_, line) => {
				const names = row.map((group) => group[Math.min(line, group.length - 1)]?.name ?? '.');
				const cells =
					row.length > 1 && tracks
						? tracks.cells.map((cell) => (cell === '.' ? '.' : (names[cell] ?? '.')))
						: sizes.map(() => names[0] ?? '.');
				return `"${cells.join(' ')}" ${grows && line === tall - 1 ? '1fr' : 'auto'}`;
			});
		});
		const said = [
			...lines,
			`columns ${sizes.join(' ')}`,
			...(gap === undefined ? [] : [`gap ${gap}`])
		];
		return `areas {\n${said.map((line) => `  ${line}`).join('\n')}\n}`;
	}

	private of(unit: Unit, value: (box: UnitBox) => number): number[] {
		return this.samples.flatMap(({ boxes }) => {
			const box = boxes.get(unit);
			return box ? [value(box)] : [];
		});
	}

	private marginsOf(unit: Unit): Margins {
		const margins = this.margins.get(unit) ?? [0, 0, 0, 0];
		this.margins.set(unit, margins);
		return margins;
	}

	/** A length that is said to be the same at all widths. */
	private steady(values: readonly number[]): number {
		this.off = Math.max(this.off, offOf(values));
		return steady(values);
	}

	private say(unit: Unit, setting: string, word: string): void {
		this.members.set(unit, { ...this.members.get(unit), [setting]: word });
	}
}

function isNothing(values: readonly number[]): boolean {
	return values.every((value) => Math.abs(value) <= close);
}

function joined(down: string | undefined, across: string | undefined): string | undefined {
	if (down === undefined && across === undefined) return undefined;
	return down === across ? down : `${down ?? '0'} ${across ?? '0'}`;
}

function withGap(kind: string, gap: string | undefined, align?: string): string {
	const said = [
		...(gap === undefined ? [] : [`gap ${gap}`]),
		...(align === undefined ? [] : [`align ${align}`])
	];
	return said.length === 0 ? kind : `${kind} { ${said.join('; ')} }`;
}
