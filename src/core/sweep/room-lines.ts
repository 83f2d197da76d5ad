import type { PlacedBox } from '../geometry/page-layout.ts';
import { sweepFrom, sweepTo } from '../geometry/widths/jumps.ts';
import type { Bands } from '../resolve/bands.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import { isNamed, ownContent } from '../scroll/own-content.ts';
import { roomLeft, scrollReach, seenOf } from '../scroll/room-left.ts';

/** How much of screens of one height is left for the content of a page by what keeps to an edge, over all widths. */
export interface RoomLine {
	/** Of the screen, px. */
	readonly height: number;
	/** px of its height; straight lines lead from point to point, but none to the begin of a band. */
	readonly runs: readonly (readonly { readonly screen: number; readonly left: number }[])[];
}

/** Heights of screens that are looked at, px: a phone on its side, a small one, a laptop, a desk. */
const roomHeights = [360, 640, 800, 1080] as const;

/** px of width between two looks. */
const step = 20;

/** Boxes of a page on a screen, scrolled by some px. */
export type BoxesOn = (width: number, height: number, px: number) => readonly PlacedBox[];

/**
 * What is left where the page is scrolled to the middle of its content. Works through one width after the other, so that
 * others get their turn.
 */
export function* roomLines(
	page: ResolvedPage,
	bands: Bands,
	boxesOn: BoxesOn
): Generator<undefined, RoomLine[]> {
	const starts = bands.map(({ from }) => from).filter((from) => from > sweepFrom);
	const runs = roomHeights.map((): { screen: number; left: number }[][] => []);
	const edges = [sweepFrom, ...starts, sweepTo + 1];
	for (const [index, from] of edges.entries()) {
		const to = (edges[index + 1] ?? 0) - 1;
		if (to < from) break;
		for (const run of runs) run.push([]);
		for (const screen of widthsBetween(from, to)) {
			for (const [at, height] of roomHeights.entries()) {
				const left = leftOn(page, screen, height, boxesOn);
				if (left !== undefined) runs[at]?.at(-1)?.push({ screen, left });
			}
			yield undefined;
		}
	}
	return roomHeights.map((height, at) => ({ height, runs: runs[at] ?? [] }));
}

function widthsBetween(from: number, to: number): number[] {
	const inner = [];
	for (let width = Math.ceil((from + 1) / step) * step; width < to; width += step)
		inner.push(width);
	return to > from ? [from, ...inner, to] : [from];
}

function leftOn(
	page: ResolvedPage,
	width: number,
	height: number,
	boxesOn: BoxesOn
): number | undefined {
	const name = ownContent(page);
	const atRest = boxesOn(width, height, 0);
	const content = atRest.find((box) => isNamed(box.name, name));
	if (!content) return undefined;
	const middle = content.y + content.height / 2 - height / 2;
	const px = Math.round(Math.min(Math.max(0, middle), scrollReach(atRest, height)));
	const boxes = px === 0 ? atRest : boxesOn(width, height, px);
	const there = boxes.find((box) => isNamed(box.name, name)) ?? content;
	return Math.round(roomLeft(boxes, there, seenOf(there, px, height)) * 100) / 100;
}

/** What is left at a width, px; undefined where the content is not there. */
export function roomAt({ runs }: RoomLine, screen: number): number | undefined {
	for (const run of runs) {
		const after = run.findIndex((point) => point.screen >= screen);
		const [a, b] = [run[Math.max(0, after - 1)], run[after]];
		if (!a || !b || screen < a.screen) continue;
		const share = b.screen === a.screen ? 0 : (screen - a.screen) / (b.screen - a.screen);
		return a.left + (b.left - a.left) * share;
	}
	return undefined;
}

/** The lines in sentences: the least that is left at each height, and where. */
export function roomSentences(lines: readonly RoomLine[]): string[] {
	return lines.flatMap(({ height, runs }) => {
		const points = runs.flat();
		const [first] = points;
		if (!first) return [];
		const least = points.reduce((one, other) => (other.left < one.left ? other : one), first);
		const share = Math.round((least.left / height) * 100);
		return [
			`On screens ${height} px high, at least ${Math.round(least.left)} px (${share} %) are left for content, at ${least.screen} px of width.`
		];
	});
}

/** As comma-separated values (RFC 4180): the looks, and what is left on screens of each height, px. */
export function roomCsv(lines: readonly RoomLine[]): string {
	const head = ['screen', ...lines.map(({ height }) => `left of ${height}`)].join(',');
	const screens = lines[0]?.runs.flat().map(({ screen }) => screen) ?? [];
	const rows = screens.map((screen) =>
		[screen, ...lines.map((line) => roomAt(line, screen) ?? '')].join(',')
	);
	return [head, ...rows].map((row) => row + '\r\n').join('');
}
