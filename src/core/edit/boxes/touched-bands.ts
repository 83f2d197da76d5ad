import { declare } from '../../box-styles/declare.ts';
import { bareBox, frameOf, pieceBox, type Box } from '../../box-styles/frame.ts';
import { surroundingsOf } from '../../box-styles/outside.ts';
import { layerName, layersOf, type Layer, type Layout, type Piece } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { adjustedChain } from '../../resolve/adjust.ts';
import { broughtBy } from '../../resolve/content/brought.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import { slotOf } from '../../resolve/structure.ts';
import { bandPlaces } from '../../resolve/bands.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { tokensAt } from '../../size/tokens.ts';

/**
 * Names of the bands in which an edit changes the sizes or the place of some box that layouts bring,
 * or which widths the band is for. What only changes markup touches no band.
 */
export function touchedBands(before: ResolvedSite, after: ResolvedSite): string[] {
	const { bands } = after.site.settings;
	const changed = [...changedLayouts(before, after), ...changedAdjusts(before, after)];
	const brought = changedLayers(before, after);
	return bandPlaces(bands).flatMap((place) => {
		const name = bands[place]?.name.text;
		if (name === undefined) return [];
		const same =
			siteAt(before, place) === siteAt(after, place) &&
			changed.every(({ was, is }) => layoutAt(was, before, place) === layoutAt(is, after, place)) &&
			brought.every(({ was, is }) => broughtAt(was, before, place) === broughtAt(is, after, place));
		return same ? [] : [name];
	});
}

/** A layout, with those that it sits under. */
interface InChain {
	readonly layout: Layout;
	readonly outer: readonly Layout[];
}

interface ChangedLayout {
	readonly was: InChain;
	readonly is: InChain;
}

/** Layouts whose text differs; what comes or goes whole is not said here. */
function changedLayouts(before: ResolvedSite, after: ResolvedSite): ChangedLayout[] {
	const olds = new Map(before.site.layouts.map((layout) => [layout.name.text, layout]));
	return after.site.layouts.flatMap((is) => {
		const was = olds.get(is.name.text);
		if (!was || textOf(was, before) === textOf(is, after)) return [];
		const inChain = (layout: Layout, { structure }: ResolvedSite): InChain => {
			return { layout, outer: structure.chainOf(layout) };
		};
		return [{ was: inChain(was, before), is: inChain(is, after) }];
	});
}

/** Layers whose text differs: what they bring may lie in another way. */
function changedLayers(before: ResolvedSite, after: ResolvedSite): { was: Layer; is: Layer }[] {
	const olds = new Map(layersOf(before.site).map((layer) => [keyOf(layer), layer]));
	return layersOf(after.site).flatMap((is) => {
		const was = olds.get(keyOf(is));
		return was && textOf(was, before) !== textOf(is, after) ? [{ was, is }] : [];
	});
}

/** Everything that is said of the boxes of pieces that a layer brings, in a band. */
function broughtAt(layer: Layer, { site, structure }: ResolvedSite, place: number): string {
	const { bands } = site.settings;
	const chain = adjustedChain(layer, structure);
	const written = structure.chainOf(layer);
	const innermost = chain.at(-1);
	const slot = innermost && slotOf(innermost);
	const host = innermost && slot && frameOf(innermost, bands).boxes.get(slot.name.text);
	const content = layer.kind === 'layout' ? [] : pieceBoxes(broughtBy(layer), host ?? bareBox);
	const filled = landingFills(layer, written).flatMap(({ fill, layout, region }) => {
		const frame = frameOf(chain[written.indexOf(layout)] ?? layout, bands);
		const box = frame.boxes.get(region.name.text);
		return box ? pieceBoxes(broughtBy(fill), box) : [];
	});
	const surroundings = surroundingsOf(chain.slice(0, -1), bands);
	const all = [...content, ...filled];
	return JSON.stringify(all.map((box) => [box.name, declare(box, place, surroundings)]));
}

/** Layouts around a layer that says something else of them than before. */
function changedAdjusts(before: ResolvedSite, after: ResolvedSite): ChangedLayout[] {
	const olds = new Map(layersOf(before.site).map((layer) => [keyOf(layer), layer]));
	return layersOf(after.site).flatMap((layer) => {
		const old = olds.get(keyOf(layer));
		const said = (one: Layer, site: ResolvedSite): string =>
			one.adjusts.map((adjust) => textOf(adjust, site)).join('\n');
		if (!old || said(old, before) === said(layer, after)) return [];
		const [then, now] = [
			adjustedChain(old, before.structure),
			adjustedChain(layer, after.structure)
		];
		return now.flatMap((is, place): ChangedLayout[] => {
			const was = then[place];
			if (!was) return [];
			return [
				{
					was: { layout: was, outer: then.slice(0, place) },
					is: { layout: is, outer: now.slice(0, place) }
				}
			];
		});
	});
}

function keyOf(layer: Layer): string {
	return `${layer.kind} ${layerName(layer)}`;
}

function textOf({ span }: { readonly span: Span }, { reading }: ResolvedSite): string {
	return (reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
}

/** What a band is for every page: its widths, and its tokens. */
function siteAt({ site }: ResolvedSite, place: number): string {
	const { bands, tokens } = site.settings;
	const widths = [bands[place]?.from, bands[place + 1]?.from];
	return JSON.stringify([widths, [...tokensAt(tokens, bands, place)]]);
}

/** Everything that is said of a layout's boxes in a band. */
function layoutAt({ layout, outer }: InChain, { site }: ResolvedSite, place: number): string {
	const { bands } = site.settings;
	const { root, boxes } = frameOf(layout, bands);
	const surroundings = surroundingsOf(outer, bands);
	const all: Box[] = [root, ...boxes.values()];
	for (const member of membersIn(layout.members)) {
		const host = boxes.get(member.name.text);
		if (host && member.kind === 'region') {
			all.push(...pieceBoxes(member.pieces, host));
		}
	}
	return JSON.stringify(all.map((box) => [box.name, declare(box, place, surroundings)]));
}

/** The boxes of pieces, and of those in groups among them. */
function pieceBoxes(pieces: readonly Piece[], parent: Box): Box[] {
	return pieces.flatMap((piece) => {
		const box = pieceBox(piece, parent);
		return [box, ...(piece.kind === 'group' ? pieceBoxes(piece.pieces, box) : [])];
	});
}
