import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent } from 'echarts/components';
import { init, use, type EChartsType } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import type { RegionLine, SweepPoint } from '$core/sweep/region-lines.ts';
import type { RoomLine } from '$core/sweep/room-lines.ts';
import type { SweepView } from '$core/sweep/sweep-view.ts';

use([LineChart, GridComponent, MarkAreaComponent, SVGRenderer]);

export const measures = ['widths', 'shares', 'heights', 'room left'] as const;
export type Measure = (typeof measures)[number];

/** px around the drawing, inside the chart. */
export const room = { left: 58, right: 96, top: 26, bottom: 26 };

/** Dashes that tell the regions of a layout apart, in their order. */
const dashes = ['solid', [7, 3], [2, 2], [9, 3, 2, 3], [4, 2]] as const;

/** Colours as they are now. */
export interface ChartColours {
	readonly ink: string;
	readonly secondary: string;
	readonly hair: string;
	readonly rule: string;
	readonly sunk: string;
	readonly fault: string;
	readonly graphite: string;
	readonly mono: string;
	readonly hues: readonly string[];
}

export function readColours(element: HTMLElement): ChartColours {
	const style = getComputedStyle(element);
	const value = (name: string): string => style.getPropertyValue(name).trim();
	return {
		ink: value('--ink'),
		secondary: value('--ink-2'),
		hair: value('--hair'),
		rule: value('--rule'),
		sunk: value('--sunk'),
		fault: value('--fault'),
		graphite: value('--graphite'),
		mono: value('--mono'),
		hues: ['--l1', '--l2', '--l3', '--l4', '--l5'].map(value)
	};
}

export function openChart(element: HTMLElement): EChartsType {
	return init(element, undefined, { renderer: 'svg' });
}

function colourOf(
	{ mark, own }: Pick<RegionLine, 'mark' | 'own'>,
	{ hues, graphite }: ChartColours
): string {
	return own || !mark ? graphite : (hues[mark.hue - 1] ?? graphite);
}

/** What is drawn of a point. */
export function valueOf({ screen, width, height }: SweepPoint, measure: Measure): number {
	if (measure === 'heights') return height;
	return measure === 'widths' ? width : (width / screen) * 100;
}

/** What a chart shows. */
export interface Charted {
	readonly sweep: SweepView;
	/** How it is, where `sweep` is what a mend would make of it. */
	readonly before: SweepView | undefined;
	readonly bands: readonly { readonly name: string; readonly from: number }[];
	readonly measure: Measure;
	/** Keys of the regions that are drawn. */
	readonly shown: ReadonlySet<string>;
	/** What is left of screens for content, where that is measured. */
	readonly roomLines: readonly RoomLine[];
}

/** The lines of a sweep, and behind them, dashed, how it was, where it is shown what a mend would do. */
export function chartOption(
	{ sweep, before, bands, measure, shown, roomLines }: Charted,
	colours: ChartColours
): Parameters<EChartsType['setOption']>[0] {
	const inShares = measure === 'shares' || measure === 'room left';
	const regions = sweep.regions.filter(({ key }) => shown.has(key));
	const lines = regions.map((region) =>
		lineOf(region, measure, colours, false, orderOf(region, sweep))
	);
	const old =
		before?.regions
			.filter(({ key }) => shown.has(key))
			.map((region) => lineOf(region, measure, colours, true, orderOf(region, before))) ?? [];
	const least =
		measure === 'widths' ? regions.flatMap((region) => leastOf(region, sweep, colours)) : [];
	return {
		animation: false,
		grid: { left: room.left, right: room.right, top: room.top, bottom: room.bottom },
		xAxis: {
			type: 'value',
			min: sweep.from,
			max: sweep.to,
			axisTick: { customValues: ticks },
			axisLabel: {
				customValues: ticks,
				formatter: '{value}',
				color: colours.secondary,
				fontFamily: colours.mono,
				fontSize: 12
			},
			splitLine: { show: false },
			axisLine: { lineStyle: { color: colours.rule } }
		},
		yAxis: {
			type: 'value',
			min: 0,
			axisLabel: {
				color: colours.secondary,
				fontFamily: colours.mono,
				fontSize: 12,
				formatter: inShares ? '{value} %' : '{value} px'
			},
			...(measure === 'room left' && { max: 100 }),
			splitLine: { lineStyle: { color: colours.hair } }
		},
		series: [
			{ ...lineBase, data: [], markArea: areasOf(sweep, bands, colours) },
			...(measure === 'room left'
				? roomLines.map((line, index) => roomLineOf(line, index, colours))
				: [...least, ...old, ...lines])
		]
	};
}

