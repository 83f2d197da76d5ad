import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { layerName, layersOf, type MarkupPiece } from '../../model/site.ts';
import { positionOf, type Span } from '../../model/span.ts';
import type { PieceRef } from '../../model/command.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findPiece } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { writePart } from './parts.ts';

/** An element of some markup, as it is written, with what can differ in it: texts and values of attributes. */
interface Stretch {
	readonly owner: string;
	readonly piece: string;
	readonly span: Span;
	readonly markup: string;
	/** Equal for elements that differ in texts and values only. */
	readonly shape: string;
	readonly slots: readonly Slot[];
}

/** A text or value in an element, as it is written. */
interface Slot {
	/** What it would be called: the name of the attribute, or of the element around the text. */
	readonly hint: string;
	readonly text: string;
	/** From the start of the element. */
	readonly from: number;
	readonly to: number;
}

/** What could become a part: the elements of a piece, and where others like them stand. */
export interface PartStart {
	/** The element, such as `li`; undefined: all of the piece. */
	readonly element: string | undefined;
	readonly markup: string;
	/** Other places with the same markup, but for texts. */
	readonly others: readonly PartPlace[];
	/** What would be given, with the text that stands in the element itself. */
	readonly parameters: readonly { readonly name: string; readonly value: string }[];
}

export interface PartPlace {
	readonly owner: string;
	readonly piece: string;
	readonly line: number;
	readonly markup: string;
}

/** Everything in a piece that could become a part: all of it, then its elements, each once for all that are alike. */
export function partStarts(resolved: ResolvedSite, ref: PieceRef): PartStart[] {
	const piece = markupPiece(resolved, ref);
	const all = allStretches(resolved);
	const own = all.filter(({ span }) => isIn(span, piece.markup.span));
	const seen = new Set<string>();
	return own.flatMap((stretch) => {
		const key = `${stretch.shape} ${stretch.markup}`;
		if (seen.has(key)) return [];
		seen.add(key);
		const others = othersLike(stretch, all);
		const { texts } = resolved.reading.files;
		return [
			{
				element: /^<([a-z0-9-]+)/i.exec(stretch.markup)?.[1],
				markup: stretch.markup,
				others: others.map(({ owner, piece: name, span, markup }) => ({
					owner,
					piece: name,
					line: positionOf(span, texts).line,
					markup
				})),
				parameters: parametersOf(stretch, others).map(({ name, slot }) => ({
					name,
					value: slot.text
				}))
			}
		];
	});
}

/** The place of what one mostly means: what stands in several places, and differs most there. */
export function bestStart(starts: readonly PartStart[]): number {
	const worth = ({ others, parameters, markup }: PartStart): number =>
		others.length === 0 ? 0 : parameters.length * 1000 + Math.min(999, markup.length);
	const best = Math.max(0, ...starts.map(worth));
	return best === 0 ? 0 : starts.findIndex((one) => worth(one) === best);
}

/**
 * Makes a part of an element of a piece: what differs between the places becomes what it is given, and each
 * place that was chosen uses it. `start` and `others` are places in the lists of `partStarts`.
 */
