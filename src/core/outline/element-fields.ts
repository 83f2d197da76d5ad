import { writtenTexts, type WrittenElement } from '../author-styles/written-elements.ts';
import { decodeText } from './written-text.ts';
import type { Span } from '../model/span.ts';
import type { Expression, Tag } from '../model/template.ts';

/** A text that stands directly in an element, or what an attribute says. */
export interface WrittenField {
	/** The attribute with its name, or the words without the blanks around them. */
	readonly place: Span;
	/** As it is written there. */
	readonly written: string;
	/** What it says, with values in braces as they are written. */
	readonly text: string;
	/** The value that it is, where it is nothing else. */
	readonly value: Pick<Expression, 'path' | 'format' | 'otherwise'> | undefined;
}

export interface AttributeField extends WrittenField {
	readonly name: string;
}

/** What can be said anew of an element. */
export interface ElementFields {
	readonly words: readonly WrittenField[];
	readonly attributes: readonly AttributeField[];
	/** It has no words yet and could have some. */
	readonly takesWords: boolean;
	readonly startTag: Span;
	/** Where in it another attribute goes. */
	readonly attributesEnd: number;
}

interface Where {
	readonly element: WrittenElement;
	readonly text: string;
	/** The same with its tags masked. */
	readonly masked: string;
	readonly tags: readonly Tag[];
	/** Where the text begins in its file. */
	readonly lead: number;
	readonly file: string;
}

/** Elements without content (HTML, section 13.1.2). */
const voidElements: ReadonlySet<string> = new Set(
	'area base br col embed hr img input link meta source track wbr'.split(' ')
);

export function elementFields(where: Where): ElementFields {
	const { element, lead, file } = where;
	const attributes = [...element.attributes].map(([name, { from, to }]) => ({
		name,
		...fieldAt(where, from, to, attributeText)
	}));
	const words = writtenTexts(where.masked, element.tag.from).flatMap(({ from, to }) =>
		betweenBlocks(where, from, to).flatMap(([start, end]) => {
			const found = where.text.slice(start, end);
			const blank = found.length - found.trimStart().length;
			return found.trim() === ''
				? []
				: [fieldAt(where, start + blank, start + found.trimEnd().length, decodeText)];
		})
	);
	const isEmpty = words.length === 0 && !voidElements.has(element.name);
	const last = Math.max(element.tag.to, ...[...element.attributes.values()].map(({ to }) => to));
	return {
		words,
		attributes,
		takesWords: isEmpty,
		startTag: { file, from: lead + element.tag.from, to: lead + element.inside },
		attributesEnd: lead + last
	};
}

function fieldAt(
	{ text, tags, lead, file }: Where,
	from: number,
	to: number,
	read: (written: string) => string
): WrittenField {
	const written = text.slice(from, to);
	const place = { file, from: lead + from, to: lead + to };
	const said = read(written);
	const tag = tags.find(
		(one): one is Expression =>
			one.kind === 'value' &&
			place.from <= one.span.from &&
			one.span.to <= place.to &&
			said === text.slice(one.span.from - lead, one.span.to - lead)
	);
	const value = tag && { path: tag.path, format: tag.format, otherwise: tag.otherwise };
	return { place, written, text: said, value };
}

/** What an attribute says, without its name and quotes. */
function attributeText(written: string): string {
	const at = written.indexOf('=');
	if (at === -1) return '';
	const value = written.slice(at + 1).trim();
	const isQuoted = /^(["'])[^]*\1$/.test(value) && value.length > 1;
	return decodeText(isQuoted ? value.slice(1, -1) : value);
}

/** The stretches of a text between the tags of lists, conditions and parts in it. */
function betweenBlocks({ tags, lead }: Where, from: number, to: number): [number, number][] {
	const found: [number, number][] = [];
	let start = from;
	for (const { kind, span } of tags) {
		if (kind === 'value' || span.from - lead < start || span.to - lead > to) continue;
		found.push([start, span.from - lead]);
		start = span.to - lead;
	}
	return [...found, [start, to]];
}
