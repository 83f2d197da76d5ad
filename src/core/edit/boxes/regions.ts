import { listWords } from '../../messages/wording.ts';
import type { AreaRow } from '../../model/arrange.ts';
import {
	isRegionElement,
	layerName,
	type FillKind,
	type Layout,
	type Region,
	type Wrapper
} from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { areaRows, replaceInAreas } from './areas.ts';
import { bandPlace } from '../../resolve/bands.ts';
import { findBox, placeOfBand } from './find-box.ts';
import { addRow } from './members.ts';
import { setAreas } from './tracks.ts';
import {
	adjustsIn,
	checkName,
	fillsOf,
	fillsOfRegion,
	fillTargetWord,
	findLayer,
	findLayout,
	findRegion
} from '../find.ts';
import { newPieceName } from '../pieces/pieces.ts';
import { firstSpanIn, pieceLines } from '../pieces/start.ts';
import type { Surgery } from '../surgery.ts';
import { type LayerRef, type RegionRef, type RegionCommand } from '../../model/command.ts';
import { CommandRefused } from '../proposal.ts';

/**
 * Writes a region into a layout. It takes an empty area that is named, else a row of its own wherever
 * the layout arranges in areas.
 */
export function addRegion(
	resolved: ResolvedSite,
	surgery: Surgery,
	{ layout: layoutName, name, element, area }: Extract<RegionCommand, { kind: 'add-region' }>
): void {
	const layout = findLayout(resolved, layoutName);
	checkName(name);
	if (!isRegionElement(element)) throw new CommandRefused(`<${element}> cannot be a region.`);
	const parent = area ? findBox(resolved, area.box) : layout;
	if (parent.kind === 'region') throw new CommandRefused('A region holds pieces, not regions.');
	const last = parent.members.at(-1);
	const { bands } = resolved.site.settings;
	const span = firstSpanIn(parent, bands);
	const line = `region ${name} as ${element} {${span === undefined ? '' : ` ${span}`} }`;
	if (last) surgery.insertBelow(last.span, [line]);
	else surgery.insertInto(parent.span, [line]);
	if (area) setAreas(resolved, surgery, area.box, area.cells, area.band);
	for (const arrangement of parent.arrangements) {
		const isPainted = area && bandPlace(bands, arrangement.band) === placeOfBand(bands, area.band);
		if (arrangement.kind === 'areas' && !isPainted) addRow(surgery, arrangement, name);
	}
}

/** Renames a region, its areas and every fill of it. */
export function renameRegion(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: RegionRef,
	to: string
): void {
	const region = findRegion(resolved, ref);
	checkName(to);
	surgery.replace(region.name.span, to);
	replaceInAreas(rowsNaming(resolved, ref.layout), surgery, ref.region, to);
	const fills = fillsOfRegion(resolved, region).map(({ fill }) => fill);
	const adjusts = adjustsIn(resolved, ref.layout).filter(({ adjust }) => adjust.box === ref.region);
	for (const { targetSpan } of [...fills, ...adjusts.map(({ adjust }) => adjust)]) {
		const { file, to: end } = targetSpan;
		surgery.replace({ file, from: end - ref.region.length, to: end }, to);
	}
}

/** Removes a region, its areas, and what layers put into it. */
export function removeRegion(resolved: ResolvedSite, surgery: Surgery, ref: RegionRef): string[] {
	const region = findRegion(resolved, ref);
	if (region.slot) {
		throw new CommandRefused(
			`${ref.region} is the slot of ${ref.layout}: without it no page could show in the layout.`,
			region.name.span
		);
	}
	surgery.remove(region.span);
	replaceInAreas(rowsNaming(resolved, ref.layout), surgery, ref.region, '.');
	const fills = fillsOfRegion(resolved, region);
	for (const { fill } of fills) surgery.remove(fill.span);
	if (fills.length === 0) return [];
	const names = listWords(fills.map(({ layer }) => layerName(layer)));
	return [`This also removes what ${names} put into ${ref.region}.`];
}

/** The rows of all arrangements in areas, the layout's own and those of its wrappers. */
/** Rows of areas in which regions of a layout have their places, those that layers further in say too. */
function rowsNaming(resolved: ResolvedSite, layout: string): AreaRow[] {
	const adjusted = adjustsIn(resolved, layout).filter(({ box }) => box.kind === 'wrapper');
	return [
		...areaRowsOf(findLayout(resolved, layout)),
		...adjusted.flatMap(({ adjust }) => areaRows(adjust))
	];
}

