import { isEmptyCell, type AreasArrangement } from '../../model/arrange.ts';
import { listWords } from '../../messages/wording.ts';
import { isRegionElement } from '../../model/site.ts';
import type { Beside, RegionRef } from '../../model/command.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName, findLayout, findRegion } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { replaceInAreas, areaRows } from './areas.ts';
import { findMember, parentOf } from './find-box.ts';
import { unwrapIn, wrapAround } from './wrapping.ts';

/** Edits of where regions and wrappers stand. */

/** Gives a region another element. */
export function setElement(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: RegionRef,
	element: string
): void {
	if (!isRegionElement(element)) throw new CommandRefused(`<${element}> cannot be a region.`);
	surgery.replace(findRegion(resolved, ref).element.span, element);
}

/** Puts a region or wrapper in front of another one or behind it, in the order of reading. */
export function placeMember(
	resolved: ResolvedSite,
	surgery: Surgery,
	layoutName: string,
	name: string,
	{ name: other, where }: Beside
): string[] {
	const layout = findLayout(resolved, layoutName);
	const [member, target] = [findMember(layout, name), findMember(layout, other)];
	if (member === target) throw new CommandRefused(`${name} stands there already.`);
	if (member.kind === 'wrapper' && membersIn(member.members).includes(target)) {
		throw new CommandRefused(`${name} cannot stand inside itself.`);
	}
	surgery.moveBeside(member.span, target.span, where);
	const [from, to] = [parentOf(layout, member), parentOf(layout, target)];
	if (from === to) return [];
	replaceInAreas(areaRows(from), surgery, name, '.');
	const areas = to.arrangements.filter((one) => one.kind === 'areas');
	for (const arrangement of areas) addRow(surgery, arrangement, name);
	return [];
}

/** A row of its own for a member that is new in an arrangement: before the last, unless that would part an area. */
export function addRow(surgery: Surgery, { rows }: AreasArrangement, name: string): void {
	const [last, above] = [rows.at(-1), rows.at(-2)];
	const cells = rows[0]?.cells.map(() => name).join(' ') ?? name;
	const line = `"${cells}" auto`;
	const isWhole = last?.cells.some((cell, x) => !isEmptyCell(cell) && cell === above?.cells[x]);
	if (last && isWhole) surgery.insertBelow(last.span, [line]);
	else if (last) surgery.insertBefore(last.span, [line]);
}

/**
 * Puts a wrapper around members that stand in one place. In areas they must fill a rectangle, which the
 * wrapper then takes, arranging them inside as they lay.
 */
export function wrap(
	resolved: ResolvedSite,
	surgery: Surgery,
	layoutName: string,
	names: readonly string[],
	name: string
): void {
	const layout = findLayout(resolved, layoutName);
	checkName(name);
	const members = names.map((one) => findMember(layout, one));
	const [first] = members;
	if (!first) throw new CommandRefused('There is nothing to put a wrapper around.');
	const parent = parentOf(layout, first);
	const others = parent.members.filter((one) => members.includes(one));
	if (others.length < members.length) {
		throw new CommandRefused(
			`${listWords(names)} do not stand in one box, so one wrapper cannot go around them.`,
			first.name.span
		);
	}
	wrapAround(surgery, others, parent.arrangements, name, resolved.site.settings.bands);
}

/** Takes a wrapper away; what it holds stands where it stood, in areas in its place. */
export function unwrap(
	resolved: ResolvedSite,
	surgery: Surgery,
	layoutName: string,
	name: string
): string[] {
	const layout = findLayout(resolved, layoutName);
	const wrapper = findMember(layout, name);
	if (wrapper.kind !== 'wrapper') throw new CommandRefused(`${name} is a region, not a wrapper.`);
	const parent = parentOf(layout, wrapper);
	return unwrapIn(surgery, wrapper, parent.arrangements);
}
