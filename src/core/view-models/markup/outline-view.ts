import type { WrittenPage } from '../../check/subject/written-page.ts';
import { CommandRefused } from '../../edit/proposal.ts';
import { layerName, layersOf, type Part, type Piece } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { outlineOf, type OutlineBlock, type OutlineNode } from '../../outline/outline.ts';
import { testsOf, testText, type GivenSaid } from '../../outline/tag-text.ts';
import { partBook } from '../../resolve/content/parts.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import { inScope, type InScope } from './in-scope.ts';

/** What stands in the markup of a piece or part, and which of it a page shows where. */
export interface OutlineView {
	readonly of: { readonly kind: 'piece' | 'part'; readonly name: string };
	readonly nodes: readonly NodeView[];
	/** The place in `nodes` of what was pointed at. */
	readonly at: number | undefined;
	/** The parts that can be used in it. */
	readonly parts: readonly PartOffer[];
}

export interface PartOffer {
	readonly name: string;
	/** It wraps something. */
	readonly wraps: boolean;
	/** What it is given: one of its values, the first where nothing is given; without values it must be given. */
	readonly parameters: readonly { readonly name: string; readonly values: readonly string[] }[];
}

export interface NodeView {
	readonly node: OutlineNode;
	/** In a few words, such as `<a>` and `for each book`. */
	readonly label: string;
	/** The elements of the page's body that show it, counted from the body itself. */
	readonly shown: readonly number[];
}

/** The markup that one asks about: by its piece, by a part, or by an element of the page that shows it. */
export type OutlineAsked =
	| { readonly kind: 'piece'; readonly layer: string; readonly piece: string }
	| { readonly kind: 'part'; readonly part: string }
	| { readonly kind: 'element'; readonly element: number };

/** What stands in some markup that a page shows. Throws `CommandRefused` where there is none. */
export function outlineView(page: WrittenPage, asked: OutlineAsked): OutlineView {
	const { of, template } = askedMarkup(page, asked);
	const { reading, site } = page.resolved;
	const file = reading.files.texts.get(template.span.file) ?? '';
	const nodes = outlineOf({ template, file, book: partBook(site.parts) });
	const byPlace = shownBy(page, template);
	const views = nodes.map((node) => ({
		node,
		label: labelOf(node),
		shown: node.kind === 'element' ? (byPlace.get(node.span.from) ?? []) : []
	}));
	const at = asked.kind === 'element' ? innermost(page, template, nodes, asked.element) : undefined;
	return { of, nodes: views, at, parts: partOffers(page, of) };
}

function askedMarkup(
	page: WrittenPage,
	asked: OutlineAsked
): { readonly of: OutlineView['of']; readonly template: Template } {
	if (asked.kind === 'part') return ofPart(partBook(page.resolved.site.parts).get(asked.part));
	if (asked.kind === 'piece') {
		const layer = layersOf(page.resolved.site).find((one) => layerName(one) === asked.layer);
		return ofPiece(layer && piecesIn(layer).find(({ name }) => name.text === asked.piece));
	}
	const element = page.elements[asked.element];
	const part = element && page.partOf(element);
	return part ? ofPart(part) : ofPiece(element && page.ownerOf(element)?.piece);
}

function ofPart(part: Part | undefined): { of: OutlineView['of']; template: Template } {
	if (!part) throw new CommandRefused('There is no such part any more.');
	return { of: { kind: 'part', name: part.name.text }, template: part.markup };
}

function ofPiece(piece: Piece | undefined): { of: OutlineView['of']; template: Template } {
	if (piece?.kind !== 'markup') throw new CommandRefused('There is no markup to choose from.');
	return { of: { kind: 'piece', name: piece.name.text }, template: piece.markup };
}

/** The elements of a page that markup wrote, by the offset of their tags in its file. */
function shownBy(page: WrittenPage, { span }: Template): ReadonlyMap<number, readonly number[]> {
	const found = new Map<number, number[]>();
	for (const [index, element] of page.elements.entries()) {
		const origin = page.tree.origins.get(element);
		if (origin?.file !== span.file || origin.from < span.from || origin.to > span.to) continue;
		found.set(origin.from, [...(found.get(origin.from) ?? []), index]);
	}
	return found;
}

function innermost(
	page: WrittenPage,
	{ span }: Template,
	nodes: readonly OutlineNode[],
	element: number
): number | undefined {
	const pointed = page.elements[element];
	const origin = pointed && page.placeOf(pointed);
	if (origin?.file !== span.file) return undefined;
	const at = nodes.findIndex(
		({ kind, span: { from } }) => kind === 'element' && from === origin.from
	);
	return at === -1 ? undefined : at;
}

function labelOf(node: OutlineNode): string {
	return node.kind === 'element' ? `<${node.name}>` : blockLabel(node);
}

function blockLabel({ tag }: OutlineBlock): string {
	if (tag.kind === 'for') return `for each ${tag.name.text}`;
	if (tag.kind === 'use') return `part ${tag.part.text}`;
	return `if ${testsOf(tag).map(testText).join(' and ')}`;
}

/** What a place in some markup can show: names in scope there. */
export function scopeAt(page: WrittenPage, asked: OutlineAsked, offset: number): InScope {
	const { template, of } = askedMarkup(page, asked);
	const { reading, site } = page.resolved;
	const { file, from } = template.span;
	const before = (reading.files.texts.get(file) ?? '').slice(from, offset);
	const owner =
		of.kind === 'part'
			? partBook(site.parts).get(of.name)
			: layersOf(site).find(
					({ span }) => span.file === file && span.from <= from && from < span.to
				);
	return owner ? inScope(before, owner, page.resolved, page.year) : { lists: [], values: [] };
}

/** A part cannot use itself. */
function partOffers({ resolved: { site } }: WrittenPage, of: OutlineView['of']): PartOffer[] {
	const book = partBook(site.parts);
	return book.list
		.filter(({ name }) => of.kind !== 'part' || of.name !== name.text)
		.map(({ name, parameters }) => ({
			name: name.text,
			wraps: book.wraps(name.text),
			parameters: parameters.map((one) => ({
				name: one.name.text,
				values: one.values.map((value) => value.text)
			}))
		}));
}

/** What a part is given at first: what must be given, by a value in scope of that name, else by its name as words. */
export function firstGiven({ parameters }: PartOffer, { values }: InScope): GivenSaid[] {
	return parameters
		.filter((one) => one.values.length === 0)
		.map(({ name }): GivenSaid => {
			const value = values.find(({ path }) => path.split('.').at(-1) === name);
			return value ? { name, kind: 'path', said: value.path } : { name, kind: 'text', said: name };
		});
}
