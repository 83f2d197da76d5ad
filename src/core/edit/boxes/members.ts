import { areasOf, type AreasArrangement, type Arrangement } from '../../model/arrange.ts';
import { listWords } from '../../messages/problem.ts';
import { isRegionElement, type Wrapper } from '../../model/site.ts';
import type { Beside, RegionRef } from '../../model/command.ts';
import { bandPlace, type Bands } from '../../resolve/bands.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { checkName, findLayout, findRegion } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import { indentLines, type Surgery } from '../surgery.ts';
import { replaceInAreas, areaRows } from './areas.ts';
import { columnsWords } from './columns.ts';
import { bandWord, findMember, parentOf } from './find-box.ts';
import { areasText, columnWords } from './tracks.ts';

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

/** A row of its own for a member that is new in an arrangement. */
export function addRow(surgery: Surgery, { rows }: AreasArrangement, name: string): void {
	const last = rows.at(-1);
	const cells = rows[0]?.cells.map(() => name).join(' ') ?? name;
	if (last) surgery.insertBefore(last.span, [`"${cells}" auto`]);
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
	const { bands } = resolved.site.settings;
	const inside = parent.arrangements.flatMap((one) => takeOut(surgery, one, names, name, bands));
	const [head, ...rest] = others;
	if (!head) return;
	const lines = others.flatMap((one) => surgery.linesOf(one.span));
	surgery.replaceLines(head.span, [
		`wrapper ${name} {`,
		...[...inside, ...lines].map((line) => indentLines([line], '  ')),
		'}'
	]);
	for (const one of rest) surgery.remove(one.span);
}

/** Lets a wrapper take the place of members in an arrangement; gives how they lie inside it. */
function takeOut(
	surgery: Surgery,
	arrangement: Arrangement,
	names: readonly string[],
	name: string,
	bands: Bands
): string[] {
	const band = bandWord(bands, Math.max(0, bandPlace(bands, arrangement.band)));
	if (arrangement.kind !== 'areas') {
		const { kind, gap } = arrangement;
		const words = kind === 'columns' ? columnsWords(arrangement) : kind;
		return [`arrange ${words}${band}${gap ? ` { gap ${gap.text} }` : ''}`];
	}
	const places = [...areasOf(arrangement.rows)].filter(([area]) => names.includes(area));
	if (places.length === 0) return [];
	const [left, right] = [
		Math.min(...places.map(([, { x }]) => x.from)),
		Math.max(...places.map(([, { x }]) => x.to))
	];
	const [top, bottom] = [
		Math.min(...places.map(([, { y }]) => y.from)),
		Math.max(...places.map(([, { y }]) => y.to))
	];
	const rows = arrangement.rows.slice(top, bottom);
	const cells = rows.map((row) => row.cells.slice(left, right));
	const stranger = cells.flat().find((cell) => !names.includes(cell) && !/^\.+$/.test(cell));
	if (stranger !== undefined) {
		throw new CommandRefused(
			`${listWords(names)} cannot get a wrapper: ${stranger} lies between them${band ? ` at${band}` : ''}.`,
			rows[0]?.areas.span
		);
	}
	for (const row of rows) {
		const changed = row.cells.map((cell, x) => (x >= left && x < right ? name : cell));
		surgery.replace(row.areas.span, `"${changed.join(' ')}"`);
	}
	const columns = columnWords(arrangement).slice(left, right).join(' ');
	return areasText(
		{
			rows: rows.map((row, y) => ({ cells: cells[y] ?? [], size: row.size })),
			columns: arrangement.columns && { text: columns },
			gap: arrangement.gap
		},
		band
	);
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
	for (const arrangement of parent.arrangements) {
		if (arrangement.kind === 'areas') unfold(surgery, arrangement, wrapper);
	}
	surgery.replaceLines(
		wrapper.span,
		wrapper.members.flatMap((one) => surgery.linesOf(one.span))
	);
	return wrapper.settings.length === 0
		? []
		: [
				`What ${name} sets itself (${listWords([...new Set(wrapper.settings.map(({ kind }) => kind))])}) would go with it.`
			];
}

/** The cells of a wrapper become those of its members, where they fit; else they lie one below the other. */
function unfold(surgery: Surgery, outer: AreasArrangement, wrapper: Wrapper): void {
	const place = areasOf(outer.rows).get(wrapper.name.text);
	if (!place) return;
	const inner = cellsInside(wrapper, outer);
	const width = Math.max(...inner.map((row) => row.length));
	const fits = place.x.to - place.x.from === width || width === 1;
	if (!fits) {
		throw new CommandRefused(
			`${wrapper.name.text} lies over ${place.x.to - place.x.from} columns and has ${width} inside: give both as many, then take it away.`,
			wrapper.name.span
		);
	}
	const rowsOf = (index: number): readonly string[] => inner[index] ?? inner.at(-1) ?? ['.'];
	for (let y = place.y.from; y < place.y.to; y++) {
		const row = outer.rows[y];
		if (!row) continue;
		const own = y === place.y.to - 1 ? inner.slice(y - place.y.from) : [rowsOf(y - place.y.from)];
		const lines = (own.length === 0 ? [rowsOf(y)] : own).map((cells) =>
			row.cells
				.map((cell, x) => {
					if (cell !== wrapper.name.text) return cell;
					return cells[cells.length === 1 ? 0 : x - place.x.from] ?? '.';
				})
				.join(' ')
		);
		const [first = '', ...more] = lines;
		surgery.replace(row.areas.span, `"${first}"`);
		if (more.length > 0) {
			surgery.insertBelow(
				row.span,
				more.map((cells) => `"${cells}" auto`)
			);
		}
	}
}

/** How members of a wrapper lie, row by row, as it is written for the band of the arrangement around it. */
function cellsInside(wrapper: Wrapper, outer: AreasArrangement): (readonly string[])[] {
	const same = wrapper.arrangements.find((one) => one.band?.text === outer.band?.text);
	const holds = same ?? wrapper.arrangements.find((one) => one.band === undefined);
	const names = wrapper.members.map((one) => one.name.text);
	if (holds?.kind === 'areas') return holds.rows.map((row) => row.cells);
	return holds?.kind === 'row' ? [names] : names.map((one) => [one]);
}
