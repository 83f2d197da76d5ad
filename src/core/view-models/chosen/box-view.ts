import { sizedName } from '../../edit/command-kind.ts';
import { findLayer, findLayout, findPiece, findWhole, groupAround } from '../../edit/find.ts';
import {
	findAdjust,
	findMember,
	findSaidToArrange,
	findSeen,
	memberNames,
	parentOf,
	type ArrangedBox,
	type SizedBox
} from '../../edit/boxes/find-box.ts';
import { saidMarkup } from '../../edit/markup-statement.ts';
import { arrangedAt } from '../../edit/boxes/arranged.ts';
import { settingFor } from '../../edit/boxes/settings.ts';
import { columnWords, wordOfColumn } from '../../edit/boxes/tracks.ts';
import { saidOf } from '../../edit/boxes/columns.ts';
import {
	isPieceRef,
	isSizedRef,
	type ArrangedRef,
	type BoxRef,
	type ColumnsSaid,
	type HolderRef,
	type SizedRef
} from '../../model/command.ts';
import type { Alignment, Arrangement, Justification } from '../../model/arrange.ts';
import type { Setting, SettingKind } from '../../model/setting.ts';
import { layerName, pagesOf, type Layout } from '../../model/site.ts';
import {
	arrangementAt,
	bandAt,
	bandPlace,
	bandPlaces,
	settingHolding,
	settingsAt
} from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { slotOf } from '../../resolve/structure.ts';
import { settings, settingsOn } from '../../settings/list.ts';
import { splitSizes } from '../../size/css-tokens.ts';

/** A stretch of bands in which one value of a setting holds. */
export interface Overhang {
	/** Places of the bands; `to` is exclusive. */
	readonly from: number;
	readonly to: number;
	readonly value: string;
	/** The layer further out that says it; none where it is said by what the view is of. */
	readonly by?: string;
	/** The view is of several, which have another value each. */
	readonly isMixed?: boolean;
}

/** A setting as drawings speak of it. */
export interface SettingWords {
	readonly setting: SettingKind;
	/** The form of its value in words. */
	readonly form: string;
	/** What it does, in a few words. */
	readonly says: string;
	/** It holds at every width, and is said once. */
	readonly everywhere: boolean;
	/** The value that it is given at first; undefined where there is none to guess. */
	readonly first: string | undefined;
	/** Why it does nothing in the band that is shown; undefined where it does something. */
	readonly idle: string | undefined;
}

/** One setting over all bands. */
export interface StripRow extends SettingWords {
	readonly overhangs: readonly Overhang[];
}

/** A setting that a box could say and does not. */
export type UnsaidSetting = SettingWords;

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
	/** It is written for the band that is shown, not for a narrower one, and by what the view is of. */
	readonly here: boolean;
	/** The layer that says it; undefined where it is said by what the view is of. */
	readonly by: string | undefined;
	readonly columns: readonly TrackView[];
	readonly rows: readonly TrackView[];
	/** Names of areas, row by row. */
	readonly cells: readonly (readonly string[])[];
	/** Number of columns that members fill in order. */
	readonly count: number;
	/** What is said of those; undefined where it arranges in another way. */
	readonly said: ColumnsSaid | undefined;
	readonly gap: string | undefined;
	/** Of a row or stack. */
	readonly line:
		| { readonly justify: Justification; readonly align: Alignment; readonly wrap: boolean }
		| undefined;
}

/** Everything that the drawings say about the sizes of one box, or of a piece, at a width. */
export interface BoxView {
	readonly ref: ArrangedRef;
	readonly name: string;
	readonly kind: 'layout' | 'wrapper' | 'region' | 'piece' | 'group';
	readonly bands: readonly string[];
	/** Place of the band that is shown. */
	readonly band: number;
	/** Bands look at the space that the layout gets. */
	readonly bySpace: boolean;
	readonly arrangement: ArrangementView | undefined;
	/** What it stands in, and how that arranges. */
	readonly parent:
		{ readonly ref: ArrangedRef; readonly kind: Arrangement['kind'] | undefined } | undefined;
	/** Attributes that its element has beside those of the tool, as they are written; undefined where it can have none. */
	readonly attributes: string | undefined;
	/** Names of the members that it arranges. */
	readonly members: readonly string[];
	/** Names of the members of what it stands in, itself among them, in the order of reading. */
	readonly siblings: readonly string[];
	readonly strip: readonly StripRow[];
	/** How many pages have it as it is drawn here. */
	readonly pages: number;
	/** Settings that it could say and does not; those that would do nothing here last. */
	readonly unsaid: readonly UnsaidSetting[];
}

/** The box of a layout that a view is of; undefined for that of a piece. */
export function boxOfView(view: BoxView | undefined): BoxRef | undefined {
	return view && !isPieceRef(view.ref) ? view.ref : undefined;
}

/** What a view is of as something that arranges; undefined where it is of a piece. */
export function arrangingOfView(view: BoxView | undefined): ArrangedRef | undefined {
	return view?.kind === 'piece' ? undefined : view?.ref;
}

