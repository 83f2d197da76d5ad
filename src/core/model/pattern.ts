import { isName } from './name.ts';
import { decodeSegment, encodeSegment, whyNoSegment } from './address.ts';

/**
 * Route patterns in the simple forms of the URL Pattern standard: fixed segments, `:name` for one
 * segment, and `*` for the rest, last.
 */
export type Segment =
	/** As written; `name` is what it stands for, without escapes. */
	| { readonly kind: 'fixed'; readonly text: string; readonly name: string }
	| { readonly kind: 'parameter'; readonly name: string }
	| { readonly kind: 'rest' };

export interface Pattern {
	/** As written. */
	readonly text: string;
	readonly segments: readonly Segment[];
	/** Equal for patterns that match the same addresses: parameter names do not count. */
	readonly key: string;
	/** The keys of the pattern and of everything above it, nearest first, `/` last. */
	readonly upward: readonly string[];
}

/** Reads a pattern, or says in a few words why it is none. */
export function readPattern(text: string): Pattern | string {
	if (!text.startsWith('/')) return 'it does not start with /';
	if (text !== '/' && text.endsWith('/')) return 'it ends with /';
	const words = text === '/' ? [] : text.slice(1).split('/');
	const segments: Segment[] = [];
	const names = new Set<string>();
	for (const [index, word] of words.entries()) {
		if (word === '') return 'it has an empty segment';
		if (word === '*') {
			if (index !== words.length - 1) return '* stands only at the end';
			segments.push({ kind: 'rest' });
		} else if (word.startsWith(':')) {
			const name = word.slice(1);
			if (!isName(name)) return `${word} is not a parameter name`;
			if (names.has(name)) return `the parameter :${name} is there twice`;
			names.add(name);
			segments.push({ kind: 'parameter', name });
		} else if (!/^[A-Za-z0-9_.~%-]+$/.test(word)) {
			return `${word} has characters that a segment cannot have`;
		} else {
			const name = decodeSegment(word);
			const why = whyNoSegment(name);
			if (why !== undefined) return `${word} cannot be a segment, since ${why}`;
			segments.push({ kind: 'fixed', text: word, name });
		}
	}
	return makePattern(segments);
}

function makePattern(segments: readonly Segment[]): Pattern {
	const words = segments.map(segmentKey);
	const upward = words.map((_, index) => '/' + words.slice(0, words.length - index).join('/'));
	return {
		text: '/' + segments.map(segmentText).join('/'),
		segments,
		key: '/' + words.join('/'),
		upward: [...upward, '/']
	};
}

function segmentText(segment: Segment): string {
	switch (segment.kind) {
		case 'fixed':
			return segment.text;
		case 'parameter':
			return ':' + segment.name;
		case 'rest':
			return '*';
	}
}

/** What makes two segments the same place in the route tree. */
function segmentKey(segment: Segment): string {
	if (segment.kind === 'fixed') return encodeSegment(segment.name);
	return segment.kind === 'parameter' ? ':' : '*';
}

/** Whether `pattern` is `branch` or lies below it in the route tree. */
export function isWithin(pattern: Pattern, branch: Pattern): boolean {
	if (branch.segments.length === 0) return true;
	return pattern.key === branch.key || pattern.key.startsWith(branch.key + '/');
}

export function hasParameters(pattern: Pattern): boolean {
	return pattern.segments.some((segment) => segment.kind !== 'fixed');
}

/** What the values of a pattern are called; those of `*` are `rest`. */
export function parameterNames({ segments }: Pattern): string[] {
	return segments.flatMap((segment) => {
		if (segment.kind === 'fixed') return [];
		return segment.kind === 'parameter' ? [segment.name] : ['rest'];
	});
}

/** Whether two patterns have values of the same names. */
export function hasSameParameters(one: Pattern, other: Pattern): boolean {
	return parameterNames(one).sort().join() === parameterNames(other).sort().join();
}

/** The values of a pattern's parameters for an address, or undefined where it does not match. */
export function matchPattern(pattern: Pattern, path: string): Map<string, string> | undefined {
	const words = path === '/' ? [] : path.replace(/^\/|\/$/g, '').split('/');
	const values = new Map<string, string>();
	for (const [index, segment] of pattern.segments.entries()) {
		const word = words[index];
		if (segment.kind === 'rest') {
			if (word === undefined) return undefined;
			return values.set('rest', words.slice(index).map(decodeSegment).join('/'));
		}
		if (word === undefined) return undefined;
		if (segment.kind === 'parameter') values.set(segment.name, decodeSegment(word));
		else if (segment.name !== decodeSegment(word)) return undefined;
	}
	return words.length === pattern.segments.length ? values : undefined;
}

/** Orders patterns for matching: a fixed segment wins over `:name`, that over `*`. */
export function compareSpecificity(a: Pattern, b: Pattern): number {
	const rank = { fixed: 0, parameter: 1, rest: 2 };
	const length = Math.max(a.segments.length, b.segments.length);
	for (let index = 0; index < length; index++) {
		const left = a.segments[index];
		const right = b.segments[index];
		if (!left || !right) return left ? 1 : -1;
		if (left.kind !== right.kind) return rank[left.kind] - rank[right.kind];
	}
	return 0;
}

/** An address made from a pattern. A value missing for a parameter is replaced by the parameter's name. */
export function fillPattern(pattern: Pattern, values: ReadonlyMap<string, string>): string {
	const words = pattern.segments.map((segment) => {
		if (segment.kind === 'fixed') return encodeSegment(segment.name);
		if (segment.kind === 'parameter')
			return encodeSegment(values.get(segment.name) ?? segment.name);
		return (values.get('rest') ?? 'rest').split('/').map(encodeSegment).join('/');
	});
	return '/' + words.join('/');
}
