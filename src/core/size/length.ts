import type { CssNode, List } from './css-syntax.ts';
import { parseValue } from './css-value.ts';
import { larger, smaller } from './turns.ts';

/** What lengths can refer to besides numbers, px. */
export interface Viewport {
	readonly width: number;
	readonly height: number;
	/** What a classic scrollbar takes of what scrolls. */
	readonly scrollbar?: number;
	/** px in a rem; 16 where nothing is said. */
	readonly rem?: number;
	/** The page has one at its side; lengths count with it (CSS Values 4, section 5.1.2). */
	readonly isBarred?: boolean;
	/** The page has one along its foot; no length counts with that. */
	readonly isBarredBelow?: boolean;
}

/** A length that can be worked out once it is known what shares are shares of. */
export interface Length {
	/** Whether it holds a share (%), so that it needs a base. */
	readonly share: boolean;
	/** Whether it depends on the size of the screen. */
	readonly viewport: boolean;
	/** px, where `base` is what 100 % is, px. */
	at(base: number, viewport: Viewport): number;
}

/** Says why a text is no length, as the end of a sentence. */
export interface NoLength {
	readonly why: string;
	/** It could be read, but is below zero. */
	readonly negative?: boolean;
}

/** Units of CSS Values 4, sections 6.1 and 6.2, that depend on nothing. */
const unitsInPx: ReadonlyMap<string, number> = new Map(
	Object.entries<number>({
		px: 1,
		in: 96,
		cm: 96 / 2.54,
		mm: 96 / 25.4,
		q: 96 / 101.6,
		pt: 96 / 72,
		pc: 16
	})
);

const viewportUnits: ReadonlyMap<string, (view: Viewport) => number> = new Map(
	Object.entries<(view: Viewport) => number>({
		...axisUnits('w', (view) => view.width),
		...axisUnits('h', (view) => view.height),
		...axisUnits('i', (view) => view.width),
		...axisUnits('b', (view) => view.height),
		...axisUnits('min', (view) => smaller(view.width, view.height)),
		...axisUnits('max', (view) => larger(view.width, view.height))
	})
);

/** Section 6.1.2.1: the large, small and dynamic viewport are one where no bar of the browser moves. */
function axisUnits(
	axis: string,
	size: (view: Viewport) => number
): Record<string, (view: Viewport) => number> {
	return Object.fromEntries(['v', 'sv', 'lv', 'dv'].map((kind) => [kind + axis, size]));
}

/** A number in a calculation, or a length; sums need lengths, factors need a number. */
type Term = { readonly number: number } | { readonly length: Length };

class LengthRefused extends Error {
	override readonly name = 'LengthRefused';
}

/**
 * Reads a CSS length, share, `calc()`, `min()`, `max()` or `clamp()` without custom properties. Only
 * margins may be below zero.
 */
export function parseLength(text: string, belowZero = false): Length | NoLength {
	const nodes = parseValue(text);
	if (!nodes) return { why: 'it cannot be read' };
	const [node] = nodes;
	if (!node || nodes.length > 1) return { why: 'it must be one length' };
	const literal = 'value' in node ? Number(node.value) : 0;
	if (literal < 0 && !belowZero) return { why: 'it is below zero', negative: true };
	// CSS Values 4, section 6: nothing may stand without a unit, but by itself only.
	if (node.type === 'Number' && literal === 0) return px(0);
	return lengthOfNode(node);
}

/** Reads one node of a parsed CSS value. */
export function lengthOfNode(node: CssNode): Length | NoLength {
	try {
		return lengthOf(termOf(node));
	} catch (failure) {
		if (failure instanceof LengthRefused) return { why: failure.message };
		throw failure;
	}
}

export function isLength(length: Length | NoLength): length is Length {
	return 'at' in length;
}

/** A length that is always the same. */
export function px(value: number): Length {
	return { share: false, viewport: false, at: () => value };
}

function lengthOf(term: Term): Length {
	if ('length' in term) return term.length;
	if (term.number === 0) throw new LengthRefused('in a calculation 0 needs a unit, so write 0px');
	throw new LengthRefused(`${term.number} has no unit`);
}

function termOf(node: CssNode): Term {
	switch (node.type) {
		case 'Number':
			return { number: finite(node.value) };
		case 'Percentage': {
			const share = finite(node.value) / 100;
			return { length: { share: true, viewport: false, at: (base) => base * share } };
		}
		case 'Dimension':
			return { length: dimension(finite(node.value), node.unit.toLowerCase()) };
		case 'Parentheses':
			return sumOf(node.children.toArray());
		case 'Function':
			return functionOf(node.name.toLowerCase(), node.children);
		default:
			throw new LengthRefused('it must be a length such as 24px, 1.5rem or 40%');
	}
}