function areaRowsOf(box: Layout | Wrapper): AreaRow[] {
	const own = areaRows(box);
	const inner = box.members.flatMap((one) => (one.kind === 'wrapper' ? areaRowsOf(one) : []));
	return [...own, ...inner];
}

/** Lets a region change places with its neighbour in the reading order. */
export function reorderRegion(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: RegionRef,
	by: -1 | 1
): void {
	const { regions } = findLayout(resolved, ref.layout);
	swap(regions, regions.indexOf(findRegion(resolved, ref)), by, surgery);
}

/** Lets two neighbouring statements change places; what stands between them stays. */
export function swap(
	list: readonly { readonly span: Region['span'] }[],
	index: number,
	by: -1 | 1,
	surgery: Surgery
): void {
	const one = list[index];
	const other = list[index + by];
	if (!one || !other) throw new CommandRefused('There is nothing further on that side.');
	surgery.replace(one.span, surgery.textOf(other.span));
	surgery.replace(other.span, surgery.textOf(one.span));
}

/** Locks or requires a region, or takes that back. */
export function setFlag(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: RegionRef,
	flag: 'locked' | 'required',
	on: boolean
): void {
	const region = findRegion(resolved, ref);
	if (region[flag] === on) return;
	const { saidIn } = region;
	if (!saidIn) {
		// Of a place in a frame of own markup it is said beside the frame.
		const line = `region ${region.name.text} { ${flag} }`;
		surgery.insertInto(findLayout(resolved, ref.layout).span, [line]);
		return;
	}
	if (on) surgery.insertInto(saidIn, [flag]);
	// What is locked can no longer be said to be open.
	const gone = on ? (flag === 'locked' ? 'open' : undefined) : flag;
	const inner = surgery.statementAt(saidIn).block?.statements ?? [];
	for (const statement of inner) {
		if (statement.atoms.length === 1 && statement.atoms[0]?.text === gone) {
			surgery.remove(statement.span);
		}
	}
}

/** Lets a layer fill a region in some way; a fill that is there changes its kind and keeps its pieces. */
export function setFill(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef,
	regionRef: RegionRef,
	kind: FillKind
): string[] {
	const layer = findLayer(resolved, ref);
	const fills = fillsOf(resolved, layer, regionRef);
	const [fill, ...others] = fills;
	if (!fill) {
		const target = fillTargetWord(resolved, ref, regionRef);
		surgery.insertInto(
			layer.span,
			kind === 'empty'
				? [`fill ${target} empty`]
				: [
						`fill ${target} ${kind} {`,
						...pieceLines(newPieceName([]), '<p>New</p>').map((line) => '  ' + line),
						'}'
					]
		);
		return [];
	}
	if (fill.fillKind === kind && others.length === 0) return [];
	for (const other of others) surgery.remove(other.span);
	const target = surgery.textOf(fill.targetSpan);
	const statement = surgery.statementAt(fill.span);
	const headEnd = statement.atoms.at(-1)?.span.to ?? fill.targetSpan.to;
	const head = { ...fill.span, to: headEnd };
	if (kind === 'empty') {
		surgery.replace(fill.span, `fill ${target} empty`);
		const lost = fills.flatMap((one) => one.pieces.map((piece) => piece.name.text));
		return lost.length > 0 ? [`${listWords(lost)} would be removed from ${layerName(layer)}.`] : [];
	}
	if (fill.fillKind === 'empty') {
		const indent = surgery.indentAt(fill.span.file, fill.span.from);
		const lines = pieceLines(newPieceName([]), '<p>New</p>').map((line) => `${indent}  ${line}`);
		surgery.replace(fill.span, `fill ${target} ${kind} {\n${lines.join('\n')}\n${indent}}`);
	} else {
		surgery.replace(head, `fill ${target} ${kind}`);
	}
	const lost = others.flatMap((one) => one.pieces.map((piece) => piece.name.text));
	return lost.length > 0 ? [`${listWords(lost)} would be removed from ${layerName(layer)}.`] : [];
}

/** Lets a region pass: the layer says nothing about it any more. */
export function removeFill(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: LayerRef,
	region: RegionRef
): void {
	const fills = fillsOf(resolved, findLayer(resolved, ref), region);
	if (fills.length === 0)
		throw new CommandRefused(`${ref.name} lets ${region.region} pass already.`);
	for (const fill of fills) surgery.remove(fill.span);
}
