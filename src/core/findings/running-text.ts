import { seenBlanks } from '../lib/seen-blanks.ts';
import { isTag } from 'domhandler';
import type { RunningText } from '../check/subject/fitted-page.ts';
import { textIn, type WrittenPage } from '../check/subject/written-page.ts';
import type { BoxName } from '../geometry/layout-box.ts';
import { characterShare } from '../geometry/pieces/text-lines.ts';
import { TypeAround } from '../laid/type-around.ts';
import { attributeOf, outward, type Element } from '../author-styles/page-tree.ts';
import { reached } from '../author-styles/reached.ts';

/** What a style can say so that lines are not as wide as the box around them, and values that say nothing of it. */
const bounding =
	/^(max-width|max-inline-size|width|inline-size|columns|column-count|column-width|display|float|flex|white-space|position)$/;
const harmless = /^(block|list-item|normal|static|relative|auto|100%|none)$/;

const paragraphs = new Set(['p', 'li', 'dd', 'dt', 'blockquote', 'figcaption']);

/** The running text of a content: its longest paragraph but for those whose lines a style bounds; undefined where none is. */
export function runningText(name: BoxName, written: WrittenPage): RunningText | undefined {
	const names = name.pieces.map(({ piece }) => piece);
	const inside = written.elements.filter(
		(element) => paragraphs.has(element.name) && isInPieces(element, names, name, written)
	);
	if (inside.length === 0) return undefined;
	const bounded = boundedBy(written);
	const longest = inside
		.filter((element) => ![...outwardToPiece(element)].some((one) => bounded.has(one)))
		.map((element) => ({ element, characters: ownText(element).length }))
		.reduce<{ element: Element; characters: number } | undefined>(
			(one, other) => (one && one.characters >= other.characters ? one : other),
			undefined
		);
	if (!longest) return undefined;
	const { size } = typeOf(written).at(longest.element);
	return { characters: longest.characters, character: size * characterShare };
}

function isInPieces(
	element: Element,
	names: readonly string[],
	{ layout, region }: BoxName,
	written: WrittenPage
): boolean {
	const piece = [...outward(element)].find((one) => attributeOf(one, 'data-piece') !== undefined);
	if (!piece || !names.includes(attributeOf(piece, 'data-piece') ?? '')) return false;
	const box = written.boxOf(element);
	return box?.layout === layout && box?.region === region;
}

/** An element and all around it, as far as the piece reaches that it is in. */
function* outwardToPiece(element: Element): Generator<Element> {
	for (const one of outward(element)) {
		if (
			attributeOf(one, 'data-region') !== undefined &&
			attributeOf(one, 'data-piece') === undefined
		)
			return;
		yield one;
	}
}

/** What is written in a paragraph itself, and not in one further in. */
function ownText(element: Element): string {
	const text = element.children
		.map((child) => (isTag(child) && paragraphs.has(child.name) ? '' : textIn(child)))
		.join('');
	return seenBlanks(text);
}

const boundedOn = new WeakMap<WrittenPage, ReadonlySet<Element>>();

function boundedBy(written: WrittenPage): ReadonlySet<Element> {
	const known = boundedOn.get(written);
	if (known) return known;
	const found = new Set<Element>();
	for (const rule of written.rules) {
		const bounds = rule.declarations.some(
			({ property, value }) => bounding.test(property) && !harmless.test(value)
		);
		if (!bounds) continue;
		for (const { element } of reached(rule, written.tree)) found.add(element);
	}
	for (const element of written.elements) {
		if (/width|column|grid|flex/.test(attributeOf(element, 'style') ?? '')) found.add(element);
	}
	boundedOn.set(written, found);
	return found;
}

const types = new WeakMap<WrittenPage, TypeAround>();

function typeOf(written: WrittenPage): TypeAround {
	let type = types.get(written);
	if (!type) types.set(written, (type = new TypeAround(written.rules, () => written.tree)));
	return type;
}