export function makePart(
	resolved: ResolvedSite,
	surgery: Surgery,
	ref: PieceRef,
	start: number,
	name: string,
	others: readonly number[]
): string[] {
	const starts = partStarts(resolved, ref);
	const chosen = starts[start];
	if (!chosen)
		throw new CommandRefused(`What should become a part does not stand in ${ref.piece} any more.`);
	const piece = markupPiece(resolved, ref);
	const all = allStretches(resolved);
	const stretch = all.find(
		({ span, markup }) => isIn(span, piece.markup.span) && markup === chosen.markup
	);
	if (!stretch)
		throw new CommandRefused(`What should become a part does not stand in ${ref.piece} any more.`);
	if (/\{\s*(content|else|end|for|if|use)\b/.test(stretch.markup) && !isWhole(stretch.markup)) {
		throw new CommandRefused(
			'A list or condition begins in it and ends outside, so it cannot stand by itself.'
		);
	}
	const places = othersLike(stretch, all);
	const taken = [stretch, ...others.flatMap((index) => places[index] ?? [])];
	const parameters = parametersOf(stretch, taken.slice(1));
	const names = parameters.map((one) => one.name);
	writePart(resolved, surgery, name, [
		`part ${name}${names.length > 0 ? `(${names.join(', ')})` : ''} """`,
		...withParameters(stretch, parameters)
			.split('\n')
			.map((line) => (line.trim() === '' ? '' : `  ${line}`)),
		'"""'
	]);
	for (const place of taken) {
		const given = parameters.map(({ name: key, index }) => {
			const text = asValue(place.slots[index]?.text ?? '');
			return ` ${key}="${text.replace(/[\\"]/g, '\\$&')}"`;
		});
		surgery.replace(place.span, `{use ${name}${given.join('')}}`);
	}
	const count = taken.length - 1;
	return count === 0
		? []
		: [`${count === 1 ? 'One other place' : `${count} other places`} would use ${name} too.`];
}

/** Text of markup as the value it means: references to characters are those characters, tags stay. */
function asValue(text: string): string {
	if (!text.includes('&')) return text;
	return text
		.split(/(\{[^{}]*\})/)
		.map((part) => {
			if (part.startsWith('{') || !part.includes('&')) return part;
			const [node] = parseFragment(part.replaceAll('<', '&lt;')).childNodes;
			return node && 'value' in node ? node.value : part;
		})
		.join('');
}

/** Expressions that only the layer knows cannot go into a part; those in texts that differ can. */
function markupPiece(resolved: ResolvedSite, { holder, piece: name }: PieceRef): MarkupPiece {
	const piece = findPiece(resolved, holder, name);
	if (piece.kind !== 'markup')
		throw new CommandRefused(`${name} is a list of links made from routes, which has no markup.`);
	return piece;
}

function isIn(inner: Span, outer: Span): boolean {
	return inner.file === outer.file && inner.from >= outer.from && inner.to <= outer.to;
}

function isWhole(markup: string): boolean {
	const opens = markup.match(/\{\s*(for|if)\b/g)?.length ?? 0;
	const ends = markup.match(/\{\s*end\s*\}/g)?.length ?? 0;
	return opens === ends;
}

/** Every element of every piece of the site, the outer before the inner. */
function allStretches(resolved: ResolvedSite): Stretch[] {
	const { site, reading } = resolved;
	return layersOf(site).flatMap((layer) =>
		piecesIn(layer).flatMap((piece) => {
			if (piece.kind !== 'markup') return [];
			const { span } = piece.markup;
			const text = reading.files.texts.get(span.file)?.slice(span.from + 3, span.to - 3) ?? '';
			const at = { file: span.file, from: span.from + 3, to: span.to - 3 };
			return stretchesIn(text, at, layerName(layer), piece.name.text);
		})
	);
}

function stretchesIn(text: string, at: Span, owner: string, piece: string): Stretch[] {
	const found: Stretch[] = [];
	const visit = (node: Tree.ChildNode): void => {
		if (!('tagName' in node)) return;
		const place = node.sourceCodeLocation;
		if (place) {
			const { startOffset: from, endOffset: to } = place;
			const markup = text.slice(from, to);
			const slots: Slot[] = [];
			const shape = shapeOf(node, text, from, slots);
			const span = { file: at.file, from: at.from + from, to: at.from + to };
			found.push({ owner, piece, span, markup, shape, slots });
		}
		for (const child of node.childNodes) visit(child);
	};
	const { childNodes } = parseFragment(text, { sourceCodeLocationInfo: true });
	const roots = childNodes.filter((node) => !('value' in node) || node.value.trim() !== '');
	const whole = wholeOf(roots, text, at, { owner, piece });
	for (const node of childNodes) visit(node);
	// A piece of one element is that element.
	return roots.length > 1 && whole ? [whole, ...found] : found;
}

/** All of a piece, as one stretch. */
function wholeOf(
	roots: readonly Tree.ChildNode[],
	text: string,
	at: Span,
	whose: Pick<Stretch, 'owner' | 'piece'>
): Stretch | undefined {
	const [first, last] = [roots[0]?.sourceCodeLocation, roots.at(-1)?.sourceCodeLocation];
	if (!first || !last) return undefined;
	const lead = /^\s*/.exec(text.slice(first.startOffset))?.[0].length ?? 0;
	const from = first.startOffset + lead;
	const to = from + text.slice(from, last.endOffset).trimEnd().length;
	const slots: Slot[] = [];
	const shape = roots.map((node) => shapeOf(node, text, from, slots)).join('');
	const span = { file: at.file, from: at.from + from, to: at.from + to };
	return { ...whose, span, markup: text.slice(from, to), shape, slots };
}

/** What an element is without its texts and values, which are collected on the way. */
function shapeOf(
	node: Tree.ChildNode,
	text: string,
	start: number,
	slots: Slot[],
	around = 'text'
): string {
	if (!('tagName' in node)) {
		if (node.nodeName !== '#text' || !('value' in node) || node.value.trim() === '') return '';
		const place = node.sourceCodeLocation;
		if (!place) return '';
		const written = text.slice(place.startOffset, place.endOffset);
		const lead = /^\s*/.exec(written)?.[0].length ?? 0;
		const end = written.trimEnd().length;
		slots.push({
			hint: around,
			text: written.slice(lead, end),
			from: place.startOffset + lead - start,
			to: place.startOffset + end - start
		});
		return 'text ';
	}
	const attributes = node.attrs.map(({ name }) => {
		const place = node.sourceCodeLocation?.attrs?.[name];
		const [, value] =
			/^[^=]*=\s*"([^]*)"$/.exec(place ? text.slice(place.startOffset, place.endOffset) : '') ?? [];
		if (place && value !== undefined) {
			const to = place.endOffset - 1;
			slots.push({ hint: name, text: value, from: to - value.length - start, to: to - start });
		}
		return name;
	});
	const inner = node.childNodes.map((child) =>
		shapeOf(child, text, start, slots, hintOf(node.tagName))
	);
	return `<${[node.tagName, ...attributes].join(' ')}>${inner.join('')}</>`;
}

/** What the text of an element is called where it is given. */
function hintOf(element: string): string {
	if (/^h[1-6]$/.test(element)) return 'title';
	return (
		{
			a: 'label',
			p: 'text',
			li: 'item',
			td: 'cell',
			th: 'head',
			dd: 'value',
			dt: 'term',
			button: 'label'
		}[element] ?? 'text'
	);
}

/** Other elements of the same shape that do not stand in it or around it, nor in one of each other. */
function othersLike(stretch: Stretch, all: readonly Stretch[]): Stretch[] {
	return all.filter(
		(one) =>
			one !== stretch &&
			one.shape === stretch.shape &&
			one.slots.length === stretch.slots.length &&
			!isIn(one.span, stretch.span) &&
			!isIn(stretch.span, one.span) &&
			!/\{\s*(content|else|end|for|if|use)\b/.test(one.markup)
	);
}

interface PartParameter {
	readonly name: string;
	/** Its place among what can differ. */
	readonly index: number;
	readonly slot: Slot;
}

/** What differs between the places; and what only the page knows, such as a member of a list. */
function parametersOf(stretch: Stretch, others: readonly Stretch[]): PartParameter[] {
	const taken = new Set<string>();
	return stretch.slots.flatMap((slot, index): PartParameter[] => {
		const differs = others.some((one) => one.slots[index]?.text !== slot.text);
		if (!differs && !/(^|[^\\])\{/.test(slot.text)) return [];
		const hint = slot.hint.replace(/[^a-z0-9-]/g, '-').replace(/^[^a-z]+/, '') || 'text';
		const base = ['site', 'page', 'route', 'item', 'data', 'year', 'content'].includes(hint)
			? `${hint}-text`
			: hint;
		let name = base;
		for (let count = 2; taken.has(name); count++) name = `${base}-${count}`;
		taken.add(name);
		return [{ name, index, slot }];
	});
}

function withParameters({ markup, slots }: Stretch, parameters: readonly PartParameter[]): string {
	let written = markup;
	for (const { name, index } of [...parameters].reverse()) {
		const slot = slots[index];
		if (slot) written = `${written.slice(0, slot.from)}{${name}}${written.slice(slot.to)}`;
	}
	// The lines behind the first one stand as deep as the piece: what all of them have is taken off.
	const [first = '', ...rest] = written.split('\n');
	const depths = rest
		.filter((line) => line.trim() !== '')
		.map((line) => line.length - line.trimStart().length);
	const depth = depths.length === 0 ? 0 : Math.min(...depths);
	return [
		first,
		...rest.map((line) => line.slice(Math.min(depth, line.length - line.trimStart().length)))
	].join('\n');
}
