import { bandPlaces, settingsAt, type Bands } from '../resolve/bands.ts';
import { declare, declareInRegion, declareInSlot } from '../declare/declare.ts';
import type { Surroundings } from '../declare/surroundings.ts';
import { bareBox, frameOf, openerBox, pieceBox, type Box } from '../declare/frame.ts';
import type { Opener } from '../resolve/drawers.ts';
import type { Layer, Layout, Page, Piece } from '../model/site.ts';
import type { BandedRule } from './banded.ts';
import { printed, type Printed } from './printed.ts';
import {
	memberSelector,
	openerSelector,
	pieceSelector,
	rootSelector,
	spaceSelector
} from './selectors.ts';

/** What style sheets say of each box that a layout arranges, band by band. */

/** The layout's root, its wrappers and regions, and what lands in them. */
export function frameRules(layout: Layout, surroundings: Surroundings): BandedRule[] {
	const { root, openers } = frameOf(layout, surroundings.bands);
	return [
		{ selector: rootSelector(layout), bands: inBands(root, surroundings), layout },
		...root.members.flatMap((box) => memberRules(box, layout, surroundings)),
		...openers.map((opener) => openerRule(opener, layout, surroundings))
	];
}

function inBands(box: Box, surroundings: Surroundings): Printed[] {
	return bandPlaces(surroundings.bands).map((place) => printed(declare(box, place, surroundings)));
}

function memberRules(box: Box, layout: Layout, surroundings: Surroundings): BandedRule[] {
	if (box.kind === 'wrapper') {
		const selector = memberSelector(layout, 'wrapper', box.name);
		const own: BandedRule = { selector, bands: inBands(box, surroundings), layout };
		return [own, ...box.members.flatMap((inner) => memberRules(inner, layout, surroundings))];
	}
	const selector = memberSelector(layout, 'region', box.name);
	const region = layout.regions.find((one) => one.name.text === box.name);
	const pieces = region?.pieces ?? [];
	return [
		{ selector, bands: inBands(box, surroundings), layout },
		...closedRule(box, selector, layout, surroundings),
		...landedRules(box, selector, layout, surroundings.bands),
		...pieces.map((piece) => pieceRule(piece, layout, { box, layout, surroundings }))
	];
}

/** A drawer that is not open is not there; in other bands the region is, opened or not. */
function closedRule(
	box: Box,
	selector: string,
	layout: Layout,
	surroundings: Surroundings
): BandedRule[] {
	let hidden = false;
	const bands = bandPlaces(surroundings.bands).map((place): Printed => {
		const { show } = settingsAt(box.settings, surroundings.bands, place);
		if (show?.kind === 'drawer') {
			hidden = true;
			return new Map([['display', 'none']]);
		}
		// Back to what the region is by itself; before the first drawer there is nothing to take back.
		const display = declare(box, place, surroundings).display ?? 'flow-root';
		return new Map(hidden ? [['display', display]] : []);
	});
	return hidden ? [{ selector: `${selector}:not(:popover-open)`, bands, layout }] : [];
}

/** What a region's arrangement gives to everything that lands in it, whoever brings it. */
function landedRules(box: Box, selector: string, layout: Layout, allBands: Bands): BandedRule[] {
	const places = bandPlaces(allBands);
	const forAll = places.map((place) => printed(declareInRegion(box, place, allBands)));
	const rules: BandedRule[] = [];
	if (forAll.some((one) => one.size > 0)) {
		rules.push({ selector: `${selector} > *`, bands: forAll, layout });
	}
	if (!box.holdsSlot) return rules;
	const inSlot = places.map((place) => printed(declareInSlot(box, place, allBands)));
	if (inSlot.some((one) => one.get('flex')?.startsWith('1'))) {
		const landed = `${selector} > :is(.layer, .space)`;
		rules.push({ selector: landed, bands: inSlot, under: forAll, layout });
	}
	return rules;
}

/** Where a piece stands: a region's box, and what that is declared from. */
export interface PiecePlace {
	readonly box: Box;
	readonly layout: Layout;
	readonly surroundings: Surroundings;
}

/** A piece's own settings, over what its region gives to everything in it. */
export function pieceRule(piece: Piece, owner: Layer, place: PiecePlace): BandedRule {
	const { box, layout, surroundings } = place;
	const selector = memberSelector(layout, 'region', box.name);
	return {
		selector: pieceSelector(selector, owner, piece.name.text),
		bands: inBands(pieceBox(piece, box), surroundings),
		under: bandPlaces(surroundings.bands).map((at) =>
			printed(declareInRegion(box, at, surroundings.bands))
		),
		layout
	};
}

/** A piece of a page that sits under nothing. */
export function barePieceRule(piece: Piece, page: Page, surroundings: Surroundings): BandedRule {
	return {
		selector: pieceSelector(rootSelector(page), page, piece.name.text),
		bands: inBands(pieceBox(piece, bareBox), surroundings),
		layout: undefined
	};
}

/** The opener shows only where its region is a drawer. */
function openerRule(opener: Opener, layout: Layout, surroundings: Surroundings): BandedRule {
	const host = frameOf(layout, surroundings.bands).boxes.get(opener.host.name.text);
	const bands = bandPlaces(surroundings.bands).map((place): Printed => {
		const { show } = settingsAt(opener.region.settings, surroundings.bands, place);
		if (show?.kind !== 'drawer' || !host) return new Map([['display', 'none']]);
		return printed(declare(openerBox(opener, host), place, surroundings));
	});
	const under = bandPlaces(surroundings.bands).map((place) =>
		printed(host ? declareInRegion(host, place, surroundings.bands) : {})
	);
	return { selector: openerSelector(layout, opener.region.name.text), bands, under, layout };
}

/** The box in which a layout's bands look at the space it gets. */
export function spaceRule(layout: Layout, name: string): string {
	if (layout.measure !== 'space') return '';
	return `${spaceSelector(layout)} {\n  container: ${name} / inline-size;\n}`;
}
