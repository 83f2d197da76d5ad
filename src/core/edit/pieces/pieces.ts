import type { AreaRow, Arrangement } from '../../model/arrange.ts';
import { freeName } from '../../model/name.ts';
import { withInner, type Piece } from '../../model/site.ts';
import { bandPlace } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { areaRows, replaceInAreas } from '../boxes/areas.ts';
import { findGroup, placeOfBand } from '../boxes/find-box.ts';
import { addRow } from '../boxes/members.ts';
import { setAreas } from '../boxes/tracks.ts';
import {
	adjustsIn,
	checkName,
	fillsOf,
	fillTargetWord,
	findLayer,
	findPiece,
	findPieces,
	findWhole,
	groupAround,
	ownRegion
} from '../find.ts';
import { checkPattern } from '../layers/layouts.ts';
import type { Surgery } from '../surgery.ts';
import { pastedPieces, type PastedPiece } from './pasted-pieces.ts';
import { startLines } from './start.ts';
import { replaceBlock } from './blocks.ts';
import type {
	Beside,
	PaintedArea,
	HolderRef,
	PieceStart,
	PieceCommand
} from '../../model/command.ts';
import { CommandRefused } from '../proposal.ts';
import { namesListed } from './names-listed.ts';

/** A name for a new piece that none of `taken` has. */
export function newPieceName(taken: readonly string[]): string {
	return freeName('new', new Set(taken));
}

/** Writes a piece, or one for each name of a list: markup, a list of links, or a copy of another piece. */
export function addPiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	listed: string,
	start: PieceStart,
	area: PaintedArea | undefined
): void {
	const names = namesListed(listed);
	const twice = names.find((name, at) => names.indexOf(name) !== at);
	if (twice !== undefined) throw new CommandRefused(`${twice} stands in the list twice.`);
	if (names.length === 0) checkName(listed);
	const pieces = names.map((name) => ({
		name: checkName(name),
		lines: startLines(resolved, surgery, holder, name, start)
	}));
	insertPieces(resolved, surgery, holder, pieces, { area });
}

/** Writes a piece for each row of a table, or line of a list, as it was pasted. */
export function pastePieces(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	text: string
): void {
	const there = piecesAt(resolved, { ...holder, group: undefined });
	const taken = new Set(withInner(there?.pieces ?? []).map(({ name }) => name.text));
	const pasted = readPasted(text, taken);
	if (pasted.length === 0) throw new CommandRefused('There is nothing in what was pasted.');
	const pieces = pasted.map(({ name, markup }) => ({
		name,
		lines: startLines(resolved, surgery, holder, name, { kind: 'markup', markup })
	}));
	insertPieces(resolved, surgery, holder, pieces);
}

function readPasted(text: string, taken: ReadonlySet<string>): PastedPiece[] {
	try {
		return pastedPieces(text, taken);
	} catch (failure) {
		if (failure instanceof RangeError) throw new CommandRefused(failure.message);
		throw failure;
	}
}

/** A piece that is to stand somewhere. */
interface NewPiece {
	readonly name: string;
	readonly lines: readonly string[];
}

/** Puts the lines of pieces where they should stand; in areas each gets a row of its own. */
function insertPieces(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	added: readonly NewPiece[],
	{
		beside,
		area
	}: { readonly beside?: Beside | undefined; readonly area?: PaintedArea | undefined } = {}
): void {
	const there = piecesAt(resolved, holder);
	const lines = added.flatMap((one) => one.lines);
	if (!there) {
		const { layer, region } = holder;
		const fill = region && `fill ${fillTargetWord(resolved, layer, region)} after {`;
		if (fill === undefined) throw new CommandRefused('A layout has no content of its own.');
		surgery.insertInto(findLayer(resolved, layer).span, [
			fill,
			...lines.map((line) => (line === '' ? '' : `  ${line}`)),
			'}'
		]);
		return;
	}
	const all = withInner(findPieces(resolved, { ...holder, group: undefined }).pieces);
	const same = all.find((piece) => added.some(({ name }) => piece.name.text === name));
	if (same) {
		const { text, span } = same.name;
		throw new CommandRefused(`There is a piece ${text} already where it should stand.`, span);
	}
	const other = all.find((piece) => piece.name.text === beside?.name);
	if (other && beside?.where === 'before') surgery.insertBefore(other.span, lines);
	else if (other) surgery.insertBelow(other.span, lines);
	else surgery.insertInto(there.owner, lines);
	if (area) setAreas(resolved, surgery, area.box, area.cells, area.band);
	const { bands } = resolved.site.settings;
	for (const arrangement of arrangementsAround(resolved, holder, other)) {
		const isPainted = area && bandPlace(bands, arrangement.band) === placeOfBand(bands, area.band);
		if (arrangement.kind !== 'areas' || isPainted) continue;
		for (const { name } of added) addRow(surgery, arrangement, name);
	}
}

