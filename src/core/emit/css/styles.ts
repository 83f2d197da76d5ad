import type { Layer, Layout, Page, Style } from '../../model/site.ts';
import type { Structure } from '../../resolve/structure.ts';
import { bandPlace } from '../../resolve/bands.ts';
import { bandQuery } from './banded.ts';
import { group, indent } from './css-text.ts';
import { layoutScopeStarts, pageScopeStarts, scopeLimits } from '../brought.ts';
import { classNames } from '../names.ts';
import { Selectors } from './selectors.ts';

/**
 * The styles that authors write. CSS Cascade 6, section 2.5: a style reaches what its own layer wrote,
 * and ends where what another layer brought begins; a global one reaches everything.
 */

/** A layout's own styles, and those of its regions inside the same scope. */
export function layoutStyles(layout: Layout, structure: Structure): string[] {
	const { site } = structure;
	const selectors = new Selectors(site);
	const said = [
		...layout.styles.map((style) => ({ style, region: undefined })),
		...layout.regions.flatMap((region) =>
			region.styles.map((style) => ({ style, region: selectors.member(layout, region.name.text) }))
		)
	];
	return scoped(said, layout, structure);
}

export function pageStyles(page: Page, structure: Structure): string[] {
	return scoped(
		page.styles.map((style) => ({ style, region: undefined })),
		page,
		structure
	);
}

interface Said {
	readonly style: Style;
	/** The selector of the region whose style it is. */
	readonly region: string | undefined;
}

/** Styles one after the other in one scope; a global one between them stands outside it, in its place. */
function scoped(said: readonly Said[], layer: Layer, structure: Structure): string[] {
	const { bands } = structure.site.settings;
	const measure = layer.kind === 'layout' ? layer : undefined;
	const head = scopeHead(layer, structure);
	const texts: string[] = [];
	let inside: string[] = [];
	const close = (): void => {
		if (inside.length > 0) texts.push(group(head, inside));
		inside = [];
	};
	for (const { style, region } of said) {
		const from = bands[bandPlace(bands, style.band)]?.from ?? 0;
		if (style.global) {
			close();
			texts.push(inBand(style.css, from, measure));
			continue;
		}
		const css = style.css.trim();
		const own = region === undefined ? css : `@scope (${region}) {\n${indent(css)}\n}`;
		inside.push(inBand(own, from, measure));
	}
	close();
	return texts;
}

function scopeHead(layer: Layer, structure: Structure): string {
	const names = classNames(structure.site);
	const starts =
		layer.kind === 'layout'
			? layoutScopeStarts(layer, names)
			: pageScopeStarts(layer, structure, names);
	const limits = scopeLimits(layer, structure, names);
	const end = limits.length === 0 ? '' : ` to (${limits.join(', ')})`;
	return `@scope (${starts.join(', ')})${end}`;
}

function inBand(css: string, from: number, measure: Layout | undefined): string {
	return from === 0 ? css : group(bandQuery(from, measure), [css]);
}
