import { Curve, type Found, type KeptCurve, type Values } from '../geometry/pieces/curve.ts';
import type { ContentWidths, Overflow, PieceSize } from '../geometry/pieces/piece-size.ts';
import type { Viewport } from '../size/length.ts';
import { noteStep } from '../size/turns.ts';
import type { Dependence } from './dependence.ts';

/** px; browsers count in these, so no room lies between two of them. */
const roomGrain = 1 / 64;

/** Where a room goes as the screen gets wider: straight stretches between whole widths, px. */
export interface WayStretch {
	readonly from: number;
	readonly to: number;
	readonly first: number;
	readonly last: number;
}

/** The way that a room takes over the screens, and what was measured along it. */
export class Way {
	constructor(
		readonly stretches: readonly WayStretch[],
		readonly curve = new Curve(1)
	) {}

	/** The room on a screen, px; undefined where the way does not lead. */
	roomAt(screen: number): number | undefined {
		const stretch = this.stretches.find(({ from, to }) => from <= screen && screen <= to);
		if (!stretch) return undefined;
		const { from, to, first, last } = stretch;
		return to === from ? first : first + ((last - first) * (screen - from)) / (to - from);
	}

	get word(): string {
		return wayWord(this.stretches);
	}
}

export function wayWord(stretches: readonly WayStretch[]): string {
	return stretches
		.map(({ from, to, first, last }) => `${from}-${to}:${inGrains(first)}-${inGrains(last)}`)
		.join(' ');
}

function inGrains(width: number): number {
	return Math.round(width / roomGrain);
}

/** What is known of a size that follows from the room alone, on the screens of one class. */
export interface ByRoom {
	widths: ContentWidths | undefined;
	readonly curve: Curve;
}

/** What is known of a size, as plain data. */
export interface KeptSize {
	readonly dependence: Dependence;
	readonly byClass: readonly (readonly [
		number,
		{ readonly widths: ContentWidths | undefined; readonly curve: KeptCurve }
	])[];
	readonly widthsByScreen: KeptCurve;
	readonly points: readonly (readonly [string, Values])[];
	readonly endMargin: number | undefined;
	readonly cuts: boolean;
	readonly ways: readonly {
		readonly stretches: readonly WayStretch[];
		readonly curve: KeptCurve;
	}[];
}

/** Told of each question that a calculation asks. */
export type Listener = (size: ContentSize, what: 'widths' | 'height', width: number) => void;

/**
 * What is known of the size of some content, from what was measured. Where its style does not depend on the
 * screen, it follows from the room, in each class of screens that its style tells apart; else it is known
 * along the ways that its room takes over the screens.
 */
export class ContentSize {
	readonly byClass = new Map<number, ByRoom>();
	/** Content widths by screen, where they depend on it. */
	widthsByScreen = new Curve(1);
	/** What was measured on single screens, by screen and room. */
	readonly points = new Map<string, Values>();
	readonly ways = new Map<string, Way>();
	/** The least margin that was seen at its end, px, which shows nothing; undefined before anything was measured. */
	endMargin: number | undefined;
	/** Whether text of it was seen cut off. */
	private cuts = false;

	constructor(readonly dependence: Dependence) {}

	/** A size as it was kept. */
	static from(kept: KeptSize): ContentSize {
		const { dependence, byClass, widthsByScreen, points, ways } = kept;
		const size = new ContentSize(dependence);
		size.endMargin = kept.endMargin;
		size.cuts = kept.cuts;
		for (const [place, { widths, curve }] of byClass) {
			size.byClass.set(place, { widths, curve: Curve.from(roomGrain, curve) });
		}
		size.widthsByScreen = Curve.from(1, widthsByScreen);
		for (const [word, values] of points) size.points.set(word, values);
		for (const { stretches, curve } of ways) {
			size.ways.set(wayWord(stretches), new Way(stretches, Curve.from(1, curve)));
		}
		return size;
	}

	/**
	 * Takes in what was measured of a height: gives it with what sticks out or is cut off and with what is known of
	 * marked elements in it, and keeps the margin at its end.
	 */
	taken([height = 0, x = 0, y = 0, margin = 0, cut = 0, outermost = x, ...marked]: Values): Values {
		this.endMargin = Math.min(this.endMargin ?? Infinity, margin);
		if (cut > 0) this.cuts = true;
		return [height, x, y, cut, outermost, ...marked];
	}