/** How what is put into a holder, maybe beside another piece, comes to lie. */
function arrangementsAround(
	resolved: ResolvedSite,
	holder: HolderRef,
	beside: Piece | undefined
): readonly Arrangement[] {
	const around = beside && groupAround(resolved, holder, beside.name.text);
	if (around) return around.arrangements;
	if (holder.group !== undefined) {
		return findGroup(resolved, { holder: { ...holder, group: undefined }, piece: holder.group })
			.arrangements;
	}
	const region = ownRegion(resolved, holder);
	return region ? region.arrangements : findWhole(resolved, holder).arrangements;
}

/** The pieces of a holder; undefined where the layer has no fill that they could stand in yet. */
function piecesAt(
	resolved: ResolvedSite,
	holder: HolderRef
): ReturnType<typeof findPieces> | undefined {
	const { layer, region } = holder;
	const isFill = region && (layer.kind !== 'layout' || layer.name !== region.layout);
	if (isFill && fillsOf(resolved, findLayer(resolved, layer), region).length === 0)
		return undefined;
	return findPieces(resolved, holder);
}

/** Rows of areas in which a piece has its place: of the group it stands in, or of its region, what layers further in say too. */
function rowsNaming(resolved: ResolvedSite, holder: HolderRef, name: string): AreaRow[] {
	const group = groupAround(resolved, holder, name);
	if (group) return areaRows(group);
	const region = ownRegion(resolved, holder);
	if (!region || !holder.region) return [];
	const adjusted = adjustsIn(resolved, holder.region.layout).filter(
		({ adjust }) => adjust.box === region.name.text
	);
	return [...areaRows(region), ...adjusted.flatMap(({ adjust }) => areaRows(adjust))];
}

/** A piece goes to another place with all that it says; the fill that it was the last of goes with it. */
export function movePiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ holder, name, to, beside }: Extract<PieceCommand, { kind: 'move-piece' }>
): void {
	const { pieces } = findPieces(resolved, holder);
	const piece = findPiece(resolved, holder, name);
	if (isSamePlace(holder, to)) {
		const other = withInner(pieces).find((one) => one.name.text === beside?.name);
		if (!other || other === piece || !beside)
			throw new CommandRefused(`${name} stands there already.`);
		if (piece.kind === 'group' && withInner(piece.pieces).includes(other))
			throw new CommandRefused(`${name} cannot stand inside itself.`);
		surgery.moveBeside(piece.span, other.span, beside.where);
		const [from, into] = [name, other.name.text].map((one) => groupAround(resolved, holder, one));
		if (from === into) return;
		replaceInAreas(rowsNaming(resolved, holder, name), surgery, name, '.');
		for (const arrangement of arrangementsAround(resolved, to, other)) {
			if (arrangement.kind === 'areas') addRow(surgery, arrangement, name);
		}
		return;
	}
	const lines = surgery.linesOf(piece.span);
	removePiece(resolved, surgery, holder, name);
	replaceInAreas(rowsNaming(resolved, holder, name), surgery, name, '.');
	insertPieces(resolved, surgery, to, [{ name, lines }], { beside });
}

function isSamePlace(one: HolderRef, other: HolderRef): boolean {
	const word = ({ layer, region, group }: HolderRef): string =>
		JSON.stringify([layer.kind, layer.name, region?.layout, region?.region, group]);
	return word(one) === word(other);
}