/** What is left of screens of one height, as a share of them; the lower the screen, the stronger the line. */
function roomLineOf({ height, runs }: RoomLine, index: number, colours: ChartColours): object {
	const data = runs.flatMap((run, at) => [
		...(at === 0 ? [] : [[run[0]?.screen ?? 0, null]]),
		...run.map(({ screen, left }) => [screen, (left / height) * 100])
	]);
	return {
		...lineBase,
		name: `${height} px`,
		data,
		lineStyle: { color: colours.ink, width: 2.6 - index * 0.5, type: dashes[index] ?? 'solid' }
	};
}

/** Where a line ends, and what it is called there. */
export interface LineEnd {
	readonly key: string;
	readonly name: string;
	readonly colour: string;
	/** px of the screen */
	readonly screen: number;
	/** In the unit of the measure. */
	readonly value: number;
}

/** The ends of all lines that are drawn, but for those of how it was. */
export function lineEnds(
	{ sweep, measure, shown, roomLines }: Charted,
	colours: ChartColours
): LineEnd[] {
	if (measure === 'room left') {
		return roomLines.flatMap(({ height, runs }) => {
			const end = runs.at(-1)?.at(-1);
			const name = `${height} px`;
			const colour = colours.ink;
			return end
				? [{ key: name, name, colour, screen: end.screen, value: (end.left / height) * 100 }]
				: [];
		});
	}
	return sweep.regions.flatMap((region) => {
		const end = region.runs.at(-1)?.at(-1);
		if (!end || !shown.has(region.key)) return [];
		return [
			{
				key: region.key,
				name: region.region,
				colour: colourOf(region, colours),
				screen: end.screen,
				value: valueOf(end, measure)
			}
		];
	});
}

/** px of the screen that the axis names. */
const ticks = [400, 600, 800, 1000, 1200, 1400, 1600];

const lineBase = { type: 'line' as const, symbol: 'none', silent: true };

function lineOf(
	region: RegionLine,
	measure: Measure,
	colours: ChartColours,
	isOld: boolean,
	/** Its place among the regions of its layout. */
	order: number
): object {
	// A gap lies between two runs: there it is not, or it jumps.
	const data = region.runs.flatMap((run, index) => [
		...(index === 0 ? [] : [[run[0]?.screen ?? 0, null]]),
		...run.map((point) => [point.screen, valueOf(point, measure)])
	]);
	const dash = dashes[order % dashes.length] ?? 'solid';
	return {
		...lineBase,
		name: region.region,
		data,
		lineStyle: {
			color: colourOf(region, colours),
			width: isOld ? 1 : region.own ? 2.6 : 1.8,
			opacity: isOld ? 0.45 : 1,
			type: isOld ? [2, 3] : region.own ? 'solid' : dash
		}
	};
}

function orderOf({ key, layout }: RegionLine, { regions }: SweepView): number {
	return regions.filter((one) => one.layout === layout).findIndex((one) => one.key === key);
}

/** The least width that a region needs, where that is more than nothing, over the widths at which it is there. */
function leastOf(region: RegionLine, sweep: SweepView, colours: ChartColours): object[] {
	const starts = region.least.filter(({ px }) => px > 0);
	const data = starts.flatMap(({ from, px }, index) => {
		const to = (starts[index + 1]?.from ?? sweep.to + 1) - 1;
		const there = region.runs.some(
			(run) => (run[0]?.screen ?? 0) <= to && (run.at(-1)?.screen ?? 0) >= from
		);
		return there
			? [
					[from, px],
					[to, px],
					[to, null]
				]
			: [];
	});
	if (data.length === 0) return [];
	const isShort = sweep.misfits.some(({ key }) => key === region.key);
	return [
		{
			...lineBase,
			data,
			lineStyle: {
				color: isShort ? colours.fault : colourOf(region, colours),
				width: 1,
				type: [4, 4],
				opacity: isShort ? 1 : 0.55
			}
		}
	];
}

function areasOf(
	sweep: SweepView,
	bands: readonly { readonly name: string; readonly from: number }[],
	colours: ChartColours
): object {
	const label = { position: 'insideTopLeft' as const, color: colours.secondary, fontSize: 12 };
	const strips = bands.map(({ name, from }, index) => {
		const to = bands[index + 1]?.from ?? sweep.to;
		const style = { color: colours.sunk, opacity: index % 2 === 1 ? 0.75 : 0 };
		return [
			{ xAxis: Math.max(from, sweep.from), name, itemStyle: style, label },
			{ xAxis: Math.min(to, sweep.to) }
		];
	});
	const misfits = sweep.misfits.map(({ from, to }) => [
		{ xAxis: from, itemStyle: { color: colours.fault, opacity: 0.16 } },
		{ xAxis: Math.max(to, from + 1) }
	]);
	return { silent: true, data: [...strips, ...misfits] };
}
