import { documentTexts, layerName, layersOf } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { compileMarkup } from '../markup/compile.ts';
import { piecesIn } from './pieces.ts';
import type { ResolvedSite } from '../site.ts';

/** Markup that does something by itself where the page is open: script, and what moves every link. */
export interface ActiveMarkup {
	/** Such as `<script>` or `onclick`. */
	readonly what: string;
	/** Whose it is: a layer, or "part". */
	readonly layer: string;
	readonly piece: string;
	readonly span: Span;
}

/** All that an author wrote that runs script in a delivered page, or changes where its links lead. */
export function activeMarkup({ site }: ResolvedSite): ActiveMarkup[] {
	const ofParts = site.parts.flatMap(({ name, markup, span }) =>
		compileMarkup(markup, site.parts).active.map((what) => {
			return { what, layer: 'part', piece: name.text, span };
		})
	);
	const ofDocuments = layersOf(site).flatMap((layer) => {
		const layerIs = layerName(layer);
		const scripts = layer.document.head.flatMap(({ kind, span }) =>
			kind === 'script' ? [{ what: '<script>', layer: layerIs, piece: 'head', span }] : []
		);
		const markup = documentTexts(layer).flatMap((text) =>
			compileMarkup(text, site.parts).active.map((what) => {
				return { what, layer: layerIs, piece: 'frame', span: text.span };
			})
		);
		return [...scripts, ...markup];
	});
	const ofLayers = layersOf(site).flatMap((layer) =>
		piecesIn(layer).flatMap((piece) => {
			if (piece.kind !== 'markup') return [];
			const { name, span } = piece;
			return compileMarkup(piece.markup, site.parts).active.map((what) => {
				return { what, layer: layerName(layer), piece: name.text, span };
			});
		})
	);
	return [...ofLayers, ...ofDocuments, ...ofParts];
}
