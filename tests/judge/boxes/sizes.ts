import type { Viewport } from '../../../src/core/size/length.ts';
import { larger } from '../../../src/core/size/turns.ts';
import type { PieceSize, PieceSizes } from '../../../src/core/geometry/pieces/piece-size.ts';
import { fixedSize, runSize } from '../../../src/core/geometry/pieces/piece-size.ts';

/** A block with the margins above and below it, px. */
interface Block {
	readonly size: PieceSize;
	/** It is as wide as the room, whatever sticks out of it. */
	readonly isFluid: boolean;
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
		steady: true,
		endMargin: blocks.at(-1)?.below ?? 0,
		contentWidths: (view) => {
			const widths = blocks.map(({ size }) => size.contentWidths(view));
			return {
				min: Math.max(...widths.map(({ min }) => min)),
				max: Math.max(...widths.map(({ max }) => max))
			};
		},
		heightAt: (width, view) => stackedHeight(blocks, width, view),
		overflowAt: (width, view) => ({
			x: blocks.reduce((most, { size }) => larger(most, size.overflowAt(width, view).x), 0),
			y: 0,
			outermost: blocks.reduce(
				(most, { size, isFluid }) =>
					isFluid ? most : larger(most, size.overflowAt(width, view).x),
				0
			)
		})
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
		isFluid: kind !== 'fix',
		above: Number(margins?.[1] ?? 0),
		below: Number(margins?.[2] ?? 0)
	};
}

/** CSS 2, section 8.3.1: of two margins that meet, the larger one counts. */
function stackedHeight(blocks: readonly Block[], width: number, view: Viewport): number {
	let height = 0;
	let margin = 0;
	for (const { size, above, below } of blocks) {
		height += Math.max(margin, above) + size.heightAt(width, view);
		margin = below;
	}
	return height + margin;
}
