import type { Layer, Layout, Page, Site, Style } from '../../model/site.ts';
import { bandPlace } from '../../resolve/bands.ts';
import { bandQuery } from './banded.ts';
import { group, indent } from './css-text.ts';
import { broughtClass, classNames, layerClass, pageClass } from '../names.ts';
import { Selectors } from './selectors.ts';

/**
 * The styles that authors write. CSS Cascade 6, section 2.5: a style reaches what its own layer wrote,
 * and ends where what another layer brought begins; a global one reaches everything.
 */

/** A layout's own styles, and those of its regions inside the same scope. */
export function layoutStyles(layout: Layout, site: Site): string[] {
	const selectors = new Selectors(site);
	const said = [
		...layout.styles.map((style) => ({ style, region: undefined })),
		...layout.regions.flatMap((region) =>
			region.styles.map((style) => ({ style, region: selectors.member(layout, region.name.text) }))
		)
	];
	const roots = [selectors.root(layout), ...broughtBy(layout, site)];
	return scoped(said, roots, layout, site);
}

export function pageStyles(page: Page, site: Site): string[] {
	const said = page.styles.map((style) => ({ style, region: undefined }));
	return scoped(said, [`.${pageClass}`, `.${classNames(site).brought(page)}`], undefined, site);
}

/** Whether a layer has styles that reach only what it wrote itself, so that pages must say what that is. */
export function hasScope(layer: Layer): boolean {
	const own = layer.kind === 'layout' ? layer.regions.flatMap((region) => region.styles) : [];
	return [...layer.styles, ...own].some((style) => !style.global);
}

interface Said {
	readonly style: Style;
	/** The selector of the region whose style it is. */
	readonly region: string | undefined;
}

/** Styles one after the other, with one scope around those that follow each other in one band. */
function scoped(
	said: readonly Said[],
	roots: readonly string[],
	measure: Layout | undefined,
	site: Site
): string[] {
	const { bands } = site.settings;
	const texts: string[] = [];
	let open: { readonly from: number; readonly inside: string[] } | undefined;
	const close = (): void => {
		if (!open) return;
		const scope = group(
			`@scope (${roots.join(', ')}) to (:scope :is(.${layerClass}, .${broughtClass}))`,
			open.inside
		);
		texts.push(inBand(scope, open.from, measure));
		open = undefined;
	};
	for (const { style, region } of said) {
		const from = bands[bandPlace(bands, style.band)]?.from ?? 0;
		if (style.global) {
			close();
			texts.push(inBand(style.css, from, measure));
			continue;
		}
		if (open?.from !== from) close();
		open ??= { from, inside: [] };
		const css = style.css.trim();
		open.inside.push(region === undefined ? css : `@scope (${region}) {\n${indent(css)}\n}`);
	}
	close();
	return texts;
}

function inBand(css: string, from: number, measure: Layout | undefined): string {
	return from === 0 ? css : group(bandQuery(from, measure), [css]);
}

/** Where else a layer's style starts: at what it put into regions of layouts further out. */
function broughtBy(layer: Layer, site: Site): string[] {
	return layer.fills.length === 0 ? [] : [`.${classNames(site).brought(layer)}`];
}
