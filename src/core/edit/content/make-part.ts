import { parseFragment } from 'parse5';
import type { MarkupPiece } from '../../model/site.ts';
import { positionOf } from '../../model/span.ts';
import type { PieceRef } from '../../model/command.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findPiece } from '../find.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import type { PartStart } from './part-start.ts';
import { writePart } from './parts.ts';
import { allStretches, isIn, isWhole, type Slot, type Stretch } from './stretches.ts';
import { keepsLines } from '../../outline/written-text.ts';

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
				element: stretch.element,
				markup: stretch.markup,
				isTelling: (stretch.shape.match(/<\w/g)?.length ?? 0) > 1 || stretch.slots.length > 1,
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
			const text = inOneLine(asValue(place.slots[index]?.text ?? ''), place);
			return ` ${key}="${text.replace(/[\\"]/g, '\\$&')}"`;
		});
		surgery.replace(place.span, `{use ${name}${given.join('')}}`);
	}
	const count = taken.length - 1;
	return count === 0
		? []
		: [`${count === 1 ? 'One other place' : `${count} other places`} would use ${name} too.`];
}

/** What is given stands in one line; where lines are text of their own that cannot be. */
function inOneLine(text: string, { markup }: Stretch): string {
	if (!text.includes('\n')) return text;
	if (keepsLines(markup)) {
		throw new CommandRefused(
			'Text over several lines of a pre or textarea cannot be given to a part.'
		);
	}
	return text.replace(/\s*\n\s*/g, ' ');
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
