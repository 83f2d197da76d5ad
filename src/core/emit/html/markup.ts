import { encodeSegment } from '../../model/address.ts';
import type { Part } from '../../model/site.ts';
import type { PlaceTag } from '../../model/template.ts';
import {
	compileMarkup,
	type CompiledBlock,
	type MarkupPart
} from '../../resolve/markup/compile.ts';
import type { Body } from '../../resolve/markup/blocks.ts';
import { partDepth } from '../../resolve/content/part-depth.ts';
import { partBook } from '../../resolve/content/parts.ts';
import {
	choose,
	evaluate,
	evaluateBody,
	scopeOfPart,
	type Scope
} from '../../resolve/content/values.ts';
import type { ClassNames } from '../names.ts';
import { escapeCssValue, escapeHtml, isSafeUrl } from './escape.ts';
import { originText } from './origins.ts';

/** What markup is written for. */
export interface MarkupTarget {
	/** Turns a URL as written into one that works from the page. */
	link(url: string): string;
	readonly names: ClassNames;
	/** Elements say where they are written. */
	readonly origins?: boolean;
	/** What stands in the places of a frame or head; undefined in other markup, where places are nothing. */
	readonly places?: Places;
}

/** What is written where a region or a slot is. */
export interface Places {
	/** `line`: what stands before it on its line. */
	content(tag: PlaceTag, line: string): string;
	/** Marks of an element that is the place, to be written behind its attributes. */
	marks(tag: PlaceTag): string;
}

/** What outermost elements are given: marks behind their attributes, and classes. */
interface Roots {
	readonly marks: string;
	/** Classes at which the styles of parts begin that wrote them. */
	readonly starts: readonly string[];
	/** Classes at which the styles of parts end that wrap them. */
	readonly ends: readonly string[];
}

/** What a part wraps, with the values it was written with. */
interface Wrapped {
	readonly of: Part;
	readonly parts: readonly MarkupPart[];
	readonly scope: Scope;
	readonly wrapped: Wrapped | undefined;
	/** Classes at which the styles of the parts begin whose text it is, where it is outermost there too. */
	readonly starts: readonly string[];
	/** Classes that end the part's style there. */
	readonly ends: readonly string[];
}

const noRoots: Roots = { marks: '', starts: [], ends: [] };

/**
 * Writes compiled markup for one page; `marks` stand behind the attributes of each outermost element. `own`:
 * it is the markup of a part by itself, with what it wraps.
 */
export function renderMarkup(
	parts: readonly MarkupPart[],
	scope: Scope,
	target: MarkupTarget,
	marks = '',
	own?: { readonly of: Part; readonly html: string }
): string {
	const renderer = new Renderer(target);
	if (!own) return renderer.write(parts, scope, { ...noRoots, marks }, undefined);
	const starts = [target.names.part(own.of)];
	const ends = [target.names.partContent(own.of)];
	const wrapped = { of: own.of, parts: [own.html], scope, wrapped: undefined, starts: [], ends };
	return renderer.write(parts, scope, { marks, starts, ends: [] }, wrapped);
}

class Renderer {
	/** How many of each part wrap what is being written. */
	private readonly inside = new Map<Part, number>();

	constructor(private readonly target: MarkupTarget) {}

	write(
		parts: readonly MarkupPart[],
		scope: Scope,
		roots: Roots,
		wrapped: Wrapped | undefined
	): string {
		let written = '';
		for (const part of parts) {
			if (typeof part === 'string') written += part;
			else if (part.kind === 'block' && part.node.kind === 'place') {
				const line = written.slice(written.lastIndexOf('\n') + 1);
				written += this.target.places?.content(part.node.tag, line) ?? '';
			} else written += asDeep(this.part(part, scope, roots, wrapped), part, written, scope);
		}
		return written;
	}

