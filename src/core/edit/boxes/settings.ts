import type { Setting, SettingKind } from '../../model/setting.ts';
import { isPieceRef, type SizedRef } from '../../model/command.ts';
import { bandPlace, type Bands } from '../../resolve/bands.ts';
import { contentsOf } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { sizedName } from '../command-kind.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { bandWord, findSaid, placeOfBand, type SaidBox, type SizedBox } from './find-box.ts';
import { beginAdjust, removeSaid } from './said.ts';

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
	const box = findSaid(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = placeOfBand(bands, bandName);
	const there = box && settingFor(box.settings, kind, bands, band);
	if (value === undefined) {
		if (!there) throw new CommandRefused(`${sizedName(ref)} sets no ${kind} for ${bandName}.`);
		removeSetting(box, surgery, there);
		return;
	}
	const line = settingLine(kind, value, bands, band);
	if (there) surgery.replace(there.span, line);
	else if (box) insertSetting(box, surgery, line);
	else if (!isPieceRef(ref)) beginAdjust(resolved, surgery, ref, [line]);
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
	const said = findSaid(resolved, ref)?.settings ?? [];
	const { bands } = resolved.site.settings;
	const setting = settingFor(said, kind, bands, placeOfBand(bands, from));
	if (!setting) throw new CommandRefused(`${sizedName(ref)} sets no ${kind} for ${from}.`);
	if (from === to) return;
	const place = placeOfBand(bands, to);
	const other = settingFor(said, kind, bands, place);
	if (other) surgery.remove(other.span);
	const value = kind === 'new-row' ? '' : surgery.textOf(setting.valueSpan);
	surgery.replace(setting.span, settingLine(kind, value, bands, place));
}

/** A setting as it is written for a band. */
export function settingLine(kind: SettingKind, value: string, bands: Bands, band: number): string {
	return `${kind}${value === '' ? '' : ` ${value}`}${bandWord(bands, band)}`;
}

/** Settings stand together: behind the last one or below its comment, or before what the box holds. */
export function insertSetting(box: SaidBox, surgery: Surgery, line: string): void {
	const last = box.settings.at(-1);
	if (last && surgery.hasComment(last.span)) return surgery.insertBelow(last.span, [line]);
	if (last) return surgery.insertBehind(last.span, line);
	if (box.kind === 'markup' || box.kind === 'nav') {
		const { block } = surgery.statementAt(box.span);
		if (block) surgery.insertInto(box.span, [line]);
		else surgery.insertBehind(endOfHead(box, surgery), `{ ${line} }`, ' ');
		return;
	}
	if (box.kind === 'adjust') return surgery.insertInto(box.span, [line]);
	const [first] = contentsOf(box);
	if (first) surgery.insertBefore(first.span, [line]);
	else surgery.insertInto(box.span, [line]);
}

/** What a piece says before its settings. */
function endOfHead(piece: SizedBox, surgery: Surgery): { file: string; from: number; to: number } {
	const last = surgery.statementAt(piece.span).atoms.at(-1);
	return last?.span ?? piece.name.span;
}

/** Takes a setting out; the block of a piece goes with its last one. */
function removeSetting(box: SaidBox, surgery: Surgery, setting: Setting): void {
	const isPiece = box.kind === 'markup' || box.kind === 'nav';
	const { block } = surgery.statementAt(box.span);
	if (!isPiece || box.settings.length > 1 || !block) return removeSaid(box, surgery, setting);
	const { to: from } = endOfHead(box, surgery);
	surgery.replace({ ...block.span, from }, '');
}
