import type { Values } from './curve.ts';
import type { PieceKey } from '../../model/piece-key.ts';
import type { Viewport } from '../../size/length.ts';
import { larger, noteStep } from '../../size/turns.ts';

/** The least width at which nothing sticks out, and the one at which nothing wraps, px. */
export interface ContentWidths {
	readonly min: number;
	readonly max: number;
}

/** How far content sticks out of its box, in the direction of lines and down, px. */
export interface Overflow {
	readonly x: number;
	readonly y: number;
	/** How far its outermost elements do, with their margins; as far as all that is in them where nothing is said. */
	readonly outermost?: number;
}

/**
 * What the calculation has to know of a piece's content: px, without the piece's own padding. It is a
 * function of the room that it gets and of the screen that it is on.
 */
export interface PieceSize {
	/** Whether its content widths are the same on every screen. */
	readonly steady: boolean;
	contentWidths(view: Viewport): ContentWidths;
	heightAt(width: number, view: Viewport): number;
	/** The margin at the end of its height, px, which shows nothing; 0 where it is not known. */
	readonly endMargin?: number;
	/** What sticks out of that width, and of the height that goes with it. */
	overflowAt(width: number, view: Viewport): Overflow;
	/** How far its text is cut off there by what hides it, px; not there where it never is. */
	cutAt?(width: number, view: Viewport): number;
	/** What was measured of the marked elements in it, `numbersEach` numbers for each; not there where none was. */
	markedAt?(width: number, view: Viewport): Values;
}

/** Content of one size, whatever room it has. */
export function fixedSize(width: number, height: number): PieceSize {
	return {
		steady: true,
		contentWidths: () => ({ min: width, max: width }),
		heightAt: () => height,
		overflowAt: (room) => stiff(width, room)
	};
}

/** A run of equal boxes that wraps, such as words or thumbnails. */
export function runSize(count: number, width: number, height: number): PieceSize {
	return {
		steady: true,
		contentWidths: () => ({ min: width, max: count * width }),
		heightAt(room) {
			const fits = (room + 0.03) / width;
			const inLine = Math.max(1, Math.floor(fits));
			noteStep(fits, inLine === 1 ? -Infinity : inLine, inLine + 1);
			return Math.ceil(count / inLine) * height;
		},
		overflowAt: (room) => stiff(width, room)
	};
}

/** What does not get smaller than a width sticks out of less. */
export function stiff(width: number, room: number): Overflow {
	return { x: larger(0, width - room), y: 0 };
}

/** A layout that measures its own space, and the band that its space is in, by its place. */
export interface SpaceBand {
	readonly layout: string;
	readonly band: number;
}

/** Gives the size of each piece of a page, seen from within the spaces that it stands in, outermost first. */
export type PieceSizes = (piece: PieceKey, spaces: readonly SpaceBand[]) => PieceSize;
