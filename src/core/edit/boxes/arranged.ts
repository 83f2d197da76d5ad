import type { Arrangement } from '../../model/arrange.ts';
import { isPieceRef, type ArrangedRef } from '../../model/command.ts';
import { arrangementAt, bandPlace, type Bands } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { findSaidToArrange, findSeen, placeOfBand, type ArrangedBox } from './find-box.ts';
import { beginAdjust, removeSaid } from './said.ts';

/** How a box arranges in a band, for those whom an edit is for. */
export interface Arranged {
	/** The box as they have it. */
	readonly box: ArrangedBox;
	/** What holds in the band; undefined where members lie one below the other. */
	readonly holds: Arrangement | undefined;
	/** What is written for the band itself, where the edit writes. */
	readonly own: Arrangement | undefined;
	readonly band: number;
	readonly bands: Bands;
}

/** How a box arranges in a band. Throws a CommandRefused where it is not there. */
export function arrangedAt(resolved: ResolvedSite, ref: ArrangedRef, bandName: string): Arranged {
	const box = findSeen(resolved, ref);
	const { bands } = resolved.site.settings;
	const band = placeOfBand(bands, bandName);
	const said = saidArrangements(resolved, ref);
	return {
		box,
		holds: arrangementAt(box.arrangements, bands, band),
		own: said.find((one) => bandPlace(bands, one.band) === band),
		band,
		bands
	};
}

/** Writes how a box arranges in a band: in place of what is written for it, or beside what is written for others. */
export function writeArrangement(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	{ own, holds }: Arranged,
	lines: readonly string[]
): void {
	if (own) return surgery.replaceLines(own.span, lines);
	const said = findSaidToArrange(resolved, ref);
	if (!said) return isPieceRef(ref) ? undefined : beginAdjust(resolved, surgery, ref, lines);
	const all = saidArrangements(resolved, ref);
	const above = all.find((one) => one === holds) ?? all.at(-1);
	if (above) return surgery.insertBelow(above.span, lines);
	const first = 'pieces' in said ? said.pieces[0] : 'members' in said ? said.members[0] : undefined;
	if (first) surgery.insertBefore(first.span, lines);
	else surgery.insertInto(said.span, lines);
}

/** Takes back what is written for a band itself. */
export function removeArrangement(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: ArrangedRef,
	{ own, box }: Arranged,
	bandName: string
): void {
	const said = findSaidToArrange(resolved, ref);
	if (!own || !said) {
		throw new CommandRefused(`${box.name.text} arranges nothing anew at ${bandName}.`);
	}
	removeSaid(said, surgery, own);
}

/** What is written where the edit writes. */
function saidArrangements(resolved: ResolvedSite, ref: ArrangedRef): readonly Arrangement[] {
	return findSaidToArrange(resolved, ref)?.arrangements ?? [];
}
