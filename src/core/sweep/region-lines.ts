import { regionKey } from '../check/fit/box-words.ts';
import { markOf, type Mark, type Marks } from '../view-models/marks.ts';
import type { PlacedBox } from '../geometry/page-layout.ts';
import { jumpSize } from '../geometry/widths/jumps.ts';
import type { Stretch, Sweep } from '../geometry/widths/sweep.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import { slotOf } from '../resolve/structure.ts';

/** What a region has at a width of the screen, px. */
export interface SweepPoint {
	readonly screen: number;
	readonly width: number;
	readonly height: number;
}

/** A region over all widths. */
export interface RegionLine {
	/** The same for the same region before and after an edit. */
	readonly key: string;
	readonly layout: string;
	readonly region: string;
	readonly mark: Mark | undefined;
	/** The page's own content lands there. */
	readonly own: boolean;
	/** Runs of widths at which it is there and does not jump; straight lines lead from point to point. */
	readonly runs: readonly (readonly SweepPoint[])[];
	/** The least width that its content needs, from one width of the screen on, px; none where it scrolls by itself. */
	readonly least: readonly { readonly from: number; readonly px: number }[];
}

/** The lines of all regions of a page, in reading order. */
export function regionLines(
	sweep: Pick<Sweep, 'stretches'>,
	page: ResolvedPage,
	marks: Marks,
	leastAt: readonly { readonly from: number; readonly widths: ReadonlyMap<string, number> }[]
): RegionLine[] {
	const innermost = page.chain.at(-1);
	return page.regions.flatMap(({ layout, region }) => {
		const key = regionKey(layout.name.text, region.name.text);
		const runs = runsOf(sweep.stretches, key);
		if (runs.length === 0) return [];
		const least = leastAt.flatMap(({ from, widths }) => {
			const px = widths.get(key);
			return px === undefined ? [] : [{ from, px }];
		});
		return [
			{
				key,
				layout: layout.name.text,
				region: region.name.text,
				mark: markOf(layout, marks),
				own: layout === innermost && slotOf(layout) === region,
				runs,
				least
			}
		];
	});
}

function runsOf(stretches: readonly Stretch[], key: string): SweepPoint[][] {
	const runs: SweepPoint[][] = [];
	let run: SweepPoint[] | undefined;
	for (const { from, to, first, last } of stretches) {
		const [start, end] = [regionIn(first, key), regionIn(last, key)];
		if (!start || !end) {
			run = undefined;
			continue;
		}
		const point = pointOf(from, start);
		const before = run?.at(-1);
		if (!run || !before || Math.abs(before.width - point.width) > jumpSize) {
			runs.push((run = []));
		}
		run.push(point);
		if (to > from) run.push(pointOf(to, end));
	}
	return runs;
}

function regionIn(boxes: readonly PlacedBox[], key: string): PlacedBox | undefined {
	return boxes.find(
		({ name }) => name.kind === 'region' && regionKey(name.layout, name.region) === key
	);
}

function pointOf(screen: number, { width, height }: PlacedBox): SweepPoint {
	const rounded = (px: number): number => Math.round(px * 100) / 100;
	return { screen, width: rounded(width), height: rounded(height) };
}

/** What a region has at a width of the screen; undefined where it is not there. */
export function pointAt(
	{ runs }: Pick<RegionLine, 'runs'>,
	screen: number
): SweepPoint | undefined {
	for (const run of runs) {
		const [first, last] = [run[0], run.at(-1)];
		if (!first || !last || screen < first.screen || screen > last.screen) continue;
		const after = run.findIndex((point) => point.screen >= screen);
		const [a, b] = [run[Math.max(0, after - 1)], run[after]];
		if (!a || !b) continue;
		const share = b.screen === a.screen ? 1 : (screen - a.screen) / (b.screen - a.screen);
		const between = (one: number, other: number): number => one + (other - one) * share;
		return { screen, width: between(a.width, b.width), height: between(a.height, b.height) };
	}
	return undefined;
}