/** Lets a list of links start at another route, or reach further down. */
export function setNav(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ holder, name, said: { from, depth, withStart } }: Extract<PieceCommand, { kind: 'set-nav' }>
): void {
	const piece = findPiece(resolved, holder, name);
	if (piece.kind !== 'nav') throw new CommandRefused(`The piece ${name} is no list of links.`);
	const { atoms } = surgery.statementAt(piece.span);
	// What it says of those who see it stands behind.
	const behind = atoms.findIndex(({ kind, text }) => kind === 'word' && text === 'for');
	const last = atoms.at(behind === -1 ? -1 : behind - 1);
	if (!last) return;
	const start = withStart ? ' with-start' : '';
	const words = `${checkPattern(from).text} depth ${depth}${start}`;
	surgery.replace({ ...piece.fromSpan, to: last.span.to }, words);
}

export function renamePiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string,
	to: string
): void {
	surgery.replace(findPiece(resolved, holder, name).name.span, checkName(to));
	replaceInAreas(rowsNaming(resolved, holder, name), surgery, name, to);
}

export function removePiece(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string
): void {
	removePieces(resolved, surgery, holder, [name]);
}

/** Takes pieces out of the place they stand in, with their areas there. */
export function removePieces(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	names: readonly string[]
): void {
	const { pieces, owner } = findPieces(resolved, holder);
	const gone = names.map((name) => findPiece(resolved, holder, name));
	const isFill = surgery.statementAt(owner).atoms[0]?.text === 'fill';
	// A fill without pieces says nothing, so it goes with its last one.
	if (isFill && pieces.every((piece) => gone.includes(piece))) return surgery.remove(owner);
	// What stands in a group that goes, goes with it.
	const inner = gone.flatMap((piece) => (piece.kind === 'group' ? withInner(piece.pieces) : []));
	for (const piece of gone) {
		if (inner.includes(piece)) continue;
		surgery.remove(piece.span);
		const group = groupAround(resolved, holder, piece.name.text);
		if (group) replaceInAreas(areaRows(group), surgery, piece.name.text, '.');
	}
}

/** Takes pieces to another place, in the order in which they stand. */
export function movePieces(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ holder, pieces: names, to, beside }: Extract<PieceCommand, { kind: 'move-pieces' }>
): void {
	const all = withInner(findPieces(resolved, holder).pieces);
	const moved = all.filter(({ name }) => names.includes(name.text));
	if (isSamePlace(holder, to)) {
		if (!beside || names.includes(beside.name))
			throw new CommandRefused('They stand there already.');
		for (const { name } of moved) {
			movePiece(resolved, surgery, { kind: 'move-piece', holder, name: name.text, to, beside });
		}
		return;
	}
	const lines = moved.map(({ name, span }) => ({ name: name.text, lines: surgery.linesOf(span) }));
	removePieces(resolved, surgery, holder, names);
	insertPieces(resolved, surgery, to, lines, { beside });
}

/** Copies of pieces stand behind the last of them, each by its own name with a number. */
export function copyPieces(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ holder, pieces: names }: Extract<PieceCommand, { kind: 'copy-pieces' }>
): void {
	const all = withInner(findPieces(resolved, holder).pieces);
	const copied = all.filter(({ name }) => names.includes(name.text));
	const taken = new Set(all.map(({ name }) => name.text));
	const copies = copied.map(({ name: { text } }) => {
		const name = copyName(text, taken);
		taken.add(name);
		const of = { holder, piece: text };
		return { name, lines: startLines(resolved, surgery, holder, name, { kind: 'copy', of }) };
	});
	const last = copied.at(-1)?.name.text;
	if (last === undefined) throw new CommandRefused('There is nothing to copy any more.');
	insertPieces(resolved, surgery, holder, copies, { beside: { name: last, where: 'after' } });
}

/** What a copy is called: the name with the next number that is free. */
function copyName(name: string, taken: ReadonlySet<string>): string {
	const [, base = name, last = '1'] = /^(.*?)-(\d+)$/.exec(name) ?? [];
	for (let number = Number(last) + 1; ; number++) {
		if (!taken.has(`${base}-${number}`)) return `${base}-${number}`;
	}
}

/** Replaces the markup of a piece. */
export function setMarkup(
	resolved: ResolvedSite,
	surgery: Surgery,
	holder: HolderRef,
	name: string,
	markup: string
): void {
	const piece = findPiece(resolved, holder, name);
	if (piece.kind !== 'markup') {
		const what = piece.kind === 'nav' ? 'a list made from routes' : 'a wrapper around others';
		throw new CommandRefused(`The piece ${name} is ${what} and has no markup.`);
	}
	replaceBlock(surgery, piece.markup.span, markup);
}
