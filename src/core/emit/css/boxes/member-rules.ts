import { drawerProperties } from '../../../settings/member/show.ts';
import { bandPlaces, settingsAt, type Bands } from '../../../resolve/bands.ts';
import {
	declare,
	declareInRegion,
	declareInSlot,
	layoutsGrowIn
} from '../../../box-styles/declare.ts';
import { type Surroundings } from '../../../box-styles/surroundings.ts';
import { frameOf, openerBox, type Box } from '../../../box-styles/frame.ts';
import { arrangesPieces } from '../../../resolve/boxes/runs.ts';
import type { Opener } from '../../../resolve/boxes/drawers.ts';
import type { Layer, Layout, Region } from '../../../model/site.ts';
import type { BandedRule } from './banded.ts';
import { rule } from '../css-text.ts';
import { byHeightName, heightLines } from './heights.ts';
import { clearing, pieceRules, placeInRegion } from './piece-rules.ts';
import { printed, type Printed } from './printed.ts';
import { layerClass } from '../../names.ts';
import { cascadeName, type Selectors } from '../selectors.ts';

/** What style sheets say of each box that a layout arranges, band by band. */

/** The layout's root, its wrappers and regions, and what lands in them. */
export function frameRules(
	layout: Layout,
	surroundings: Surroundings,
	selectors: Selectors
): BandedRule[] {
	const { root, boxes, openers } = frameOf(layout, surroundings.bands);
	const heights = heightLines(boxes, surroundings);
	const own = inBands(root, surroundings).map(
		(lines, band) => new Map([...(heights[band] ?? []), ...lines])
	);
	return [
		{ selector: selectors.root(layout), bands: own, layout },
		...root.members.flatMap((box) => memberRules(box, layout, surroundings, selectors)),
		...openers.map((opener) => openerRule(opener, layout, surroundings, selectors))
	];
}

function inBands(box: Box, surroundings: Surroundings): Printed[] {
	return bandPlaces(surroundings.bands).map((place) => printed(declare(box, place, surroundings)));
}

function memberRules(
	box: Box,
	layout: Layout,
	surroundings: Surroundings,
	selectors: Selectors
): BandedRule[] {
	const selector = selectors.member(layout, box.name);
	const bands = byHeightName(box, inBands(box, surroundings), surroundings);
	if (box.kind === 'wrapper') {
		const own: BandedRule = { selector, bands, layout };
		return [
			own,
			...box.members.flatMap((inner) => memberRules(inner, layout, surroundings, selectors))
		];
	}
	const region = layout.regions.find((one) => one.name.text === box.name);
	const pieces = region?.pieces ?? [];
	return [
		{ selector, bands: withName(bands.map(inPlace), keptName(box, layout)), layout },
		...openRule(bands, selector, layout),
		...closedRule(box, selector, layout, surroundings),
		...landedRules(box, selector, layout, surroundings.bands),
		...pieceRules(pieces, layout, placeInRegion(box, layout, surroundings, selectors))
	];
}

const isOpenDrawer = (lines: Printed): boolean => lines.get('position') === 'fixed';

/** A region as it is where nothing slides in: a browser that knows no popovers has it in its place. */
function inPlace(lines: Printed): Printed {
	return isOpenDrawer(lines)
		? new Map([...lines].filter(([name]) => !drawerProperties.has(name)))
		: lines;
}

/** A drawer lies over the page only while it is open, in bands in which it is one. */
function openRule(bands: readonly Printed[], selector: string, layout: Layout): BandedRule[] {
	if (!bands.some(isOpenDrawer)) return [];
	// As heavy as the region itself, so that a style of its layout still has the last word.
	const open = `${selector}:where(:popover-open)`;
	return [{ selector: open, bands, under: bands.map(inPlace), layout }];
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
	if (layoutsGrowIn(box, allBands)) {
		const landed = `${selector} > .${layerClass}`;
		rules.push({ selector: landed, bands: inSlot, under: forAll, layout });
	}
	return rules;
}

/** The opener shows only where its region is a drawer. */
function openerRule(
	opener: Opener,
	layout: Layout,
	surroundings: Surroundings,
	selectors: Selectors
): BandedRule {
	const host = frameOf(layout, surroundings.bands).boxes.get(opener.host.name.text);
	const hostSelector = selectors.member(layout, opener.host.name.text);
	const openerSelector = `${hostSelector} > ${selectors.opener(layout, opener.region.name.text)}`;
	const bands = bandPlaces(surroundings.bands).map((place): Printed => {
		const { show } = settingsAt(opener.region.settings, surroundings.bands, place);
		if (show?.kind !== 'drawer' || !host) return new Map([['display', 'none']]);
		const lines = printed(declare(openerBox(opener, host), place, surroundings));
		return selectors.mayFloat && !arrangesPieces(host) ? clearing(lines) : lines;
	});
	const under = bandPlaces(surroundings.bands).map((place) =>
		printed(host ? declareInRegion(host, place, surroundings.bands) : {})
	);
	return { selector: openerSelector, bands, under, layout };
}

/** The box in which a layout's bands look at the space it gets. */
export function spaceRule(layout: Layout, selectors: Selectors): string {
	if (layout.measure !== 'space') return '';
	return rule(selectors.space(layout), [`container: ${cascadeName(layout)} / inline-size;`]);
}

/**
 * A region that no page has a part in keeps its name from page to page, so that a browser leaves it
 * standing (CSS View Transitions 2, section 2.3); undefined for a slot, in which every page lands.
 */
function keptName(box: Box, layout: Layout): string | undefined {
	return box.holdsSlot ? undefined : `${layout.name.text}-${box.name}`;
}

/** What a layer fills is another region on its pages: by a name of its own, or by none where it is a page. */
export function keptRule(
	layer: Layer,
	layout: Layout,
	region: Region,
	selectors: Selectors,
	bands: Bands
): BandedRule {
	const name =
		layer.kind === 'layout' ? `${layout.name.text}-${region.name.text}-${layer.name.text}` : 'none';
	const under = new Map([['view-transition-name', 'something']]);
	const places = bandPlaces(bands);
	return {
		selector: selectors.member(layout, region.name.text),
		bands: places.map(() => new Map([['view-transition-name', name]])),
		under: places.map(() => under),
		layout
	};
}

function withName(bands: readonly Printed[], name: string | undefined): Printed[] {
	return bands.map((lines) =>
		name === undefined ? lines : new Map([...lines, ['view-transition-name', name]])
	);
}
