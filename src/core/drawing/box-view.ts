import { columnWords, findBox, settingFor, wordOfColumn, type ArrangedBox } from '../edit/boxes.ts';
import type { BoxRef } from '../model/wish.ts';
import type { Arrangement } from '../model/arrange.ts';
import type { Setting, SettingKind } from '../model/setting.ts';
import type { Layout, Member } from '../model/site.ts';
import {
	arrangementAt,
	bandAt,
	bandPlace,
	bandPlaces,
	settingHolding,
	type Bands
} from '../resolve/bands.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { settings, settingsOn } from '../settings/list.ts';

/** A stretch of bands in which one value of a setting holds. */
export interface Overhang {
	/** Places of the bands; `to` is exclusive. */
	readonly from: number;
	readonly to: number;
	readonly value: string;
}

/** One setting over all bands. */
export interface StripRow {
	readonly setting: SettingKind;
	/** The form of its value in words. */
	readonly form: string;
	/** It holds at every width, and is said once. */
	readonly everywhere: boolean;
	readonly overhangs: readonly Overhang[];
}

/** A setting that a box could say and does not. */
export interface UnsaidSetting {
	readonly setting: SettingKind;
	readonly form: string;
	readonly everywhere: boolean;
	/** The value that it is given at first; undefined where there is none to guess. */
	readonly first: string | undefined;
}

/** A column or row as it is written. */
export interface TrackView {
	readonly size: string;
	/** It can be changed by itself; what comes from a repeat() cannot. */
	readonly own: boolean;
}

/** How a box arranges in a band. */
export interface ArrangementView {
	readonly kind: Arrangement['kind'];
	/** The band that it is written for. */
	readonly band: string;
	/** It is written for the band that is shown, not for a narrower one. */
	readonly here: boolean;
	readonly columns: readonly TrackView[];
	readonly rows: readonly TrackView[];
	/** Names of areas, row by row. */
	readonly cells: readonly (readonly string[])[];
	/** Number of equal columns. */
	readonly count: number;
}

/** Everything that the drawings say about the sizes of one box at a width. */
export interface BoxView {
	readonly ref: BoxRef;
	readonly name: string;
	readonly kind: 'layout' | 'wrapper' | 'region';
	readonly bands: readonly string[];
	/** Place of the band that is shown. */
	readonly band: number;
	/** Bands look at the space that the layout gets. */
	readonly bySpace: boolean;
	readonly arrangement: ArrangementView | undefined;
	/** What it stands in, and how that arranges. */
	readonly parent:
		{ readonly ref: BoxRef; readonly kind: Arrangement['kind'] | undefined } | undefined;
	/** Names of the members that it arranges. */
	readonly members: readonly string[];
	readonly strip: readonly StripRow[];
	/** Settings that it could say and does not. */
	readonly unsaid: readonly UnsaidSetting[];
}

/** What there is to say about a box where its layout is `width` px wide. */
export function boxView(resolved: ResolvedSite, ref: BoxRef, width: number): BoxView {
	const box = findBox(resolved, ref);
	const layout = findBox(resolved, { layout: ref.layout, box: undefined });
	const { bands } = resolved.site.settings;
	const band = bandAt(bands, width);
	const said = new Set(box.settings.map((setting) => setting.kind));
	const kinds = settingsOn(box.kind).filter((kind) => said.has(kind));
	const around = layout.kind === 'layout' ? parentOf(layout, box) : undefined;
	const parentArrangement = around && arrangementAt(around.arrangements, bands, band);
	const textOf = (setting: Setting): string => valueText(setting, resolved);
	return {
		ref,
		name: box.name.text,
		kind: box.kind,
		bands: bands.length === 0 ? ['all'] : bands.map((one) => one.name.text),
		band,
		bySpace: layout.kind === 'layout' && layout.measure === 'space',
		arrangement: arrangementView(box, bands, band),
		parent: around && {
			ref: { layout: ref.layout, box: around.kind === 'layout' ? undefined : around.name.text },
			kind: parentArrangement?.kind
		},
		members: (box.kind === 'region' ? box.pieces : box.members).map((one) => one.name.text),
		strip: kinds.map((setting) => ({
			setting,
			form: settings[setting].form,
			everywhere: settings[setting].everywhere ?? false,
			overhangs: overhangsOf(box, setting, bands, textOf)
		})),
		unsaid: settingsOn(box.kind)
			.filter((kind) => !said.has(kind))
			.map((kind) => ({
				setting: kind,
				form: settings[kind].form,
				everywhere: settings[kind].everywhere ?? false,
				first: settings[kind].first
			}))
	};
}

/** What holds of a setting in the band that is shown. */
export function valueNow(view: BoxView, setting: SettingKind): string | undefined {
	const row = view.strip.find((one) => one.setting === setting);
	return row?.overhangs.find((one) => one.from <= view.band && view.band < one.to)?.value;
}

function parentOf(layout: Layout, box: ArrangedBox): ArrangedBox | undefined {
	const inside = (parent: ArrangedBox): ArrangedBox | undefined => {
		if (parent.kind === 'region') return undefined;
		const members: readonly Member[] = parent.members;
		for (const member of members) {
			if (member === box) return parent;
			const found = inside(member);
			if (found) return found;
		}
		return undefined;
	};
	return inside(layout);
}

function overhangsOf(
	{ settings }: ArrangedBox,
	kind: SettingKind,
	bands: Bands,
	textOf: (setting: Setting) => string
): Overhang[] {
	const overhangs: { from: number; to: number; value: string }[] = [];
	for (const place of bandPlaces(bands)) {
		const setting = settingHolding(settings, kind, bands, place);
		if (!setting) continue;
		const isNew = settingFor(settings, kind, bands, place) !== undefined;
		const last = overhangs.at(-1);
		if (last && !isNew) last.to = place + 1;
		else overhangs.push({ from: place, to: place + 1, value: textOf(setting) });
	}
	return overhangs;
}

function valueText(setting: Setting, resolved: ResolvedSite): string {
	if (setting.kind === 'new-row') return setting.value ? 'on' : 'off';
	const { file, from, to } = setting.valueSpan;
	return (resolved.reading.files.texts.get(file) ?? '').slice(from, to);
}

function arrangementView(
	{ arrangements }: ArrangedBox,
	bands: Bands,
	band: number
): ArrangementView | undefined {
	const arrangement = arrangementAt(arrangements, bands, band);
	if (!arrangement) return undefined;
	const place = bandPlace(bands, arrangement.band);
	const common = {
		kind: arrangement.kind,
		band: bands[place]?.name.text ?? 'all',
		here: place === band,
		count: arrangement.kind === 'columns' ? arrangement.columns : 0
	};
	if (arrangement.kind !== 'areas') return { ...common, columns: [], rows: [], cells: [] };
	const words = columnWords(arrangement);
	const columns = (arrangement.rows[0]?.cells ?? []).map((_, index): TrackView => {
		const at = wordOfColumn(words, index);
		return { size: at === undefined ? 'repeated' : (words[at] ?? 'auto'), own: at !== undefined };
	});
	const rows = arrangement.rows.map((row): TrackView => ({ size: row.size, own: true }));
	return { ...common, columns, rows, cells: arrangement.rows.map((row) => row.cells) };
}
