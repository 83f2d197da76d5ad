import { surroundingsOf, settingKindsUsed } from '../declare/surroundings.ts';
import { edgesInside, overlappedIn } from '../declare/landing.ts';
import { bandPlace, type Bands } from '../resolve/bands.ts';
import { frameOf } from '../declare/frame.ts';
import { isDrawer } from '../resolve/drawers.ts';
import type { Layer, Layout, Member, Page, Site, Style } from '../model/site.ts';
import { layerName, layerPattern } from '../model/site.ts';
import { fillTarget, isProblem } from '../resolve/fill-target.ts';
import { layoutsInOrder, slotOf, type Structure } from '../resolve/structure.ts';
import { bandedCss, bandQuery, type BandedRule } from './banded.ts';
import { group, indent, rule } from './css-text.ts';
import { barePieceRule, frameRules, pieceRule, spaceRule } from './member-rules.ts';
import { scrollingCss } from './scrolling.ts';
import { cascadeName, layerSelector, memberSelector, rootSelector } from './selectors.ts';

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
	const layers = ['site', ...layoutsInOrder(structure).map(cascadeName), 'pages'];
	const rules = [tokenRules(site), reset, orderRules(site), drawerRules(site)];
	const css = [
		`/* ${site.settings.name.text.replaceAll('*/', '* /')}: what every page has. */`,
		`@layer ${layers.join(', ')};`,
		// CSS View Transitions 2, section 2.3: pages that share a region keep it standing.
		'@view-transition {\n  navigation: auto;\n}',
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
}

/* Each box keeps the margins of what is in it. */
.layer,
[data-region],
[data-wrapper],
[data-piece],
[data-opener] {
  display: flow-root;
}

[data-piece] > ul[role='list'],
[data-piece] > ul[role='list'] ul {
  margin: 0;
  padding: 0;
  list-style: none;
}`;

/** Who lies over whom, and how a shadow looks: written where some box needs it. */
function orderRules(site: Site): string {
	const used = settingKindsUsed(site);
	const lines = [
		...(used.has('overlap') ? ['--under: -1;'] : []),
		...(used.has('stick') || used.has('shrink') ? ['--stuck: 1;'] : []),
		...(used.has('shadow') ? ['--shadow: 0 2px 8px rgb(0 0 0 / 0.2);'] : [])
	];
	return [rule(':root', lines), used.has('shadow') ? shadowFrames : ''].join('\n\n').trim();
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
function drawerRules({ layouts }: Site): string {
	if (!layouts.some((layout) => layout.regions.some(isDrawer))) return '';
	return `[data-region][popover] {
  position: static;
  inset: auto;
  width: auto;
  height: auto;
  margin: 0;
  padding: 0;
  overflow: visible;
  border: 0;
  background: none;
  color: inherit;
}

[data-region][popover]:popover-open {
  background: Canvas;
}

