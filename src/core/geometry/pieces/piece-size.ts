import type { PieceKey } from '../../model/piece-key.ts';
import { noteStep } from '../../size/turns.ts';

/** What the calculation has to know of a piece's content: px, without the piece's own padding. */
export interface PieceSize {
	/** The least width at which nothing sticks out. */
	readonly min: number;
	/** The width at which nothing wraps. */
	readonly max: number;
	/** The height at a width. */
	heightAt(width: number): number;
}

/** Content of one size, whatever room it has. */
export function fixedSize(width: number, height: number): PieceSize {
	return { min: width, max: width, heightAt: () => height };
}

/** A run of equal boxes that wraps, such as words or thumbnails. */
export function runSize(count: number, width: number, height: number): PieceSize {
	return {
		min: width,
		max: count * width,
		heightAt(room) {
			const fits = (room + 0.03) / width;
			const inLine = Math.max(1, Math.floor(fits));
			noteStep(fits, inLine === 1 ? -Infinity : inLine, inLine + 1);
			return Math.ceil(count / inLine) * height;
		}
	};
}

/** A width and the height measured at it, px. */
export interface SizeSample {
	readonly width: number;
	readonly height: number;
}

/** Content measured at some widths, narrowest first; between two, the height is that of the narrower. */
export function sampledSize(min: number, max: number, samples: readonly SizeSample[]): PieceSize {
	const widths = samples.map((sample) => sample.width);
	return {
		min,
		max,
		heightAt(width) {
			let low = 0;
			let high = widths.length - 1;
			while (low < high) {
				const middle = (low + high + 1) >> 1;
				if ((widths[middle] ?? 0) <= width + 0.01) low = middle;
				else high = middle - 1;
			}
			const from = low === 0 ? -Infinity : (widths[low] ?? 0);
			noteStep(width + 0.01, from, widths[low + 1] ?? Infinity);
			return samples[low]?.height ?? 0;
		}
	};
}

/** Gives the size of each piece of a page. */
export type PieceSizes = (piece: PieceKey) => PieceSize;
