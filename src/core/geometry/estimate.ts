import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { sampledSize, type PieceSize, type SizeSample } from './piece-size.ts';

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
interface Line {
	readonly widths: readonly number[];
	readonly height: number;
}

/** Guesses the size of HTML from its text, where nothing has measured it. */
export function estimateSize(html: string): PieceSize {
	const lines = linesIn(parseFragment(html).childNodes).filter((line) => line.widths.length > 0);
	const sumOf = ({ widths }: Line): number =>
		widths.reduce((sum, width) => sum + width, 0) + characterWidth * (widths.length - 1);
	const min = Math.max(0, ...lines.flatMap((line) => line.widths));
	const max = Math.max(0, ...lines.map(sumOf));
	const heightAt = (room: number): number =>
		lines.reduce((height, line) => height + rowsIn(line, room) * line.height, 0);
	return sampledSize(min, max, samples(heightAt, Math.floor(min), Math.ceil(max)));
}

/** The whole widths at which the height changes. */
function samples(heightAt: (room: number) => number, from: number, to: number): SizeSample[] {
	const found: SizeSample[] = [];
	for (let width = from; width <= to; width++) {
		const height = heightAt(width);
		if (found.at(-1)?.height !== height) found.push({ width, height });
	}
	return found;
}

function rowsIn({ widths }: Line, room: number): number {
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

function linesIn(nodes: readonly Tree.ChildNode[]): Line[] {
	const lines: { widths: number[]; height: number }[] = [{ widths: [], height: lineHeight }];
	const visit = (node: Tree.ChildNode): void => {
		const line = lines.at(-1);
		if ('value' in node && line) {
			const words = node.value.split(/\s+/).filter((word) => word !== '');
			line.widths.push(...words.map((word) => word.length * characterWidth));
		} else if ('tagName' in node && node.tagName === 'img' && line) {
			const size = (name: string): number =>
				Number(node.attrs.find((one) => one.name === name)?.value ?? pictureSize);
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
