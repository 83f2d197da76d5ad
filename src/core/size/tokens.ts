import { BandMemory } from '../lib/band-memory.ts';
import type { Token } from '../model/site.ts';

/** Custom properties that can be looked up by name, such as `--gutter`. */
export type Lookup = (name: string) => string | undefined;

const deepest = 20;

/**
 * Puts the values of custom properties in place of `var()` (CSS Variables 1, section 3). Gives
 * undefined where one is not there and no other value is given for that case, or where they go in
 * circles.
 */
export function substitute(text: string, lookup: Lookup, depth = 0): string | undefined {
	const at = text.search(/\bvar\(/);
	if (at === -1) return text;
	if (depth > deepest) return undefined;
	const end = closing(text, at + 3);
	const inner = text.slice(at + 4, end);
	const comma = inner.indexOf(',');
	const name = (comma === -1 ? inner : inner.slice(0, comma)).trim();
	const value = lookup(name) ?? (comma === -1 ? undefined : inner.slice(comma + 1).trim());
	const put = value === undefined ? undefined : substitute(value, lookup, depth + 1);
	if (put === undefined) return undefined;
	const rest = substitute(text.slice(end + 1), lookup, depth);
	return rest === undefined ? undefined : text.slice(0, at) + put + rest;
}

/** Names of custom properties that a text refers to. */
export function namesIn(text: string): string[] {
	return [...text.matchAll(/\bvar\(\s*(--[\w-]+)/g)].map((match) => match[1] ?? '');
}

type BandNames = readonly { readonly name: { readonly text: string } }[];

const known = new BandMemory<readonly Token[], ReadonlyMap<string, string>>();

/** The tokens as they hold in a band of the screen, by its place among the bands. */
export function tokensAt(
	tokens: readonly Token[],
	bands: BandNames,
	band: number
): ReadonlyMap<string, string> {
	return known.get(tokens, bands, band, () => tokensFor(tokens, bands, band));
}

function tokensFor(
	tokens: readonly Token[],
	bands: BandNames,
	band: number
): ReadonlyMap<string, string> {
	const found = new Map<string, { readonly from: number; readonly text: string }>();
	for (const token of tokens) {
		const from = token.band ? bands.findIndex((one) => one.name.text === token.band?.text) : 0;
		const before = found.get(token.name.text);
		if (from === -1 || from > band || (before && before.from > from)) continue;
		found.set(token.name.text, { from, text: token.value.text });
	}
	return new Map([...found].map(([name, { text }]) => [name, text]));
}

function closing(text: string, open: number): number {
	let depth = 0;
	for (let at = open; at < text.length; at++) {
		if (text[at] === '(') depth++;
		else if (text[at] === ')' && --depth === 0) return at;
	}
	return text.length;
}