function finite(text: string): number {
	const value = Number(text);
	if (Number.isFinite(value)) return value;
	throw new LengthRefused('it is larger than any number that can be counted with');
}

function dimension(value: number, unit: string): Length {
	const factor = unitsInPx.get(unit);
	if (factor !== undefined) return px(value * factor);
	// Section 6.1.1: the size of text on `html`, which no style of a site may change.
	if (unit === 'rem') {
		return { share: false, viewport: false, at: (_, view) => value * (view.rem ?? 16) };
	}
	const size = viewportUnits.get(unit);
	if (size) return { share: false, viewport: true, at: (_, view) => (size(view) * value) / 100 };
	throw new LengthRefused(
		`${unit} depends on the text it stands in, so write px, rem, % or a share of the screen such as 10vw`
	);
}

/** CSS Values 4, section 10. */
function functionOf(name: string, children: List<CssNode>): Term {
	const lists = argumentsOf(children);
	if (name === 'calc' && lists.length === 1) return sumOf(lists[0] ?? []);
	const lengths = lists.map((list) => lengthOf(sumOf(list)));
	if (name === 'min' && lengths.length > 0) return { length: joined(lengths, smaller) };
	if (name === 'max' && lengths.length > 0) return { length: joined(lengths, larger) };
	const [low, value, high] = lengths;
	if (name === 'clamp' && low && value && high && lengths.length === 3) {
		return { length: joined([low, joined([value, high], smaller)], larger) };
	}
	throw new LengthRefused(`${name}() cannot stand here`);
}

const sum = (a: number, b: number): number => a + b;
const difference = (a: number, b: number): number => a - b;

function joined(lengths: readonly Length[], by: (a: number, b: number) => number): Length {
	return lengths.reduce((one, other) => ({
		share: one.share || other.share,
		viewport: one.viewport || other.viewport,
		at: (base, view) => by(one.at(base, view), other.at(base, view))
	}));
}

function scaled(length: Length, factor: number): Length {
	return { ...length, at: (base, view) => length.at(base, view) * factor };
}

function argumentsOf(children: List<CssNode>): CssNode[][] {
	const lists: CssNode[][] = [[]];
	for (const node of children.toArray()) {
		if (node.type === 'Operator' && node.value.trim() === ',') lists.push([]);
		else lists.at(-1)?.push(node);
	}
	return lists;
}

/** Terms with + and - between them, each made of factors with * and / between them. */
function sumOf(nodes: readonly CssNode[]): Term {
	let total: Term | undefined;
	let sign: '+' | '-' = '+';
	let factors: CssNode[] = [];
	const close = (): void => {
		const term = productOf(factors);
		factors = [];
		total = total ? added(total, term, sign) : term;
	};
	for (const node of nodes) {
		const operator = node.type === 'Operator' ? node.value.trim() : '';
		if (operator === '+' || operator === '-') {
			close();
			sign = operator;
		} else {
			factors.push(node);
		}
	}
	close();
	return total ?? { number: 0 };
}

function added(one: Term, other: Term, sign: '+' | '-'): Term {
	const by = sign === '+' ? sum : difference;
	if ('number' in one && 'number' in other) return { number: by(one.number, other.number) };
	return { length: joined([lengthOf(one), lengthOf(other)], by) };
}

function productOf(nodes: readonly CssNode[]): Term {
	const [first, ...rest] = nodes;
	if (!first) throw new LengthRefused('a part of the calculation is missing');
	let product = termOf(first);
	for (let at = 0; at < rest.length; at += 2) {
		const [operator, node] = [rest[at], rest[at + 1]];
		const sign = operator?.type === 'Operator' ? operator.value.trim() : '';
		if (!node || (sign !== '*' && sign !== '/')) {
			throw new LengthRefused('a part of the calculation is missing');
		}
		product = multiplied(product, termOf(node), sign);
	}
	return product;
}

function multiplied(one: Term, other: Term, sign: '*' | '/'): Term {
	if (sign === '/') {
		if (!('number' in other) || other.number === 0) {
			throw new LengthRefused('it divides by what is no number');
		}
		return multiplied(one, { number: 1 / other.number }, '*');
	}
	if ('number' in one && 'number' in other) return { number: one.number * other.number };
	if ('number' in one && 'length' in other) return { length: scaled(other.length, one.number) };
	if ('length' in one && 'number' in other) return { length: scaled(one.length, other.number) };
	throw new LengthRefused('it multiplies a length by a length');
}
