import { Memory } from '../lib/memory.ts';
import { documentTexts, markupsOf, type DataSource, type Layer, type Page } from '../model/site.ts';
import type { Template, ValuePath } from '../model/template.ts';
import { partsUsed } from '../resolve/content/parts.ts';
import { piecesIn } from '../resolve/content/pieces.ts';
import type { ResolvedSite } from '../resolve/site.ts';

const inLayer = new Memory<Layer, ReadonlySet<string>>();

/** The sources whose values a page shows, or may show. */
export function sourcesOf(page: Page, { site, structure }: ResolvedSite): DataSource[] {
	if (site.data.length === 0) return [];
	const layers: Layer[] = [...structure.chainOf(page), page];
	const names = layers.map((layer) =>
		inLayer.get(layer, [site.parts], () => {
			const own = [layer.title, layer.description].filter((one) => one !== undefined);
			const markup = [...documentTexts(layer), ...piecesIn(layer).flatMap(markupsOf)];
			const parts = markup.flatMap((one) => partsUsed(one, site.parts).map((part) => part.markup));
			const each =
				layer.kind === 'route' && layer.pages.kind === 'each' ? [layer.pages.data.text] : [];
			const paths = [...own, ...markup, ...parts].flatMap(pathsIn).map(({ path }) => path);
			return new Set(
				[...paths, ...each.map((text) => text.split('.'))].flatMap(([root, name]) =>
					root === 'data' && name !== undefined ? [name] : []
				)
			);
		})
	);
	return site.data.filter(({ name }) => names.some((known) => known.has(name.text)));
}

/** Every path that a text names. */
function pathsIn({ parts }: Template): ValuePath[] {
	return parts.flatMap((part): ValuePath[] => {
		if (typeof part === 'string') return [];
		switch (part.kind) {
			case 'value':
				return [part];
			case 'for':
				return [part.list];
			case 'if':
				return part.tests.map(({ value }) => value);
			case 'use':
				return part.given.flatMap(({ value }) =>
					value.kind === 'path' ? [value.value] : pathsIn(value.template)
				);
			default:
				return [];
		}
	});
}

/**
 * How long a page may be kept (RFC 9111, section 5.2.2.1): as long as the values in it. Undefined where all
 * of them stay as they were delivered.
 */
export function freshOf(sources: readonly DataSource[]): string | undefined {
	// A notice reaches the server, not the copies that browsers keep: those have to ask.
	const ages = sources.flatMap(({ fresh }) =>
		fresh.kind === 'build' ? [] : [fresh.kind === 'for' ? fresh.seconds : 0]
	);
	return ages.length === 0 ? undefined : `max-age=${Math.min(...ages)}`;
}
