import { isTag, type AnyNode } from 'domhandler';
import { pageHead } from '../../emit/html/words.ts';
import {
	layerName,
	layerSpan,
	type Layer,
	type Page,
	type Part,
	type Piece
} from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import { markNames } from '../../model/trace.ts';
import { sheetRules } from '../../author-styles/sheet-rules.ts';
import { authorRules, type AuthorRule } from '../../author-styles/author-rules.ts';
import {
	attributeOf,
	outward,
	originTree,
	type Element,
	type OriginTree
} from '../../author-styles/page-tree.ts';
import { writtenElements } from '../../author-styles/written-elements.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { ResolvedPage } from '../../resolve/page.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import type { BoxPlace } from './occurrence.ts';

const quotes = '"""'.length;

/** Who wrote an element: a layer, and in it a piece; of an element of the frame the layer alone. */
export interface Owner {
	readonly layer: Layer;
	readonly piece: Piece | undefined;
}

/** One page as browsers get it: its elements, each with the way back to the text. */
export class WrittenPage {
	readonly tree: OriginTree;
	/** All in the page's body, in their order. */
	readonly elements: readonly Element[];
	readonly page: ResolvedPage;
	private rulesFound: readonly AuthorRule[] | undefined;
	private allFound: readonly AuthorRule[] | undefined;
	private headFound: { readonly title: string; readonly description: string } | undefined;
	private readonly pieces = new Map<Layer, ReadonlyMap<string, Piece>>();
	private readonly owners = new Map<Element, Owner | undefined>();

	constructor(
		readonly instance: PageInstance,
		readonly resolved: ResolvedSite,
		readonly year: number
	) {
		this.tree = originTree(instance, resolved, year);
		this.page = resolved.page(instance.page);
		const elements: Element[] = [];
		collect(this.tree.document.children, elements);
		const body = elements.findIndex(({ name }) => name === 'body');
		this.elements = elements.slice(body);
	}

	get declared(): Page {
		return this.instance.page;
	}

	get name(): string {
		return layerName(this.declared);
	}

	/** Its title and description, by the patterns of its layouts. */
	get head(): { readonly title: string; readonly description: string } {
		return (this.headFound ??= pageHead(this.instance, this.resolved, this.year));
	}

	/** Rules of authors that may hold on it, those in sheets of the site's own among them. */
	get allRules(): readonly AuthorRule[] {
		return (this.allFound ??= [...this.rules, ...sheetRules(this.declared, this.resolved)]);
	}

	/** Rules in styles of layers and parts that may hold on it. */
	get rules(): readonly AuthorRule[] {
		return (this.rulesFound ??= authorRules(this.instance, this.resolved));
	}

	named(...names: readonly string[]): Element[] {
		return this.elements.filter(({ name }) => names.includes(name));
	}

	/** Who wrote an element; undefined for the body of a page without layouts. */
	ownerOf(element: Element): Owner | undefined {
		if (this.owners.has(element)) return this.owners.get(element);
		const owner = this.findOwner(element);
		this.owners.set(element, owner);
		return owner;
	}

	private findOwner(element: Element): Owner | undefined {
		for (const around of outward(element)) {
			const layer = this.layerIn(around);
			if (!layer) continue;
			const name = attributeOf(around, 'data-piece') ?? attributeOf(around, 'data-group');
			const piece = name === undefined ? undefined : this.pieceIn(layer, name);
			return { layer, piece };
		}
		return undefined;
	}

	private pieceIn(layer: Layer, name: string): Piece | undefined {
		let pieces = this.pieces.get(layer);
		if (!pieces) {
			pieces = new Map(piecesIn(layer).map((piece) => [piece.name.text, piece]));
			this.pieces.set(layer, pieces);
		}
		return pieces.get(name);
	}

	private layerIn({ attribs }: Element): Layer | undefined {
		const { 'data-layout': layout, 'data-space': space } = attribs;
		const name = layout ?? space;
		if (name !== undefined) return this.page.written.find((one) => one.name.text === name);
		return attribs['data-route'] !== undefined || attribs['data-state'] !== undefined
			? this.declared
			: undefined;
	}

