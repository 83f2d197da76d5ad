import { parseFragment } from 'parse5';
import { error, type Problem } from '../../messages/problem.ts';
import { lastBefore } from '../../lib/last-before.ts';
import { Memory } from '../../lib/memory.ts';
import type { Part } from '../../model/site.ts';
import type { Span } from '../../model/span.ts';
import {
	isPlain,
	placeInRows,
	type Expression,
	type PlaceTag,
	type Template
} from '../../model/template.ts';
import { partBook, type PartBook } from '../content/parts.ts';
import { looseTags, optionalEnds } from './balance.ts';
import {
	bodiesOf,
	nestBlocks,
	type BlockNode,
	type Body,
	type Literal,
	type Node
} from './blocks.ts';
import {
	anyMark,
	blockElements,
	blockPlace,
	deepestMarkup,
	mark,
	MARK_CLOSE,
	MARK_OPEN,
	parseOnce,
	placeOfRegion,
	reserved,
	type Foreign,
	type ParsedMarkup
} from './parse.ts';

/** Markup made ready to be written many times: literal HTML, and the places where values go. */
export interface CompiledMarkup {
	readonly parts: readonly MarkupPart[];
	/** Lines may be indented; not so where white space shows, as in `pre`. */
	readonly indentable: boolean;
	/** All that shows in it stands in blocks, so that it needs no element around it. */
	readonly inBlocks: boolean;
	/** Nothing is in it but white space and comments, whatever its values are. */
	readonly isEmpty: boolean;
	/** What in it runs script or moves links, each once: `<script>`, `onclick`, `javascript:`, `<base>`. */
	readonly active: readonly string[];
	readonly problems: readonly Problem[];
}

export type MarkupPart =
	| string
	| { readonly kind: 'value'; readonly expression: Expression; readonly inStyle: boolean }
	/** A list or condition where only text can be, as in an attribute. */
	| { readonly kind: 'text'; readonly body: Body; readonly inStyle: boolean }
	/** The value of an attribute that holds a URL, which depends on where the page lies. */
	| { readonly kind: 'url'; readonly body: Body }
	/** The end of the attributes of an outermost element, and whether it has a class already. */
	| { readonly kind: 'root'; readonly hasClass: boolean }
	/** The end of the classes of an outermost element. */
	| { readonly kind: 'classes' }
	/** The end of the attributes of an element, where it is asked for: where its tag is written, as an offset in its file. */
	| { readonly kind: 'origin'; readonly file: string; readonly at: number }
	/** The end of the attributes of an element that holds nothing but a place. */
	| { readonly kind: 'holder'; readonly tag: PlaceTag }
	/** A list, a condition, a part, what a part wraps, or the place of a region, between elements. */
	| CompiledBlock;

/** A block with what is in it. */
export interface CompiledBlock {
	readonly kind: 'block';
	readonly node: BlockNode;
	/** Its bodies, in the order of `bodiesOf`. */
	readonly bodies: readonly (readonly MarkupPart[])[];
	readonly isRoot: boolean;
}

type TagNode = Exclude<Node, Literal>;

/** How a body stands in its markup. */
interface StandingOf {
	/** Its outermost elements are outermost in what they are written into: the piece, or what a part wraps. */
	readonly roots: boolean;
	/** Whatever stands in it stands beside what stands around the piece. */
	readonly outer: boolean;
}

const byTemplate = new Memory<Template, CompiledMarkup>();
const withOrigins = new Memory<Template, CompiledMarkup>();
const noParts: readonly Part[] = [];

/**
 * Reads markup with parse5, so that what is written is whole HTML whatever the author left open,
 * and values are escaped for where they stand. Tags where nothing can be put in are problems. `origins`: elements
 * say where they are written.
 */
export function compileMarkup(
	template: Template,
	parts: readonly Part[],
	origins = false
): CompiledMarkup {
	// Whatever parts there are, they say nothing of markup that uses none.
	const known = isPlain(template) ? noParts : parts;
	const memory = origins ? withOrigins : byTemplate;
	return memory.get(template, [known], () => compile(template, partBook(known), origins));
}

/** Whether markup is empty whatever its values are. */
export function isBlank(template: Template): boolean {
	return isPlain(template) && compileMarkup(template, noParts).isEmpty;
}

function compile(template: Template, book: PartBook, origins: boolean): CompiledMarkup {
	const { nodes, problems } = nestBlocks(template, book);
	const compiler = new Compiler(book, template.span, [...problems], origins);
	const parts = compiler.body(nodes, undefined, { roots: true, outer: true });
	const { indentable, inBlocks, active } = compiler;
	const isEmpty = isPlain(template) && compiler.isEmpty;
	return { parts, indentable, inBlocks, isEmpty, active: [...active], problems: compiler.problems };
}

