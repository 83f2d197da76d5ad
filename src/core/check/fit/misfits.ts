import type { BoxName } from '../../geometry/layout-box.ts';
import type { PlacedBox } from '../../geometry/page-layout.ts';
import type { Stretch, Sweep } from '../../geometry/widths/sweep.ts';
import { widthsAbove } from '../subject/fitted-page.ts';
import { boxWords, regionKey } from './box-words.ts';

/** Widths of the screen at which what is in a region does not fit into it, px, both inclusive. */
export interface Misfit {
	/** The region. */
	readonly key: string;
	readonly layout: string | undefined;
	readonly region: string | undefined;
	readonly name: BoxName;
	/** What sticks out, in words. */
	readonly box: string;
	readonly from: number;
	readonly to: number;
	/** By how much at worst, px. */
	readonly by: number;
	/** The width that it needs there, px. */
	readonly needs: number;
}

/** px; browsers round to less. */
const tolerance = 1;
/** px; what lies between two measured widths is a hair off, and no reason for a whole px more. */
const hair = 0.1;

/**
 * What does not fit, region by region, from the narrowest screen on. What reaches into the padding around it, with
 * nothing beside, is still in its region: a bleed is meant so.
 */
export function misfitsIn({ stretches }: Pick<Sweep, 'stretches'>, isMirrored: boolean): Misfit[] {
	const found = new Map<string, Misfit[]>();
	for (const stretch of stretches) {
		for (const misfit of misfitsOn(stretch, isMirrored)) {
			const list = found.get(misfit.key) ?? [];
			const last = list.at(-1);
			if (last && misfit.from <= last.to + 1) list[list.length - 1] = joined(last, misfit);
			else list.push(misfit);
			found.set(misfit.key, list);
		}
	}
	return [...found.values()].flat().sort((a, b) => a.from - b.from || b.by - a.by);
}

function joined(one: Misfit, other: Misfit): Misfit {
	const worst = other.by > one.by ? other : one;
	return { ...worst, from: Math.min(one.from, other.from), to: Math.max(one.to, other.to) };
}

/** The widths of one stretch at which boxes stick out: what sticks out changes evenly in it. */
function misfitsOn({ from, to, first, last }: Stretch, isMirrored: boolean): Misfit[] {
	return first.flatMap((box, index): Misfit[] => {
		const end = last[index];
		if (!end || !isInnermost(box, first)) return [];
		// Beside something it must keep to its own box; else to that of its region.
		const edge =
			hasBeside(index, first) || hasBeside(index, last) ? index : regionAround(index, first);
		const [a, b] = [outOf(box, first[edge], isMirrored), outOf(end, last[edge], isMirrored)];
		const range = widthsAbove([a - tolerance], [b - tolerance], from, to);
		if (!range) return [];
		const worst = a > b ? box : end;
		const { name } = box;
		const by = Math.max(a, b);
		return [
			{
				key: regionKey(name.layout, name.region),
				layout: name.layout,
				region: name.region,
				name,
				box: boxWords(name),
				...range,
				by: Math.round(by),
				needs: Math.ceil(worst.width + by - hair)
			}
		];
	});
}

/** How far what is in a box reaches beyond the edge of a box around it, px; below zero where it does not. */
function outOf(box: PlacedBox, edge: PlacedBox | undefined, isMirrored: boolean): number {
	const { x, width, overflowX, scrolls, inScroller } = box;
	if (scrolls || inScroller || overflowX <= 0 || !edge) return -tolerance;
	return isMirrored ? edge.x - (x - overflowX) : x + width + overflowX - (edge.x + edge.width);
}

/** The region that a box stands in, by its place; its own where it is one. */
function regionAround(index: number, boxes: readonly PlacedBox[]): number {
	let at: number | undefined = index;
	while (at !== undefined && boxes[at]?.name.kind !== 'region') at = boxes[at]?.inside;
	return at ?? index;
}

/** Whether another box of the same arrangement stands beside it at some height. */
function hasBeside(index: number, boxes: readonly PlacedBox[]): boolean {
	const box = boxes[index];
	if (!box || box.name.kind === 'region') return false;
	return boxes.some(
		(other, at) =>
			at !== index &&
			other.inside === box.inside &&
			other.y < box.y + box.height &&
			box.y < other.y + other.height
	);
}

/** What sticks out of a box sticks out of those around it too; only the innermost is said. */
function isInnermost(box: PlacedBox, all: readonly PlacedBox[]): boolean {
	const { kind, layout, region } = box.name;
	if (kind === 'layout' || kind === 'bare' || kind === 'wrapper') return false;
	if (kind !== 'region') return true;
	return !all.some(
		({ name }) =>
			name.kind !== 'region' &&
			name.layout === layout &&
			name.region === region &&
			name.pieces.length > 0
	);
}

/** What does not fit, as a sentence. */
export function misfitWords({ box, region, from, to, by, needs }: Misfit): string {
	const at = from === to ? `at ${from} px` : `from ${from} to ${to} px`;
	const place = region === undefined || box === region ? '' : `${region} is too narrow ${at}: `;
	return place === ''
		? `${box} sticks out by up to ${by} px ${at}; it needs ${needs} px.`
		: `${place}${box.replace(` in ${region}`, '')} needs ${needs} px and sticks out by up to ${by} px.`;
}
