import type { Setting, SettingKind } from '../../model/setting.ts';
import { isPieceRef, type BoxRef, type SizedRef } from '../../model/command.ts';
import { bandPlace, type Bands } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { sizedName } from '../command-kind.ts';
import { findLayer } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { bandWord, findAdjust, findSized, placeOfBand, type SizedBox } from './find-box.ts';

/** Edits of settings, each in one band. */

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
	ref: SizedRef,
	kind: SettingKind,
	value: string | undefined,
	bandName: string
): void {
	if (!isPieceRef(ref) && ref.only)
		return setOnly(resolved, surgery, ref, { kind, value, bandName });
	const box = findSized(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = placeOfBand(bands, bandName);
	const there = settingFor(box.settings, kind, bands, band);
	if (value === undefined) {
		if (!there) throw new CommandRefused(`${box.name.text} sets no ${kind} for ${bandName}.`);
		removeSetting(box, surgery, there);
		return;
	}
	const line = settingLine(kind, value, bands, band);
	if (there) surgery.replace(there.span, line);
	else insertSetting(box, surgery, line);
}

/** The same for what a layer says of a box further out, for its own pages; nothing is left of it with the last setting. */
function setOnly(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: BoxRef,
	{ kind, value, bandName }: { kind: SettingKind; value: string | undefined; bandName: string }
): void {
	const { bands } = resolved.site.settings;
	const band = placeOfBand(bands, bandName);
	const name = sizedName(ref);
	const adjust = findAdjust(resolved, ref);
	const there = adjust && settingFor(adjust.settings, kind, bands, band);
	if (value === undefined) {
		if (!adjust || !there) throw new CommandRefused(`${name} sets no ${kind} for ${bandName}.`);
		const isLast = adjust.settings.length + adjust.arrangements.length === 1;
		surgery.remove(isLast ? adjust.span : there.span);
		return;
	}
	const line = settingLine(kind, value, bands, band);
	const last = adjust?.settings.at(-1);
	if (there) surgery.replace(there.span, line);
	else if (last) surgery.insertBehind(last.span, line);
	else if (adjust) surgery.insertInto(adjust.span, [line]);
	else if (ref.only && ref.box !== undefined) {
		const layer = findLayer(resolved, ref.only);
		surgery.insertInto(layer.span, [`adjust ${targetWord(resolved, ref)} { ${line} }`]);
	}
}

/** A box as a layer names it: with its layout where one nearer has a box of that name. */
function targetWord(resolved: ResolvedSite, { only, layout, box = '' }: BoxRef): string {
	const chain = only ? resolved.structure.chainOf(findLayer(resolved, only)) : [];
	const nearest = chain.findLast(({ members }) =>
		membersIn(members).some(({ name }) => name.text === box)
	);
	return nearest?.name.text === layout ? box : `${layout}.${box}`;
}

/** Lets a setting hold from another band on; one that is written for that band gives way. */
export function moveSetting(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: SizedRef,
	kind: SettingKind,
	from: string,
	to: string
): void {
	const adjust = isPieceRef(ref) ? undefined : findAdjust(resolved, ref);
	const box = findSized(resolved, ref);
	const { bands } = resolved.site.settings;
	const said = !isPieceRef(ref) && ref.only ? (adjust?.settings ?? []) : box.settings;
	const setting = settingFor(said, kind, bands, placeOfBand(bands, from));
	if (!setting) throw new CommandRefused(`${box.name.text} sets no ${kind} for ${from}.`);
	if (from === to) return;
	const place = placeOfBand(bands, to);
	const other = settingFor(said, kind, bands, place);
	if (other) surgery.remove(other.span);
	const value = kind === 'new-row' ? '' : surgery.textOf(setting.valueSpan);
	surgery.replace(setting.span, settingLine(kind, value, bands, place));
}

function settingLine(kind: SettingKind, value: string, bands: Bands, band: number): string {
	return `${kind}${value === '' ? '' : ` ${value}`}${bandWord(bands, band)}`;
}

/** Settings stand together: behind the last one or below its comment, or before what the box holds. */
function insertSetting(box: SizedBox, surgery: Surgery, line: string): void {
	const last = box.settings.at(-1);
	if (last && surgery.hasComment(last.span)) return surgery.insertBelow(last.span, [line]);
	if (last) return surgery.insertBehind(last.span, line);
	if (box.kind === 'markup' || box.kind === 'nav') {
		const { block } = surgery.statementAt(box.span);
		if (block) surgery.insertInto(box.span, [line]);
		else surgery.insertBehind(endOfHead(box, surgery), `{ ${line} }`, ' ');
		return;
	}
	const first = box.kind === 'region' ? box.pieces[0] : box.members[0];
	if (first) surgery.insertBefore(first.span, [line]);
	else surgery.insertInto(box.span, [line]);
}

/** What a piece says before its settings. */
function endOfHead(piece: SizedBox, surgery: Surgery): { file: string; from: number; to: number } {
	const last = surgery.statementAt(piece.span).atoms.at(-1);
	return last?.span ?? piece.name.span;
}

/** Takes a setting out; the block of a piece goes with its last one. */
function removeSetting(box: SizedBox, surgery: Surgery, setting: Setting): void {
	const isPiece = box.kind === 'markup' || box.kind === 'nav';
	const { block } = surgery.statementAt(box.span);
	if (!isPiece || box.settings.length > 1 || !block) return surgery.remove(setting.span);
	const { to: from } = endOfHead(box, surgery);
	surgery.replace({ ...block.span, from }, '');
}
