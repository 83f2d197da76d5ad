import { sameTrace, type Trace } from '../../model/trace.ts';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import {
	layerName,
	type Layer,
	type Piece,
	type Region,
	layersOf,
	withInner
} from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { Span } from '../../model/span.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { TracedPage } from './marks.ts';

/** What the text at an offset is about; undefined where it makes nothing that is seen on a page. */
export function traceSource(
	resolved: ResolvedSite,
	file: string,
	offset: number
): Trace | undefined {
	const holds = ({ span }: { span: Span }): boolean =>
		span.file === file && span.from <= offset && offset <= span.to;
	const layer = layersOf(resolved.site).find(holds);
	if (!layer) return undefined;
	const trace = { kind: layer.kind, layer: layerName(layer), region: undefined, piece: undefined };
	const region = layer.kind === 'layout' ? layer.regions.find(holds) : undefined;
	const fill = layer.fills.find(holds);
	const pieces = region?.pieces ?? fill?.pieces ?? (layer.kind === 'layout' ? [] : layer.pieces);
	// Of a group and a piece in it, the piece is meant.
	const piece = withInner(pieces).findLast(holds);
	if (piece) return { ...trace, piece: piece.name.text };
	if (region) return { ...trace, region: region.name.text };
	const first = fill?.pieces[0];
	return first ? { ...trace, piece: first.name.text } : trace;
}

/** The text that made a box. */
export function sourceOf(resolved: ResolvedSite, trace: Trace): Span | undefined {
	const layer = layersOf(resolved.site).find(
		(one) => one.kind === trace.kind && layerName(one) === trace.layer
	);
	if (!layer) return undefined;
	if (trace.piece !== undefined) return findPiece(layer, trace)?.span ?? layer.span;
	return findRegion(layer, trace.region)?.span ?? layer.span;
}

function findRegion(layer: Layer, name: string | undefined): Region | undefined {
	return layer.kind === 'layout'
		? layer.regions.find((region) => region.name.text === name)
		: undefined;
}

function findPiece(layer: Layer, trace: Trace): Piece | undefined {
	const region = findRegion(layer, trace.region);
	const pieces = [...withInner(region?.pieces ?? []), ...piecesIn(layer)];
	return pieces.find((piece) => piece.name.text === trace.piece);
}

/** The innermost box of delivered HTML around an offset. */
export function traceOutput(page: TracedPage, at: number): Trace | undefined {
	const offset = page.toMarked(at);
	let found: Trace | undefined;
	const visit = (node: Tree.ChildNode): void => {
		if (!('tagName' in node)) return;
		const place = node.sourceCodeLocation;
		if (!place || place.startOffset > offset || place.endOffset < offset) return;
		found = readTrace((name) => node.attrs.find((one) => one.name === name)?.value) ?? found;
		for (const child of node.childNodes) visit(child);
	};
	for (const child of parse(page.marked, { sourceCodeLocationInfo: true }).childNodes) visit(child);
	return found;
}

/** The stretch of delivered HTML that a trace stands for: of a piece without an element, all its parts. */
export function outputOf(page: TracedPage, trace: Trace): { from: number; to: number } | undefined {
	const visit = (node: Tree.ParentNode): { from: number; to: number } | undefined => {
		const own = node.childNodes.flatMap((child) => {
			if (!('tagName' in child) || !child.sourceCodeLocation) return [];
			const here = readTrace((name) => child.attrs.find((one) => one.name === name)?.value);
			return here && sameTrace(here, trace) ? [child.sourceCodeLocation] : [];
		});
		const [first, last] = [own[0], own.at(-1)];
		if (first && last) {
			return { from: page.fromMarked(first.startOffset), to: page.fromMarked(last.endOffset) };
		}
		for (const child of node.childNodes) {
			const found = 'tagName' in child ? visit(child) : undefined;
			if (found) return found;
		}
		return undefined;
	};
	return visit(parse(page.marked, { sourceCodeLocationInfo: true }));
}

/** Reads a trace from an element's attributes; undefined where the element carries none. */
export function readTrace(attribute: (name: string) => string | undefined): Trace | undefined {
	for (const kind of ['layout', 'route', 'state'] as const) {
		const layer = attribute(`data-${kind}`);
		if (layer === undefined) continue;
		return {
			kind,
			layer,
			region: attribute('data-region'),
			piece:
				attribute('data-piece') ??
				(attribute('data-whole') === undefined ? attribute('data-group') : undefined)
		};
	}
	return undefined;
}
