import { layerName, type FillKind, type Layer, type Layout, type Piece } from '../model/site.ts';
import type { Landed, ResolvedPage, ResolvedRegion, Step } from '../resolve/page.ts';
import { adjustWords, landingAdjusts } from '../resolve/adjust.ts';
import { slotOf, type Structure } from '../resolve/structure.ts';
import { leavesOf } from '../resolve/boxes/runs.ts';
import { writtenIn } from '../resolve/content/pieces.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { layoutMarks, markOf, type Mark } from './marks.ts';

/** A page cut through: what each layer brings to each region, and what lands. */
export interface CrossSection {
	readonly layers: readonly SectionLayer[];
	/** In reading order. Slots inside slots share one column. */
	readonly columns: readonly SectionColumn[];
}

export interface SectionLayer {
	readonly name: string;
	readonly kind: 'layout' | 'page';
	readonly layerKind: 'layout' | 'route' | 'state';
	readonly mark: Mark | undefined;
}

export interface SectionColumn {
	/** Regions of the column, outermost first; more than one where slots lie inside each other. */
	readonly regions: readonly SectionRegion[];
	/** One for each layer; without entries where the layer lets the region pass, or lies outside it. */
	readonly cells: readonly SectionCell[];
	/** What hangs between the rows. */
	readonly threads: readonly SectionThread[];
	/** Where a layer's content ends because a layer further in replaced or emptied it. */
	readonly caps: readonly SectionCap[];
	/** What the page shows there, by owner, in order. */
	readonly lands: readonly SectionLanding[];
}

export interface SectionRegion {
	readonly layout: string;
	readonly name: string;
	readonly element: string;
	readonly slot: boolean;
	readonly locked: boolean;
	readonly required: boolean;
	/** It is a place in a frame of own markup: its box is measured, and no setting is said of it. */
	readonly inFrame: boolean;
}

export interface SectionCell {
	readonly layer: number;
	readonly entries: readonly SectionEntry[];
	/** The words that the layer says of the region anew, for its own pages. */
	readonly adjusts: readonly string[];
}

export interface SectionEntry {
	readonly action: 'gave' | 'content' | FillKind;
	/** The region it is about, as a fill names it. */
	readonly layout: string;
	readonly region: string;
	readonly pieces: readonly string[];
	/** The roles that a fill is for; everyone where there is none. Undefined for what is no fill. */
	readonly fillFor: readonly string[] | undefined;
	/** For each piece, the roles that it is for; everyone where there is none. */
	readonly roles: readonly (readonly string[])[];
	/** In a few words, for the block. */
	readonly label: string;
}

/** `from` and `to` are layers; `to` is the number of layers where the thread reaches the landing row. */
export interface SectionThread {
	readonly from: number;
	readonly to: number;
	/** The layer whose content hangs here; undefined for a slot that is still open. */
	readonly owner: number | undefined;
}

export interface SectionCap {
	/** The layer that ends it. */
	readonly layer: number;
	/** The layer whose content ends. */
	readonly owner: number;
}

export interface SectionLanding {
	readonly layer: number;
	readonly pieces: readonly string[];
}

/** Cuts a page through its layers. */
export function crossSection(page: ResolvedPage, resolved: ResolvedSite): CrossSection {
	const marks = layoutMarks(resolved.structure);
	const layers: Layer[] = [...page.written, page.page];
	return {
		layers: layers.map((layer) => ({
			name: layerName(layer),
			kind: layer.kind === 'layout' ? 'layout' : 'page',
			layerKind: layer.kind,
			mark: markOf(layer, marks)
		})),
		columns:
			page.chain.length === 0
				? [bareColumn(page)]
				: inReadingOrder(page, layers, resolved.structure)
	};
}

/** A layout's regions before the slot, what lies in the slot, then the regions behind it. */
function inReadingOrder(
	page: ResolvedPage,
	layers: readonly Layer[],
	structure: Structure
): SectionColumn[] {
	const slots = page.regions.filter((one) => slotOf(one.layout) === one.region);
	const columnsFrom = (index: number): SectionColumn[] => {
		const layout = page.chain[index];
		if (!layout) return slots.length > 0 ? [makeColumn(slots, layers, page, structure)] : [];
		const regions = page.regions.filter((one) => one.layout === layout);
		const slotAt = regions.findIndex((one) => slots.includes(one));
		const single = (one: ResolvedRegion): SectionColumn =>
			makeColumn([one], layers, page, structure);
		const before = slotAt === -1 ? regions : regions.slice(0, slotAt);
		const after = slotAt === -1 ? [] : regions.slice(slotAt + 1);
		return [...before.map(single), ...columnsFrom(index + 1), ...after.map(single)];
	};
	return columnsFrom(0);
}

function makeColumn(
	regions: readonly ResolvedRegion[],
	layers: readonly Layer[],
	page: ResolvedPage,
	structure: Structure
): SectionColumn {
	const cells = layers.map((layer, index) => ({
		layer: index,
		// The region that stands in the layer comes before what the layer does to others.
		entries: regions
			.flatMap((one) => entriesOf(one, layer))
			.sort((a, b) => Number(b.action === 'gave') - Number(a.action === 'gave')),
		adjusts: landingAdjusts(layer, structure.chainOf(layer)).flatMap(({ adjust, layout, box }) => {
			const isHere = regions.some(
				(one) => one.layout.name.text === layout.name.text && one.region.name.text === box.name.text
			);
			return isHere ? adjustWords(adjust) : [];
		})
	}));
	return {
		regions: regions.map(sectionRegion),
		cells,
		...hang(cells, regions.length > 1 || regions[0]?.region.slot === true),
		lands: landings(regions[0], page, layers)
	};
}

