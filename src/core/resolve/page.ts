import { type Fill, type Layer, type Layout, type Page, type Piece } from '../model/site.ts';
import { adjustedChain } from './adjust.ts';
import { broughtBy, seenOf } from './content/brought.ts';
import { landingFills, type LandingFill, type RegionOf } from './fill-target.ts';
import { isSeenBy } from './roles.ts';
import { slotOf, type Structure } from './structure.ts';

/** What one layer did to a region on the way to the page. */
export type StepAction =
	/** The region stands in this layout: what it brings by itself. */
	| 'gave'
	/** Says nothing about the region. */
	| 'passed'
	| 'before'
	| 'after'
	| 'instead'
	| 'emptied'
	/** The page's own content, or the inner layout, lands in this slot. */
	| 'content';

export interface Step {
	readonly layer: Layer;
	readonly action: StepAction;
	readonly pieces: readonly Piece[];
	readonly fill: Fill | undefined;
}

/** A piece that lands in a region, and the layer that brought it. */
export interface LandedPiece {
	readonly kind: 'piece';
	readonly piece: Piece;
	readonly owner: Layer;
}

/** The place in a slot where the inner layout stands. */
export interface LandedLayout {
	readonly kind: 'layout';
	readonly layout: Layout;
}

export type Landed = LandedPiece | LandedLayout;

export interface ResolvedRegion extends RegionOf {
	/** One for each layer of the page from the region's own layout inward. */
	readonly steps: readonly Step[];
	/** What the page shows in the region, in order. */
	readonly landed: readonly Landed[];
}

/** A page with everything that its layers made of it. */
export interface ResolvedPage {
	readonly page: Page;
	/** Outermost first, as the page has them: with what layers further in say of their boxes. Empty for a bare page. */
	readonly chain: readonly Layout[];
	/** The same as they are written; these are the layers that bring pieces. */
	readonly written: readonly Layout[];
	/** Region by region, the outermost layout's first, each layout's in the order it is written. */
	readonly regions: readonly ResolvedRegion[];
	/** The page's content where there is no slot to land in: a bare page. */
	readonly bare: readonly LandedPiece[];
}

/** Whether a layout around a page has a frame of own markup: then its boxes are measured, not computed. */
export function isFramed({ chain }: Pick<ResolvedPage, 'chain'>): boolean {
	return chain.some(({ frame }) => frame !== undefined);
}

/**
 * Works out what lands in each region of a page. Fills apply from the outermost layer inward.
 * A fill that may not be changes nothing; `checkPage` reports it. For a role, only what it sees is there.
 */
export function resolvePage(
	page: Page,
	structure: Structure,
	role: string | undefined
): ResolvedPage {
	const chain = structure.chainOf(page);
	const layers: Layer[] = [...chain, page];
	const commands = collectFills(layers, role);
	const seen = (pieces: readonly Piece[]): readonly Piece[] =>
		seenOf(pieces, role, (piece) => isSeenBy(piece, role));
	const regions = chain.flatMap((layout, index) =>
		layout.regions.map((region) => {
			const inward = layers.slice(index + 1);
			const isSlot = slotOf(layout) === region;
			const fills = commands.filter((command) => command.region === region);
			return isSlot
				? resolveSlot({ layout, region }, inward, fills, seen)
				: resolveRegion({ layout, region }, inward, fills, seen);
		})
	);
	const bare = chain.length === 0 ? own(seen(broughtBy(page)), page) : [];
	const resolved = { page, chain, written: chain, regions, bare };
	return withLayouts(resolved, adjustedChain(page, structure));
}

/** A page whose layouts are as it has them: with what layers further in say of their boxes. */
function withLayouts(resolved: ResolvedPage, chain: readonly Layout[]): ResolvedPage {
	const { written } = resolved;
	if (chain === written) return resolved;
	const now = (layout: Layout): Layout => chain[written.indexOf(layout)] ?? layout;
	const regions = resolved.regions.map((one): ResolvedRegion => {
		const layout = now(one.layout);
		const region = layout.regions[one.layout.regions.indexOf(one.region)] ?? one.region;
		const landed = one.landed.map((each) =>
			each.kind === 'layout' ? { ...each, layout: now(each.layout) } : each
		);
		return { ...one, layout, region, landed };
	});
	return { ...resolved, chain, regions };
}

