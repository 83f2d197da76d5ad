import { saidFor } from '../../edit/site/bands.ts';
import { findLayer } from '../../edit/find.ts';
import { layerName, layersOf, type Layer, type Layout, type Route } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { LayerRef, PagesChoice, SitePart } from '../../model/command.ts';
import { slotOf } from '../../resolve/structure.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { valueNow, boxView } from './box-view.ts';
import { usesAt, type Use } from '../material/uses.ts';

/** What a layer says of itself, as its panel shows it. Texts are as they are written in quotes. */
export interface LayerView {
	readonly ref: LayerRef;
	readonly title: string | undefined;
	readonly description: string | undefined;
	/** Who is let in by the layer itself; everyone where there is none. */
	readonly admits: readonly string[];
	/** All roles of the site. */
	readonly roles: readonly string[];
	readonly under: string | undefined;
	/** Of a route: which pages there are. */
	readonly pages: PagesChoice | undefined;
	/** Of a route: addresses of once that lead to it, as they are written. */
	readonly moved: readonly string[];
	/** It has a parameter, so that there may be several pages. */
	readonly isPattern: boolean;
	readonly layout: LayoutView | undefined;
	/** Where it is written. */
	readonly place: Use | undefined;
}

/** What only a layout says. */
export interface LayoutView {
	readonly at: string;
	readonly onRequest: boolean;
	/** It is a frame of its own markup: what is said of boxes has no meaning there. */
	readonly framed: boolean;
	readonly measure: Layout['measure'];
	readonly sheets: Layout['sheets'];
	/** Some layer names sheets of the site's own, or it says already what they do. */
	readonly hasSheets: boolean;
	readonly slot: string | undefined;
	/** The text of the link to its slot. */
	readonly skip: string | undefined;
	readonly regions: readonly string[];
	readonly wrappers: readonly string[];
	/** Layers that ask for it by name. */
	readonly asked: readonly string[];
}

/** What there is to say of a layer. Throws a CommandRefused where it is not there. */
export function layerView(resolved: ResolvedSite, ref: LayerRef): LayerView {
	const layer = findLayer(resolved, ref);
	const isState = layer.kind === 'state';
	return {
		ref,
		title: written(resolved, layer.title?.span),
		description: written(resolved, layer.description?.span),
		admits: isState ? [] : layer.admit.map((role) => role.text),
		roles: resolved.site.settings.roles.map((role) => role.text),
		under: underWord(layer),
		pages: layer.kind === 'route' ? pagesOf(layer) : undefined,
		moved: layer.kind === 'route' ? layer.moved.map(({ text }) => text) : [],
		isPattern: layer.kind === 'route' && /[:*]/.test(layer.pattern.text),
		layout: layer.kind === 'layout' ? layoutView(resolved, layer) : undefined,
		place: usesAt(resolved, [layer.span])[0]
	};
}

function written({ reading }: ResolvedSite, span: Span | undefined): string | undefined {
	if (!span) return undefined;
	const text = (reading.files.texts.get(span.file) ?? '').slice(span.from, span.to);
	return text.replace(/^"|"$/g, '').replaceAll('\\"', '"');
}

function underWord({ under }: Layer): string | undefined {
	if (under.kind === 'nearest') return undefined;
	return under.kind === 'none' ? 'none' : under.name.text;
}

function pagesOf({ pages }: Route): PagesChoice {
	if (pages.kind === 'samples') {
		return { kind: 'samples', values: pages.values.map((value) => value.text) };
	}
	if (pages.kind === 'each') {
		return { kind: 'each', data: pages.data.text, field: pages.field.text };
	}
	return { kind: 'one' };
}

function namesSheets({ site }: ResolvedSite): boolean {
	const documents = [site.settings, ...layersOf(site)].map(({ document }) => document);
	return documents.some(({ head }) => head.some(({ kind }) => kind === 'sheet'));
}

function layoutView(resolved: ResolvedSite, layout: Layout): LayoutView {
	const name = layout.name.text;
	const asked = layersOf(resolved.site).filter(
		({ under }) => under.kind === 'named' && under.name.text === name
	);
	const wrappers = (members: Layout['members']): string[] =>
		members.flatMap((one) =>
			one.kind === 'wrapper' ? [one.name.text, ...wrappers(one.members)] : []
		);
	const skip = valueNow(boxView(resolved, { layout: name, box: undefined }, 0), 'skip');
	return {
		at: layout.at.text,
		onRequest: layout.onRequest,
		framed: layout.frame !== undefined,
		measure: layout.measure,
		sheets: layout.sheets,
		hasSheets: layout.sheets === 'paint' || namesSheets(resolved),
		slot: slotOf(layout)?.name.text,
		skip: skip?.replace(/^"|"$/g, ''),
		regions: layout.regions.map((region) => region.name.text),
		wrappers: wrappers(layout.members),
		asked: asked.map(layerName)
	};
}

/** What a site says of itself. */
export interface SiteWordsView {
	readonly parts: Readonly<Record<SitePart, string>>;
	readonly bands: readonly {
		readonly name: string;
		/** px */
		readonly from: number;
		/** How much is said for it. */
		readonly said: number;
	}[];
	readonly roles: readonly { readonly name: string; readonly admittedBy: readonly string[] }[];
	/** The layouts, outermost first, with the patterns of titles and descriptions. */
	readonly patterns: readonly {
		readonly layout: string;
		readonly title: string | undefined;
		readonly description: string | undefined;
	}[];
}

/** What a site says of itself, for its panel. */
export function siteWordsView(resolved: ResolvedSite): SiteWordsView {
	const { settings, layouts, routes } = resolved.site;
	const { name, lang, dir, address = '', urls } = settings;
	return {
		parts: { name: name.text, lang, dir, address, urls },
		bands: settings.bands.map((band) => ({
			name: band.name.text,
			from: band.from,
			said: saidFor(resolved, band.name.text).length
		})),
		roles: settings.roles.map((role) => ({
			name: role.text,
			admittedBy: [...layouts, ...routes]
				.filter(({ admit }) => admit.some((one) => one.text === role.text))
				.map(layerName)
		})),
		patterns: layouts.map((layout) => ({
			layout: layout.name.text,
			title: written(resolved, layout.title?.span),
			description: written(resolved, layout.description?.span)
		}))
	};
}
