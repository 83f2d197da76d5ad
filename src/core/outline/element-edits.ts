import type { Span } from '../model/span.ts';
import type { WrittenField } from './element-fields.ts';
import type { OutlineElement, OutlineNode } from './outline.ts';
import { encodeAttribute, encodeWords, isBooleanAttribute, keepsLines } from './written-text.ts';

/** Other markup in the place of some. */
export interface MarkupEdit {
	readonly place: Span;
	/** As it is written there now. */
	readonly before: string;
	readonly after: string;
}

/** An attribute says something else; without a text it goes. */
export function setAttribute(
	{ attributes, startTag, attributesEnd, written }: OutlineElement,
	name: string,
	text: string | undefined
): MarkupEdit {
	const before = written.slice(0, startTag.to - startTag.from);
	const said = attributes.find((one) => one.name === name);
	const [from, to] = said
		? [said.place.from - startTag.from, said.place.to - startTag.from]
		: [attributesEnd - startTag.from, attributesEnd - startTag.from];
	const lead = before.slice(0, from).trimEnd();
	const after =
		text === undefined
			? lead + before.slice(to)
			: `${said ? before.slice(0, from) : `${lead} `}${encodeAttribute(name, text)}${before.slice(to)}`;
	return { place: startTag, before, after };
}

/**
 * An attribute says a text that was typed. Emptied it goes, but for an alternative, which then says that a picture is
 * decoration, and one that says all by being there.
 */
export function typeAttribute(node: OutlineElement, name: string, text: string): MarkupEdit {
	const goes = text === '' && name !== 'alt' && !isBooleanAttribute(name);
	return setAttribute(node, name, goes ? undefined : text);
}

/** Words say something else; `field`: those that stand there, undefined where it has none yet. */
export function setWords(
	{ startTag, written }: OutlineElement,
	field: WrittenField | undefined,
	text: string
): MarkupEdit {
	const after = encodeWords(text.trim());
	if (field) return { place: field.place, before: field.written, after };
	const before = written.slice(0, startTag.to - startTag.from);
	return { place: startTag, before, after: before + after };
}

/** Markup stands behind something: on a line of its own where that stands on its own. */
export function putBehind({ span, written, indent }: OutlineNode, markup: string): MarkupEdit {
	const after = indent === undefined ? `${written} ${markup}` : `${written}\n${indent}${markup}`;
	return { place: span, before: written, after };
}

/** It goes, with all in it. */
export function takeAway({ span, written }: OutlineNode): MarkupEdit {
	return { place: span, before: written, after: '' };
}

/** Another tag in the place of that of a list, a condition or a part. */
export function setTag(node: Extract<OutlineNode, { kind: 'block' }>, after: string): MarkupEdit {
	const { tag, span, written } = node;
	const before = written.slice(tag.span.from - span.from, tag.span.to - span.from);
	return { place: tag.span, before, after };
}

/** A part is put around something. */
export function putAround({ span, written, indent }: OutlineNode, tag: string): MarkupEdit {
	return { place: span, before: written, after: inBlock(tag, written, indent) };
}

/** Markup between a tag and its end: on lines of their own where it stands on its own, which leave none behind. */
export function inBlock(tag: string, inner: string, indent: string | undefined): string {
	const deeper = keepsLines(inner) ? inner : inner.replaceAll('\n', '\n  ');
	return indent === undefined
		? `${tag}${inner}{end}`
		: `${tag}\n${indent}  ${deeper}\n${indent}{end}`;
}
