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
	type Site,
	pagesOf
} from '../../model/site.ts';
import { broughtBy } from '../../resolve/content/brought.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import { adjustedChain } from '../../resolve/adjust.ts';
import { membersIn } from '../../resolve/boxes/members.ts';
import { slotOf, type Structure } from '../../resolve/structure.ts';
import { adjustedCss } from './adjusted.ts';
import { bandedCss, type BandedRule } from './boxes/banded.ts';
import { flowing, flowRule } from './boxes/flow.ts';
import { group, rule } from './css-text.ts';
import { withHeightNames } from './boxes/heights.ts';
import {
	frameRules,
	keptRule,
	pieceRules,
	placeInRegion,
	placeOnBare,
	spaceRule
} from './boxes/member-rules.ts';
import { printCss } from './boxes/print.ts';
import { scrollingCss } from './boxes/scrolling.ts';
import { landingRules } from './boxes/landing-rules.ts';
import type { StyleSheet } from './style-sheet.ts';
import { cascadeName, Selectors } from './selectors.ts';
import { layoutStyles, pageStyles } from './author/styles.ts';

/** The sheet of one layout: how its boxes lie in each band, and its own styles. */
export function layoutSheet(layout: Layout, site: Site, structure: Structure): StyleSheet {
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
	const rules = [
		spaceRule(layout, selectors),
		...bandedCss(
			[
				...frame,
				...fillRules(layout, site, structure),
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
			flowRule([...flowing(layout, surroundings, selectors), ...adjusted.flow]),
			// It may land behind content in which something floats.
			selectors.mayFloat && structure.chainOf(layout).length > 0
				? rule(layout.measure === 'space' ? selectors.space(layout) : selectors.root(layout), [
						'clear: both;'
					])
				: ''
		]),
		group(`@layer ${cascadeName(layout)}`, rules) || `@layer ${cascadeName(layout)} {\n}`
	];
	return { path: layoutSheetPath(layout), css: css.join('\n') + '\n' };
}

/** Where the sheet of a layout is. */
export function layoutSheetPath({ name }: Pick<Layout, 'name'>): string {
	return `styles/layouts/${name.text}.css`;
}

/** The sheet of a page: its pieces' settings and its own styles; undefined where it has neither. */
export function pageSheet(page: Page, site: Site, structure: Structure): StyleSheet | undefined {
	const { bands } = site.settings;
	const adjusted = adjustedCss(page, site, structure);
	const rules = [
		...adjusted.rules,
		...bandedCss(
			[...contentRules(page, site, structure), ...fillRules(page, site, structure)],
			bands
		),
		...pageStyles(page, structure)
	];
	const text = group('@layer pages', rules);
	if (text === '') return undefined;
	const flow = group('@layer site', [flowRule(adjusted.flow)]);
	const css = [`/* The page ${layerName(page)}. */`, flow, text].filter((part) => part !== '');
	return { path: pageSheetPath(page, site), css: css.join('\n') + '\n' };
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

/** The pieces of a page's own content, in the slot they land in or on a page without layouts. */
function contentRules(page: Page, site: Site, structure: Structure): BandedRule[] {
	const pieces = broughtBy(page);
	if (!pieces.some((piece) => piece.settings.length > 0 || piece.kind === 'group')) return [];
	const { bands } = site.settings;
	const chain = adjustedChain(page, structure);
	const layout = chain.at(-1);
	const slot = layout && slotOf(layout);
	const box = layout && slot && frameOf(layout, bands).boxes.get(slot.name.text);
	const selectors = new Selectors(site);
	if (!layout || !box) {
		const surroundings = surroundingsOf([], bands);
		return pieceRules(pieces, page, placeOnBare(surroundings, selectors));
	}
	const surroundings = surroundingsOf(chain.slice(0, -1), bands);
	return pieceRules(pieces, page, placeInRegion(box, layout, surroundings, selectors));
}

/** What a layer puts into regions of layouts further out. */
function fillRules(layer: Layer, site: Site, structure: Structure): BandedRule[] {
	const { bands } = site.settings;
	const chain = structure.chainOf(layer);
	const seen = adjustedChain(layer, structure);
	const selectors = new Selectors(site);
	return landingFills(layer, chain).flatMap(({ fill, layout, region }) => {
		const place = chain.indexOf(layout);
		const box = frameOf(seen[place] ?? layout, bands).boxes.get(region.name.text);
		if (!box) return [];
		const outer = surroundingsOf(seen.slice(0, place), bands);
		const surroundings = withHeightNames(layout, structure, outer);
		const at = placeInRegion(box, layout, surroundings, selectors);
		return [
			keptRule(layer, layout, region, selectors, bands),
			...pieceRules(broughtBy(fill), layer, at)
		];
	});
}
