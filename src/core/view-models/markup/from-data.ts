import { elementsOf, likeIt } from '../../edit/content/fill-from-data.ts';
import { isWhole } from '../../edit/content/stretches.ts';
import type { ElementRef, PieceRef } from '../../model/command.ts';
import type { Comparison } from '../../model/template.ts';
import { layerName, layersOf } from '../../model/site.ts';
import { isRecord } from '../../resolve/instance.ts';
import { lookUp, textOf, type Scope } from '../../resolve/content/values.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findPiece } from '../../edit/find.ts';
import { example } from './complete-tag.ts';
import { scopeIn } from './scope-in.ts';

/** What data can fill in a piece: its elements, and for each what is in scope there, with a value that it has now. */

/** An element of a piece that data can fill. */
export interface FillableElement {
	readonly ref: ElementRef;
	readonly name: string;
	/** Its words and the values of its attributes, as they are written. */
	readonly words: readonly string[];
	/** How many stand beside it that are like it but for their words. */
	readonly alike: number;
	readonly lists: readonly ListInScope[];
	readonly values: readonly ValueInScope[];
}

/** A value that can stand in text there. */
export interface ValueInScope {
	readonly path: string;
	/** What it is now. */
	readonly says: string;
}

/** A list that an element can be repeated over. */
export interface ListInScope {
	readonly path: string;
	readonly count: number;
	/** What its first member says. */
	readonly says: string;
	/** What a member would be called: a name that nothing has there. */
	readonly name: string;
	/** Values of each member, as text goes: by a member's name, or its own text where it has no names. */
	readonly members: readonly (readonly ValueInScope[])[];
}

/** Members that are held against the words of an element; more are seldom typed by hand. */
const mostMembers = 100;
/** How deep in shared data lists and values are offered. */
const deepest = 4;
/** Values that are offered for one place. */
const mostValues = 200;
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
		const scope = scopeIn(before, owner, resolved, year);
		return [
			{
				ref: { piece, index, markup: element.markup },
				name,
				words: element.slots.map((slot) => slot.text),
				alike: likeIt(element, all).length,
				lists: scope ? [...listsIn(scope)] : [],
				values: scope ? [...valuesIn(scope)].slice(0, mostValues) : []
			}
		];
	});
}

/** Everything that has a name in scope, with the paths to what it holds. */
function* pathsIn(scope: Scope): Generator<readonly [readonly string[], unknown]> {
	const roots = [
		...(scope.names?.keys() ?? []),
		'item',
		...scope.site.data.map(({ name }) => `data.${name.text}`)
	];
	for (const root of roots) {
		const path = root.split('.');
		const value = lookUp(path, scope);
		if (value !== undefined) yield* within(path, value, deepest);
	}
}

function* within(
	path: readonly string[],
	value: unknown,
	depth: number
): Generator<readonly [readonly string[], unknown]> {
	yield [path, value];
	if (depth === 0 || !isRecord(value)) return;
	for (const [key, inner] of Object.entries(value)) yield* within([...path, key], inner, depth - 1);
}

function* listsIn(scope: Scope): Generator<ListInScope> {
	for (const [path, value] of pathsIn(scope)) {
		if (!Array.isArray(value)) continue;
		const members: readonly unknown[] = value;
		const name = freeName(path, scope);
		yield {
			path: path.join('.'),
			count: members.length,
			says: example(members[0]),
			name,
			members: members.slice(0, mostMembers).map((member) =>
				[...within([name], member, 2)].flatMap(([way, inner]): ValueInScope[] => {
					const text = textOf(inner);
					return text === undefined ? [] : [{ path: way.join('.'), says: text }];
				})
			)
		};
	}
}

function* valuesIn(scope: Scope): Generator<ValueInScope> {
	for (const path of [['site', 'name'], ['page', 'title'], ['page', 'address'], ['year']]) {
		const text = textOf(lookUp(path, scope));
		if (text !== undefined) yield { path: path.join('.'), says: text };
	}
	for (const [key, value] of scope.instance.parameters) yield { path: `route.${key}`, says: value };
	for (const [path, value] of pathsIn(scope)) {
		const text = textOf(value);
		if (text !== undefined) yield { path: path.join('.'), says: text };
	}
}

/** What a member of a list is called: the list's own name without the s of several, where nothing has that name. */
function freeName(path: readonly string[], scope: Scope): string {
	const last = path.at(-1) ?? '';
	const base = /^[a-z][a-z0-9-]*[^s]s$/.test(last)
		? last.replace(/ies$/, 'ys').slice(0, -1)
		: 'one';
	const taken = new Set(['site', 'page', 'route', 'item', 'data', 'year', 'content', ...(scope.names?.keys() ?? [])]); // prettier-ignore
	for (let number = 1; ; number++) {
		const tried = number === 1 ? base : `${base}-${number}`;
		if (!taken.has(tried)) return tried;
	}
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

/** How a value is tested: that it is there, or against a text. */
export type TestWay = 'there' | Comparison;

/** A condition as it is written; quotes in the text are a part of it. */
export function testText(path: string, how: TestWay, text: string): string {
	return how === 'there' ? path : `${path} ${how} "${text.replace(/[\\"]/g, '\\$&')}"`;
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
