import { error, listWords, warning, type Problem } from '../messages/problem.ts';
import { areasOf, isEmptyCell, type AreasArrangement, type Arrangement } from '../model/arrange.ts';
import type { Setting, SettingsAt } from '../model/setting.ts';
import type { Layer, Layout, Member, Piece, Region, Site, Wrapper } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import { settings } from '../settings/list.ts';
import { arrangementAt, bandPlaces, settingHolding, settingsAt } from './bands.ts';
import { membersIn } from './check-bands.ts';
import { checkOverrun } from './check-overrun.ts';
import { SizeChecker } from './check-settings.ts';
import { isDrawer, openerHost } from './drawers.ts';
import { piecesIn } from './pieces.ts';
import { slotOf } from './structure.ts';

/** Sees that arrangements and settings of a layer's boxes can be, and that they do something. */
export function checkBoxes(layer: Layer, site: Site): Problem[] {
	const checker = new SizeChecker(site);
	const sizes = piecesIn(layer).flatMap((piece) => [
		...checkSizes(piece, checker),
		...checkShow(piece, ['in-place', 'hidden'])
	]);
	if (layer.kind !== 'layout') return sizes;
	const boxes = [layer, ...membersIn(layer.members)];
	return [
		...sizes,
		...boxes.flatMap((box) => checkSizes(box, checker)),
		...boxes.flatMap((box) => checkInside(box, layer, site)),
		...boxes.flatMap((box) => (box.kind === 'region' ? [] : checkOverrun(box, site))),
		...boxes.flatMap((box) =>
			'kind' in box && box.kind === 'wrapper' ? checkShow(box, ['in-place', 'hidden', 'strip']) : []
		),
		...checkSlot(layer),
		...layer.regions.filter(isDrawer).flatMap((region) => checkDrawer(region, layer, site))
	];
}

/** A box by what it says; pieces arrange nothing. */
interface Said {
	readonly settings: readonly Setting[];
	readonly arrangements?: readonly Arrangement[];
}

function checkSizes({ settings, arrangements = [] }: Said, checker: SizeChecker): Problem[] {
	return [
		...settings.flatMap((setting) => checker.setting(setting)),
		...arrangements.flatMap((one) => [
			...(one.gap ? checker.gap(one.gap.text, one.gap.span) : []),
			...(one.kind === 'areas' ? checkTracks(one, checker) : [])
		])
	];
}

function checkTracks({ rows, columns }: AreasArrangement, checker: SizeChecker): Problem[] {
	return [
		...(columns ? checker.tracks(columns.text, true, columns.span) : []),
		...rows.flatMap(({ size, sizeSpan }) => (sizeSpan ? checker.tracks(size, false, sizeSpan) : []))
	];
}

/** What a box arranges, by name. */
function membersOf(box: Layout | Member): readonly (Member | Piece)[] {
	return box.kind === 'region' ? box.pieces : box.members;
}

function checkInside(box: Layout | Member, layout: Layout, site: Site): Problem[] {
	const { bands } = site.settings;
	const areas = box.arrangements.flatMap((one) =>
		one.kind === 'areas' ? checkAreas(one, box, layout) : []
	);
	const idle = membersOf(box).flatMap((member) => checkMember(member, box, site));
	const gap = box.settings.find((setting) => setting.kind === 'gap');
	const arranges = bandPlaces(bands).some((place) => {
		const { show } = settingsAt(box.settings, bands, place);
		return show?.kind === 'strip' || arrangementAt(box.arrangements, bands, place);
	});
	if (gap && !arranges) idle.push(warning('setting-idle', gap.span, 'gap', 'nothing is arranged'));
	return [...areas, ...idle];
}

/** Areas and members of a box belong together. */
function checkAreas(
	{ rows, band, span }: AreasArrangement,
	box: Layout | Member,
	layout: Layout
): Problem[] {
	const problems: Problem[] = [];
	const slot = slotOf(layout);
	if (box === slot) return [error('slot-in-areas', span, box.name.text, layout.name.text)];
	const members = membersOf(box);
	const names = new Set(members.map((member) => member.name.text));
	const places = areasOf(rows);
	for (const [name, { y }] of places) {
		const row = rows[y.from];
		if (names.has(name) || !row || isEmptyCell(name)) continue;
		problems.push(
			box.kind === 'region'
				? warning('area-no-piece', row.areas.span, name, box.name.text)
				: error('area-unknown', row.areas.span, name, box.name.text)
		);
	}
	const where = band ? ` from ${band.text} on` : '';
	for (const member of members) {
		const { text, span: at } = member.name;
		if (places.has(text) || !('kind' in member)) continue;
		if (holdsSlot(member, slot)) {
			problems.push(error('slot-not-arranged', at, text, layout.name.text));
		} else if (!isSaidElsewhere(member)) {
			problems.push(warning('region-not-arranged', at, text, box.name.text, where));
		}
	}
	return problems;
}