[data-region][popover]::backdrop {
  background: rgb(0 0 0 / 0.3);
}`;
}

function tokenRules(site: Site): string {
	const { bands, tokens } = site.settings;
	const groups = [undefined, ...bands].map((band) => ({
		from: band?.from ?? 0,
		tokens: tokens.filter((token) => token.band?.text === band?.name.text)
	}));
	return groups
		.map(({ from, tokens: some }) => {
			const lines = some.map((token) => `${token.name.text}: ${token.value.text};`);
			const text = rule(':root', lines);
			return from === 0 ? text : group(bandQuery(from, undefined), [text]);
		})
		.filter((text) => text !== '')
		.join('\n\n');
}

/** The sheet of one layout: how its boxes lie in each band, and its own styles. */
export function layoutSheet(layout: Layout, site: Site, structure: Structure): StyleSheet {
	const { bands } = site.settings;
	const surroundings = surroundingsOf(
		structure.chainOf(layout),
		bands,
		edgesInside(layout, structure),
		overlappedIn(layout, structure)
	);
	const { boxes } = frameOf(layout, bands);
	const moving = layout.members
		.flatMap((member) => movingIn(member))
		.flatMap((member) => {
			const box = boxes.get(member.name.text);
			const selector = memberSelector(layout, member.kind, member.name.text);
			return box ? scrollingCss(selector, box, layout, surroundings) : [];
		});
	const rules = [
		spaceRule(layout, cascadeName(layout)),
		...bandedCss(
			[...frameRules(layout, surroundings), ...fillRules(layout, site, structure)],
			bands
		),
		...moving,
		...layout.styles.map((style) => styleCss(layerRoots(layout), layout, style, layout, bands)),
		...layout.regions.flatMap((region) => {
			const selector = memberSelector(layout, 'region', region.name.text);
			return region.styles.map((style) => styleCss(selector, layout, style, layout, bands));
		})
	];
	const css = [
		`/* The layout ${layout.name.text}, which stands at ${layout.at.text}. */`,
		group(`@layer ${cascadeName(layout)}`, rules) || `@layer ${cascadeName(layout)} {\n}`
	];
	return { path: `styles/layouts/${layout.name.text}.css`, css: css.join('\n') + '\n' };
}

function movingIn(member: Member): Member[] {
	return member.kind === 'region' ? [member] : [member, ...member.members.flatMap(movingIn)];
}

/** The sheet of a page: its pieces' settings and its own styles; undefined where it has neither. */
export function pageSheet(page: Page, site: Site, structure: Structure): StyleSheet | undefined {
	const { bands } = site.settings;
	const rules = [
		...bandedCss(
			[...contentRules(page, site, structure), ...fillRules(page, site, structure)],
			bands
		),
		...page.styles.map((style) => styleCss(layerRoots(page), page, style, undefined, bands))
	];
	const text = group('@layer pages', rules);
	if (text === '') return undefined;
	const css = [`/* The page ${layerName(page)}. */`, text];
	return { path: pageSheetPath(page), css: css.join('\n') + '\n' };
}

/** One path for each page, whatever its route: `$` marks parameters and stands in no fixed segment. */
function pageSheetPath(page: Page): string {
	const words = layerPattern(page).segments.map((segment) => {
		return segment.kind === 'fixed'
			? segment.name
			: `$${segment.kind === 'rest' ? '' : segment.name}`;
	});
	const folder = page.kind === 'route' ? 'pages' : page.state.text;
	return words.length > 0 ? `styles/${folder}/${words.join('/')}.css` : `styles/${folder}.css`;
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
	if (!layout || !box) {
		const surroundings = surroundingsOf([], bands);
		return pieces.map((piece) => barePieceRule(piece, page, surroundings));
	}
	const surroundings = surroundingsOf(chain.slice(0, -1), bands);
	return pieces.map((piece) => pieceRule(piece, page, { box, layout, surroundings }));
}

/** What a layer puts into regions of layouts further out. */
function fillRules(layer: Layer, site: Site, structure: Structure): BandedRule[] {
	const { bands } = site.settings;
	const chain = structure.chainOf(layer);
	return layer.fills.flatMap((fill) => {
		const target = fillTarget(fill, layer, chain);
		if (isProblem(target)) return [];
		const { layout, region } = target;
		const box = frameOf(layout, bands).boxes.get(region.name.text);
		if (!box) return [];
		const surroundings = surroundingsOf(chain.slice(0, chain.indexOf(layout)), bands);
		const inAreas = region.arrangements.some((one) => one.kind === 'areas');
		return fill.pieces
			.filter((piece) => piece.settings.length > 0 || inAreas)
			.map((piece) => pieceRule(piece, layer, { box, layout, surroundings }));
	});
}

/**
 * Where a layer's own style starts: at its root, and at the pieces it put into regions of layouts
 * further out.
 */
function layerRoots(layer: Layer): string {
	const own = layerSelector(layer);
	const root = rootSelector(layer);
	const pieces = `${own}[data-piece]:not(${root} *)`;
	if (layer.kind === 'layout' && layer.fills.length === 0) return root;
	return `${root}, ${pieces}`;
}

/**
 * CSS Cascade 6, section 2.5: a style reaches what its own layer wrote, and ends where another's
 * begins; a global one reaches everything. `measure` is the layout whose bands it means.
 */
function styleCss(
	root: string,
	layer: Layer,
	style: Style,
	measure: Layout | undefined,
	bands: Bands
): string {
	const marks = ['[data-layout]', '[data-route]', '[data-state]'];
	const others = marks.map((mark) => `${mark}:not(${layerSelector(layer)})`).join(', ');
	const scoped = style.global
		? style.css
		: `@scope (${root}) to (${others}) {\n${indent(style.css)}\n}`;
	const from = bands[bandPlace(bands, style.band)]?.from ?? 0;
	return from === 0 ? scoped : group(bandQuery(from, measure), [scoped]);
}
