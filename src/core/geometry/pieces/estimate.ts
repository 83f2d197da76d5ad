import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { valueAt, type Line } from './lines.ts';
import { stiff, type PieceSize } from './piece-size.ts';

/** What text takes at 16 px in a common face: px for a character, and for a line. */
const characterWidth = 7.6;
const lineHeight = 24;
/** A picture that does not say its size. */
const pictureSize = 120;

const flowing = new Set([
	'a',
	'b',
	'i',
	'em',
	'strong',
	'span',
	'small',
	'label',
	'code',
	'q',
	'time'
]);

/** A line of a piece: words, and whatever has a width of its own. */
interface TextLine {
	readonly widths: readonly number[];
	readonly height: number;
}

/** Guesses the size of HTML from its text, where nothing has measured it. */
export function estimateSize(html: string): PieceSize {
	const lines = linesIn(parseFragment(html).childNodes).filter((line) => line.widths.length > 0);
	const sumOf = ({ widths }: TextLine): number =>
		widths.reduce((sum, width) => sum + width, 0) + characterWidth * (widths.length - 1);
	const min = lines.reduce((most, { widths }) => widths.reduce((a, b) => Math.max(a, b), most), 0);
	const max = lines.reduce((most, line) => Math.max(most, sumOf(line)), 0);
	const heightAt = (room: number): number =>
		lines.reduce((height, line) => height + rowsIn(line, room) * line.height, 0);
	const words = lines.reduce((sum, line) => sum + line.widths.length, 0);
	const step = Math.max(1, Math.ceil(words / mostWords));
	const heights = steps(heightAt, Math.floor(min), Math.ceil(max), step);
	return {
		steady: true,
		contentWidths: () => ({ min, max }),
		heightAt: (width) => valueAt(heights, width),
		overflowAt: (width) => stiff(min, width)
	};
}

/** px; no guess is made for wider screens. */
const widest = 4000;
/** Of longer texts only some widths are looked at. */
const mostWords = 2000;

/** The widths at which the height changes, looking at every `step` px. */
function steps(heightAt: (room: number) => number, from: number, to: number, step: number): Line[] {
	const found: Line[] = [{ from, value: heightAt(from), slope: 0 }];
	for (let width = from + step; width <= Math.min(to, widest); width += step) {
		const value = heightAt(width);
		if (found.at(-1)?.value !== value) found.push({ from: width, value, slope: 0 });
	}
	return found;
}

function rowsIn({ widths }: TextLine, room: number): number {
	let rows = 1;
	let used = 0;
	for (const width of widths) {
		const next = used === 0 ? width : used + characterWidth + width;
		if (used > 0 && next > room) {
			rows++;
			used = width;
		} else {
			used = next;
		}
	}
	return rows;
}

/** HTML standard, section 2.3.4.4: what follows the number does not count; px. */
function dimensionOf(value: string | undefined): number {
	const number = /^\s*\+?(\d+(?:\.\d+)?)/.exec(value ?? '')?.[1];
	return number === undefined ? pictureSize : Math.min(Number(number), widest);
}

function linesIn(nodes: readonly Tree.ChildNode[]): TextLine[] {
	const lines: { widths: number[]; height: number }[] = [{ widths: [], height: lineHeight }];
	const visit = (node: Tree.ChildNode): void => {
		const line = lines.at(-1);
		if ('value' in node && line) {
			const words = node.value.split(/\s+/).filter((word) => word !== '');
			line.widths.push(...words.map((word) => word.length * characterWidth));
		} else if ('tagName' in node && node.tagName === 'img' && line) {
			const size = (name: string): number =>
				dimensionOf(node.attrs.find((one) => one.name === name)?.value);
			line.widths.push(size('width'));
			line.height = Math.max(line.height, size('height'));
		} else if ('childNodes' in node && 'tagName' in node) {
			const breaks = !flowing.has(node.tagName);
			if (breaks) lines.push({ widths: [], height: lineHeight });
			node.childNodes.forEach(visit);
			if (breaks) lines.push({ widths: [], height: lineHeight });
		}
	};
	nodes.forEach(visit);
	return lines;
}