/** Compiles a body and the bodies inside it; what it says of them holds for all together. */
class Compiler {
	indentable = true;
	inBlocks = true;
	isEmpty = true;
	readonly active = new Set<string>();

	constructor(
		private readonly book: PartBook,
		private readonly span: Span,
		readonly problems: Problem[],
		private readonly origins: boolean
	) {}

	body(body: Body, within: Foreign | undefined, standing: StandingOf): MarkupPart[] {
		const tags: TagNode[] = [];
		const pieces = body.map((node) => {
			if (node.kind === 'literal') return node.text.replace(reserved, '\ufffd');
			tags.push(node);
			return tags.length - 1;
		});
		let placed = pieces.map((piece) =>
			typeof piece === 'string' ? piece : MARK_OPEN + piece + MARK_CLOSE
		);
		let parsed = parseOnce(placed.join(''), within, this.origins);
		if (tags.some((tag) => tag.kind !== 'value')) {
			const { inText, refused } = parsed;
			placed = pieces.map((piece) => {
				if (typeof piece === 'string') return piece;
				const tag = tags[piece];
				const stays = !tag || tag.kind === 'value' || inText.has(piece) || refused.includes(piece);
				if (stays) return MARK_OPEN + piece + MARK_CLOSE;
				if (tag.kind === 'place') return placeOfRegion(piece);
				return blockPlace(piece, this.firstElement([tag]));
			});
			parsed = parseOnce(placed.join(''), within, this.origins);
		}
		if (parsed.tooDeep) {
			this.problems.push(error('markup-too-deep', this.span, deepestMarkup));
			return [];
		}
		this.take(parsed, tags, standing);
		return this.split(parsed, tags, standing, placesIn(body, placed));
	}

	private take(parsed: ParsedMarkup, tags: readonly TagNode[], { outer }: StandingOf): void {
		if (!parsed.indentable) this.indentable = false;
		if (outer && !parsed.inBlocks) this.inBlocks = false;
		if (!parsed.isEmpty) this.isEmpty = false;
		for (const what of parsed.active) this.active.add(what);
		for (const index of parsed.refused) {
			const tag = tags[index];
			if (tag?.kind === 'value') {
				this.problems.push(error('expression-place', tag.span, tag.text));
			} else if (tag) {
				this.problems.push(error('tag-not-here', tag.tag.span, tag.tag.text));
			}
		}
	}

	private split(
		parsed: ParsedMarkup,
		tags: readonly TagNode[],
		{ roots, outer: isOuter }: StandingOf,
		/** Where a character of what was parsed is written. */
		written: (offset: number) => number | undefined
	): MarkupPart[] {
		const parts: MarkupPart[] = [];
		const { text, urls, inStyle } = parsed;
		let last = 0;
		for (const match of text.matchAll(anyMark)) {
			if (match.index > last) parts.push(text.slice(last, match.index));
			last = match.index + match[0].length;
			const { value, url, comment, element, root, classes, origin, holder } = match.groups ?? {};
			if (value !== undefined) {
				const tag = tags[Number(value)];
				if (tag) parts.push(this.value(tag, inStyle.has(Number(value))));
			} else if (url !== undefined) {
				parts.push({ kind: 'url', body: this.textBody(urls[Number(url)] ?? '', tags) });
			} else if (root !== undefined) {
				if (roots) parts.push({ kind: 'root', hasClass: root === 'c' });
			} else if (classes !== undefined) {
				if (roots) parts.push({ kind: 'classes' });
			} else if (origin !== undefined) {
				const at = written(Number(origin));
				if (at !== undefined) parts.push({ kind: 'origin', file: this.span.file, at });
			} else if (holder !== undefined) {
				const tag = tags[Number(holder)];
				if (tag?.kind === 'place') parts.push({ kind: 'holder', tag: tag.tag });
			} else {
				const index = Number(comment ?? element);
				const tag = tags[index];
				const isRoot = parsed.outer.has(index);
				const standing = { roots: roots && isRoot, outer: isOuter && isRoot };
				if (tag && tag.kind !== 'value') {
					parts.push(this.block(tag, standing, parsed.foreign.get(index)));
				}
			}
		}
		if (last < text.length) parts.push(text.slice(last));
		return parts;
	}

	private value(tag: TagNode, inStyle: boolean): MarkupPart {
		if (tag.kind === 'value') return { kind: 'value', expression: tag, inStyle };
		return { kind: 'text', body: this.asText([tag]), inStyle };
	}

	/** The text of an attribute with the tags that stand in it. */
	private textBody(text: string, tags: readonly TagNode[]): Node[] {
		const nodes: Node[] = [];
		let last = 0;
		for (const match of text.matchAll(mark)) {
			if (match.index > last) nodes.push(literal(text.slice(last, match.index)));
			const tag = tags[Number(match[1])];
			if (tag) nodes.push(...this.asText([tag]));
			last = match.index + match[0].length;
		}
		if (last < text.length || nodes.length === 0) nodes.push(literal(text.slice(last)));
		return nodes;
	}

