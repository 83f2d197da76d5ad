import type { ChildNode } from 'domhandler';
import { valueAt, type Line } from './lines.ts';
import { stiff, type PieceSize } from './piece-size.ts';
import type { TextType } from './said-size.ts';
import {
	linesOf,
	fragmentOf,
	nothingSaid,
	plainType,
	rowsIn,
	widest,
	type Saying,
	type TextLine
} from './text-lines.ts';

/** Of longer texts only some widths are looked at. */
const mostWords = 2000;

/** Guesses the size of HTML from its text and from what styles say of it, where nothing has measured it. */
export function estimateSize(
	html: string,
	type: TextType = plainType,
	saying: (nodes: readonly ChildNode[]) => Saying = () => nothingSaid
): PieceSize {
	const guess = guessed(html, type, saying);
	// Many texts are alike in length, word by word: what is known of one of them holds for all.
	const word = JSON.stringify(guess);
	let size = known.get(word);
	if (!size) {
		if (known.size >= mostKnown) known.clear();
		known.set(word, (size = sizeFor(guess)));
	}
	return size;
}

/** Sizes by what was guessed; equal ones are one object. */
const known = new Map<string, PieceSize>();
const mostKnown = 4000;

function sizeFor({ lines, min, max, out, cut, slope, endMargin }: Guessed): PieceSize {
	const words = lines.reduce((sum, line) => sum + line.widths.length, 0);
	const step = Math.max(1, Math.ceil(words / mostWords));
	// A sum of words may come out a hair above the whole.
	const heights = steps(
		(room) => heightOf(lines, room),
		Math.floor(min),
		Math.ceil(max) + 1,
		step
	).map(({ from, value }): Line => ({ from, value: value + slope * from, slope }));
	return { ...sizeOf({ min, max, out, cut }, (width) => valueAt(heights, width)), endMargin };
}

/** The same for a single screen: cheap to make, but no sweep may be worked out from it. */
export function estimateOnce(
	html: string,
	type: TextType = plainType,
	saying: (nodes: readonly ChildNode[]) => Saying = () => nothingSaid
): PieceSize {
	const { lines, slope, ...widths } = guessed(html, type, saying);
	const heightAt = (width: number): number =>
		heightOf(lines, Math.max(width, Math.floor(widths.min))) + slope * Math.min(width, widest);
	return sizeOf(widths, heightAt);
}

interface Guessed extends GuessedWidths {
	readonly lines: readonly TextLine[];
	/** By how much the height changes for each px of width. */
	readonly slope: number;
	/** px */
	readonly endMargin: number;
}

/** px */
interface GuessedWidths {
	readonly min: number;
	readonly max: number;
	/** Where there is less, something sticks out. */
	readonly out: number;
	/** Where there is less, text is cut off. */
	readonly cut: number;
}

function guessed(
	html: string,
	type: TextType,
	saying: (nodes: readonly ChildNode[]) => Saying
): Guessed {
	const nodes = fragmentOf(html);
	const lines = linesOf(nodes, type, saying(nodes));
	const slope = lines.reduce((sum, { share = 0 }) => sum + share, 0);
	return { lines, ...widthsOf(lines), slope, endMargin: lines.at(-1)?.below ?? 0 };
}

function sizeOf(
	{ min, max, out, cut }: GuessedWidths,
	heightAt: (width: number) => number
): PieceSize {
	return {
		steady: true,
		contentWidths: () => ({ min, max }),
		heightAt,
		overflowAt: (width) => stiff(out, width),
		cutAt: (width) => stiff(cut, width).x
	};
}

function widthsOf(lines: readonly TextLine[]): GuessedWidths {
	const sumOf = ({ widths, space, beside, least, most }: TextLine): number => {
		const all = widths.reduce((sum, width) => sum + width, 0);
		return Math.max(least, Math.min(most, all + space * Math.max(0, widths.length - 1) + beside));
	};
	const least = lines.map(({ widths, beside, least }) =>
		widths.reduce((a, b) => Math.max(a, b + beside), least)
	);
	const ofLines = (of: (line: TextLine, least: number) => number): number =>
		lines.reduce((most, line, index) => Math.max(most, of(line, least[index] ?? 0)), 0);
	const max = lines.reduce((most, line) => Math.max(most, sumOf(line)), 0);
	return {
		min: ofLines((_, own) => own),
		max,
		out: ofLines(({ held }, own) => held?.least ?? own),
		cut: ofLines(({ held }, own) => (held?.cut ? own : 0))
	};
}

/** CSS 2, section 8.3.1: of two margins that meet, the larger one counts. */
function heightOf(lines: readonly TextLine[], room: number): number {
	let height = 0;
	let margin = 0;
	for (const line of lines) {
		const own = line.share === undefined ? (line.fixed ?? rowsIn(line, room) * line.height) : 0;
		height += Math.max(margin, line.above) + own;
		margin = line.below;
	}
	return height + margin;
}

/** The widths at which the height changes, looking at every `step` px. */
function steps(heightAt: (room: number) => number, from: number, to: number, step: number): Line[] {
	const found: Line[] = [{ from, value: heightAt(from), slope: 0 }];
	for (let width = from + step; width <= Math.min(to, widest); width += step) {
		const value = heightAt(width);
		if (found.at(-1)?.value !== value) found.push({ from: width, value, slope: 0 });
	}
	return found;
}
