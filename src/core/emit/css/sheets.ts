import { Memory } from '../../lib/memory.ts';
import { frameOf } from '../../box-styles/frame.ts';
import { edgesInside, overlappedIn } from '../../box-styles/landing.ts';
import { surroundingsOf } from '../../box-styles/outside.ts';
import {
	layerName,
	layerPattern,
	type Layer,
	type Layout,
	type Page,
	type Piece,
	type Region,
	type Site,
	type SiteSettings,
	pagesOf
} from '../../model/site.ts';
import { broughtBy } from '../../resolve/content/brought.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import { adjustedChain } from '../../resolve/adjust.ts';
import type { Bands } from '../../resolve/bands.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { slotOf, type Structure } from '../../resolve/structure.ts';
import { adjustedCss } from './adjusted.ts';
import { bandedCss, type BandedRule } from './boxes/banded.ts';
import { flowing, flowRule } from './boxes/flow.ts';
import { group, rule } from './css-text.ts';
import { withHeightNames } from './boxes/heights.ts';
import { frameRules, keptRule, spaceRule } from './boxes/member-rules.ts';
import {
	flowingInGroups,
	pieceRules,
	placeInRegion,
	placeOnBare,
	type PiecePlace
} from './boxes/piece-rules.ts';
import { printCss } from './boxes/print.ts';
import { scrollingCss } from './boxes/scrolling.ts';
import { landingRules } from './boxes/landing-rules.ts';
import type { StyleSheet } from './style-sheet.ts';
import { cascadeName, Selectors } from './selectors.ts';
import { heldRule, ownReset } from './boxes/held.ts';
import { mayFloat } from './floats.ts';
import { scopeWords } from '../style-scope.ts';
import { layoutStyles, pageStyles } from './author/styles.ts';

const layoutSheets = new Memory<Layout, StyleSheet>();

/** The sheet of one layout: how its boxes lie in each band, and its own styles. */
export function layoutSheet(layout: Layout, site: Site, structure: Structure): StyleSheet {
	const depends = dependsOf(layout, site, structure);
	return layoutSheets.get(layout, depends, () => writeLayoutSheet(layout, site, structure));
}

/**
 * All that the sheet of a layer is made from besides the layer: what every sheet has, what stands around it, and what of
 * other layers reaches into these. Other pages may be what they like, so an edit of one costs one.
 */
function dependsOf(layer: Layer, site: Site, structure: Structure): readonly unknown[] {
	const chain = structure.chainOf(layer);
	const around = layer.kind === 'layout' ? [...chain, layer] : chain;
	const depends: unknown[] = [sharedOf(site)];
	for (const layout of around) depends.push(layout, reachingInto(layout, structure));
	return depends;
}

const shared = new Memory<SiteSettings, object>();
const sharedOfSites = new Memory<Site, object>();

/** The same object for as long as all that every sheet depends on is the same: settings, names of classes, what may float. */
function sharedOf(site: Site): object {
	return sharedOfSites.get(site, [], () => {
		const depends = [mayFloat(site), site.layouts.length, ...site.layouts, ...site.parts];
		return shared.get(site.settings, depends, () => ({}));
	});
}

const reaching = new Memory<Layout, string>();

/** What of other layers, on whatever page, the boxes and styles of a layout depend on. */
function reachingInto(layout: Layout, structure: Structure): string {
	return reaching.get(layout, [structure], () => {
		const { top, bottom } = edgesInside(layout, structure);
		const under = [...overlappedIn(layout, structure)].sort();
		return [top, bottom, ...under, scopeWords(layout, structure)].join(' ');
	});
}

