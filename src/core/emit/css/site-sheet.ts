import { liesUnderIn, settingKindsUsed } from '../../box-styles/used.ts';
import { layersOf, pagesOf, type Site, type SiteSettings, type Token } from '../../model/site.ts';
import { isDrawer } from '../../resolve/boxes/drawers.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { layoutsInOrder, type Structure } from '../../resolve/structure.ts';
import {
	apartClass,
	classNames,
	closerClass,
	drawerClass,
	listClass,
	pageClass,
	skipClass
} from '../names.ts';
import { bandQuery } from './boxes/banded.ts';
import { group, rule } from './css-text.ts';
import { hasStyle, partLayer } from './author/part-styles.ts';
import { whereMotion } from './boxes/scrolling.ts';
import { cascadeName } from './selectors.ts';
import type { StyleSheet } from './style-sheet.ts';

/** Where the sheet is that every page has. */
export const siteSheetPath = 'styles/site.css';

/** Where the sheet is that pages whose outermost frame own sheets were written for have in its place. */
export const baseSheetPath = 'styles/base.css';

/** What such a page needs besides its own sheets: the order of the layers and the tokens. Nothing is reset. */
export function baseSheet(site: Site, structure: Structure): StyleSheet {
	// One whose boxes sheets only paint says it of those alone.
	const roots = site.layouts.filter(({ frame, sheets }) => !frame && sheets !== 'paint');
	const names = classNames(site);
	const boxes = roots.map((layout) => `.${names.layout(layout)}`);
	// What is computed of boxes takes their padding as a part of them.
	const sizing = boxes.flatMap((root) => [root, `${root} *`]);
	const rules = [
		...rootRules(site),
		sizing.length > 0 ? rule(`:where(${sizing.join(', ')})`, ['box-sizing: border-box;']) : '',
		...commonRules(site, structure)
	];
	const css = [
		`/* ${titleOf(site)}: what pages have that sheets of the site's own were written for. */`,
		layerOrder(site, structure),
		group('@layer site', rules)
	];
	return { path: baseSheetPath, css: css.join('\n\n') + '\n' };
}

function titleOf({ settings }: Site): string {
	return settings.name.text.replaceAll('*/', '* /');
}

/** The layers of the cascade, outer ones first. */
function layerOrder(site: Site, structure: Structure): string {
	const nearest = site.parts.some(hasStyle) ? [partLayer] : [];
	const layers = ['site', ...layoutsInOrder(structure).map(cascadeName), 'pages', ...nearest];
	return `@layer ${layers.join(', ')};`;
}

/** The sheet that every page has: the order of the layers, the reset, and the site's tokens. */
export function siteSheet(site: Site, structure: Structure): StyleSheet {
	const rules = [...rootRules(site), reset, ...commonRules(site, structure)];
	const css = [
		`/* ${titleOf(site)}: what every page has. */`,
		layerOrder(site, structure),
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
	const hasDrawer = layersOf(site).some((layer) =>
		[...(layer.kind === 'layout' ? layer.regions : []), ...layer.adjusts].some(isDrawer)
	);
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
		hasDrawer ? drawerRules : '',
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
function orderLines(site: Site): string[] {
	const used = settingKindsUsed(site);
	return [
		...(layersOf(site).some(liesUnderIn) ? ['--under: -1;'] : []),
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

/**
 * HTML, section 15.3.1 makes a popover a floating card; in place it is a box like any other. What a drawer's own
 * layout says of it wins, but a button that closes what is not open is never there, whatever is said of buttons.
 */
const drawerRules = `.${drawerClass} {
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

.${drawerClass}:popover-open {
  background: Canvas;
}

.${drawerClass}::backdrop {
  background: rgb(0 0 0 / 0.3);
}

.${closerClass} {
  position: absolute;
  inset-block-start: 0;
  inset-inline-end: 0;
  z-index: 1;
}

:not(:popover-open) > .${closerClass} {
  display: none !important;
}

@media print {
  .${closerClass} {
    display: none !important;
  }
}`;

/** The site's tokens, with what all boxes refer to. */
function rootRules(site: Site): string[] {
	const used = settingKindsUsed(site);
	const all = [
		...tokenRules(site.settings, orderLines(site)),
		used.has('shadow') ? shadowFrames : ''
	];
	return all.filter((text) => text !== '');
}

/** The tokens alone, as a sheet of custom properties: by bands, and by night where the visitor's system says so. */
export function tokenSheet(settings: SiteSettings): string {
	const rules = tokenRules(settings, []).filter((text) => text !== '');
	return rules.length === 0 ? '' : `${rules.join('\n\n')}\n`;
}

/** The rules of tokens, a band each, then those of the night; `others` stand beside those of the narrowest. */
function tokenRules({ bands, tokens, night }: SiteSettings, others: readonly string[]): string[] {
	const valueLine = ({ name, value }: Token): string => `${name.text}: ${value.text};`;
	const rules = [undefined, ...bands].map((band) => {
		const some = tokens.filter((token) => token.band?.text === band?.name.text);
		const lines = some.map(valueLine);
		// What browsers draw by themselves follows too.
		const scheme = night.length > 0 ? ['color-scheme: light dark;'] : [];
		const text = rule(':root', band ? lines : [...scheme, ...lines, ...others]);
		const from = band?.from ?? 0;
		return from === 0 ? text : group(bandQuery(from, undefined), [text]);
	});
	const byNight = group('@media (prefers-color-scheme: dark)', [
		rule(':root', night.map(valueLine))
	]);
	return [...rules, byNight];
}
