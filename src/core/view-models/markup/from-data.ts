import { elementsOf, likeIt } from '../../edit/content/fill-from-data.ts';
import { isWhole } from '../../edit/content/stretches.ts';
import type { ElementRef, PieceRef } from '../../model/command.ts';
import { layerName, layersOf } from '../../model/site.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findPiece } from '../../edit/find.ts';
import { inScope, type InScope, type ListInScope, type ValueInScope } from './in-scope.ts';

/** What data can fill in a piece: its elements, and for each what is in scope there, with a value that it has now. */

/** An element of a piece that data can fill. */
export interface FillableElement extends InScope {
	readonly ref: ElementRef;
	readonly name: string;
	/** Its words and the values of its attributes, as they are written. */
	readonly words: readonly string[];
	/** How many stand beside it that are like it but for their words. */
	readonly alike: number;
}

/** Letters of a value that is looked for within other words. */
const shortestWithin = 3;

/** The elements of a piece that data can fill, with what is in scope at each. */
export function fillableElements(
	resolved: ResolvedSite,
	piece: PieceRef,
	year: number
): FillableElement[] {
	const { layer } = piece.holder;
	const owner = layersOf(resolved.site).find(
		(one) => one.kind === layer.kind && layerName(one) === layer.name
	);
	const found = findPiece(resolved, piece.holder, piece.piece);
	if (!owner || found.kind !== 'markup') return [];
	const { span } = found.markup;
	const text = resolved.reading.files.texts.get(span.file) ?? '';
	const all = elementsOf(resolved, piece);
	return all.flatMap((element, index): FillableElement[] => {
		const name = element.element;
		if (name === undefined || !isWhole(element.markup)) return [];
		const before = text.slice(span.from, element.span.from);
		return [
			{
				ref: { piece, index, markup: element.markup },
				name,
				words: element.slots.map((slot) => slot.text),
				alike: likeIt(element, all).length,
				...inScope(before, owner, resolved, year)
			}
		];
	});
}

/**
 * What would stand in the place of an element's words if it were written for each member of a list: the values of the
 * member whose values most of its words are. Undefined where a word stays as it is.
 */
export function textsFor(
	words: readonly string[],
	{ members }: Pick<ListInScope, 'members'>
): (string | undefined)[] {
	const tried = members.map((member) => words.map((word) => textWith(word, member)));
	const count = (texts: readonly (string | undefined)[]): number =>
		texts.filter((text) => text !== undefined).length;
	const best = tried.reduce<(string | undefined)[]>(
		(one, other) => (count(other) > count(one) ? other : one),
		words.map(() => undefined)
	);
	return best;
}

/** The list whose members say most of an element's words; the first where none does. */
export function likeliest({ words, lists }: FillableElement): ListInScope | undefined {
	const count = (list: ListInScope): number =>
		textsFor(words, list).filter((text) => text !== undefined).length;
	return lists.reduce<ListInScope | undefined>(
		(best, list) => (best && count(best) >= count(list) ? best : list),
		undefined
	);
}

/** Members that are shown as they would read. */
const mostSamples = 3;

/** How an element would read for the first members of a list: its words, or what stands in their place. */
export function samples(
	words: readonly string[],
	texts: readonly (string | undefined)[],
	{ members }: Pick<ListInScope, 'members'>
): string[] {
	return members.slice(0, mostSamples).map((member) => {
		const values = new Map(member.map(({ path, says }) => [`{${path}}`, says]));
		return words
			.map((word, index) =>
				(texts[index] ?? word).replace(/\{[^{}]*\}/g, (tag) => values.get(tag) ?? tag)
			)
			.join(', ');
	});
}

/** A text with values in the place of the words that they are; undefined where none of them is in it. */
function textWith(text: string, values: readonly ValueInScope[]): string | undefined {
	const whole = values.find(({ says }) => says !== '' && says === text);
	if (whole) return `{${whole.path}}`;
	if (text.includes('{')) return undefined;
	const [longest] = values
		.filter(({ says }) => says.length >= shortestWithin && isWithin(says, text))
		.toSorted((one, other) => other.says.length - one.says.length);
	return longest && text.replace(longest.says, () => `{${longest.path}}`);
}

/** Whether words stand in a text as words, and not as a part of others. */
function isWithin(words: string, text: string): boolean {
	const at = text.indexOf(words);
	if (at === -1) return false;
	const letter = /[\p{L}\p{N}]/u;
	const before = text.charAt(at - 1);
	return !letter.test(before) && !letter.test(text.charAt(at + words.length));
}
