import { layersOf, markupsOf, type Site } from '../../model/site.ts';
import type { Tag, Template } from '../../model/template.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';

/** Every text of a site that tags can stand in: of layers and of parts. */
function templatesOf(site: Site): Template[] {
	const ofLayers = layersOf(site).flatMap((layer) => [
		...(layer.title ? [layer.title] : []),
		...(layer.description ? [layer.description] : []),
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