function writeLayoutSheet(layout: Layout, site: Site, structure: Structure): StyleSheet {
	if (layout.frame) return framedSheet(layout, site, structure);
	const { bands } = site.settings;
	// What stands around it is what the layout itself has made of it.
	const outer = adjustedChain(layout, structure);
	const surroundings = withHeightNames(
		layout,
		structure,
		surroundingsOf(outer, bands, edgesInside(layout, structure), overlappedIn(layout, structure))
	);
	const { boxes } = frameOf(layout, bands);
	const selectors = new Selectors(site);
	const moving = membersIn(layout.members).flatMap((member) => {
		const box = boxes.get(member.name.text);
		const selector = selectors.member(layout, member.name.text);
		return box ? scrollingCss(selector, box, layout, surroundings) : [];
	});
	const frame = frameRules(layout, surroundings, selectors);
	const adjusted = adjustedCss(layout, site, structure);
	const brought = broughtIn(layout, site, structure);
	const rules = [
		spaceRule(layout, selectors),
		...bandedCss(
			[
				...frame,
				...broughtRules(layout, brought, { selectors, bands }),
				...landingRules(
					[...outer, layout],
					adjustedChain(layout, structure, true),
					bands,
					selectors
				)
			],
			bands
		),
		...moving,
		...adjusted.rules,
		printCss(layout, surroundings, selectors, frame),
		...layoutStyles(layout, structure)
	];
	const css = [
		`/* The layout ${layout.name.text}, which stands at ${layout.at.text}. */`,
		// What boxes are before anything is said of them: every other rule wins over it.
		group('@layer site', [
			...ownReset(layout, selectors),
			flowRule([
				...flowing(layout, surroundings, selectors),
				...broughtFlow(layout, brought),
				...adjusted.flow
			]),
			// It may land behind content in which something floats.
			selectors.mayFloat && structure.chainOf(layout).length > 0
				? rule(layout.measure === 'space' ? selectors.space(layout) : selectors.root(layout), [
						'clear: both;'
					])
				: ''
		]),
		group(`@layer ${cascadeName(layout)}`, rules) || `@layer ${cascadeName(layout)} {\n}`,
		heldRule(layout, selectors)
	].filter((part) => part !== '');
	return { path: layoutSheetPath(layout), css: css.join('\n') + '\n' };
}

/** The sheet of a layout whose frame is its own markup: only what it brings elsewhere, and its styles. */
function framedSheet(layout: Layout, site: Site, structure: Structure): StyleSheet {
	const adjusted = adjustedCss(layout, site, structure);
	const brought = broughtIn(layout, site, structure);
	const { bands } = site.settings;
	const rules = [
		...bandedCss(broughtRules(layout, brought, { selectors: new Selectors(site), bands }), bands),
		...adjusted.rules,
		...layoutStyles(layout, structure)
	];
	const css = [
		`/* The layout ${layout.name.text}, which stands at ${layout.at.text}. */`,
		group('@layer site', [flowRule([...broughtFlow(layout, brought), ...adjusted.flow])]),
		group(`@layer ${cascadeName(layout)}`, rules)
	];
	const path = layoutSheetPath(layout);
	return { path, css: css.filter((part) => part !== '').join('\n') + '\n' };
}

/** Where the sheet of a layout is. */
export function layoutSheetPath({ name }: Pick<Layout, 'name'>): string {
	return `styles/layouts/${name.text}.css`;
}

const pageTexts = new Memory<Page, string>();

/** The sheet of a page: its pieces' settings and its own styles; undefined where it has neither. */
export function pageSheet(page: Page, site: Site, structure: Structure): StyleSheet | undefined {
	const depends = dependsOf(page, site, structure);
	const css = pageTexts.get(page, depends, () => writePageSheet(page, site, structure));
	return css === '' ? undefined : { path: pageSheetPath(page, site), css };
}

/** Empty where it says nothing. */
function writePageSheet(page: Page, site: Site, structure: Structure): string {
	const { bands } = site.settings;
	const adjusted = adjustedCss(page, site, structure);
	const brought = broughtIn(page, site, structure);
	const rules = [
		...adjusted.rules,
		...bandedCss(broughtRules(page, brought, { selectors: new Selectors(site), bands }), bands),
		...pageStyles(page, structure)
	];
	const text = group('@layer pages', rules);
	if (text === '') return '';
	const flow = group('@layer site', [flowRule([...adjusted.flow, ...broughtFlow(page, brought)])]);
	const css = [`/* The page ${layerName(page)}. */`, flow, text].filter((part) => part !== '');
	return css.join('\n') + '\n';
}