/** Where a new piece in a box would be written; undefined where regions stand in it, or it holds nothing. */
export function holderInView(view: BoxView): HolderRef | undefined {
	const { ref, kind } = view;
	if (isPieceRef(ref)) return kind === 'group' ? { ...ref.holder, group: ref.piece } : undefined;
	if (kind !== 'region' || ref.box === undefined) return undefined;
	return {
		layer: { kind: 'layout', name: ref.layout },
		region: { layout: ref.layout, region: ref.box }
	};
}

/** What a view is of as something with settings; undefined where it is of all that a page or fill brings. */
export function sizedOfView(view: BoxView): SizedRef | undefined {
	return isSizedRef(view.ref) ? view.ref : undefined;
}

/** What there is to say about a box or piece where its layout is `width` px wide. */
export function boxView(resolved: ResolvedSite, ref: ArrangedRef, width: number): BoxView {
	const box = boxBy(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = bandAt(bands, width);
	const around = isPieceRef(ref) ? aroundPiece(resolved, ref) : aroundBox(resolved, ref, box);
	const inside = (around && arrangementAt(around.box.arrangements, bands, band)) ?? {
		kind: 'flow' as const
	};
	const own = settingsAt(box.settings, bands, band);
	const isContent = box.kind === 'markup' || box.kind === 'nav';
	// A group has the settings of a piece.
	const kind = isContent || box.kind === 'group' ? 'piece' : box.kind;
	const isWhole = box.kind === 'group' && box.isWhole;
	const wordsOf = (setting: SettingKind): SettingWords => {
		const { form, says, everywhere = false, needs, first } = settings[setting];
		const idle = needs && !needs.met(inside, own, kind) ? needs : undefined;
		const why = idle?.isWhole
			? idle.said
			: idle && `it needs something around it that is arranged ${idle.said}`;
		return { setting, form, says, everywhere, first, idle: why };
	};
	const said = new Set(box.settings.map((setting) => setting.kind));
	const unsaid = (isWhole ? [] : settingsOn(kind)).filter((one) => !said.has(one)).map(wordsOf);
	return {
		ref,
		name: isWhole ? sizedName(ref) : box.name.text,
		kind: box.kind === 'group' ? 'group' : kind,
		bands: bands.length === 0 ? ['all'] : bands.map((one) => one.name.text),
		band,
		bySpace: around?.layout?.measure === 'space',
		arrangement: isContent ? undefined : arrangementView(resolved, ref, band),
		parent: around && {
			ref: around.ref,
			kind: arrangementAt(around.box.arrangements, bands, band)?.kind
		},
		attributes: attributesOf(resolved, box),
		members: isContent ? [] : memberNames(box),
		siblings: around ? memberNames(around.box) : [],
		strip: settingsOn(kind)
			.filter((one) => said.has(one))
			.map((one) => ({ ...wordsOf(one), overhangs: overhangsOf(box, one, ref, resolved) })),
		pages: isPieceRef(ref) ? 0 : pagesWith(resolved, ref),
		unsaid: [...unsaid.filter(({ idle }) => !idle), ...unsaid.filter(({ idle }) => idle)]
	};
}

/** What holds of a setting in the band that is shown. */
export function valueNow(view: BoxView, setting: SettingKind): string | undefined {
	const row = view.strip.find((one) => one.setting === setting);
	return row?.overhangs.find((one) => one.from <= view.band && view.band < one.to)?.value;
}

function attributesOf({ reading }: ResolvedSite, box: SizedBox): string | undefined {
	if (box.kind !== 'region' && box.kind !== 'wrapper') return undefined;
	return saidMarkup(reading.files.texts, box.attributes?.span) ?? '';
}

function boxBy(resolved: ResolvedSite, ref: ArrangedRef): SizedBox {
	if (!isPieceRef(ref)) return findSeen(resolved, ref);
	const { holder, piece } = ref;
	return piece === undefined ? findWhole(resolved, holder) : findPiece(resolved, holder, piece);
}

interface AroundBox {
	readonly layout: Layout | undefined;
	readonly box: ArrangedBox;
	readonly ref: ArrangedRef;
}

function aroundBox(
	resolved: ResolvedSite,
	{ layout: name }: BoxRef,
	box: SizedBox
): AroundBox | undefined {
	if (box.kind !== 'region' && box.kind !== 'wrapper') return undefined;
	const layout = findLayout(resolved, name);
	// As it is written: what a page has of it is another object.
	const parent = parentOf(layout, findMember(layout, box.name.text));
	const inner = parent.kind === 'layout' ? undefined : parent.name.text;
	return { layout, box: parent, ref: { layout: name, box: inner } };
}

/**
 * A piece lies in the group or the region it is put into; the content of a page, in the slot of the layout it sits under.
 */
function aroundPiece(
	resolved: ResolvedSite,
	{ holder, piece }: Extract<ArrangedRef, { holder: unknown }>
): AroundBox | undefined {
	const { region } = holder;
	const layout = region
		? findLayout(resolved, region.layout)
		: resolved.structure.chainOf(findLayer(resolved, holder.layer)).at(-1);
	const group = piece === undefined ? undefined : groupAround(resolved, holder, piece);
	if (group) {
		const ref = group.isWhole ? { holder } : { holder, piece: group.name.text };
		return { layout, box: group, ref };
	}
	if (!layout) return undefined;
	const box = region
		? layout.regions.find((one) => one.name.text === region.region)
		: slotOf(layout);
	return box && { layout, box, ref: { layout: layout.name.text, box: box.name.text } };
}

function overhangsOf(
	{ settings }: SizedBox,
	kind: SettingKind,
	ref: ArrangedRef,
	resolved: ResolvedSite
): Overhang[] {
	const { bands } = resolved.site.settings;
	const own = isPieceRef(ref) || !ref.only ? settings : (findAdjust(resolved, ref)?.settings ?? []);
	const overhangs: { from: number; to: number; value: string; by?: string }[] = [];
	for (const place of bandPlaces(bands)) {
		const setting = settingHolding(settings, kind, bands, place);
		if (!setting) continue;
		const isNew = settingFor(settings, kind, bands, place) !== undefined;
		const last = overhangs.at(-1);
		if (last && !isNew) last.to = place + 1;
		else {
			const by =
				own.includes(setting) || isPieceRef(ref) ? undefined : sayerOf(setting, ref, resolved);
			const value = valueText(setting, resolved);
			overhangs.push({ from: place, to: place + 1, value, ...(by !== undefined && { by }) });
		}
	}
	return overhangs;
}

/** Which layer says something of a box, by its name. */
function sayerOf(
	said: Setting | Arrangement,
	{ only, layout, box }: BoxRef,
	resolved: ResolvedSite
): string {
	const { structure } = resolved;
	const chain = only ? structure.chainOf(findLayer(resolved, only)) : [];
	const sayer = chain.find((one) =>
		one.adjusts.some(
			(adjust) =>
				adjust.box === box &&
				[...adjust.settings, ...adjust.arrangements].some((one) => one === said)
		)
	);
	return sayer?.name.text ?? layout;
}

/** How many routes have a box as a layer has it, or its layout. */
function pagesWith({ site, structure }: ResolvedSite, { only, layout }: BoxRef): number {
	return pagesOf(site).filter((page) => {
		if (page.kind === 'state' && only?.kind !== 'state') return false;
		if (only && only.kind !== 'layout')
			return page.kind === only.kind && layerName(page) === only.name;
		const name = only ? only.name : layout;
		return structure.chainOf(page).some((one) => one.name.text === name);
	}).length;
}

function valueText(setting: Setting, resolved: ResolvedSite): string {
	if (setting.kind === 'new-row') return setting.value ? 'on' : 'off';
	const { file, from, to } = setting.valueSpan;
	return (resolved.reading.files.texts.get(file) ?? '').slice(from, to);
}

function arrangementView(
	resolved: ResolvedSite,
	ref: ArrangedRef,
	band: number
): ArrangementView | undefined {
	const { bands } = resolved.site.settings;
	const bandName = bands[band]?.name.text ?? 'all';
	const { holds: arrangement, own } = arrangedAt(resolved, ref, bandName);
	if (!arrangement) return undefined;
	const { kind } = arrangement;
	const isSaidHere = findSaidToArrange(resolved, ref)?.arrangements.includes(arrangement);
	const common = {
		kind,
		band: bands[bandPlace(bands, arrangement.band)]?.name.text ?? 'all',
		here: arrangement === own,
		by: isSaidHere || isPieceRef(ref) ? undefined : sayerOf(arrangement, ref, resolved),
		count: kind === 'columns' ? arrangement.columns : 0,
		said: kind === 'columns' ? saidOf(arrangement) : undefined,
		gap: arrangement.gap?.text,
		line: kind === 'row' || kind === 'stack' ? arrangement : undefined
	};
	if (kind === 'columns' && arrangement.sizes) {
		const columns = trackViews(splitSizes(arrangement.sizes.text), arrangement.columns);
		return { ...common, columns, rows: [], cells: [] };
	}
	if (kind !== 'areas') return { ...common, columns: [], rows: [], cells: [] };
	const columns = trackViews(columnWords(arrangement), arrangement.rows[0]?.cells.length ?? 0);
	const rows = arrangement.rows.map((row): TrackView => ({ size: row.size, own: true }));
	return { ...common, columns, rows, cells: arrangement.rows.map((row) => row.cells) };
}

function trackViews(words: readonly string[], count: number): TrackView[] {
	return Array.from({ length: count }, (_, index): TrackView => {
		const at = wordOfColumn(words, index);
		return { size: at === undefined ? 'repeated' : (words[at] ?? 'auto'), own: at !== undefined };
	});
}
