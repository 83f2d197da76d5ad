import type {
	CrossSection,
	SectionColumn,
	SectionEntry,
	SectionRegion
} from '$core/view-models/cross-section.ts';
import { type Trace } from '$core/model/trace.ts';
import {
	isPieceRef,
	type BoxRef,
	type HolderRef,
	type LayerRef,
	type PieceRef,
	type RegionRef,
	type SizedRef
} from '$core/model/command.ts';
import { panes } from '$store/ways/panes.svelte.ts';

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

/** What the inspector speaks of. */
export type Subject =
	/** The block of the cross-section that is chosen. */
	| { readonly kind: 'place' }
	| { readonly kind: 'piece'; readonly piece: PieceRef }
	/** A wrapper, or a layout as a box. */
	| { readonly kind: 'box'; readonly box: BoxRef }
	| { readonly kind: 'layer'; readonly layer: LayerRef }
	/** Several pages, to be changed together. */
	| { readonly kind: 'pages'; readonly pages: readonly LayerRef[] }
	| { readonly kind: 'site' };

/** What is chosen in Plan. */
class Choice {
	place = $state.raw<CellPlace>({ layer: 0, column: 0 });
	subject = $state.raw<Subject>({ kind: 'place' });
	/** Boxes and pieces that are chosen beside the first, to be changed together. */
	also = $state.raw<readonly SizedRef[]>([]);
	/** What is chosen in the markup of the piece, by its place there; `part`: in that of a part which the piece shows. */
	node = $state.raw<{ readonly part: string | undefined; readonly at: number } | undefined>();
	/** A region, piece or block that is to be gone to once it is on the page. */
	wanted = $state.raw<Trace | undefined>();
	/** A box that the stage is to scroll to, as soon as the page has it. */
	sought = $state.raw<Trace | undefined>();
	/** What stands in the pane below the inspector. */
	textPane = $state<'source' | 'pieces'>('source');

	pick(place: CellPlace): void {
		this.place = place;
		this.choose({ kind: 'place' });
	}

	pickPiece(piece: PieceRef): void {
		this.choose({ kind: 'piece', piece });
	}

	/** Nothing is chosen beside it or in it then. */
	private choose(subject: Subject): void {
		this.subject = subject;
		this.also = [];
		this.node = undefined;
		this.sought = undefined;
	}

	/** Chooses several pieces of one place. */
	pickPieces([first, ...others]: readonly PieceRef[]): void {
		if (!first) return;
		this.pickPiece(first);
		this.also = others;
	}

	/** Lets something be chosen beside what is chosen, or no longer. */
	toggle(ref: SizedRef): void {
		const word = JSON.stringify(ref);
		const without = this.also.filter((one) => JSON.stringify(one) !== word);
		this.also = without.length < this.also.length ? without : [...this.also, ref];
	}

	/** The pieces that are chosen together with one, itself among them, in the order of choice; it alone where it is not chosen. */
	togetherWith({ holder, piece }: PieceRef): string[] {
		const { subject } = this;
		const first = subject.kind === 'piece' ? [subject.piece] : [];
		const here = JSON.stringify(holder);
		const chosen = [...first, ...this.also.filter((ref): ref is PieceRef => isPieceRef(ref))]
			.filter((ref) => JSON.stringify(ref.holder) === here)
			.map((ref) => ref.piece);
		return chosen.includes(piece) ? chosen : [piece];
	}

	pickLayer(layer: LayerRef): void {
		this.choose({ kind: 'layer', layer });
	}

	/** Chooses several pages; a single one as any layer, and none leaves what is chosen. */
	pickPages(pages: readonly LayerRef[]): void {
		const [first] = pages;
		if (first && pages.length === 1) this.pickLayer(first);
		else if (first) this.choose({ kind: 'pages', pages });
	}

	/** The pages that are chosen together. */
	get pages(): readonly LayerRef[] {
		return this.subject.kind === 'pages' ? this.subject.pages : [];
	}

	pickBox(box: BoxRef): void {
		this.choose({ kind: 'box', box });
	}

	pickSite(): void {
		this.choose({ kind: 'site' });
	}

	/** Regions and wrappers of a layout that are chosen beside the first. */
	alsoIn(layout: string): string[] {
		return this.also.flatMap((ref) =>
			!isPieceRef(ref) && ref.layout === layout && !ref.only && ref.box !== undefined
				? [ref.box]
				: []
		);
	}

	/** Opens the markup of the chosen pieces below the inspector. */
	editPieces(): void {
		this.textPane = 'pieces';
		panes.fold('text', false);
	}
}

export const choice = new Choice();

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
	const isBare = column.regions.length === 0 && layer.kind === 'page';
	if (!region && !content && !isBare) return undefined;
	const fill = entries.find((entry) => entry.action !== 'content' && entry.action !== 'gave');
	const entry = own ? entries.find((one) => one.action === 'gave') : (content ?? fill);
	const regionRef: RegionRef | undefined = region && { layout: region.layout, region: region.name };
	const ofPage: HolderRef = { layer: ref, region: undefined };
	const filled = regionRef && { layer: ref, region: regionRef };
	const holder = isBare || (entry && entry === content) ? ofPage : entry && filled;
	return { place, layer: ref, region, isOwn: own !== undefined, entry, holder };
}

/** Where a new piece of a block would be written, whether the layer has any there or not. */
export function holderOf({ layer, region, holder }: CellFacts): HolderRef | undefined {
	if (holder) return holder;
	return region && { layer, region: { layout: region.layout, region: region.name } };
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

/** The block that brought a box of the page; undefined where there is none on it. */
export function placeOf({ layers, columns }: CrossSection, trace: Trace): CellPlace | undefined {
	const layer = layers.findIndex((one) => one.name === trace.layer && one.layerKind === trace.kind);
	const { piece, region, kind } = trace;
	const column = columns.findIndex((one) =>
		piece === undefined && region === undefined && kind !== 'layout'
			? // Around all that a page brings stands a box without a name.
				one.cells[layer]?.entries.some(({ action }) => action === 'content')
			: piece === undefined
				? one.regions.some((own) => own.layout === trace.layer && own.name === region)
				: one.cells[layer]?.entries.some((entry) => entry.pieces.includes(piece))
	);
	return layer === -1 || column === -1 ? undefined : { layer, column };
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