	/** Nodes where only text can be: what is written in them is decoded, and parts are refused. */
	private asText(body: Body): Node[] {
		return body.flatMap((node): Node[] => {
			if (node.kind === 'literal') return [literal(decoded(node.text))];
			if (node.kind === 'value') return [node];
			if (node.kind === 'for') {
				const [each, otherwise] = [this.asText(node.each), this.asText(node.otherwise)];
				return [{ ...node, each, otherwise }];
			}
			if (node.kind === 'if') {
				const [then, otherwise] = [this.asText(node.then), this.asText(node.otherwise)];
				return [{ ...node, then, otherwise }];
			}
			this.problems.push(error('tag-not-here', node.tag.span, node.tag.text));
			return [];
		});
	}

	private block(
		node: BlockNode,
		standing: StandingOf,
		foreign: Foreign | undefined
	): CompiledBlock {
		const { outer } = standing;
		if (node.kind === 'use') this.takePart(node.tag.part.text, outer);
		if (node.kind === 'content' && outer) this.inBlocks = false;
		const bodies = bodiesOf(node).map((body) => {
			const crossing = crossingIn(body);
			if (crossing !== undefined) {
				this.problems.push(error('tag-crossed', node.tag.span, node.tag.text, crossing));
			}
			// What a part wraps stands inside it, wherever the part stands.
			const inside = node.kind === 'use' ? { roots: true, outer: false } : standing;
			return this.body(body, foreign, inside);
		});
		return { kind: 'block', node, bodies, isRoot: standing.roots };
	}

	/** What the markup of a part says of what uses it. */
	private takePart(name: string, outer: boolean): void {
		const part = this.book.get(name);
		if (!part || this.book.cycleOf(name)) return;
		const inner = compileMarkup(part.markup, this.book.list);
		if (!inner.indentable) this.indentable = false;
		if (outer && !inner.inBlocks) this.inBlocks = false;
	}

	/** The element that a body begins with, where it matters to what stands around it. */
	private firstElement(body: Body, depth = 0): string | undefined {
		const first = body.find((node) => node.kind !== 'literal' || node.text.trim() !== '');
		if (first?.kind === 'literal') {
			const name = /^\s*<([a-z][a-z0-9]*)/i.exec(first.text)?.[1]?.toLowerCase();
			return name !== undefined && placing.has(name) ? name : undefined;
		}
		if (!first || first.kind === 'value' || depth > 40) return undefined;
		if (first.kind === 'content' || first.kind === 'place') return undefined;
		if (first.kind === 'use') {
			const part = this.book.get(first.tag.part.text);
			return part && this.firstElement(nestBlocks(part.markup, this.book).nodes, depth + 1);
		}
		return bodiesOf(first)
			.map((inner) => this.firstElement(inner, depth + 1))
			.find((name) => name !== undefined);
	}
}

/** Elements before which others end, or that stand only in some (HTML, section 13.2.6). */
const placing = new Set([
	...optionalEnds,
	...[...blockElements].filter(
		(name) => !['base', 'link', 'meta', 'script', 'style', 'template', 'title'].includes(name)
	),
	'col'
]);

/** The name of an element that begins in a body and not ends there, or the other way. */
function crossingIn(body: Body): string | undefined {
	const markup = body.map((node) => (node.kind === 'literal' ? node.text : '')).join('');
	const [loose] = looseTags(markup);
	return loose && (loose.kind === 'end' ? `/${loose.name}` : loose.name);
}

/** What says where a character of what stands in a body is written: its offset in the file; undefined in place of a tag. */
function placesIn(body: Body, placed: readonly string[]): (offset: number) => number | undefined {
	const starts: { readonly at: number; readonly node: Node | undefined }[] = [];
	let at = 0;
	for (const [index, text] of placed.entries()) {
		starts.push({ at, node: body[index] });
		at += text.length;
	}
	return (offset) => {
		const found = lastBefore(starts, offset, (one) => one.at);
		const written = found?.node?.kind === 'literal' ? found.node.written : undefined;
		return found && written && placeInRows(written.rows, written.skip + offset - found.at);
	};
}

function literal(text: string): Literal {
	return { kind: 'literal', text };
}

/** Text as an attribute means it: its references to characters are those characters. */
function decoded(text: string): string {
	if (!text.includes('&')) return text;
	const [element] = parseFragment(`<i title="${text.replaceAll('"', '&quot;')}"></i>`).childNodes;
	return element && 'attrs' in element ? (element.attrs[0]?.value ?? text) : text;
}
