import { isSteady, lengthWord, offOf, px, sidesWord, steady } from './fit.ts';
import { lyingOf, type Sample, type Says } from './lying.ts';
import { bodyWord, type FrameReading, type WidthReading } from '../frame/reading.ts';
import { rowsOf, wordOfRows } from '../boxes/structure.ts';
import {
	boxesAt,
	close,
	roomIn,
	unitBox,
	type Room,
	type Shape,
	type UnitBox
} from '../boxes/unit-box.ts';
import type { Unit, WrapperUnit } from '../boxes/units.ts';

/** What is said of a box from a width on, up to the next, by the words of the text. */
export interface SaidFrom {
	/** px */
	readonly from: number;
	readonly says: Says;
}

/** What is said of a box, from the narrowest width to the widest. */
export interface SaidBox {
	readonly settings: readonly SaidFrom[];
	/** How it arranges what is in it: `arrange`, with what stands behind it. */
	readonly arrange: readonly SaidFrom[];
}

/** What is said of the layout's root and of each unit. */
export interface SaidBoxes {
	readonly root: SaidBox;
	readonly units: ReadonlyMap<Unit, SaidBox>;
}

/**
 * Says how the boxes of a frame lie, for as few stretches of width as say it all. `around`: the element that all of them
 * stand in, where something else of the frame stays as it is, by its word.
 */
export function saidBoxes(
	units: readonly Unit[],
	reading: FrameReading,
	shape: Shape,
	around?: string
): SaidBoxes {
	const body: WrapperUnit = {
		kind: 'wrapper',
		name: '',
		element: 'body',
		attributes: '',
		words: [around ?? bodyWord],
		number: -1,
		units
	};
	const saying = new Saying(stretches(reading), shape, around === undefined ? undefined : body);
	saying.inside(body);
	const settings = around === undefined ? saying.ofRoot(body) : [];
	const root = { settings, arrange: saying.of(body).arrange };
	return { root, units: saying.units };
}

interface Stretch {
	readonly from: number;
	readonly at: readonly WidthReading[];
}

/** Stretches between widths at which media queries change, each with what was read in it. */
function stretches({ at, edges }: FrameReading): Stretch[] {
	const starts = [0, ...new Set(edges)].sort((a, b) => a - b);
	return starts.flatMap((from, place): Stretch[] => {
		const to = starts[place + 1] ?? Infinity;
		const inside = at.filter(({ width }) => width >= from && width < to);
		return inside.length === 0 ? [] : [{ from, at: inside }];
	});
}

/** What is said of a box and of its members over some widths. */
interface Fit {
	readonly arrangement: string | undefined;
	readonly members: ReadonlyMap<Unit, Says>;
	readonly off: number;
}

/** px by which one saying for two stretches may be further off than one for each. */
const worth = 0.3;

class Saying {
	readonly units = new Map<Unit, { settings: SaidFrom[]; arrange: SaidFrom[] }>();

	constructor(
		private readonly stretches: readonly Stretch[],
		private readonly shape: Shape,
		/** Beside what stands in it something else stands, too. */
		private readonly shared: Unit | undefined
	) {}

	of(unit: Unit): { settings: SaidFrom[]; arrange: SaidFrom[] } {
		const said = this.units.get(unit) ?? { settings: [], arrange: [] };
		this.units.set(unit, said);
		return said;
	}

	/** Says how the members of a box lie, and all that is in those. */
	inside(around: WrapperUnit): void {
		for (const { from, fit } of this.fits(
			(at) => this.fit(around, at),
			(at) => at.map((one) => this.orderWord(around, one)).join()
		)) {
			const arrange: Says = fit.arrangement === undefined ? {} : { arrange: fit.arrangement };
			this.of(around).arrange.push({ from, says: arrange });
			for (const [unit, says] of fit.members) this.of(unit).settings.push({ from, says });
		}
		for (const unit of around.units) if (unit.kind === 'wrapper') this.inside(unit);
	}

	/** Where the content of the page begins and ends is room inside the root. */
	ofRoot(body: WrapperUnit): SaidFrom[] {
		return this.fits(
			(at) => this.rootFit(body, at),
			() => ''
		).map(({ from, fit }) => ({ from, says: fit.says }));
	}

	/** One fit for as many stretches as it is as good for as one for each would be. */
	private fits<T extends { readonly off: number }>(
		fit: (at: readonly WidthReading[]) => T,
		wordOf: (at: readonly WidthReading[]) => string
	): { from: number; fit: T }[] {
		const found: { from: number; at: readonly WidthReading[]; fit: T; word: string }[] = [];
		for (const { from, at } of this.stretches) {
			const own = { from, at, fit: fit(at), word: wordOf(at.slice(0, 1)) };
			const last = found.at(-1);
			if (last?.word === own.word) {
				const both = [...last.at, ...at];
				const one = fit(both);
				if (one.off <= Math.max(last.fit.off, own.fit.off) + worth) {
					found[found.length - 1] = { ...last, at: both, fit: one };
					continue;
				}
			}
			found.push(own);
		}
		return found;
	}

	private orderWord(around: WrapperUnit, reading: WidthReading): string {
		return wordOfRows(rowsOf(boxesAt(around.units, reading, this.shape)));
	}