/** Those of some pieces that the visitor sees. */
type Seen = (pieces: readonly Piece[]) => readonly Piece[];

interface Command extends LandingFill {
	readonly layer: Layer;
}

function collectFills(layers: readonly Layer[], role: string | undefined): Command[] {
	return layers.flatMap((layer, index) => {
		if (layer.fills.length === 0) return [];
		const chain = layers.slice(0, index).filter(isLayout);
		return landingFills(layer, chain)
			.filter(({ fill }) => isSeenBy(fill, role))
			.map((landing) => ({ ...landing, layer }));
	});
}

function resolveRegion(
	at: RegionOf,
	inward: readonly Layer[],
	commands: readonly Command[],
	seen: Seen
): ResolvedRegion {
	const given = seen(at.region.pieces);
	let landed: Landed[] = own(given, at.layout);
	const steps: Step[] = [gave(at, given)];
	for (const layer of inward) {
		const mine = commands.filter((command) => command.layer === layer);
		if (mine.length === 0) steps.push(passed(layer));
		for (const { fill } of mine) {
			const pieces = seen(broughtBy(fill));
			landed = applyFill(landed, fill, pieces, layer);
			steps.push(filled(layer, fill, pieces));
		}
	}
	return { ...at, steps, landed };
}

/** A slot shows its own pieces only when nothing comes; what comes can be added to, not replaced. */
function resolveSlot(
	at: RegionOf,
	inward: readonly Layer[],
	commands: readonly Command[],
	seen: Seen
): ResolvedRegion {
	const next = inward[0];
	const given = seen(at.region.pieces);
	const steps: Step[] = [gave(at, given)];
	let content: Landed[];
	if (next?.kind === 'layout') content = [{ kind: 'layout', layout: next }];
	else if (next && seen(broughtBy(next)).length > 0) content = own(seen(broughtBy(next)), next);
	else content = own(given, at.layout);
	let landed = content;
	for (const layer of inward) {
		const mine = commands.filter((command) => command.layer === layer);
		const brought = layer.kind === 'layout' ? [] : seen(broughtBy(layer));
		const bringsContent = layer === next && (layer.kind === 'layout' || brought.length > 0);
		if (bringsContent) {
			steps.push({ layer, action: 'content', pieces: brought, fill: undefined });
		} else if (mine.length === 0) {
			steps.push(passed(layer));
		}
		for (const { fill } of mine) {
			const pieces = seen(broughtBy(fill));
			landed = applyFill(landed, fill, pieces, layer);
			steps.push(filled(layer, fill, pieces));
		}
	}
	return { ...at, steps, landed };
}

function applyFill(
	landed: readonly Landed[],
	{ fillKind }: Fill,
	pieces: readonly Piece[],
	layer: Layer
): Landed[] {
	const added = own(pieces, layer);
	switch (fillKind) {
		case 'instead':
			return added;
		case 'before':
			return [...added, ...landed];
		case 'after':
			return [...landed, ...added];
		case 'empty':
			return [];
	}
}

function own(pieces: readonly Piece[], owner: Layer): LandedPiece[] {
	return pieces.map((piece) => ({ kind: 'piece', piece, owner }));
}

function gave({ layout }: RegionOf, pieces: readonly Piece[]): Step {
	return { layer: layout, action: 'gave', pieces, fill: undefined };
}

function passed(layer: Layer): Step {
	return { layer, action: 'passed', pieces: [], fill: undefined };
}

function filled(layer: Layer, fill: Fill, pieces: readonly Piece[]): Step {
	const action = fill.fillKind === 'empty' ? 'emptied' : fill.fillKind;
	return { layer, action, pieces, fill };
}

function isLayout(layer: Layer): layer is Layout {
	return layer.kind === 'layout';
}
