import type { sizesFrom } from '../geometry/pieces/metrics.ts';
import { PageLayout, type PlacedBox } from '../geometry/page-layout.ts';
import type { PieceSize } from '../geometry/pieces/piece-size.ts';
import { Sweep } from '../geometry/widths/sweep.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { Guesses } from './guesses.ts';

/** A range of screens, px. */
export interface Screens {
	readonly from: number;
	readonly to: number;
	readonly height: number;
	/** What a classic scrollbar takes of each, px. */
	readonly scrollbar: number;
}

/** The boxes on one screen. */
export interface FoundBoxes {
	readonly width: number;
	readonly boxes: readonly FoundBox[];
}

/** A box, and whether it would be another if what is only estimated were. */
export interface FoundBox {
	readonly box: PlacedBox;
	readonly estimated: boolean;
}

/** A box as other programs get it, px. */
export interface BoxEntry {
	readonly layout: string | undefined;
	readonly region?: string;
	readonly wrapper?: string;
	/** The region that a button opens. */
	readonly opener?: string;
	readonly piece?: string;
	/** The layer that brought the piece. */
	readonly owner?: string;
	/** Pieces that lie in one run of lines. */
	readonly run?: readonly { readonly piece: string; readonly owner: string }[];
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly overflowX: number;
	readonly overflowY: number;
	/** It rests on sizes that were guessed from text. */
	readonly estimated?: true;
}

/** px; what rests on a guess shows when the guess is another. */
const more = 24;

/** The boxes of a page on all screens of a range, in the order of their widths: by sizes that are known, and guesses of the others. */
export function estimatedBoxes(
	instance: PageInstance,
	seen: ResolvedSite,
	year: number,
	{ from, to, height, scrollbar }: Screens,
	known?: ReturnType<typeof sizesFrom>
): FoundBoxes[] {
	const guesses = new Guesses(instance, seen, year);
	const sweepBy = (guessed: (size: PieceSize) => PieceSize): Sweep => {
		const layout = new PageLayout({
			page: seen.page(instance.page),
			site: seen.site,
			sizes: (key, spaces) => known?.(key, spaces) ?? guessed(guesses.of(key)),
			open: new Set(),
			scrollbar
		});
		return Sweep.over(layout, from, to, height);
	};
	const [asGuessed, otherwise] = [sweepBy((size) => size), [...sweepBy(larger)]];
	return [...asGuessed].map(({ width, boxes }, index) => ({
		width,
		boxes: boxes.map((box, place) => ({
			box,
			estimated: differs(box, otherwise[index]?.boxes[place])
		}))
	}));
}

function larger(size: PieceSize): PieceSize {
	return {
		steady: size.steady,
		contentWidths: (view) => {
			const { min, max } = size.contentWidths(view);
			return { min: min + more, max: max + more };
		},
		heightAt: (width, view) => size.heightAt(width, view) + more,
		overflowAt: (width, view) => size.overflowAt(width, view)
	};
}

function differs(box: PlacedBox, other: PlacedBox | undefined): boolean {
	if (!other) return true;
	return (['x', 'y', 'width', 'height'] as const).some(
		(side) => Math.abs(box[side] - other[side]) > 0.01
	);
}

/** Boxes for other programs; layouts' roots and boxes without a name in the text are left out. */
export function boxEntries(boxes: readonly FoundBox[]): BoxEntry[] {
	return boxes.flatMap(boxEntry);
}

function boxEntry({ box, estimated }: FoundBox): BoxEntry[] {
	const { name } = box;
	if (name.kind === 'layout' || name.kind === 'bare') return [];
	const { layout, region, wrapper, pieces } = name;
	const [first, ...others] = pieces;
	const place = {
		x: rounded(box.x),
		y: rounded(box.y),
		width: rounded(box.width),
		height: rounded(box.height),
		overflowX: rounded(box.overflowX),
		overflowY: rounded(box.overflowY),
		...(estimated && { estimated })
	};
	if (name.kind === 'opener')
		return [
			{
				layout,
				...(region !== undefined && { region }),
				...(first && { opener: first.piece }),
				...place
			}
		];
	return [
		{
			layout,
			...(region !== undefined && { region }),
			...(wrapper !== undefined && { wrapper }),
			...(others.length === 0 ? first : { run: pieces }),
			...place
		}
	];
}

function rounded(px: number): number {
	return Math.round(px * 100) / 100;
}
