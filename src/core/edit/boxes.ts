import type { AreasArrangement, Arrangement } from '../model/arrange.ts';
import type { Setting, SettingKind } from '../model/setting.ts';
import type { Layout, Region, Wrapper } from '../model/site.ts';
import { arrangementAt, bandPlace, type Bands } from '../resolve/bands.ts';
import { membersIn } from '../resolve/members.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { splitSizes } from '../size/css-tokens.ts';
import { isTrackList, parseTracks } from '../size/tracks.ts';
import { findLayout } from './find.ts';
import type { Surgery } from './surgery.ts';
import { type BoxRef } from '../model/wish.ts';
import { WishRefused } from './proposal.ts';

/** Edits of sizes: settings, tracks, areas and breakpoints, each in one band. */

/** A box that has settings and arranges something. */
export type ArrangedBox = Layout | Wrapper | Region;

export function findBox(resolved: ResolvedSite, { layout, box }: BoxRef): ArrangedBox {
	const found = findLayout(resolved, layout);
	if (box === undefined) return found;
	const member = membersIn(found.members).find((one) => one.name.text === box);
	if (!member) throw new WishRefused(`The layout ${layout} has no ${box} any more.`);
	return member;
}

/** The setting of a kind that is written for a band itself. */
export function settingFor(
	settings: readonly Setting[],
	kind: SettingKind,
	bands: Bands,
	band: number
): Setting | undefined {
	return settings.find((one) => one.kind === kind && bandPlace(bands, one.band) === band);
}

