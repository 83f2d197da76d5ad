import { layerName, layersOf } from '../../model/site.ts';
import { positionOf, type Span } from '../../model/span.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** A place of the text that uses something. */
export interface Use {
	/** The layer whose text it is in, or the site. */
	readonly owner: string;
	readonly file: string;
	readonly from: number;
	readonly line: number;
}

/** Places of the text with what they belong to, in the order of the text. */
export function usesAt({ site, reading }: ResolvedSite, places: readonly Span[]): Use[] {
	const layers = layersOf(site);
	return places.map((place) => {
		const { file, from } = place;
		const part = site.parts.find(
			({ span }) => span.file === file && span.from <= from && from < span.to
		);
		const owner = layers.find(
			({ span }) => span.file === file && span.from <= from && from < span.to
		);
		const { line } = positionOf(place, reading.files.texts);
		return {
			owner: owner ? layerName(owner) : part ? `part ${part.name.text}` : 'the site',
			file,
			from,
			line
		};
	});
}
