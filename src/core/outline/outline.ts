import { writtenElements } from '../author-styles/written-elements.ts';
import type { Span } from '../model/span.ts';
import type { ForTag, IfTag, Tag, Template, UseTag } from '../model/template.ts';
import type { PartBook } from '../resolve/content/parts.ts';
import { elementFields, type ElementFields } from './element-fields.ts';

/** Something that stands in markup, as it is written, with how deep it stands in others. */
export type OutlineNode = OutlineElement | OutlineBlock;

interface Placed {
	/** All of it. */
	readonly span: Span;
	/** As it is written now. */
	readonly written: string;
	readonly depth: number;
	/** The blanks before what stands alone on its lines; undefined where something else stands there, too. */
	readonly indent: string | undefined;
}

export interface OutlineElement extends Placed, ElementFields {
	readonly kind: 'element';
	readonly name: string;
}

/** A list, a condition or a part. */
export interface OutlineBlock extends Placed {
	readonly kind: 'block';
	readonly tag: ForTag | IfTag | UseTag;
	/** What stands in it, without its tags and without what shows otherwise; undefined for a part that wraps nothing. */
	readonly inner: Span | undefined;
	/** It says what shows otherwise. */
	readonly hasElse: boolean;
}

/** Markup of a site: its template, and the text of the file that it stands in. */
export interface WrittenMarkup {
	readonly template: Template;
	readonly file: string;
	readonly book: PartBook;
}

const quotes = '"""'.length;
/** Stands in the place of each character of a tag, so that no quote or bracket in one is read as markup. */
const filler = '\u2588';

/**
 * What stands in markup, in the order in which it is written: elements, lists, conditions and parts. What stands in a
 * start tag, such as a condition in the value of an attribute, belongs to that element.
 */
export function outlineOf({ template, file, book }: WrittenMarkup): OutlineNode[] {
	const lead = template.span.from + quotes;
	const text = file.slice(lead, template.span.to - quotes);
	const tags = template.parts.filter((part): part is Tag => typeof part !== 'string');
	const masked = maskedText(text, tags, lead);
	const at = (from: number, to: number): Span => ({
		file: template.span.file,
		from: lead + from,
		to: lead + to
	});
	const written = writtenElements(masked);
	const elements = written.map((element) => {
		const span = at(element.tag.from, element.end);
		const fields = elementFields({ element, text, masked, tags, lead, file: span.file });
		return { kind: 'element', name: element.name, span, ...fields } as const;
	});
	const isInStartTag = ({ from }: Span): boolean =>
		written.some(({ tag, inside }) => lead + tag.from < from && from < lead + inside);
	const blocks = blocksOf(tags, book).filter(({ span }) => !isInStartTag(span));
	return nested([...elements, ...blocks], file);
}

function maskedText(text: string, tags: readonly Tag[], lead: number): string {
	let masked = '';
	for (const { span } of tags) {
		const [from, to] = [span.from - lead, span.to - lead];
		// What stands in a tag is no markup; the tags in what a part is given lie within its own.
		if (from < masked.length) continue;
		masked += text.slice(masked.length, from) + filler.repeat(to - from);
	}
	return masked + text.slice(masked.length);
}

type Unplaced<T> = Omit<T, 'written' | 'depth' | 'indent'>;

function blocksOf(tags: readonly Tag[], book: PartBook): Unplaced<OutlineBlock>[] {
	const found: Unplaced<OutlineBlock>[] = [];
	const open: { readonly tag: OutlineBlock['tag']; otherwise: Span | undefined }[] = [];
	for (const tag of tags) {
		if (tag.kind === 'else') {
			const last = open.at(-1);
			if (last) last.otherwise = tag.span;
		} else if (tag.kind === 'end') {
			const last = open.pop();
			if (!last) continue;
			const span = { ...tag.span, from: last.tag.span.from };
			const end = last.otherwise?.from ?? tag.span.from;
			const inner = { ...span, from: last.tag.span.to, to: end };
			found.push({
				kind: 'block',
				tag: last.tag,
				span,
				inner,
				hasElse: last.otherwise !== undefined
			});
		} else if (tag.kind === 'use' && !book.wraps(tag.part.text)) {
			found.push({ kind: 'block', tag, span: tag.span, inner: undefined, hasElse: false });
		} else if (tag.kind === 'use' || tag.kind === 'for' || tag.kind === 'if') {
			open.push({ tag, otherwise: undefined });
		}
	}
	return found;
}

/** In the order in which they are written, the outer before the inner, each with its depth. */
function nested(
	nodes: readonly (Unplaced<OutlineElement> | Unplaced<OutlineBlock>)[],
	file: string
): OutlineNode[] {
	const sorted = nodes.toSorted((a, b) => a.span.from - b.span.from || b.span.to - a.span.to);
	const around: Span[] = [];
	return sorted.map((node): OutlineNode => {
		const { span } = node;
		while ((around.at(-1)?.to ?? Infinity) <= span.from) around.pop();
		const depth = around.length;
		around.push(span);
		const written = file.slice(span.from, span.to);
		return { ...node, written, depth, indent: indentOfAlone(file, span) };
	});
}

function indentOfAlone(file: string, { from, to }: Span): string | undefined {
	const before = /[^\n]*$/.exec(file.slice(0, from))?.[0] ?? '';
	const behind = /^[^\n]*/.exec(file.slice(to))?.[0] ?? '';
	return before.trim() === '' && behind.trim() === '' ? before : undefined;
}
