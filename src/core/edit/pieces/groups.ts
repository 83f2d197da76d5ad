import { listWords } from '../../messages/wording.ts';
import type { Arrangement } from '../../model/arrange.ts';
import type { HolderRef } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { unwrapIn, wrapAround } from '../boxes/wrapping.ts';
import { checkName, findPiece, findPieces, groupAround, ownRegion } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';

/** Edits of boxes around pieces. */

/** Puts a wrapper around pieces that stand in one place. */
export function groupPieces(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	names: readonly string[],
	name: string
): void {
	checkName(name);
	const [first] = names;
	if (first === undefined) throw new CommandRefused('There is nothing to put a wrapper around.');
	const pieces = names.map((one) => findPiece(resolved, holder, one));
	const around = groupAround(resolved, holder, first);
	const beside = around?.pieces ?? findPieces(resolved, holder).pieces;
	const wrapped = beside.filter((one) => pieces.includes(one));
	if (wrapped.length < pieces.length) {
		throw new CommandRefused(
			`${listWords(names)} do not stand in one box, so one wrapper cannot go around them.`,
			pieces[0]?.name.span
		);
	}
	const arrangements = arrangedAround(resolved, holder, first);
	wrapAround(surgery, wrapped, arrangements, name, resolved.site.settings.bands);
}

/** Takes a wrapper of pieces away; they stay where it stood. */
export function ungroup(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string
): string[] {
	const group = findPiece(resolved, holder, name);
	if (group.kind !== 'group' || group.isWhole) {
		throw new CommandRefused(`${name} is no wrapper that could be taken away.`);
	}
	return unwrapIn(surgery, group, arrangedAround(resolved, holder, name));
}

/** How a piece lies where it stands: in a group, or in the region that a layout gives it to. */
function arrangedAround(
	resolved: ResolvedSite,
	holder: HolderRef,
	name: string
): readonly Arrangement[] {
	const group = groupAround(resolved, holder, name);
	return (group ?? ownRegion(resolved, holder))?.arrangements ?? [];
}
