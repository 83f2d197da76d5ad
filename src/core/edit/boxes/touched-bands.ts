import { declare } from '../../box-styles/declare.ts';
import { frameOf, pieceBox, type Box } from '../../box-styles/frame.ts';
import { surroundingsOf } from '../../box-styles/outside.ts';
import type { Layout } from '../../model/site.ts';
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
	const changed = changedLayouts(before, after);
	return bandPlaces(bands).flatMap((place) => {
		const name = bands[place]?.name.text;
		if (name === undefined) return [];
		const same =
			siteAt(before, place) === siteAt(after, place) &&
			changed.every(({ was, is }) => layoutAt(was, before, place) === layoutAt(is, after, place));
		return same ? [] : [name];
	});
}

interface ChangedLayout {
	readonly was: Layout;
	readonly is: Layout;
}

/** Layouts whose text differs; what comes or goes whole is not said here. */
function changedLayouts(before: ResolvedSite, after: ResolvedSite): ChangedLayout[] {
	const olds = new Map(before.site.layouts.map((layout) => [layout.name.text, layout]));
	return after.site.layouts.flatMap((is) => {
		const was = olds.get(is.name.text);
		return was && textOf(was, before) !== textOf(is, after) ? [{ was, is }] : [];
	});
}

function textOf({ span }: Layout, { reading }: ResolvedSite): string {
	return (reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
}

/** What a band is for every page: its widths, and its tokens. */
function siteAt({ site }: ResolvedSite, place: number): string {
	const { bands, tokens } = site.settings;
	const widths = [bands[place]?.from, bands[place + 1]?.from];
	return JSON.stringify([widths, [...tokensAt(tokens, bands, place)]]);
}

/** Everything that is said of a layout's boxes in a band. */
function layoutAt(layout: Layout, { site, structure }: ResolvedSite, place: number): string {
	const { bands } = site.settings;
	const { root, boxes } = frameOf(layout, bands);
	const surroundings = surroundingsOf(structure.chainOf(layout), bands);
	const all: Box[] = [root, ...boxes.values()];
	for (const member of membersIn(layout.members)) {
		const host = boxes.get(member.name.text);
		if (host && member.kind === 'region') {
			all.push(...member.pieces.map((piece) => pieceBox(piece, host)));
		}
	}
	return JSON.stringify(all.map((box) => [box.name, declare(box, place, surroundings)]));
}
