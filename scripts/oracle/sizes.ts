import type { PieceSize, PieceSizes } from '../../src/core/geometry/pieces/piece-size.ts';
import { fixedSize, runSize } from '../../src/core/geometry/pieces/piece-size.ts';

/** A block with the margins above and below it, px. */
interface Block {
	readonly size: PieceSize;
	readonly above: number;
	readonly below: number;
}

/**
 * Sizes of pieces that are named for them: `fix-WIDTH-HEIGHT`, `run-COUNT-WIDTH-HEIGHT`, each with
 * `-mABOVE-BELOW` where it has margins; openers have one size.
 */
export const sizesByName: PieceSizes = ({ pieces, opener }) => {
	if (opener) return fixedSize(60, 24);
	const blocks = pieces.map(({ piece }) => blockOf(piece));
	return {
		min: Math.max(...blocks.map(({ size }) => size.min)),
		max: Math.max(...blocks.map(({ size }) => size.max)),
		heightAt: (width) => stackedHeight(blocks, width)
	};
};

function blockOf(name: string): Block {
	const [kind, one, two, three] = name.split('-');
	const margins = /-m(\d+)-(\d+)/.exec(name);
	return {
		size:
			kind === 'fix'
				? fixedSize(Number(one), Number(two))
				: runSize(Number(one), Number(two), Number(three)),
		above: Number(margins?.[1] ?? 0),
		below: Number(margins?.[2] ?? 0)
	};
}

/** CSS 2, section 8.3.1: of two margins that meet, the larger one counts. */
function stackedHeight(blocks: readonly Block[], width: number): number {
	let height = 0;
	let margin = 0;
	for (const { size, above, below } of blocks) {
		height += Math.max(margin, above) + size.heightAt(width);
		margin = below;
	}
	return height + margin;
}