/** Whether a member says by itself that it is hidden or a drawer somewhere. */
export function isSaidElsewhere(member: Member | Piece): boolean {
	return member.settings.some(
		(setting) =>
			setting.kind === 'show' &&
			(setting.value.kind === 'hidden' || setting.value.kind === 'drawer')
	);
}

function holdsSlot(member: Member | Piece, slot: Region | undefined): boolean {
	if (member.kind === 'region') return member === slot;
	return member.kind === 'wrapper' && member.members.some((inner) => holdsSlot(inner, slot));
}

/** Settings that depend on how the box around arranges. */
export function checkMember(
	member: Member | Piece,
	parent: { readonly arrangements: readonly Arrangement[] },
	site: Site
): Problem[] {
	if (member.settings.length === 0) return [];
	const { bands } = site.settings;
	const problems = new Map<Span, Problem>();
	const useful = new Set<Setting>();
	const kinds = [...new Set(member.settings.map((setting) => setting.kind))];
	for (const place of bandPlaces(bands)) {
		const around = arrangementAt(parent.arrangements, bands, place);
		const own = settingsAt(member.settings, bands, place);
		const problem = spanProblem(own, around, member, site, place);
		if (problem) problems.set(problem.span, problem);
		for (const kind of kinds) {
			const setting = settingHolding(member.settings, kind, bands, place);
			const { needs } = settings[kind];
			const inside = around ?? { kind: 'flow' };
			if (setting && (!needs || needs.met(inside, own))) useful.add(setting);
		}
	}
	for (const setting of member.settings) {
		const { needs } = settings[setting.kind];
		if (useful.has(setting) || !needs) continue;
		const why = needs.isWhole
			? needs.said
			: `nothing around ${member.name.text} is arranged ${needs.said}`;
		problems.set(setting.span, warning('setting-idle', setting.span, setting.kind, why));
	}
	return [...problems.values()];
}

function spanProblem(
	{ span, offset = 0 }: SettingsAt,
	around: Arrangement | undefined,
	member: Member | Piece,
	site: Site,
	place: number
): Problem | undefined {
	if (around?.kind !== 'columns') return undefined;
	const { bands } = site.settings;
	const columns = span === undefined || span.columns === 'all' ? 1 : span.columns;
	if (columns + offset <= around.columns) return undefined;
	const kind = columns > around.columns || offset === 0 ? 'span' : 'offset';
	const setting = settingHolding(member.settings, kind, bands, place);
	if (!setting) return undefined;
	return error('span-too-wide', setting.span, member.name.text, columns, offset, around.columns);
}

/** Only regions become drawers, and only what arranges something becomes a strip. */
function checkShow({ name, settings }: Wrapper | Piece, ways: readonly string[]): Problem[] {
	return settings.flatMap((one) =>
		one.kind === 'show' && !ways.includes(one.value.kind)
			? [error('show-not-here', one.valueSpan, name.text, one.value.kind, listWords(ways, 'or'))]
			: []
	);
}

/** Every page lands in the slot, so it cannot be away in any band. */
function checkSlot(layout: Layout): Problem[] {
	const slot = slotOf(layout);
	return membersIn(layout.members)
		.filter((member) => holdsSlot(member, slot))
		.flatMap(({ settings, name }) =>
			settings
				.filter((one) => one.kind === 'show')
				.filter(({ value }) => value.kind === 'hidden' || value.kind === 'drawer')
				.map(({ span }) => error('slot-hidden', span, name.text, layout.name.text))
		);
}

function checkDrawer(region: Region, layout: Layout, site: Site): Problem[] {
	if (openerHost(region, layout, site.settings.bands)) return [];
	const said = region.settings.find((one) => one.kind === 'show' && one.value.kind === 'drawer');
	const span = said?.span ?? region.name.span;
	return [error('drawer-no-place', span, region.name.text, layout.name.text)];
}