	/** The region that an element stands in. */
	boxOf(element: Element): BoxPlace | undefined {
		for (const { attribs } of outward(element)) {
			const { 'data-layout': layout, 'data-region': region } = attribs;
			const isContent = attribs['data-piece'] !== undefined || attribs['data-group'] !== undefined;
			if (layout !== undefined && !isContent) return { layout, region };
		}
		return undefined;
	}

	/** The part that wrote an element. */
	partOf(element: Element): Part | undefined {
		const origin = this.originOf(element);
		return origin && this.resolved.site.parts.find(({ markup }) => holds(markup.span, origin));
	}

	/** Where the tag of an element is written; of one that no markup has, such as a `tbody`, that of what it stands in. */
	private originOf(element: Element): Span | undefined {
		for (const around of outward(element)) {
			const origin = this.tree.origins.get(around);
			if (origin) return origin;
			if (attributeOf(around, 'data-piece') !== undefined) return undefined;
		}
		return undefined;
	}

	/**
	 * Where an element is written: its tag in the markup of the piece or part it comes from; the name of the piece or
	 * layer where it is in no markup.
	 */
	placeOf(element: Element): Span {
		const owner = this.ownerOf(element);
		if (!owner) return layerSpan(this.declared);
		const { layer, piece } = owner;
		if (!piece) return this.frameSpan(element, layer);
		return this.originOf(element) ?? piece.name.span;
	}

	/** Where an attribute of an element is written, with its name; undefined where a value in braces gives it, or no markup has it. */
	attributePlace(element: Element, name: string): Span | undefined {
		const origin = this.tree.origins.get(element);
		const around = origin && this.markupAround(origin);
		if (!origin || !around) return undefined;
		const { text, lead } = this.textOf(around);
		const tag = writtenElements(text).find((one) => one.tag.from === origin.from - lead);
		const found = tag?.attributes.get(name);
		if (!found || found.value.includes('{')) return undefined;
		return { file: origin.file, from: lead + found.from, to: lead + found.to };
	}

	/** What stands between the quotes of some markup, and where in its file that begins. */
	textOf({ file, from, to }: Span): { readonly text: string; readonly lead: number } {
		const text = this.resolved.reading.files.texts.get(file) ?? '';
		const lead = from + quotes;
		return { text: text.slice(lead, to - quotes), lead };
	}

	/** The markup that a place stands in: of a piece, of what stands in for it, or of a part. */
	private markupAround(place: Span): Span | undefined {
		const { site } = this.resolved;
		const pieces = [this.declared, ...this.page.chain].flatMap((layer) => piecesIn(layer));
		const all = [
			...pieces.flatMap((piece) =>
				piece.kind === 'markup' ? [piece.markup, ...Object.values(piece.standIns)] : []
			),
			...site.parts.map(({ markup }) => markup)
		];
		return all.find(({ span }) => holds(span, place))?.span;
	}

	private frameSpan(element: Element, layer: Layer): Span {
		const region = attributeOf(element, 'data-region') ?? this.boxOf(element)?.region;
		const said =
			layer.kind === 'layout' ? layer.regions.find(({ name }) => name.text === region) : undefined;
		return said?.name.span ?? layerSpan(layer);
	}
}

function collect(nodes: readonly AnyNode[], into: Element[]): void {
	for (const node of nodes) {
		if (!isTag(node)) continue;
		into.push(node);
		collect(node.children, into);
	}
}

function holds(around: Span, { file, from, to }: Span): boolean {
	return around.file === file && around.from <= from && to <= around.to;
}

/** Classes and ids of an element but for those that only marks have. */
export function classesOf(element: Element): string[] {
	return (attributeOf(element, 'class') ?? '').split(/\s+/).filter((word) => word !== '');
}

/** The text in an element, with the alternatives of pictures. */
export function textIn(node: AnyNode): string {
	if (node.type === 'text') return node.data;
	if (!isTag(node)) return '';
	if (node.name === 'img') return attributeOf(node, 'alt') ?? '';
	return node.children.map(textIn).join('');
}

/** Whether an element is a box of the frame: it carries a mark, and is no piece. */
export function isFrame({ attribs }: Element): boolean {
	return (
		attribs['data-piece'] === undefined &&
		markNames.some((name) => attribs[`data-${name}`] !== undefined)
	);
}
