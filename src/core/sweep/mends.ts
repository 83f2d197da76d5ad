import { isEmptyCell, type AreasArrangement } from '../model/arrange.ts';
import type { Site } from '../model/site.ts';
import { arrangementAt, bandAt } from '../resolve/bands.ts';
import { parseTracks, isTrackList } from '../size/tracks.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import { sweepTo } from '../geometry/widths/jumps.ts';
import type { Jump } from './jump-words.ts';
import type { Misfit } from '../check/fit/misfits.ts';
import { contentMends } from './content-mends.ts';
import type { MendIdea } from './mend-idea.ts';

/** Ideas for a misfit: the breakpoint at which it would fit, what comes in later, narrower tracks beside it, a rule for the content, its own scrolling. */
export function mendIdeas(
	misfit: Misfit,
	page: ResolvedPage,
	site: Site,
	jumps: readonly Jump[]
): MendIdea[] {
	return [
		...laterBand(misfit, site),
		...comeLater(misfit, page, site, jumps),
		...narrowerTracks(misfit, page, site),
		...contentMends(misfit, page),
		...ownScrolling(misfit, site)
	];
}

function laterBand({ from, to }: Misfit, { settings }: Site): MendIdea[] {
	const index = settings.bands.findIndex((band) => band.from === from && band.from > 0);
	const [band, next] = [settings.bands[index], settings.bands[index + 1]];
	const start = to + 1;
	if (!band || start >= (next?.from ?? sweepTo)) return [];
	const name = band.name.text;
	return [
		{
			label: `Let ${name} start at ${start} px`,
			command: { kind: 'set-breakpoint', band: name, from: start }
		}
	];
}

/** Regions that come in where it begins stay as they are in the band before. */
function comeLater(
	{ from, key }: Misfit,
	{ regions }: ResolvedPage,
	{ settings }: Site,
	jumps: readonly Jump[]
): MendIdea[] {
	const jump = jumps.find(({ width }) => width === from);
	const band = settings.bands[bandAt(settings.bands, from)]?.name.text;
	if (!jump || band === undefined) return [];
	return jump.comes.flatMap(({ layout, name }): MendIdea[] => {
		const found = regions.find(
			(one) => one.layout.name.text === layout && one.region.name.text === name
		);
		if (!found || `${layout}.${name}` === key) return [];
		const box = { layout: found.layout.name.text, box: name };
		const own = found.region.settings.find((one) => one.kind === 'show' && one.band?.text === band);
		const value = own ? undefined : 'hidden';
		const label = own
			? `Bring ${name} in later than ${band}: leave out what brings it in there`
			: `Bring ${name} in later: hide it from ${band} on`;
		return [{ label, command: { kind: 'set-setting', box, setting: 'show', value, band } }];
	});
}

/** Columns of a set width beside it give what it lacks. */
function narrowerTracks(
	{ from, by, region, layout }: Misfit,
	page: ResolvedPage,
	{ settings }: Site
): MendIdea[] {
	const found = page.chain.find((one) => one.name.text === layout);
	const place = bandAt(settings.bands, from);
	const arrangement = found && arrangementAt(found.arrangements, settings.bands, place);
	if (!found || arrangement?.kind !== 'areas' || !arrangement.columns) return [];
	const tracks = parseTracks(arrangement.columns.text, { shares: true });
	if (!isTrackList(tracks) || tracks.repeat) return [];
	const own = new Set(
		arrangement.rows.flatMap(({ cells }) =>
			cells.flatMap((cell, index) => (cell === region ? [index] : []))
		)
	);
	const band = settings.bands[place]?.name.text;
	return tracks.tracks.flatMap(({ max }, index): MendIdea[] => {
		if (own.has(index) || max.kind !== 'length' || max.length.share || max.length.viewport)
			return [];
		const size = max.length.at(0, { width: 0, height: 0 });
		const less = Math.floor(size - by);
		// What is narrower than this holds nothing.
		if (less < 40 || band === undefined) return [];
		const beside = nameOfColumn(arrangement, index) ?? 'what is beside it';
		return [
			{
				label: `Make the column of ${beside} ${less} px wide in place of ${size} px`,
				command: {
					kind: 'set-track',
					box: { layout: found.name.text, box: undefined },
					axis: 'columns',
					index,
					size: `${less}px`,
					band
				}
			}
		];
	});
}

/** What stands in a column and in no other. */
function nameOfColumn({ rows }: AreasArrangement, index: number): string | undefined {
	return rows
		.map(({ cells }) => cells)
		.find(
			(cells) =>
				cells.filter((cell) => cell === cells[index]).length === 1 &&
				!isEmptyCell(cells[index] ?? '.')
		)?.[index];
}

function ownScrolling({ layout, region, from }: Misfit, { settings }: Site): MendIdea[] {
	const band = settings.bands[bandAt(settings.bands, from)]?.name.text;
	if (layout === undefined || region === undefined || band === undefined) return [];
	const box = { layout, box: region };
	return [
		{
			label: `Let ${region} scroll by itself`,
			command: { kind: 'set-setting', box, setting: 'scroll', value: 'own', band }
		}
	];
}

/** Whether a page does not stick out any more where it did, and nowhere that it had not. */
export function isMended(
	misfit: Misfit,
	before: readonly Misfit[],
	after: readonly Misfit[]
): boolean {
	const still = after.some(
		({ key, from, to }) => key === misfit.key && from <= misfit.to && to >= misfit.from
	);
	const worse = after.some(
		(one) =>
			!before.some(
				(other) =>
					other.key === one.key &&
					other.from <= one.from &&
					other.to >= one.to &&
					other.by >= one.by
			)
	);
	return !still && !worse;
}
