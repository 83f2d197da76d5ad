import type {
	CrossSection,
	SectionColumn,
	SectionEntry,
	SectionRegion
} from '$core/drawing/cross-section.ts';
import { type Trace } from '$core/model/trace.ts';
import type { HolderRef, LayerRef, RegionRef } from '$core/model/wish.ts';

/** A block of the cross-section: a layer and a column. */
export interface CellPlace {
	readonly layer: number;
	readonly column: number;
}

/** Everything that can be said and done about one block of the cross-section. */
export interface CellFacts {
	readonly place: CellPlace;
	readonly layer: LayerRef;
	/** The region that the layer's own pieces stand in, or that its fill means. */
	readonly region: SectionRegion | undefined;
	/** The region stands in this very layer. */
	readonly isOwn: boolean;
	/** What the layer does there; undefined where it lets the region pass. */
	readonly entry: SectionEntry | undefined;
	/** Where its pieces are written; undefined where it has none. */
	readonly holder: HolderRef | undefined;
}

/** What is chosen in Plan, and whether the piece editor is open. */
class Selection {
	place = $state.raw<CellPlace>({ layer: 0, column: 0 });
	editing = $state(false);
}

export const selection = new Selection();

/** What a block of the cross-section is; undefined where the region lies further in than the layer. */
export function cellFacts(section: CrossSection, place: CellPlace): CellFacts | undefined {
	const column = section.columns[place.column];
	const layer = section.layers[place.layer];
	if (!column || !layer) return undefined;
	const entries = column.cells[place.layer]?.entries ?? [];
	const ref: LayerRef = { kind: layer.layerKind, name: layer.name };
	const content = entries.find((entry) => entry.action === 'content');
	const own = column.regions.find(
		(region) => region.layout === layer.name && layer.kind === 'layout'
	);
	const region = own ?? nearestRegion(section, column, place.layer);
	if (!region && !content) return undefined;
	const fill = entries.find((entry) => entry.action !== 'content' && entry.action !== 'gave');
	const entry = own ? entries.find((one) => one.action === 'gave') : (content ?? fill);
	const regionRef: RegionRef | undefined = region && { layout: region.layout, region: region.name };
	const holder = !entry
		? undefined
		: entry === content
			? { layer: ref, region: undefined }
			: regionRef && { layer: ref, region: regionRef };
	return { place, layer: ref, region, isOwn: own !== undefined, entry, holder };
}

/** The box of the page that a block stands for: the region itself, or what the layer put there. */
export function traceOf({ layer, region, isOwn, entry }: CellFacts): Trace {
	return {
		kind: layer.kind,
		layer: layer.name,
		region: isOwn ? region?.name : undefined,
		piece: isOwn ? undefined : entry?.pieces[0]
	};
}

/** The innermost region of a column that stands in a layer further out. */
function nearestRegion(
	section: CrossSection,
	column: SectionColumn,
	layer: number
): SectionRegion | undefined {
	return column.regions.findLast((region) => {
		const at = section.layers.findIndex(
			(one) => one.kind === 'layout' && one.name === region.layout
		);
		return at !== -1 && at < layer;
	});
}