	private fit(around: WrapperUnit, at: readonly WidthReading[]): Fit {
		const samples = at.flatMap((reading): Sample[] => {
			const box = unitBox(around, reading, this.shape);
			const boxes = boxesAt(around.units, reading, this.shape);
			if (!box) return [];
			return [
				{ room: around === this.shared ? beside(roomIn(box), boxes, reading) : roomIn(box), boxes }
			];
		});
		if (samples.length === 0) return { arrangement: undefined, members: new Map(), off: 0 };
		const own = at.flatMap((reading) => unitBox(around, reading, this.shape) ?? []);
		const isTall = own.some(({ saidMin, saidHeight }) => (saidMin ?? saidHeight) !== undefined);
		const tall = !isTall ? 'nobody' : own.some(({ sharesRows }) => sharesRows) ? 'rows' : 'slot';
		const lying = lyingOf(around.units, samples, tall);
		const said = around.units.map((unit) => ({ unit, ...ownOf(unit, samples) }));
		return {
			arrangement: lying.arrangement,
			members: new Map(
				said.map(({ unit, says }) => [unit, { ...says, ...lying.members.get(unit) }])
			),
			off: Math.max(lying.off, ...said.map(({ off }) => off))
		};
	}

	private rootFit(body: WrapperUnit, at: readonly WidthReading[]): { says: Says; off: number } {
		const boxes = at.flatMap((reading) => {
			const box = unitBox(body, reading, this.shape);
			return box ? [{ reading, box, room: roomIn(box) }] : [];
		});
		if (boxes.length === 0) return { says: {}, off: 0 };
		const left = boxes.map(({ room }) => room.left);
		const right = boxes.map(({ reading, room }) => reading.width - room.right);
		const top = boxes.map(({ room }) => room.top);
		const bottom = boxes.map(
			({ reading, box, room }) =>
				box.bottom - room.bottom + (reading.parts[bodyWord]?.margin[2] ?? 0)
		);
		const screens = boxes.map(({ reading }) => reading.width);
		const widths = boxes.map(({ room }) => room.right - room.left);
		const off = Math.max(...[top, bottom].map(offOf));
		const pads = (end: string, start: string): Says => {
			const pad = sidesWord([
				px(Math.max(0, steady(top))),
				end,
				px(Math.max(0, steady(bottom))),
				start
			]);
			return pad === '0' ? {} : { pad };
		};
		const sides = [right, left].map((side) => lengthWord(side, screens));
		const [end, start] = sides;
		const isPlain = sides.every((side) => side !== undefined && !side.startsWith('min('));
		if (isPlain && !(isSteady(widths) && !isSteady(left)))
			return { says: pads(end ?? '0', start ?? '0'), off };
		const [least, most] = [Math.max(0, Math.min(...left)), Math.max(...widths)];
		const isContained = boxes.every(({ reading }, place) => {
			const width = Math.min(most, reading.width - 2 * least);
			return isSteady(widths) || Math.abs(width - (widths[place] ?? 0)) <= 2 * close;
		});
		return {
			says: { ...pads(px(least), px(least)), contain: px(most) },
			off: isContained ? off : Infinity
		};
	}
}

/** The room that units have in what others stand in, too: as wide as that, and as tall as they are with their margins. */
function beside(room: Room, boxes: ReadonlyMap<Unit, UnitBox>, { parts }: WidthReading): Room {
	const tops = [...boxes].map(
		([{ words }, { top }]) => top - (parts[words[0] ?? '']?.margin[0] ?? 0)
	);
	const bottoms = [...boxes].map(
		([{ words }, { bottom }]) => bottom + (parts[words[0] ?? '']?.margin[2] ?? 0)
	);
	return tops.length === 0
		? room
		: { ...room, top: Math.min(...tops), bottom: Math.max(...bottoms) };
}

/** The padding and borders of a unit, and its height where one is said. */
function ownOf(unit: Unit, samples: readonly Sample[]): { says: Says; off: number } {
	const found = samples.flatMap(({ boxes, room }) => {
		const box = boxes.get(unit);
		return box ? [{ box, room: room.right - room.left }] : [];
	});
	if (found.length === 0) return { says: {}, off: 0 };
	const rooms = found.map(({ room }) => room);
	let off = 0;
	const side = (what: 'padding' | 'border', at: 0 | 1 | 2 | 3): string => {
		const values = found.map(({ box }) => box[what][at]);
		const word =
			what === 'padding'
				? lengthWord(values, rooms)
				: isSteady(values)
					? px(steady(values))
					: undefined;
		if (word === undefined) off = Math.max(off, offOf(values));
		return word ?? px(steady(values));
	};
	const all = (what: 'padding' | 'border'): string =>
		sidesWord([side(what, 0), side(what, 1), side(what, 2), side(what, 3)]);
	const [pad, border] = [all('padding'), all('border')];
	const heights = found.flatMap(({ box }) => box.saidHeight ?? []);
	const least = found.flatMap(({ box }) => box.saidMin ?? []);
	const [min] = least.length === found.length && new Set(least).size === 1 ? least : [];
	const hasHeight = heights.length === found.length;
	if (hasHeight) off = Math.max(off, offOf(heights));
	return {
		says: {
			...(pad === '0' ? {} : { pad }),
			...(border === '0' ? {} : { border }),
			...(hasHeight ? { height: px(steady(heights)) } : {}),
			...(min === undefined ? {} : { min: `auto ${min}` }),
			...(found.every(({ box }) => box.flow === 'sticky') ? { stick: 'top' } : {})
		},
		off
	};
}
