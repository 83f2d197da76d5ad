import { sameTrace, type Trace } from '../../model/trace.ts';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import {
	layerName,
	type Fill,
	type Layer,
	type Piece,
	type Region,
	layersOf
} from '../../model/site.ts';
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
	const piece = pieces.find(holds);
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
	const fills: readonly Fill[] = layer.fills;
	const elsewhere =
		layer.kind === 'layout' ? layer.regions.flatMap((one) => one.pieces) : layer.pieces;
	const pieces = [...(region?.pieces ?? []), ...elsewhere, ...fills.flatMap((fill) => fill.pieces)];
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

/** The stretch of delivered HTML that a trace stands for. */
export function outputOf(page: TracedPage, trace: Trace): { from: number; to: number } | undefined {
	let found: { from: number; to: number } | undefined;
	const visit = (node: Tree.ChildNode): void => {
		if (found || !('tagName' in node)) return;
		const place = node.sourceCodeLocation;
		const here = readTrace((name) => node.attrs.find((one) => one.name === name)?.value);
		if (place && here && sameTrace(here, trace)) {
			found = {
				from: page.fromMarked(place.startOffset),
				to: page.fromMarked(place.endOffset)
			};
			return;
		}
		for (const child of node.childNodes) visit(child);
	};
	for (const child of parse(page.marked, { sourceCodeLocationInfo: true }).childNodes) visit(child);
	return found;
}

/** Reads a trace from an element's attributes; undefined where the element carries none. */
export function readTrace(attribute: (name: string) => string | undefined): Trace | undefined {
	for (const kind of ['layout', 'route', 'state'] as const) {
		const layer = attribute(`data-${kind}`);
		if (layer === undefined) continue;
		return { kind, layer, region: attribute('data-region'), piece: attribute('data-piece') };
	}
	return undefined;
}
