import type { Setting, SettingKind } from '../../model/setting.ts';
import { isPieceRef, type SizedRef } from '../../model/command.ts';
import { bandPlace, type Bands } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { BoxKind } from '../../settings/placed.ts';
import { settings } from '../../settings/list.ts';
import { sizedName } from '../command-kind.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { findSaid, type SaidBox } from './find-box.ts';
import { beginAdjust, removeSaid } from './said.ts';
import { insertSetting, settingLine } from './settings.ts';

/** What names one box alone is not said of another. */
const ownOnly: ReadonlySet<SettingKind> = new Set<SettingKind>(['label', 'skip']);

/**
 * Lets boxes say the same as another: each of its settings in the same bands, and in no others. What the other does not
 * say stays as it is; what a box of another kind cannot say is left out, and told.
 */
export function copySettings(
	resolved: ResolvedSite,
	surgery: Surgery,
	of: SizedRef,
	boxes: readonly SizedRef[]
): string[] {
	const from = findSaid(resolved, of);
	const wanted = (from?.settings ?? []).filter(({ kind }) => !ownOnly.has(kind));
	if (!from || wanted.length === 0) {
		throw new CommandRefused(`${sizedName(of)} says nothing that others could say, too.`);
	}
	const { bands } = resolved.site.settings;
	const leftOut = new Set<SettingKind>();
	for (const ref of boxes) {
		const box = findSaid(resolved, ref);
		const kind = box ? boxKind(box) : 'region';
		const fitting = wanted.filter((one) => settings[one.kind].on.includes(kind));
		for (const one of wanted) if (!fitting.includes(one)) leftOut.add(one.kind);
		if (box) copyOnto(box, fitting, surgery, bands);
		else if (!isPieceRef(ref)) {
			const said = fitting.map((one) => lineOf(one, surgery, bands));
			beginAdjust(resolved, surgery, ref, said);
		}
	}
	return leftOut.size === 0
		? []
		: [`${[...leftOut].join(', ')} would be left out where a box cannot say it.`];
}

/** One box: what it says of the same is written anew where it stands, and the rest beside it. */
function copyOnto(box: SaidBox, wanted: readonly Setting[], surgery: Surgery, bands: Bands): void {
	const added: string[] = [];
	const written = new Map<Setting, string>();
	const removed = new Set<Setting>();
	for (const kind of new Set(wanted.map((one) => one.kind))) {
		const lines = wanted
			.filter((one) => one.kind === kind)
			.map((one) => lineOf(one, surgery, bands));
		const there = box.settings.filter((one) => one.kind === kind);
		for (const [index, one] of there.entries()) {
			const line = lines[index];
			if (line === undefined) removed.add(one);
			else written.set(one, line);
		}
		added.push(...lines.slice(there.length));
	}
	for (const one of removed) removeSaid(box, surgery, one);
	const last = box.settings.findLast((one) => !removed.has(one));
	// Beside one that goes nothing can be put: what is new is written with the last that stays.
	if (last && removed.size > 0 && added.length > 0) {
		written.set(last, [written.get(last) ?? surgery.textOf(last.span), ...added].join('; '));
	} else if (added.length > 0) {
		insertSetting(box, surgery, added.join('; '));
	}
	for (const [one, line] of written) {
		if (line !== surgery.textOf(one.span)) surgery.replace(one.span, line);
	}
}

function lineOf(setting: Setting, surgery: Surgery, bands: Bands): string {
	const value = setting.kind === 'new-row' ? '' : surgery.textOf(setting.valueSpan);
	return settingLine(setting.kind, value, bands, bandPlace(bands, setting.band));
}

function boxKind({ kind }: SaidBox): BoxKind {
	if (kind === 'layout' || kind === 'wrapper' || kind === 'region') return kind;
	return kind === 'adjust' ? 'region' : 'piece';
}
