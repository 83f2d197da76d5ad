import type { Curve, Straight } from '../geometry/pieces/curve.ts';
import type { WrittenLine, WrittenMetrics } from '../geometry/pieces/metrics.ts';
import type { ContentSize } from './content-size.ts';
import type { MeasuredContent } from './page-sizes.ts';

type Written = WrittenMetrics['pieces'][number];
type Place = Omit<Extract<Written, { min: number }>, 'min' | 'max' | 'heights' | 'across' | 'down'>;

/** What was measured, as a file has it. */
export function writtenMetrics(contents: Iterable<MeasuredContent>): WrittenMetrics {
	const pieces = [...contents].flatMap(({ key, spaces, size }): Written[] => {
		const { layout, region, pieces: names, opener } = key;
		const place: Place = {
			pieces: names.map(({ piece, owner }) => ({ piece, owner })),
			...(layout !== undefined && { layout }),
			...(region !== undefined && { region }),
			...(opener && { opener }),
			...(spaces.length > 0 && { spaces: spaces.map((space) => ({ ...space })) })
		};
		return size.dependence.fluid ? alongScreens(size, place) : byRoom(size, place);
	});
	return { pieces };
}

function byRoom(size: ContentSize, place: Place): Written[] {
	const { breakpoints } = size.dependence;
	return [...size.byClass]
		.sort(([a], [b]) => a - b)
		.flatMap(([index, { widths, curve }]): Written[] => {
			const heights = linesOf(curve, 0);
			if (heights.length === 0) return [];
			const [from = 0, to = 100_000] = [breakpoints[index - 1], breakpoints[index]];
			const [min, max] = [widths?.min ?? 0, widths?.max ?? 0];
			return [
				{
					...place,
					...(breakpoints.length > 0 && { screens: [from, to - 1] }),
					min: round(min),
					max: round(max),
					heights,
					across: linesOf(curve, 1),
					down: linesOf(curve, 2)
				}
			];
		});
}

function alongScreens({ ways, widthsByScreen }: ContentSize, place: Place): Written[] {
	const longest = [...ways.values()].at(-1);
	if (!longest) return [];
	const nothing: WrittenLine[] = [[0, 0]];
	const widths = (which: number): WrittenLine[] => {
		const lines = linesOf(widthsByScreen, which);
		return lines.length > 0 ? lines : nothing;
	};
	const byScreen = {
		min: widths(0),
		max: widths(1),
		heights: linesOf(longest.curve, 0),
		across: linesOf(longest.curve, 1),
		down: linesOf(longest.curve, 2)
	};
	return byScreen.heights.length === 0 ? [] : [{ ...place, byScreen }];
}

/** One of the values of a curve; what goes on as before is not said again. */
function linesOf(curve: Curve, which: number): WrittenLine[] {
	const lines: WrittenLine[] = [];
	let last: Straight | undefined;
	for (const line of curve.straights()) {
		if (!last || !goesOn(last, line, which)) {
			const [value, slope] = [round(line.start[which] ?? 0), round(line.slope[which] ?? 0)];
			lines.push(slope === 0 ? [line.from, value] : [line.from, value, slope]);
			last = line;
		}
	}
	return lines;
}

function goesOn(before: Straight, line: Straight, which: number): boolean {
	const slope = before.slope[which] ?? 0;
	const there = (before.start[which] ?? 0) + slope * (line.from - before.from);
	return (
		Math.abs(there - (line.start[which] ?? 0)) < 0.02 &&
		Math.abs(slope - (line.slope[which] ?? 0)) < 1e-4
	);
}

function round(px: number): number {
	return Math.round(px * 1e6) / 1e6;
}