	private part(
		part: Exclude<MarkupPart, string>,
		scope: Scope,
		roots: Roots,
		wrapped: Wrapped | undefined
	): string {
		switch (part.kind) {
			case 'value': {
				const value = evaluate(part.expression, scope);
				return escapeHtml(part.inStyle ? escapeCssValue(value) : value);
			}
			case 'text':
				return escapeHtml(evaluateBody(part.body, scope, part.inStyle ? escapeCssValue : same));
			case 'url':
				return escapeHtml(this.target.link(renderUrl(part.body, scope)));
			case 'root': {
				const classes = part.hasClass ? '' : classesOf(roots).join(' ');
				return (classes === '' ? '' : ` class="${escapeHtml(classes)}"`) + roots.marks;
			}
			case 'holder':
				return this.target.places?.marks(part.tag) ?? '';
			case 'origin':
				return originText(part.file, part.at);
			case 'classes':
				return classesOf(roots)
					.map((name) => ` ${escapeHtml(name)}`)
					.join('');
			case 'block':
				return this.block(part, scope, part.isRoot ? roots : noRoots, wrapped);
		}
	}

	private block(
		{ node, bodies }: CompiledBlock,
		scope: Scope,
		roots: Roots,
		wrapped: Wrapped | undefined
	): string {
		if (node.kind === 'place') return '';
		if (node.kind === 'content') return wrapped ? this.content(wrapped, roots) : '';
		if (node.kind !== 'use') {
			const shown = choose(node, scope);
			return shown
				.map((one) => this.write(bodies[one.index] ?? [], one.scope, roots, wrapped))
				.join('');
		}
		const { parts } = scope.site;
		const book = partBook(parts);
		const part = book.get(node.tag.part.text);
		if (!part || book.cycleOf(part.name.text) || scope.repeats.left <= 0) return '';
		const hasStyle = part.styles.some((style) => !style.global);
		const depth = Math.min(this.inside.get(part) ?? 0, partDepth(part, scope.site) - 1);
		const inside: Wrapped = {
			of: part,
			parts: bodies[0] ?? [],
			scope,
			wrapped,
			starts: roots.starts,
			ends: hasStyle ? [this.target.names.partContent(part, depth)] : []
		};
		const starts = hasStyle ? [this.target.names.part(part, depth)] : [];
		return this.write(
			compileMarkup(part.markup, parts, this.target.origins).parts,
			scopeOfPart(part, node.tag, scope),
			{ ...roots, starts: [...roots.starts, ...starts] },
			inside
		);
	}

	/** What a part wraps: whatever wraps that ends there too. */
	private content(wrapped: Wrapped, roots: Roots): string {
		const count = this.inside.get(wrapped.of) ?? 0;
		this.inside.set(wrapped.of, count + 1);
		const html = this.write(
			wrapped.parts,
			wrapped.scope,
			{
				marks: roots.marks,
				starts: roots === noRoots ? [] : wrapped.starts,
				ends: [...roots.ends, ...wrapped.ends]
			},
			wrapped.wrapped
		);
		this.inside.set(wrapped.of, count);
		return html;
	}
}

function classesOf({ starts, ends }: Roots): string[] {
	return [...starts, ...ends];
}

function same(text: string): string {
	return text;
}

/** The lines of a part stand as deep as the place where it is used, unless white space shows in it. */
function asDeep(
	html: string,
	part: Exclude<MarkupPart, string>,
	written: string,
	{ site }: Scope
): string {
	if (part.kind !== 'block' || part.node.kind !== 'use' || !html.includes('\n')) return html;
	const used = partBook(site.parts).get(part.node.tag.part.text);
	if (!used || !compileMarkup(used.markup, site.parts).indentable) return html;
	const line = written.slice(written.lastIndexOf('\n') + 1);
	return line.trim() === '' ? html.replaceAll('\n', `\n${line}`) : html;
}

/** A value at the start of a URL may be a whole URL; one further in is a part of its path or query. */
function renderUrl(body: Body, scope: Scope): string {
	const url = evaluateBody(body, scope, (value, written) =>
		written === '' ? value : encodeSegment(value)
	);
	return body[0]?.kind === 'literal' || isSafeUrl(url) ? url : '#';
}