/** Sets a value for one band, or frees it there so that the narrower band's holds again. */
export function setSetting(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	kind: SettingKind,
	value: string | undefined,
	bandName: string
): void {
	const box = findBox(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = placeOf(bands, bandName);
	const there = settingFor(box.settings, kind, bands, band);
	if (value === undefined) {
		if (!there) throw new WishRefused(`${box.name.text} sets no ${kind} for ${bandName}.`);
		surgery.remove(there.span);
		return;
	}
	const line = settingLine(kind, value, bands, band);
	if (there) surgery.replace(there.span, line);
	else insertSetting(box, surgery, line);
}

/** Lets a setting hold from another band on; one that is written for that band gives way. */
export function moveSetting(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	kind: SettingKind,
	from: string,
	to: string
): void {
	const box = findBox(resolved, ref);
	const { bands } = resolved.site.settings;
	const setting = settingFor(box.settings, kind, bands, placeOf(bands, from));
	if (!setting) throw new WishRefused(`${box.name.text} sets no ${kind} for ${from}.`);
	if (from === to) return;
	const other = settingFor(box.settings, kind, bands, placeOf(bands, to));
	if (other) surgery.remove(other.span);
	const value = kind === 'new-row' ? '' : surgery.textOf(setting.valueSpan);
	surgery.replace(setting.span, settingLine(kind, value, bands, placeOf(bands, to)));
}

/** Moves the width at which a band starts. */
export function setBreakpoint(
	resolved: ResolvedSite,
	surgery: Surgery,
	bandName: string,
	from: number
): void {
	const { bands } = resolved.site.settings;
	const place = placeOf(bands, bandName);
	const band = bands[place];
	if (!band || place === 0) throw new WishRefused('The narrowest band starts at 0 px.');
	const [, number] = surgery.statementAt(band.span).atoms;
	if (number) surgery.replace(number.span, String(Math.round(from)));
}

/** Sets the size of one column or row as it is written, px, share or whatever CSS allows. */
export function setTrack(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	axis: 'columns' | 'rows',
	index: number,
	size: string,
	bandName: string
): void {
	const { box, arrangement, band } = areasHolding(resolved, ref, bandName);
	const changed: AreasArrangement =
		axis === 'columns'
			? withColumn(arrangement, index, size)
			: {
					...arrangement,
					rows: arrangement.rows.map((row, at) => (at === index ? { ...row, size } : row))
				};
	write(resolved, surgery, { box, arrangement, changed, band });
}

/** Lets areas lie anew: one name a cell, row by row. */
export function setAreas(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	cells: readonly (readonly string[])[],
	bandName: string
): void {
	const { box, arrangement, band } = areasHolding(resolved, ref, bandName);
	const rows = arrangement.rows.map((row, at) => ({ ...row, cells: cells[at] ?? row.cells }));
	write(resolved, surgery, { box, arrangement, changed: { ...arrangement, rows }, band });
}

function placeOf(bands: Bands, name: string): number {
	if (bands.length === 0) return 0;
	const place = bands.findIndex((band) => band.name.text === name);
	if (place === -1) throw new WishRefused(`There is no band ${name} any more.`);
	return place;
}

function suffix(bands: Bands, band: number): string {
	return band === 0 ? '' : ` @${bands[band]?.name.text ?? ''}`;
}

function settingLine(kind: SettingKind, value: string, bands: Bands, band: number): string {
	return `${kind}${value === '' ? '' : ` ${value}`}${suffix(bands, band)}`;
}

/** Settings stand together: behind the last one, or before what the box holds. */
function insertSetting(box: ArrangedBox, surgery: Surgery, line: string): void {
	const last = box.settings.at(-1);
	const first = box.kind === 'region' ? box.pieces[0] : box.members[0];
	if (last) surgery.insertBehind(last.span, line);
	else if (first) surgery.insertBefore(first.span, [line]);
	else surgery.insertInto(box.span, [line]);
}

function areasHolding(
	resolved: ResolvedSite,
	ref: BoxRef,
	bandName: string
): { box: ArrangedBox; arrangement: AreasArrangement; band: number } {
	const box = findBox(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = placeOf(bands, bandName);
	const arrangement = arrangementAt(box.arrangements, bands, band);
	if (arrangement?.kind !== 'areas') {
		throw new WishRefused(`${box.name.text} is not arranged in areas at ${bandName}.`);
	}
	return { box, arrangement, band };
}

/** The columns as words, of which each but repeat() is one track; auto where fewer are written. */
export function columnWords({ columns, rows }: AreasArrangement): string[] {
	const words = columns ? splitSizes(columns.text) : [];
	const count = words.reduce((sum, word) => sum + tracksIn(word), 0);
	const missing = Math.max(0, (rows[0]?.cells.length ?? 0) - count);
	return [...words, ...Array.from({ length: missing }, () => 'auto')];
}

function tracksIn(word: string): number {
	const read = parseTracks(word, { shares: true });
	return isTrackList(read) ? read.tracks.length + (read.repeat?.tracks.length ?? 0) : 1;
}

/** The word that makes a column; undefined where it comes from a repetition. */
export function wordOfColumn(words: readonly string[], index: number): number | undefined {
	let column = 0;
	for (const [at, word] of words.entries()) {
		if (column === index && !word.startsWith('repeat(')) return at;
		column += tracksIn(word);
	}
	return undefined;
}

function withColumn(arrangement: AreasArrangement, index: number, size: string): AreasArrangement {
	const words = columnWords(arrangement);
	const at = wordOfColumn(words, index);
	if (at === undefined) {
		throw new WishRefused('This column comes from a repeat(): change that in the text.');
	}
	const text = words.map((word, i) => (i === at ? size : word)).join(' ');
	return { ...arrangement, columns: { text, span: arrangement.columns?.span ?? arrangement.span } };
}

interface Rewrite {
	readonly box: ArrangedBox;
	readonly arrangement: AreasArrangement;
	readonly changed: AreasArrangement;
	readonly band: number;
}

/**
 * Writes a changed arrangement where it stands, if that is the band itself; else as one for the band,
 * so that narrower bands stay as they are.
 */
function write(resolved: ResolvedSite, surgery: Surgery, rewrite: Rewrite): void {
	const { arrangement, changed, band } = rewrite;
	const { bands } = resolved.site.settings;
	if (bandPlace(bands, arrangement.band) !== band) {
		surgery.insertBelow(arrangement.span, areasText(changed, suffix(bands, band)));
		return;
	}
	for (const [index, row] of arrangement.rows.entries()) {
		const next = changed.rows[index];
		if (!next) continue;
		const cells = next.cells.join(' ');
		if (cells !== row.cells.join(' ')) surgery.replace(row.areas.span, `"${cells}"`);
		if (next.size === row.size) continue;
		if (row.sizeSpan) surgery.replace(row.sizeSpan, next.size);
		else surgery.insertBehind(row.areas.span, next.size, ' ');
	}
	const columns = changed.columns?.text;
	if (columns === undefined || columns === arrangement.columns?.text) return;
	if (arrangement.columns) surgery.replace(arrangement.columns.span, columns);
	else surgery.insertInto(arrangement.span, [`columns ${columns}`]);
}

function areasText({ rows, columns, gap }: AreasArrangement, band: string): string[] {
	return [
		`arrange areas${band} {`,
		...rows.map((row) => `  "${row.cells.join(' ')}" ${row.size}`),
		...(columns ? [`  columns ${columns.text}`] : []),
		...(gap ? [`  gap ${gap.text}`] : []),
		'}'
	];
}

/** What can be arranged, as one chooses it for a band. */
const arrangementTexts: Readonly<Record<Arrangement['kind'], (names: string[]) => string[]>> = {
	areas: (names) => ['{', ...names.map((name) => `  "${name}" auto`), '}'],
	columns: () => ['{ gap 16px }'],
	row: () => ['{ gap 16px }'],
	stack: () => ['{ gap 16px }']
};

/** Lets a box arrange in another way from a band on, or as in the narrower band again. */
export function setArrangement(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	kind: Arrangement['kind'] | undefined,
	bandName: string
): void {
	const box = findBox(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = placeOf(bands, bandName);
	const there = box.arrangements.find((one) => bandPlace(bands, one.band) === band);
	if (kind === undefined) {
		if (!there) throw new WishRefused(`${box.name.text} arranges nothing anew at ${bandName}.`);
		surgery.remove(there.span);
		return;
	}
	const members = box.kind === 'region' ? box.pieces : box.members;
	const [head = '', ...rest] = arrangementTexts[kind](members.map((one) => one.name.text));
	const words = kind === 'columns' ? 'columns 12' : kind;
	const lines = [`arrange ${words}${suffix(bands, band)} ${head}`, ...rest];
	const last = box.arrangements.at(-1);
	const first = members[0];
	if (there) surgery.replaceLines(there.span, lines);
	else if (last) surgery.insertBelow(last.span, lines);
	else if (first) surgery.insertBefore(first.span, lines);
	else surgery.insertInto(box.span, lines);
}
