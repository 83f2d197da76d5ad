import { readdir, readFile } from 'node:fs/promises';
import { join, relative } from 'node:path';
import { parse } from 'svelte/compiler';
import { root } from './setup.js';

/** Something that people read, and the line of its file where it stands. */
export interface Said {
	readonly line: number;
	readonly words: string;
}

/** All that the application and the command line say, by the file in which it stands, from the root of the project. */
export async function saidIn(wanted: readonly string[]): Promise<Map<string, readonly Said[]>> {
	const files = (await readdir(join(root, 'src'), { recursive: true }))
		.filter((name) => /\.(svelte|ts)$/.test(name) && !name.includes('grammar'))
		.map((name) => join(root, 'src', name))
		.filter((path) => wanted.length === 0 || wanted.some((one) => path.includes(one)))
		.sort();
	const all = new Map<string, readonly Said[]>();
	for (const path of files) {
		const text = await readFile(path, 'utf8');
		const said = sentencesIn(path.endsWith('.svelte') ? text : asScript(text));
		if (said.length > 0) all.set(relative(root, path), said);
	}
	return all;
}

/** A module as the script of a component, so that one parser reads both; what would end it early does not. */
function asScript(text: string): string {
	return `<script lang="ts">${text.replaceAll('</script', '<\\/script')}\n</script>`;
}

/** What people read in a component or module: its text, and strings that are words. */
function sentencesIn(source: string): Said[] {
	const found: Said[] = [];
	const add = (at: number, raw: string): void => {
		const words = raw.replace(/\s+/g, ' ').trim();
		if (isRead(words)) found.push({ line: source.slice(0, at).split('\n').length, words });
	};
	walk(parse(source, { modern: true }), add);
	return found;
}

type Node = Record<string, unknown> & { readonly type: string; readonly start: number };

/** Attributes that are read, beside what a component is given. */
const readAttributes =
	/^(title|aria-label|placeholder|alt|label|says|name|act|hint|summary|of|title)$/;
/** What code says to itself. */
const passedBy = new Set(['ImportDeclaration', 'ExportAllDeclaration', 'TSLiteralType', 'Comment']);

function walk(value: unknown, add: (at: number, words: string) => void): void {
	if (Array.isArray(value)) {
		for (const one of value) walk(one, add);
		return;
	}
	if (!isNode(value)) {
		if (typeof value === 'object' && value !== null) {
			for (const [key, one] of Object.entries(value)) if (key !== 'css') walk(one, add);
		}
		return;
	}
	if (passedBy.has(value.type)) return;
	if (value.type === 'Attribute' && !readAttributes.test(String(value['name']))) {
		// What is worked out for it may still be words.
		if (value['value'] !== true) walk(expressionsOf(value['value']), add);
		return;
	}
	if (value.type === 'Text') add(value.start, String(value['data']));
	if (value.type === 'Literal' && typeof value['value'] === 'string') {
		add(value.start, value['value']);
	}
	if (value.type === 'TemplateLiteral') {
		add(value.start, templateWords(value));
		walk(value['expressions'], add);
		return;
	}
	for (const [key, one] of Object.entries(value)) {
		if (key !== 'css' && key !== 'comments' && key !== 'loc') walk(one, add);
	}
}

/** A template as it reads, with `…` where something is put in. */
function templateWords({ quasis }: Node): string {
	if (!Array.isArray(quasis)) return '';
	return quasis
		.map((one: unknown) => {
			const { value } = isNode(one) ? one : { value: undefined };
			return typeof value === 'object' && value !== null && 'cooked' in value
				? String(value.cooked)
				: '';
		})
		.join('…');
}

function expressionsOf(value: unknown): unknown[] {
	const parts = Array.isArray(value) ? value : [value];
	return parts.filter((one) => isNode(one) && one.type === 'ExpressionTag');
}

function isNode(value: unknown): value is Node {
	return typeof value === 'object' && value !== null && 'type' in value && 'start' in value;
}

/** Words that someone reads: more than one, with letters, and neither code nor a selector. */
function isRead(words: string): boolean {
	if (!/[a-z]{2}/i.test(words) || !/[a-z…][ ,][a-z“"'…]/i.test(words)) return false;
	if (/[{};]\s*$|^[.#[<]|=>|\|\||^--|^\w+ ?=|:[a-z-]+\(|\bvar\(|^[MLhv]\d/.test(words))
		return false;
	return /^[A-Z“…]/.test(words) || words.split(' ').length > 2;
}