function sectionRegion({ layout, region }: ResolvedRegion): SectionRegion {
	return {
		layout: layout.name.text,
		name: region.name.text,
		element: region.element.text,
		slot: region.slot,
		locked: region.locked,
		required: region.required,
		inFrame: region.inFrame !== undefined
	};
}

function entriesOf(resolved: ResolvedRegion, layer: Layer): SectionEntry[] {
	return resolved.steps.flatMap((step) => {
		if (step.layer !== layer || step.action === 'passed') return [];
		// An inner layout shows in the slot's column by its own slot.
		if (step.action === 'content' && layer.kind === 'layout') return [];
		const action = step.action === 'emptied' ? 'empty' : step.action;
		const entry: SectionEntry = {
			action,
			layout: resolved.layout.name.text,
			region: resolved.region.name.text,
			pieces: writtenIn(step.pieces).map((piece) => piece.name.text),
			fillFor: step.fill?.seenBy.map(({ text }) => text),
			roles: writtenIn(step.pieces).map((piece) => rolesFor(piece, step)),
			label: entryLabel(step, resolved)
		};
		return [entry];
	});
}

/** For whom a piece is, by its own word and that of the fill that brings it. */
function rolesFor({ seenBy }: Piece, { fill }: Step): string[] {
	const own = seenBy.map(({ text }) => text);
	const ofFill = fill?.seenBy.map(({ text }) => text) ?? [];
	if (own.length === 0) return ofFill;
	return ofFill.length === 0 ? own : own.filter((role) => ofFill.includes(role));
}

function entryLabel(step: Step, { region }: ResolvedRegion): string {
	const names = writtenIn(step.pieces)
		.map((piece) => piece.name.text)
		.join(', ');
	switch (step.action) {
		case 'gave':
			if (region.slot) return region.required ? 'slot, must be filled' : 'slot';
			if (names) return names;
			return region.required ? 'must be filled' : 'nothing';
		case 'content':
			return names;
		case 'emptied':
			return 'emptied';
		case 'before':
		case 'after':
		case 'instead':
			return `${step.action}: ${names}`;
		case 'passed':
			return '';
	}
}

/** Threads and caps of a column: content hangs from the layer that brought it until it ends. */
function hang(
	cells: readonly SectionCell[],
	isSlot: boolean
): { threads: SectionThread[]; caps: SectionCap[] } {
	const threads: SectionThread[] = [];
	const caps: SectionCap[] = [];
	let owner: number | undefined;
	let from: number | undefined;
	const hangTo = (to: number): void => {
		if (from !== undefined) threads.push({ from, to, owner });
	};
	for (const { layer, entries } of cells) {
		if (entries.length === 0) continue;
		const ends = entries.some((entry) => entry.action === 'instead' || entry.action === 'empty');
		const brings = entries.some((entry) => entry.pieces.length > 0);
		if (ends && owner !== undefined) caps.push({ layer, owner });
		else hangTo(layer);
		const opensSlot = isSlot && entries.every((entry) => entry.action === 'gave');
		if (opensSlot || !brings) {
			owner = undefined;
			from = opensSlot ? layer : undefined;
		} else {
			owner = layer;
			from = layer;
		}
	}
	if (owner !== undefined || isSlot) hangTo(cells.length);
	return { threads, caps };
}

/** What lands, neighbours of one owner together. Where an inner layout stands, what lands in its slot. */
function landings(
	outer: ResolvedRegion | undefined,
	page: ResolvedPage,
	layers: readonly Layer[]
): SectionLanding[] {
	const lands: { layer: number; pieces: string[] }[] = [];
	const add = (piece: Piece, owner: Layer): void => {
		const layer = layers.indexOf(owner);
		const last = lands.at(-1);
		if (last?.layer === layer) last.pieces.push(piece.name.text);
		else lands.push({ layer, pieces: [piece.name.text] });
	};
	const visit = (landed: readonly Landed[]): void => {
		for (const one of leavesOf(landed)) {
			if (one.kind === 'piece') add(one.piece, one.owner);
			else visit(slotOfPage(page, one.layout)?.landed ?? []);
		}
	};
	visit(outer?.landed ?? []);
	return lands;
}

function slotOfPage(page: ResolvedPage, layout: Layout): ResolvedRegion | undefined {
	return page.regions.find((one) => one.layout === layout && slotOf(layout) === one.region);
}

function bareColumn(page: ResolvedPage): SectionColumn {
	const pieces = page.bare.map((one) => one.piece.name.text);
	const entry: SectionEntry = {
		action: 'content',
		layout: '',
		region: '',
		pieces,
		fillFor: undefined,
		roles: page.bare.map(({ piece }) => piece.seenBy.map(({ text }) => text)),
		label: pieces.join(', ')
	};
	return {
		regions: [],
		cells: [{ layer: 0, entries: pieces.length > 0 ? [entry] : [], adjusts: [] }],
		threads: pieces.length > 0 ? [{ from: 0, to: 1, owner: 0 }] : [],
		caps: [],
		lands: pieces.length > 0 ? [{ layer: 0, pieces }] : []
	};
}
