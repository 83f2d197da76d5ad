import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { layerName, layersOf, type Piece } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { ResolvedSite } from '../../resolve/site.ts';

/** An element of some markup, as it is written, with what can differ in it: texts and values of attributes. */
export interface Stretch {
	readonly owner: string;
	readonly piece: string;
	/** Its name; undefined for all of a piece that has several. */
	readonly element: string | undefined;
	readonly span: Span;
	readonly markup: string;
	/** Equal for elements that differ in texts and values only. */
	readonly shape: string;
	readonly slots: readonly Slot[];
	/** Where the element around it begins in its file; undefined for the outermost. */
	readonly within: number | undefined;
}

/** A text or value in an element, as it is written. */
export interface Slot {
	/** What it would be called: the name of the attribute, or of the element around the text. */
	readonly hint: string;
	readonly text: string;
	/** From the start of the element. */
	readonly from: number;
	readonly to: number;
}

/** Whether a stretch of text lies in another. */
export function isIn(inner: Span, outer: Span): boolean {
	return inner.file === outer.file && inner.from >= outer.from && inner.to <= outer.to;
}

/** Whether each list and condition that begins in some markup ends there, too. */
export function isWhole(markup: string): boolean {
	const opens = markup.match(/\{\s*(for|if)\b/g)?.length ?? 0;
	const ends = markup.match(/\{\s*end\s*\}/g)?.length ?? 0;
	return opens === ends;
}

/** Every element of every piece of the site, the outer before the inner. */
export function allStretches(resolved: ResolvedSite): Stretch[] {
	return layersOf(resolved.site).flatMap((layer) =>
		piecesIn(layer).flatMap((piece) => stretchesOf(resolved, layerName(layer), piece))
	);
}

/** Every element of one piece, likewise. */
export function stretchesOf({ reading }: ResolvedSite, owner: string, piece: Piece): Stretch[] {
	if (piece.kind !== 'markup') return [];
	const { span } = piece.markup;
	const text = reading.files.texts.get(span.file)?.slice(span.from + 3, span.to - 3) ?? '';
	const at = { file: span.file, from: span.from + 3, to: span.to - 3 };
	return stretchesIn(text, at, owner, piece.name.text);
}

function stretchesIn(text: string, at: Span, owner: string, piece: string): Stretch[] {
	const found: Stretch[] = [];
	const visit = (node: Tree.ChildNode, within: number | undefined): void => {
		if (!('tagName' in node)) return;
		const place = node.sourceCodeLocation;
		if (place) {
			const { startOffset: from, endOffset: to } = place;
			const markup = text.slice(from, to);
			const slots: Slot[] = [];
			const shape = shapeOf(node, text, from, slots);
			const span = { file: at.file, from: at.from + from, to: at.from + to };
			found.push({ owner, piece, element: node.tagName, span, markup, shape, slots, within });
		}
		const own = place ? at.from + place.startOffset : within;
		for (const child of node.childNodes) visit(child, own);
	};
	const { childNodes } = parseFragment(text, { sourceCodeLocationInfo: true });
	const roots = childNodes.filter((node) => !('value' in node) || node.value.trim() !== '');
	const whole = wholeOf(roots, text, at, { owner, piece });
	for (const node of childNodes) visit(node, undefined);
	// A piece of one element is that element.
	return roots.length > 1 && whole ? [whole, ...found] : found;
}

/** All of a piece, as one stretch. */
function wholeOf(
	roots: readonly Tree.ChildNode[],
	text: string,
	at: Span,
	whose: Pick<Stretch, 'owner' | 'piece'>
): Stretch | undefined {
	const [first, last] = [roots[0]?.sourceCodeLocation, roots.at(-1)?.sourceCodeLocation];
	if (!first || !last) return undefined;
	const lead = /^\s*/.exec(text.slice(first.startOffset))?.[0].length ?? 0;
	const from = first.startOffset + lead;
	const to = from + text.slice(from, last.endOffset).trimEnd().length;
	const slots: Slot[] = [];
	const shape = roots.map((node) => shapeOf(node, text, from, slots)).join('');
	const span = { file: at.file, from: at.from + from, to: at.from + to };
	return {
		...whose,
		element: undefined,
		span,
		markup: text.slice(from, to),
		shape,
		slots,
		within: undefined
	};
}

/** What an element is without its texts and values, which are collected on the way. */
function shapeOf(
	node: Tree.ChildNode,
	text: string,
	start: number,
	slots: Slot[],
	around = 'text'
): string {
	if (!('tagName' in node)) {
		if (node.nodeName !== '#text' || !('value' in node) || node.value.trim() === '') return '';
		const place = node.sourceCodeLocation;
		if (!place) return '';
		const written = text.slice(place.startOffset, place.endOffset);
		const lead = /^\s*/.exec(written)?.[0].length ?? 0;
		const end = written.trimEnd().length;
		slots.push({
			hint: around,
			text: written.slice(lead, end),
			from: place.startOffset + lead - start,
			to: place.startOffset + end - start
		});
		return 'text ';
	}
	const attributes = node.attrs.map(({ name }) => {
		const place = node.sourceCodeLocation?.attrs?.[name];
		const [, value] =
			/^[^=]*=\s*"([^]*)"$/.exec(place ? text.slice(place.startOffset, place.endOffset) : '') ?? [];
		if (place && value !== undefined) {
			const to = place.endOffset - 1;
			slots.push({ hint: name, text: value, from: to - value.length - start, to: to - start });
		}
		return name;
	});
	const inner = node.childNodes.map((child) =>
		shapeOf(child, text, start, slots, hintOf(node.tagName))
	);
	return `<${[node.tagName, ...attributes].join(' ')}>${inner.join('')}</>`;
}

/** What the text of an element is called where it is given. */
function hintOf(element: string): string {
	if (/^h[1-6]$/.test(element)) return 'title';
	return (
		{
			a: 'label',
			p: 'text',
			li: 'item',
			td: 'cell',
			th: 'head',
			dd: 'value',
			dt: 'term',
			button: 'label'
		}[element] ?? 'text'
	);
}
