import type { Change } from '../../../src/core/source/change.ts';
import type { Random } from './random.ts';

/** Slips of the hand, and worse: changes of a text that no one would make on purpose. */

/** What is put in: marks of the language and of CSS and HTML, words out of place, numbers, odd characters. */
const bits = [
	':', ';', '{', '}', '(', ')', '"', '"""', '\\', '/', '//', '/*', '*/', '@', '@wide', '@nowhere', '#', '.', ',',
	'>', '<', '<b>', '</b>', '<!--', '-->', '<svg>', '<template>', '<table><td>', '<select>', '&', '&amp', '{', '{x}',
	'{data', '{data.opening}', '{site.name}', '{for x in y}', '\\{', '--', '--x', '-', '+', '*', '%', '!', '=', '~', '|',
	'none', 'auto', 'screen', 'slot', 'locked', 'open', 'required', 'under none', 'pad', 'gap >', 'width: 200px',
	'span 99999999 by 99999999', 'calc(', 'calc(1px', 'var(', 'var(--', 'var(--gutter', 'var(--a, var(--b,', 'min()',
	'clamp(1px,2px)', 'url(', 'repeat(', 'repeat(auto-fill, 1px)', 'minmax(1fr,', '1e999px', '-1px', '0', '00', '1e-400',
	'99999999999999999999', '0.0000001px', '50%', '3fr', '10q', 'NaN', 'Infinity', 'constructor', '__proto__', 'toString',
	'\u0000', '\t', '\r', '\r\n', '\n', '\n\n', '\u2028', '\ufeff', '\u200b', '\u202e', '\ud800', '\udc00', '\ue000',
	'\ue0011\ue000', '\u{1f331}', 'é', 'é', 'ß', 'İ', 'على', '٣', '中文', '\u0301\u0301', 'site "x" {', 'layout t at/{gap>',
	'route /%2e%2e {', 'route /', 'state', 'data x from "y.json"', 'part x', 'arrange areas { "a a" 1fr }', 'nav from / depth 9'
]; // prettier-ignore

const nests: readonly (readonly [string, string])[] = [
	['(', ')'],
	['{', '}'],
	['calc(', ')'],
	['<b>', ''],
	['<div>', '</div>'],
	['<svg>', ''],
	['wrapper w {', '}'],
	['var(--x, ', ')'],
	['minmax(', ')']
];

type Mutate = (text: string, random: Random) => readonly [from: number, to: number, insert: string];

const mutations: readonly Mutate[] = [
	insertBit,
	insertBit,
	replaceToken,
	replaceToken,
	(text, random) => {
		const [from, to] = tokenAt(text, random);
		return [from, to, ''];
	},
	(text, random) => {
		const at = random.below(text.length);
		return [at, at + 1 + random.below(3), ''];
	},
	(text, random) => {
		const at = random.below(text.length);
		return [at, at + 1, random.of(bits)];
	},
	// A word, and then the mark that CSS would have there.
	(text, random) => {
		const [, to] = tokenAt(text, random);
		return [to, to, random.of([':', '=', ',', ': ', '>'])];
	},
	(text, random) => {
		const [from, to] = lineAt(text, random);
		return [from, to, ''];
	},
	(text, random) => {
		const [from, to] = lineAt(text, random);
		return [to, to, text.slice(from, to)];
	},
	(text, random) => {
		const [from, to] = lineAt(text, random);
		const [other, end] = lineAt(text, random);
		return [from, to, text.slice(other, end)];
	},
	(text, random) => {
		const [from, to] = [random.below(text.length), random.below(text.length)].sort((a, b) => a - b);
		return [from ?? 0, to ?? 0, ''];
	},
	(text, random) => [random.below(text.length), text.length, ''],
	(text, random) => {
		const at = random.below(text.length);
		const [open, close] = random.of(nests);
		const times = random.of([3, 30, 300, 3000]);
		return [at, at, open.repeat(times) + (random.once(2) ? close.repeat(times) : '')];
	},
	(text, random) => {
		const at = random.below(text.length);
		return [at, at, random.of(bits).repeat(random.of([2, 20, 200, 2000]))];
	},
	(text, random) => {
		const [, at] = lineAt(text, random);
		return [at, at, `${random.of(bits)} ${random.of(bits)}\n`.repeat(random.of([5, 50, 500]))];
	}
];

/** A change of one file. Its text is changed in one place, seldom all over. */
export function mutate(file: string, text: string, random: Random): Change {
	const [from, to, insert] = random.of(mutations)(text, random);
	const end = Math.min(to, text.length);
	return { kind: 'edit', file, from: Math.min(from, end), to: end, insert };
}

function insertBit(text: string, random: Random): ReturnType<Mutate> {
	const at = random.once(2) ? random.below(text.length + 1) : tokenAt(text, random)[1];
	return [at, at, random.once(2) ? random.of(bits) : ` ${random.of(bits)} `];
}

function replaceToken(text: string, random: Random): ReturnType<Mutate> {
	const [from, to] = tokenAt(text, random);
	if (random.once(2)) return [from, to, random.of(bits)];
	const [other, end] = tokenAt(text, random);
	return [from, to, text.slice(other, end)];
}

/** A word, number or mark somewhere in the text. */
function tokenAt(text: string, random: Random): readonly [number, number] {
	const at = random.below(text.length);
	const token = /[\w.%/-]+|[^\s\w]/g;
	token.lastIndex = at;
	const found = token.exec(text);
	return found ? [found.index, found.index + found[0].length] : [at, at];
}

function lineAt(text: string, random: Random): readonly [number, number] {
	const at = random.below(text.length);
	const from = text.lastIndexOf('\n', at - 1) + 1;
	const end = text.indexOf('\n', at);
	return [from, end === -1 ? text.length : end + 1];
}
