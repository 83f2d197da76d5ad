import { lastBefore } from '../lib/last-before.ts';
import type { Named, Span } from './span.ts';

/** A path into the page's values, such as `site.name`. */
export interface ValuePath {
	readonly path: readonly string[];
	readonly span: Span;
}

/** How a value that is no text is written, in the language of the site. */
export const valueFormats = ['date', 'number'] as const;
export type ValueFormat = (typeof valueFormats)[number];

/** `{path}`, `{path as date}`, `{path ?? "else"}`: a value, as text. */
export interface Expression extends ValuePath {
	readonly kind: 'value';
	readonly format: ValueFormat | undefined;
	/** What stands there where there is no value; undefined where nothing is said. */
	readonly otherwise: string | undefined;
	/** What stands between the braces. */
	readonly text: string;
}

/** `{for name in path}`: what follows, up to `{end}`, once for each member of a list. */
export interface ForTag {
	readonly kind: 'for';
	readonly name: Named;
	readonly list: ValuePath;
	readonly span: Span;
	readonly text: string;
}

/** How a value can be held against a text. */
export const comparisons = ['is', 'is not', 'contains', 'starts', 'ends'] as const;
export type Comparison = (typeof comparisons)[number];

/** One thing that must hold: a value is there, or is held against a text. */
export interface Test {
	readonly value: ValuePath;
	/** Undefined where the value must only be there. */
	readonly against:
		{ readonly how: Comparison; readonly text: string; readonly span: Span } | undefined;
}

/** `{if path}`, `{if path is "text" and …}`: what follows, up to `{end}`, only where all of that holds. */
export interface IfTag {
	readonly kind: 'if';
	readonly tests: readonly Test[];
	readonly span: Span;
	readonly text: string;
}

/** What a part is given for a parameter: text with expressions in it, or a value as it is. */
export type GivenValue =
	| { readonly kind: 'text'; readonly template: Template }
	| { readonly kind: 'path'; readonly value: ValuePath };

export interface Given {
	readonly name: Named;
	readonly value: GivenValue;
}

/** `{use part name="text" other=path}`. */
export interface UseTag {
	readonly kind: 'use';
	readonly part: Named;
	readonly given: readonly Given[];
	readonly span: Span;
	readonly text: string;
}

/** A tag that is one word: `{else}`, `{end}`, and in a part `{content}`, which is what it wraps. */
interface WordTag<W extends string> {
	readonly kind: W;
	readonly span: Span;
	readonly text: string;
}

export type ContentTag = WordTag<'content'>;

/**
 * `{region name}`: in a frame, the place of a region; what follows, up to `{end}`, is its default. `{slot}` and `{slot name}`:
 * the place of what lands in the layout; in a head, of what layers further in put there.
 */
export interface PlaceTag {
	readonly kind: 'region' | 'slot';
	/** Undefined of a slot that has no name of its own. */
	readonly name: Named | undefined;
	readonly span: Span;
	readonly text: string;
}

/** How a slot is called that has no name of its own. */
export const slotName = 'slot';

/** What stands between braces in text. */
export type Tag =
	Expression | ForTag | IfTag | UseTag | ContentTag | PlaceTag | WordTag<'else'> | WordTag<'end'>;

/**
 * Text with tags in it: literal stretches and the tags between them, in order. Which tags belong together
 * is worked out later, since only the site knows which parts have something put into them.
 */
export interface Template {
	readonly parts: readonly (string | Tag)[];
	readonly span: Span;
	/** Where each of the parts is written, in their order; of a tag its span says so. */
	readonly places: readonly (readonly WrittenRow[])[];
}

/** From an offset in a literal stretch on, its characters stand in the file one after the other. */
export interface WrittenRow {
	readonly from: number;
	/** Offset in the file. */
	readonly inFile: number;
}

/** Where a character of a literal stretch is written: its offset in the file. */
export function placeInRows(rows: readonly WrittenRow[], offset: number): number | undefined {
	const row = lastBefore(rows, offset, ({ from }) => from);
	return row && row.inFile + offset - row.from;
}

/** A template as the author wrote it, for headings and lists. */
export function templateText(template: Template): string {
	return template.parts
		.map((part) => (typeof part === 'string' ? part : `{${part.text}}`))
		.join('');
}

/** The template without tags that would be blocks or parts: only text and values. */
export function isPlain({ parts }: Template): boolean {
	return parts.every((part) => typeof part === 'string' || part.kind === 'value');
}
