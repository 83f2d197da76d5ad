import { Memory } from '../../model/memory.ts';
import { declare } from '../../declare/declare.ts';
import { frameOf, type Box } from '../../declare/frame.ts';
import type { Surroundings } from '../../declare/surroundings.ts';
import { bandPlaces, settingsAt, type Bands } from '../../resolve/bands.ts';
import type { Declarations } from '../../settings/declarations.ts';
import { edgesInside, overlappedIn } from '../../declare/landing.ts';
import { surroundingsOf } from '../../declare/outside.ts';
import { settingKindsUsed } from '../../declare/used.ts';
import type { SettingKind } from '../../model/setting.ts';
import {
	layerName,
	layerPattern,
	type Layer,
	type Layout,
	type Page,
	type Site,
	type Token,
	layersOf,
	pagesOf,
	type Region
} from '../../model/site.ts';
import { isDrawer } from '../../resolve/drawers.ts';
import { landingFills } from '../../resolve/fill-target.ts';
import { membersIn } from '../../resolve/members.ts';
import { arrangesPieces } from '../../resolve/runs.ts';
import { piecesIn } from '../../resolve/pieces.ts';
import { layoutsInOrder, slotOf, type Structure } from '../../resolve/structure.ts';
import { bandedCss, bandQuery, type BandedRule } from './banded.ts';
import { group, rule } from './css-text.ts';
import { withHeightNames } from './heights.ts';
import { barePieceRule, frameRules, keptRule, pieceRule, spaceRule } from './member-rules.ts';
import { apartClass, hasPieceClass, listClass, pageClass, skipClass } from '../names.ts';
import { printCss } from './print.ts';
import { scrollingCss, whereMotion } from './scrolling.ts';
import { landingRules } from './landing-rules.ts';
import { hasStyle, partLayer } from './part-styles.ts';
import { cascadeName, Selectors } from './selectors.ts';
import { layoutStyles, pageStyles } from './styles.ts';

/** A style sheet of a delivery. */
export interface StyleSheet {
	/** Path of the file, from the root of the delivery. */
	readonly path: string;
	readonly css: string;
}

/** Where the sheet is that every page has. */
export const siteSheetPath = 'styles/site.css';

/** The sheet that every page has: the order of the layers, the reset, and the site's tokens. */
export function siteSheet(site: Site, structure: Structure): StyleSheet {
	const nearest = site.parts.some(hasStyle) ? [partLayer] : [];
	const layers = ['site', ...layoutsInOrder(structure).map(cascadeName), 'pages', ...nearest];
	const rules = [...rootRules(site), reset, ...commonRules(site, structure)];
	const css = [
		`/* ${site.settings.name.text.replaceAll('*/', '* /')}: what every page has. */`,
		`@layer ${layers.join(', ')};`,
		// CSS View Transitions 2, section 2.3: pages that share a region keep it standing.
		group(whereMotion, ['@view-transition {\n  navigation: auto;\n}']),
		group('@layer site', rules)
	];
	return { path: siteSheetPath, css: css.join('\n\n') + '\n' };
}

const reset = `*,
*::before,
*::after {
  box-sizing: border-box;
}

body {
  margin: 0;
}`;

/** Lists made from routes, links to the slot, and pages that sit under nothing: where there are some. */
function commonRules(site: Site, structure: Structure): string[] {
	const hasList = layersOf(site).some((layer) =>
		piecesIn(layer).some(({ kind }) => kind === 'nav')
	);
	const hasSkip = settingKindsUsed(site).has('skip');
	const hasBare = pagesOf(site).some((page) => structure.chainOf(page).length === 0);
	const hasApart = layersOf(site).some((layer) =>
		piecesIn(layer).some(({ settings }) =>
			settings.some((one) => one.kind === 'show' && one.value.kind === 'hidden')
		)
	);
	return [
		hasApart ? rule(`.${apartClass}`, ['display: flow-root;']) : '',
		hasList ? listRules : '',
		hasSkip ? skipRules : '',
		hasBare ? rule(`.${pageClass}`, ['display: flow-root;']) : ''
	];
}

const listRules = `.${listClass},
.${listClass} ul {
  margin: 0;
  padding: 0;
  list-style: none;
}`;

