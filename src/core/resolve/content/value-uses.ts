import { Memory } from '../../lib/memory.ts';
import {
	documentTexts,
	layersOf,
	markupsOf,
	type Layer,
	type Part,
	type Site
} from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import type { GivenValue, Template } from '../../model/template.ts';
import { nestBlocks, type Body } from '../markup/blocks.ts';
import { partBook } from './parts.ts';
import { piecesIn } from './pieces.ts';

/** A place that uses a value of shared data: a layer's piece, title or the like, or a part. */
export interface ValueUse {
	/** Which value: names with dots, `*` for each member of a list. */
	readonly path: string;
	readonly owner: string;
	/** Undefined where it is no piece's. */
	readonly piece: string | undefined;
	readonly span: Span;
}

/** What names in a text stand for: a value of shared data, or something else. */
type Names = ReadonlyMap<string, readonly string[] | undefined>;

const known = new Memory<Layer, readonly ValueUse[]>();

/** Every use of shared data in a site, in the order of its layers. */
export function valueUses(site: Site): ValueUse[] {
	return layersOf(site).flatMap((layer) =>
		known.get(layer, [site.parts], () => usesIn(layer, site.parts))
	);
}

/** The path of a value, with its places in lists left open. */
export function generalPath(path: readonly (string | number)[]): string {
	return path
		.map((name) => (typeof name === 'number' || /^\d+$/.test(name) ? '*' : name))
		.join('.');
}

function usesIn(layer: Layer, parts: readonly Part[]): ValueUse[] {
	const uses: ValueUse[] = [];
	const owner =
		layer.kind === 'route'
			? layer.pattern.text
			: layer.kind === 'layout'
				? layer.name.text
				: `${layer.state.text} at ${layer.at.text}`;
	const names = new Map<string, readonly string[] | undefined>();
	if (layer.kind === 'route' && layer.pages.kind === 'each') {
		const path = layer.pages.data.text.split('.').slice(1);
		names.set('item', [...path, '*']);
		const { span } = layer.pages.data;
		uses.push({ path: path.join('.'), owner, piece: undefined, span });
		const field = [...path, '*', layer.pages.field.text].join('.');
		uses.push({ path: field, owner, piece: undefined, span: layer.pages.field.span });
	}
	const walk = (template: Template, piece: string | undefined): void => {
		const add = (path: readonly string[], span: Span): void => {
			uses.push({ path: generalPath(path), owner, piece, span });
		};
		new Walk(parts, add).template(template, names);
	};
	if (layer.title) walk(layer.title, undefined);
	if (layer.description) walk(layer.description, undefined);
	for (const template of documentTexts(layer)) walk(template, undefined);
	for (const piece of piecesIn(layer)) {
		for (const template of markupsOf(piece)) walk(template, piece.name.text);
	}
	return uses;
}

class Walk {
	private readonly book;
	/** Parts that are being gone through, so that one that uses itself ends. */
	private readonly open: string[] = [];

	constructor(
		private readonly parts: readonly Part[],
		private readonly add: (path: readonly string[], span: Span) => void
	) {
		this.book = partBook(parts);
	}

	template(template: Template, names: Names): void {
		this.body(nestBlocks(template, this.book).nodes, names);
	}

	private body(body: Body, names: Names): void {
		for (const node of body) {
			if (node.kind === 'literal' || node.kind === 'content' || node.kind === 'place') continue;
			if (node.kind === 'value') this.use(node.path, node.span, names);
			else if (node.kind === 'if') {
				for (const { value } of node.tag.tests) this.use(value.path, value.span, names);
				this.body(node.then, names);
				this.body(node.otherwise, names);
			} else if (node.kind === 'for') {
				const list = this.use(node.tag.list.path, node.tag.span, names);
				this.body(node.each, new Map(names).set(node.tag.name.text, list && [...list, '*']));
				this.body(node.otherwise, names);
			} else {
				this.part(node.tag.part.text, node.tag.given, names);
				if (node.content) this.body(node.content, names);
			}
		}
	}

	/** Notes a path where it leads into shared data, and gives where to. */
	private use(path: readonly string[], span: Span, names: Names): readonly string[] | undefined {
		const [root = '', ...rest] = path;
		const start = names.has(root) ? names.get(root) : root === 'data' ? [] : undefined;
		if (!start) return undefined;
		const found = [...start, ...rest];
		if (found.length > 0) this.add(found, span);
		return found;
	}

	private part(
		name: string,
		given: readonly { readonly name: { readonly text: string }; readonly value: GivenValue }[],
		names: Names
	): void {
		const inside = new Map<string, readonly string[] | undefined>();
		for (const { name: key, value } of given) {
			if (value.kind === 'text') this.template(value.template, names);
			else inside.set(key.text, this.use(value.value.path, value.value.span, names));
		}
		const part = this.book.get(name);
		if (!part || this.open.includes(name)) return;
		this.open.push(name);
		for (const one of part.parameters) {
			if (!inside.has(one.name.text)) inside.set(one.name.text, undefined);
		}
		this.template(part.markup, inside);
		this.open.pop();
	}
}