const sheetPaths = new Memory<Site, ReadonlyMap<Page, string>>();

/** One path for each page's sheet, of the words of its route; where two have the same words, with a number. */
function pageSheetPath(page: Page, site: Site): string {
	const paths = sheetPaths.get(site, [], () => planSheetPaths(site));
	return paths.get(page) ?? 'styles/pages/page.css';
}

const stems = new Memory<Page, string>();

/** The words of a page's route, as a file can be called. */
function stemOf(page: Page): string {
	const words = layerPattern(page).segments.map((segment) =>
		segment.kind === 'rest' ? 'rest' : segment.name.replaceAll(/[^\w-]/g, '_')
	);
	const name = words.length > 0 ? words.join('-') : 'home';
	return page.kind === 'route' ? name : `${page.state.text}-${name}`;
}

function planSheetPaths(site: Site): Map<Page, string> {
	const taken = new Set<string>();
	const paths = new Map<Page, string>();
	for (const page of pagesOf(site)) {
		const stem = stems.get(page, [], () => stemOf(page));
		let path = `styles/pages/${stem}.css`;
		for (let count = 2; taken.has(path.toLowerCase()); count++) {
			path = `styles/pages/${stem}-${count}.css`;
		}
		taken.add(path.toLowerCase());
		paths.set(page, path);
	}
	return paths;
}

/** Pieces that a layer brings, and where they stand. */
interface Brought {
	readonly pieces: readonly Piece[];
	readonly place: PiecePlace;
	/** What they are put into, where that is not a page's own place. */
	readonly fills: { readonly layout: Layout; readonly region: Region } | undefined;
}

/** All that a layer brings: what it puts into regions of layouts further out, and a page its own content first. */
function broughtIn(layer: Layer, site: Site, structure: Structure): Brought[] {
	const { bands } = site.settings;
	const chain = structure.chainOf(layer);
	const seen = adjustedChain(layer, structure);
	const selectors = new Selectors(site);
	const content = layer.kind === 'layout' ? [] : [contentOf(layer, seen, bands, selectors)];
	const fills = landingFills(layer, chain).flatMap(({ fill, layout, region }): Brought[] => {
		const at = chain.indexOf(layout);
		const box = frameOf(seen[at] ?? layout, bands).boxes.get(region.name.text);
		if (!box) return [];
		const outer = surroundingsOf(seen.slice(0, at), bands);
		const surroundings = withHeightNames(layout, structure, outer);
		const place = placeInRegion(box, layout, surroundings, selectors);
		return [{ pieces: broughtBy(fill), place, fills: { layout, region } }];
	});
	return [...content, ...fills];
}

/** The pieces of a page's own content, in the slot they land in or on a page without layouts. */
function contentOf(
	page: Page,
	chain: readonly Layout[],
	bands: Bands,
	selectors: Selectors
): Brought {
	const pieces = broughtBy(page);
	const layout = chain.at(-1);
	const slot = layout && slotOf(layout);
	const box = layout && slot && frameOf(layout, bands).boxes.get(slot.name.text);
	if (!layout || !box) {
		return { pieces, place: placeOnBare(surroundingsOf([], bands), selectors), fills: undefined };
	}
	const surroundings = surroundingsOf(chain.slice(0, -1), bands);
	return { pieces, place: placeInRegion(box, layout, surroundings, selectors), fills: undefined };
}

function broughtRules(
	layer: Layer,
	brought: readonly Brought[],
	{ selectors, bands }: { readonly selectors: Selectors; readonly bands: Bands }
): BandedRule[] {
	return brought.flatMap(({ pieces, place, fills }) => [
		...(fills && !fills.layout.frame
			? [keptRule(layer, fills.layout, fills.region, selectors, bands)]
			: []),
		...pieceRules(pieces, layer, place)
	]);
}

/** What in the groups among them keeps its margins. */
function broughtFlow(layer: Layer, brought: readonly Brought[]): string[] {
	return brought.flatMap(({ pieces, place }) => flowingInGroups(pieces, layer, place));
}
