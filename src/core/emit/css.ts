import type { Layer, Layout, Page, Region, Site, Style } from '../model/site.ts';
import { layerName, layerPattern } from '../model/site.ts';
import { layoutsInOrder, type Structure } from '../resolve/structure.ts';
import { escapeCssString } from './escape.ts';

/** A style sheet of a delivery. */
export interface StyleSheet {
	/** Path of the file, from the root of the delivery. */
	readonly path: string;
	readonly css: string;
}

/** The sheet that every page has: the order of the layers, the reset, and the site's tokens. */
export function siteSheet(site: Site, structure: Structure): StyleSheet {
	const layers = ['site', ...layoutsInOrder(structure).map((one) => layerCssName(one)), 'pages'];
	const rules = [
		`/* ${site.settings.name.text.replaceAll('*/', '')}: what every page has. */`,
		`@layer ${layers.join(', ')};`,
		'',
		// CSS View Transitions 2, section 2.3: pages that share a region keep it standing.
		'@view-transition {\n  navigation: auto;\n}',
		'',
		'@layer site {',
		indent(tokenRules(site)),
		indent(reset),
		'}'
	];
	return {
		path: 'styles/site.css',
		css: rules.filter((rule) => rule.trim() !== '').join('\n') + '\n'
	};
}

const reset = `*,
*::before,
*::after {
  box-sizing: border-box;
}

body {
  margin: 0;
}

[data-piece] > ul[role='list'],
[data-piece] > ul[role='list'] ul {
  margin: 0;
  padding: 0;
  list-style: none;
}`;

function tokenRules(site: Site): string {
	const { bands, tokens } = site.settings;
	const groups = [undefined, ...bands].map((band) => ({
		from: band?.from ?? 0,
		tokens: tokens.filter((token) => token.band?.text === band?.name.text)
	}));
	return groups
		.filter((group) => group.tokens.length > 0)
		.map((group) => {
			const lines = group.tokens.map((token) => `  ${token.name.text}: ${token.value.text};`);
			const rule = [':root {', ...lines, '}'].join('\n');
			return group.from === 0 ? rule : `@media (width >= ${group.from}px) {\n${indent(rule)}\n}`;
		})
		.join('\n\n');
}

/** The sheet of one layout: how its regions lie, and its own styles. */
export function layoutSheet(layout: Layout): StyleSheet {
	const rules = [
		layoutRule(layout),
		...layout.regions.map((region) => regionRule(layout, region)),
		...layout.styles.map((style) => scopedStyle(layerRoots(layout), layout, style)),
		...layout.regions.flatMap((region) =>
			region.styles.map((style) => scopedStyle(regionSelector(layout, region), layout, style))
		)
	].filter((rule) => rule !== '');
	const css = [
		`/* The layout ${layout.name.text}, which stands at ${layout.at.text}. */`,
		`@layer ${layerCssName(layout)} {`,
		indent(rules.join('\n\n')),
		'}'
	];
	return { path: `styles/layouts/${layout.name.text}.css`, css: css.join('\n') + '\n' };
}

/** The sheet of a page's own styles, or undefined where it has none. */
export function pageSheet(page: Page): StyleSheet | undefined {
	if (page.styles.length === 0) return undefined;
	const name = layerName(page);
	const rules = page.styles.map((style) => scopedStyle(layerRoots(page), page, style));
	const css = [`/* The page ${name}. */`, '@layer pages {', indent(rules.join('\n\n')), '}'];
	return { path: pageSheetPath(page), css: css.join('\n') + '\n' };
}

/** One path for each page, whatever its route: `$` marks parameters and stands in no fixed segment. */
function pageSheetPath(page: Page): string {
	const words = layerPattern(page).segments.map((segment) => {
		return segment.kind === 'fixed'
			? segment.text
			: `$${segment.kind === 'rest' ? '' : segment.name}`;
	});
	const folder = page.kind === 'route' ? 'pages' : page.state.text;
	return words.length > 0 ? `styles/${folder}/${words.join('/')}.css` : `styles/${folder}.css`;
}

function layerCssName(layout: Layout): string {
	return `layout-${layout.name.text}`;
}

/**
 * Where a layer's own style starts: at its root, and at the pieces it put into regions of layouts
 * further out.
 */
function layerRoots(layer: Layer): string {
	const own = layerSelector(layer);
	const pieces = `${own}[data-piece]:not(.layer${own} *)`;
	if (layer.kind === 'layout') {
		return layer.fills.length > 0 ? `.layer${own}, ${pieces}` : `.layer${own}`;
	}
	return `.layer${own}, ${pieces}`;
}

/** Selects everything that a layer wrote: its root, its regions and its pieces. */
function layerSelector(layer: Layer): string {
	switch (layer.kind) {
		case 'layout':
			return `[data-layout='${layer.name.text}']`;
		case 'route':
			return `[data-route='${escapeCssString(layer.pattern.text)}']`;
		case 'state':
			return `[data-state='${escapeCssString(layerName(layer))}']`;
	}
}

function regionSelector(layout: Layout, region: Region): string {
	return `${layerSelector(layout)}[data-region='${region.name.text}']`;
}

function layoutRule(layout: Layout): string {
	const { arrange } = layout;
	const lines: string[] = [];
	if (layout.fillsScreen) lines.push('min-height: 100dvh;');
	if (arrange?.kind === 'areas') {
		const areas = arrange.rows.map((row) => `  '${row.cells.join(' ')}'`);
		lines.push('display: grid;', `grid-template-areas:\n${areas.join('\n')};`);
		lines.push(`grid-template-rows: ${arrange.rows.map((row) => row.size).join(' ')};`);
		if (arrange.columns) lines.push(`grid-template-columns: ${arrange.columns.text};`);
	} else if (arrange?.kind === 'stack') {
		lines.push('display: flex;', 'flex-direction: column;');
	}
	if (arrange?.gap) lines.push(`gap: ${arrange.gap.text};`);
	return rule(`.layer${layerSelector(layout)}`, lines);
}

function regionRule(layout: Layout, region: Region): string {
	const { arrange } = layout;
	if (arrange?.kind !== 'areas') return '';
	const shown = arrange.rows.some((row) => row.cells.includes(region.name.text));
	const line = shown ? `grid-area: ${region.name.text};` : 'display: none;';
	return rule(regionSelector(layout, region), [line]);
}

/** CSS Cascade 6, section 2.5: the style reaches what its own layer wrote, and ends where another's begins. */
function scopedStyle(root: string, layer: Layer, style: Style): string {
	const marks = ['[data-layout]', '[data-route]', '[data-state]'];
	const others = marks.map((mark) => `${mark}:not(${layerSelector(layer)})`).join(', ');
	return `@scope (${root}) to (${others}) {\n${indent(style.css)}\n}`;
}

function rule(selector: string, lines: readonly string[]): string {
	if (lines.length === 0) return '';
	return `${selector} {\n${indent(lines.join('\n'))}\n}`;
}

function indent(text: string): string {
	return text.replace(/^(?=.)/gm, '  ');
}