	/** All that was measured, to be kept. */
	kept(): KeptSize {
		const byClass = [...this.byClass].map(
			([place, { widths, curve }]) => [place, { widths, curve: curve.kept() }] as const
		);
		return {
			dependence: this.dependence,
			byClass,
			widthsByScreen: this.widthsByScreen.kept(),
			points: [...this.points],
			endMargin: this.endMargin,
			cuts: this.cuts,
			ways: [...this.ways.values()].map(({ stretches, curve }) => ({
				stretches,
				curve: curve.kept()
			}))
		};
	}

	get isSteady(): boolean {
		return !this.dependence.fluid && this.dependence.breakpoints.length === 0;
	}

	/** The size as a calculation asks for it; `listener` is told of each question. */
	heard(listener: Listener): PieceSize {
		return {
			steady: this.isSteady,
			contentWidths: (view) => {
				listener(this, 'widths', 0);
				return this.contentWidths(view);
			},
			heightAt: (width, view) => {
				listener(this, 'height', width);
				return this.valuesAt(width, view)[0] ?? 0;
			},
			overflowAt: (width, view) => this.overflowAt(width, view),
			cutAt: (width, view) => (this.cuts ? (this.valuesAt(width, view)[3] ?? 0) : 0),
			markedAt: (width, view) => this.valuesAt(width, view).slice(5)
		};
	}

	/** What is known for a class of screens, by its place among the breakpoints. */
	inClass(place: number): ByRoom {
		let known = this.byClass.get(place);
		if (!known) {
			known = { widths: undefined, curve: new Curve(roomGrain) };
			this.byClass.set(place, known);
		}
		return known;
	}

	classOf(screen: number): number {
		return this.dependence.breakpoints.filter((from) => from <= screen).length;
	}

	knowsWidths({ width }: Viewport): boolean {
		return this.dependence.fluid
			? this.widthsByScreen.at(width)?.sure === true
			: this.inClass(this.classOf(width)).widths !== undefined;
	}

	knowsHeight(room: number, { width }: Viewport): boolean {
		return this.dependence.fluid
			? this.alongWay(room, width)?.sure === true
			: this.inClass(this.classOf(width)).curve.at(room)?.sure === true;
	}

	private contentWidths({ width }: Viewport): ContentWidths {
		if (!this.dependence.fluid) {
			return this.noted(width).widths ?? { min: 0, max: 0 };
		}
		const found = this.widthsByScreen.at(width);
		noteFound(width, found);
		const [min = 0, max = 0] = found?.values ?? [];
		return { min, max };
	}

	private overflowAt(room: number, view: Viewport): Overflow {
		const [, x = 0, y = 0, , outermost = x] = this.valuesAt(room, view);
		return { x, y, outermost };
	}

	private valuesAt(room: number, { width }: Viewport): Values {
		if (this.dependence.fluid) {
			const found = this.alongWay(room, width);
			noteFound(width, found);
			return found?.values ?? [];
		}
		const found = this.noted(width).curve.at(room);
		noteFound(room, found);
		return found?.values ?? [];
	}

	private noted(screen: number): ByRoom {
		const { breakpoints } = this.dependence;
		const place = this.classOf(screen);
		if (breakpoints.length > 0) {
			noteStep(screen, breakpoints[place - 1] ?? -Infinity, breakpoints[place] ?? Infinity);
		}
		return this.inClass(place);
	}

	private alongWay(room: number, screen: number): Found | undefined {
		const point = this.points.get(pointWord(screen, room));
		let guess: Found | undefined;
		for (const way of this.ways.values()) {
			const there = way.roomAt(screen);
			if (there === undefined || Math.abs(there - room) > roomGrain) continue;
			const found = way.curve.at(screen);
			if (found?.sure) return found;
			guess = found;
		}
		// A screen by itself says nothing of those beside it.
		return point ? { values: point, from: -Infinity, to: Infinity, sure: true } : guess;
	}
}

/** What is not known yet counts as the same all along: its ends are what is asked for next. */
function noteFound(at: number, found: Found | undefined): void {
	if (found?.sure) noteStep(at, found.from, found.to);
	else noteStep(at, -Infinity, Infinity);
}

/** One word for a room on a screen. */
export function pointWord(screen: number, room: number): string {
	return `${screen} ${inGrains(room)}`;
}
