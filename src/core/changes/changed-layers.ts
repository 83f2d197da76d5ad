import { layerName, pagesOf, type Layer } from '../model/site.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** What reaches every page, and is said in no layer. */
const whole = 'the site itself';

/**
 * Through what two states of a page differ: layers of its chain whose text is another, that came or went, outermost first;
 * the site itself where none of them is (its tokens, bands, data or files).
 */
export function changedLayers(name: string, before: ResolvedSite, after: ResolvedSite): string[] {
	const [old, now] = [layersOf(name, before), layersOf(name, after)];
	const names = [...new Set([...old.keys(), ...now.keys()])];
	const changed = names.filter((one) => old.get(one) !== now.get(one));
	return changed.length > 0 ? changed : [whole];
}

/** The text of each layer of a page by its name, and where it stands in the chain. */
function layersOf(name: string, { site, structure, reading }: ResolvedSite): Map<string, string> {
	const page = pagesOf(site).find((one) => layerName(one) === name);
	const layers: readonly Layer[] = page ? [...structure.chainOf(page), page] : [];
	return new Map(
		layers.map((layer) => {
			const { file, from, to } = layer.span;
			return [layerName(layer), (reading.files.texts.get(file) ?? '').slice(from, to)];
		})
	);
}
