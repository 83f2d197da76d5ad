import type { Marks } from '../view-models/marks.ts';
import { sweepFrom, sweepTo } from '../geometry/widths/jumps.ts';
import type { PageLayout } from '../geometry/page-layout.ts';
import type { Sweep } from '../geometry/widths/sweep.ts';
import type { SiteSettings } from '../model/site.ts';
import { isFramed, type ResolvedPage } from '../resolve/page.ts';
import { jumpsIn, type Jump } from './jump-words.ts';
import { misfitsIn, misfitWords, type Misfit } from '../check/fit/misfits.ts';
import { regionKey } from '../check/fit/box-words.ts';
import { pointAt, regionLines, type RegionLine } from './region-lines.ts';

/** What a page does over all widths of the screen, as plain data. */
export interface SweepView {
	readonly from: number;
	readonly to: number;
	readonly regions: readonly RegionLine[];
	readonly jumps: readonly Jump[];
	readonly misfits: readonly Misfit[];
	/** A frame of own markup is around the page: its boxes are measured at all widths, none is computed. */
	readonly framed: boolean;
}

/** `leastOn` gives the least widths that regions need on a screen of some width, px. */
export function sweepView(
	sweep: Pick<Sweep, 'stretches'>,
	page: ResolvedPage,
	{ bands, dir }: Pick<SiteSettings, 'bands' | 'dir'>,
	marks: Marks,
	leastOn: (width: number) => ReturnType<PageLayout['leastWidths']>
): SweepView {
	const starts =
		bands.length === 0 ? [sweepFrom] : bands.map(({ from }) => Math.max(from, sweepFrom));
	const least = starts.map((from) => ({
		from,
		widths: new Map(leastOn(from).map(({ name, px }) => [regionKey(name.layout, name.region), px]))
	}));
	return {
		from: sweepFrom,
		to: sweepTo,
		regions: regionLines(sweep, page, marks, least),
		jumps: jumpsIn(sweep),
		misfits: misfitsIn(sweep, dir === 'rtl'),
		framed: isFramed(page)
	};
}

/** The numbers as comma-separated values (RFC 4180): every width, and what each region has there, px. */
export function sweepCsv({ from, to, regions }: SweepView): string {
	const head = regions.flatMap(({ key }) => [`${key} width`, `${key} height`]);
	const lines = [['screen', ...head].join(',')];
	for (let screen = from; screen <= to; screen++) {
		const values = regions.flatMap((region) => {
			const point = pointAt(region, screen);
			return point
				? [point.width, point.height].map((px) => String(Math.round(px * 100) / 100))
				: ['', ''];
		});
		lines.push([screen, ...values].join(','));
	}
	return lines.map((line) => line + '\r\n').join('');
}

/** What the chart shows, in sentences, for those who do not see it. */
export function sweepSentences({ regions, jumps, misfits }: SweepView): string[] {
	const lines = regions.map(({ region, runs }) => {
		const parts = runs.map((run) => {
			const [first, last] = [run[0], run.at(-1)];
			if (!first || !last) return '';
			const [one, other] = [Math.round(first.width), Math.round(last.width)];
			const size = one === other ? `${one} px wide` : `${one} to ${other} px wide`;
			return `${size} on screens from ${first.screen} to ${last.screen} px`;
		});
		return `${region} is ${parts.join(', ')}.`;
	});
	const jumping = jumps.map(({ width, words }) => `At ${width} px ${words}.`);
	return [...lines, ...jumping, ...misfits.map(misfitWords)];
}
