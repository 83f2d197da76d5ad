import { documentTexts, layersOf, markupsOf, type Site } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { Tag, Template } from '../../model/template.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { Surgery } from '../surgery.ts';

/** Every text of a site that tags can stand in: of layers and of parts. */
export function templatesOf(site: Site): Template[] {
	const ofLayers = layersOf(site).flatMap((layer) => [
		...(layer.title ? [layer.title] : []),
		...(layer.description ? [layer.description] : []),
		...documentTexts(layer),
		...piecesIn(layer).flatMap(markupsOf)
	]);
	return [...ofLayers, ...site.parts.map(({ markup }) => markup)];
}

/** Every tag of a site, those in what parts are given too. */
export function tagsOf(site: Site): Tag[] {
	return templatesOf(site).flatMap(tagsIn);
}

/** The tags of a text, those in what parts are given too. */
export function tagsIn({ parts }: Template): Tag[] {
	return parts.flatMap((part) => {
		if (typeof part === 'string') return [];
		if (part.kind !== 'use') return [part];
		const inside = part.given.flatMap(({ value }) =>
			value.kind === 'text' ? tagsIn(value.template) : []
		);
		return [part, ...inside];
	});
}

/** The places in a tag where a path begins with a name. */
export function rootSpans(tag: Tag, name: string, surgery: Surgery): Span[] {
	if (tag.kind === 'use') {
		return tag.given.flatMap(({ value }) =>
			value.kind === 'path' && value.value.path[0] === name
				? [{ ...value.value.span, to: value.value.span.from + name.length }]
				: []
		);
	}
	if (tag.kind === 'if') {
		return tag.tests.flatMap(({ value: { path, span } }) =>
			path[0] === name ? [{ ...span, to: span.from + name.length }] : []
		);
	}
	const path = tag.kind === 'value' ? tag.path : tag.kind === 'for' ? tag.list.path : [];
	if (path[0] !== name) return [];
	const text = surgery.textOf(tag.span);
	const lead = tag.kind === 'for' ? /^\{\s*for\s+\S+\s+in\s+/ : /^\{\s*/;
	const from = tag.span.from + (lead.exec(text)?.[0].length ?? 0);
	return [{ ...tag.span, from, to: from + name.length }];
}
