import type { CssNode, FunctionNode } from './css-syntax.ts';
import { splitSizes } from './css-tokens.ts';
import { parseValue } from './css-value.ts';
import { isLength, lengthOfNode, px, type Length, type NoLength } from './length.ts';

/** How small or large a track may be (CSS Grid Layout 2, section 7.2.1). */
export type TrackBreadth =
	| { readonly kind: 'length'; readonly length: Length }
	| { readonly kind: 'flex'; readonly factor: number }
	| { readonly kind: 'auto' | 'min-content' | 'max-content' };

/** A track's least and greatest size; `limit` is that of `fit-content()`. */
export interface TrackSize {
	readonly min: TrackBreadth;
	readonly max: TrackBreadth;
	readonly limit: Length | undefined;
}

/** A track list: sizes, of which one group may repeat as often as there is room. */
export interface TrackList {
	readonly tracks: readonly TrackSize[];
	readonly repeat:
		| {
				readonly kind: 'auto-fill' | 'auto-fit';
				readonly tracks: readonly TrackSize[];
				/** How many of `tracks` stand before it. */
				readonly at: number;
		  }
		| undefined;
}

/** Which sizes a list may hold: rows have no shares, as nothing says what of. */
export interface TrackRules {
	readonly shares: boolean;
}

class TracksRefused extends Error {
	override readonly name = 'TracksRefused';
	constructor(readonly reason: NoLength) {
		super(reason.why);
	}
}

/** Reads a CSS track list: lengths, shares, fr, keywords, minmax(), fit-content() and repeat(). */
export function parseTracks(text: string, rules: TrackRules): TrackList | NoLength {
	const nodes = parseValue(text);
	if (!nodes) return { why: 'it cannot be read' };
	try {
		return tracksOf(nodes, rules);
	} catch (failure) {
		if (failure instanceof TracksRefused) return failure.reason;
		throw failure;
	}
}

export function isTrackList(tracks: TrackList | NoLength): tracks is TrackList {
	return 'tracks' in tracks;
}

/** More than any page has; CSS Grid Layout 2, section 7.2.3.4 lets each browser set such a limit. */
export const mostTracks = 200;

/** How many tracks some words of a list are; one where they cannot be read, such as a token. */
export function countTracks(text: string): number {
	return splitSizes(text).reduce((sum, word) => {
		const read = parseTracks(word, { shares: true });
		const many = isTrackList(read) ? read.tracks.length + (read.repeat?.tracks.length ?? 0) : 1;
		return sum + many;
	}, 0);
}

function tracksOf(nodes: readonly CssNode[], rules: TrackRules): TrackList {
	const tracks: TrackSize[] = [];
	let repeat: TrackList['repeat'];
	for (const node of nodes) {
		if (node.type !== 'Function' || node.name !== 'repeat') {
			tracks.push(trackOf(node, rules));
			continue;
		}
		const [count, inner] = repeatOf(node, rules);
		if (typeof count === 'number') {
			if (count * inner.length > mostTracks) refuse(`it has more than ${mostTracks} tracks`);
			for (let i = 0; i < count; i++) tracks.push(...inner);
		} else {
			if (repeat) refuse('only one repeat() can be as often as there is room');
			repeat = { kind: count, tracks: inner, at: tracks.length };
		}
	}
	if (tracks.length > mostTracks) refuse(`it has more than ${mostTracks} tracks`);
	if (repeat && ![...tracks, ...repeat.tracks].every(isFixed)) {
		refuse(
			'next to auto-fill and auto-fit each track needs a length as its least or greatest size'
		);
	}
	return { tracks, repeat };
}

/** A `<fixed-size>`: CSS Grid Layout 2, section 7.2.3.2. */
function isFixed({ min, max, limit }: TrackSize): boolean {
	return !limit && (min.kind === 'length' || max.kind === 'length');
}

function repeatOf(
	node: FunctionNode,
	rules: TrackRules
): readonly [number | 'auto-fill' | 'auto-fit', readonly TrackSize[]] {
	const [count, comma, ...rest] = node.children.toArray();
	if (comma?.type !== 'Operator') refuse('repeat() needs a number and tracks');
	const { tracks, repeat } = tracksOf(rest, rules);
	if (repeat || tracks.length === 0) refuse('repeat() needs tracks that do not repeat themselves');
	if (count?.type === 'Identifier' && (count.name === 'auto-fill' || count.name === 'auto-fit')) {
		return [count.name, tracks];
	}
	const times = count?.type === 'Number' ? Number(count.value) : 0;
	if (!Number.isInteger(times) || times < 1) refuse('repeat() needs a whole number above zero');
	return [times, tracks];
}

function trackOf(node: CssNode, rules: TrackRules): TrackSize {
	if (node.type === 'Function' && node.name === 'minmax') {
		const [min, comma, max, more] = node.children.toArray();
		if (!min || !max || comma?.type !== 'Operator' || more) refuse('minmax() needs two sizes');
		const least = breadthOf(min, rules);
		if (least.kind === 'flex') refuse('the least size in minmax() cannot be in fr');
		return { min: least, max: breadthOf(max, rules), limit: undefined };
	}
	if (node.type === 'Function' && node.name === 'fit-content') {
		const [only, more] = node.children.toArray();
		if (!only || more) refuse('fit-content() needs one length');
		const limit = breadthOf(only, rules);
		if (limit.kind !== 'length') refuse('fit-content() needs a length');
		return { min: { kind: 'auto' }, max: { kind: 'max-content' }, limit: limit.length };
	}
	const breadth = breadthOf(node, rules);
	const min: TrackBreadth = breadth.kind === 'flex' ? { kind: 'auto' } : breadth;
	return { min, max: breadth, limit: undefined };
}

function breadthOf(node: CssNode, rules: TrackRules): TrackBreadth {
	if (node.type === 'Identifier') {
		const { name } = node;
		if (name === 'auto' || name === 'min-content' || name === 'max-content') return { kind: name };
	}
	if ('value' in node && Number(node.value) < 0) refuse('it is below zero', true);
	if (node.type === 'Dimension' && node.unit === 'fr') {
		const factor = Number(node.value);
		if (!Number.isFinite(factor)) refuse('it is larger than any number that can be counted with');
		return { kind: 'flex', factor };
	}
	const isNothing = node.type === 'Number' && Number(node.value) === 0;
	const length = isNothing ? px(0) : lengthOfNode(node);
	if (!isLength(length)) throw new TracksRefused(length);
	if (length.share && !rules.shares) refuse('a row has no share (%), as nothing says what of');
	return { kind: 'length', length };
}

function refuse(why: string, negative = false): never {
	throw new TracksRefused({ why, negative });
}