/** The link is there for whoever gets to it by keyboard, and seen only then. */
const skipRules = `.${skipClass} {
  position: absolute;
  inset-block-start: 0;
  inset-inline-start: 0;
  z-index: 2;
  padding: 0.5rem 1rem;
  background: Canvas;
}

.${skipClass}:not(:focus) {
  clip-path: inset(50%);
}`;

/** Who lies over whom, and how a shadow looks: written where some box needs it. */
function orderLines(used: ReadonlySet<SettingKind>): string[] {
	return [
		...(used.has('overlap') ? ['--under: -1;'] : []),
		...(used.has('stick') || used.has('shrink') ? ['--stuck: 1;'] : []),
		...(used.has('shadow') ? ['--shadow: 0 2px 8px rgb(0 0 0 / 0.2);'] : [])
	];
}

const shadowFrames = `@keyframes shadow-scrolled {
  from {
    box-shadow: none;
  }

  to {
    box-shadow: var(--shadow);
  }
}`;

/** HTML, section 15.3.1 makes a popover a floating card; in place it is a box like any other. */
function drawerRules(layout: Layout, selectors: Selectors, bands: Bands): string[] {
	const drawers = layout.regions.filter(isDrawer);
	if (drawers.length === 0) return [];
	const regions = drawers.map(({ name }) => selectors.member(layout, name.text));
	const bare = drawers
		.filter((drawer) => !isPainted(drawer, bands))
		.map(({ name }) => selectors.member(layout, name.text));
	const closers = drawers.map(({ name }) => selectors.closer(layout, name.text));
	const each = (list: readonly string[], tail: string): string =>
		list.map((one) => one + tail).join(',\n');
	return [
		rule(each(regions, ''), [
			'position: static;',
			'inset: auto;',
			'width: auto;',
			'height: auto;',
			'margin: 0;',
			'padding: 0;',
			'overflow: visible;',
			'border: 0;',
			'background: none;',
			'color: inherit;'
		]),
		...(bare.length > 0 ? [rule(each(bare, ':popover-open'), ['background: Canvas;'])] : []),
		rule(each(regions, '::backdrop'), ['background: rgb(0 0 0 / 0.3);']),
		rule(each(closers, ''), [
			'position: absolute;',
			'inset-block-start: 0;',
			'inset-inline-end: 0;',
			'z-index: 1;'
		]),
		rule(closers.map((closer) => `:not(:popover-open) > ${closer}`).join(',\n'), ['display: none;'])
	];
}

/** Whether a drawer has a background of its own wherever it is one. */
function isPainted({ settings }: Region, bands: Bands): boolean {
	return bandPlaces(bands).every((place) => {
		const { show, background = 'none' } = settingsAt(settings, bands, place);
		return show?.kind !== 'drawer' || background !== 'none';
	});
}

/** The site's tokens, with what all boxes refer to. */
function rootRules(site: Site): string[] {
	const { bands, tokens, night } = site.settings;
	const used = settingKindsUsed(site);
	const valueLine = ({ name, value }: Token): string => `${name.text}: ${value.text};`;
	const rules = [undefined, ...bands].map((band) => {
		const some = tokens.filter((token) => token.band?.text === band?.name.text);
		const lines = some.map(valueLine);
		// What browsers draw by themselves follows too.
		const scheme = night.length > 0 ? ['color-scheme: light dark;'] : [];
		const text = rule(':root', band ? lines : [...scheme, ...lines, ...orderLines(used)]);
		const from = band?.from ?? 0;
		return from === 0 ? text : group(bandQuery(from, undefined), [text]);
	});
	const byNight = group('@media (prefers-color-scheme: dark)', [
		rule(':root', night.map(valueLine))
	]);
	return [...rules, byNight, used.has('shadow') ? shadowFrames : ''].filter((text) => text !== '');
}

/** The sheet of one layout: how its boxes lie in each band, and its own styles. */
export function layoutSheet(layout: Layout, site: Site, structure: Structure): StyleSheet {
	const { bands } = site.settings;
	const surroundings = withHeightNames(
		layout,
		structure,
		surroundingsOf(
			structure.chainOf(layout),
			bands,
			edgesInside(layout, structure),
			overlappedIn(layout, structure)
		)
	);
	const { boxes } = frameOf(layout, bands);
	const selectors = new Selectors(site);
	const moving = membersIn(layout.members).flatMap((member) => {
		const box = boxes.get(member.name.text);
		const selector = selectors.member(layout, member.name.text);
		return box ? scrollingCss(selector, box, layout, surroundings) : [];
	});
	const rules = [
		spaceRule(layout, selectors),
		...bandedCss(
			[
				...frameRules(layout, surroundings, selectors),
				...fillRules(layout, site, structure),
				...landingRules(layout, site, structure, selectors)
			],
			bands
		),
		...moving,
		printCss(layout, surroundings, selectors),
		...layoutStyles(layout, structure)
	];
	const css = [
		`/* The layout ${layout.name.text}, which stands at ${layout.at.text}. */`,
		// What boxes are before anything is said of them: every other rule wins over it.
		group('@layer site', [
			flowRule(layout, surroundings, selectors),
			...drawerRules(layout, selectors, bands)
		]),
		group(`@layer ${cascadeName(layout)}`, rules) || `@layer ${cascadeName(layout)} {\n}`
	];
	return { path: layoutSheetPath(layout), css: css.join('\n') + '\n' };
}

/** Where the sheet of a layout is. */
export function layoutSheetPath({ name }: Pick<Layout, 'name'>): string {
	return `styles/layouts/${name.text}.css`;
}

/**
 * Boxes that arrange nothing, in some band at least, keep the margins of what is in them, and so does
 * what stands in a region that arranges it in other bands only.
 */
function flowRule(layout: Layout, surroundings: Surroundings, selectors: Selectors): string {
	const { root, boxes } = frameOf(layout, surroundings.bands);
	const flows = (box: Box): boolean[] =>
		bandPlaces(surroundings.bands).map((band) => !arranges(declare(box, band, surroundings)));
	const plain = [...boxes.values()].flatMap((box) => {
		const inBands = flows(box);
		const selector = selectors.member(layout, box.name);
		if (!inBands.includes(true)) return [];
		const content = box.kind === 'region' && arrangesPieces(box) ? [`${selector} > *`] : [];
		return [selector, ...content];
	});
	const own = flows(root).includes(true) ? [selectors.root(layout)] : [];
	const all = [...own, ...plain];
	return all.length === 0 ? '' : rule(all.join(',\n'), ['display: flow-root;']);
}

function arranges({ display }: Declarations): boolean {
	return display === 'flex' || display === 'grid';
}

/** The sheet of a page: its pieces' settings and its own styles; undefined where it has neither. */
export function pageSheet(page: Page, site: Site, structure: Structure): StyleSheet | undefined {
	const { bands } = site.settings;
	const rules = [
		...bandedCss(
			[...contentRules(page, site, structure), ...fillRules(page, site, structure)],
			bands
		),
		...pageStyles(page, structure)
	];
	const text = group('@layer pages', rules);
	if (text === '') return undefined;
	const css = [`/* The page ${layerName(page)}. */`, text];
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
	const pieces = page.pieces.filter((piece) => piece.settings.length > 0);
	if (pieces.length === 0) return [];
	const { bands } = site.settings;
	const chain = structure.chainOf(page);
	const layout = chain.at(-1);
	const slot = layout && slotOf(layout);
	const box = layout && slot && frameOf(layout, bands).boxes.get(slot.name.text);
	const selectors = new Selectors(site);
	if (!layout || !box) {
		const surroundings = surroundingsOf([], bands);
		return pieces.map((piece) => barePieceRule(piece, page, surroundings, selectors));
	}
	const surroundings = surroundingsOf(chain.slice(0, -1), bands);
	return pieces.map((piece) => pieceRule(piece, page, { box, layout, surroundings, selectors }));
}

/** What a layer puts into regions of layouts further out. */
function fillRules(layer: Layer, site: Site, structure: Structure): BandedRule[] {
	const { bands } = site.settings;
	const chain = structure.chainOf(layer);
	const selectors = new Selectors(site);
	return landingFills(layer, chain).flatMap(({ fill, layout, region }) => {
		const box = frameOf(layout, bands).boxes.get(region.name.text);
		if (!box) return [];
		const outer = surroundingsOf(chain.slice(0, chain.indexOf(layout)), bands);
		const surroundings = withHeightNames(layout, structure, outer);
		const place = { box, layout, surroundings, selectors };
		return [
			keptRule(layer, layout, region, selectors, bands),
			...fill.pieces
				.filter((piece) => hasPieceClass(piece, region))
				.map((piece) => pieceRule(piece, layer, place))
		];
	});
}
