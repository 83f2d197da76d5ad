import type { Part, Site } from '../../model/site.ts';
import { isoMs } from '../../lib/utc.ts';
import type { Expression, Template, Test, UseTag, ValueFormat } from '../../model/template.ts';
import { dataAt, isRecord, valueAt, type PageInstance } from '../instance.ts';
import { nestBlocks, type BlockNode, type Body } from '../markup/blocks.ts';
import { partBook } from './parts.ts';

/** What expressions on one page can refer to. */
export interface Scope {
	readonly site: Site;
	readonly instance: PageInstance;
	readonly title: string;
	readonly description: string;
	/** The calendar year of the delivery; given from outside so that the core depends on no clock. */
	readonly year: number;
	/** Members of lists and parameters of parts, by the names they have here. */
	readonly names?: ReadonlyMap<string, unknown>;
	/** How many repetitions may still be written: lists in lists grow fast. */
	readonly repeats: { left: number };
}

/** Repetitions on one page, of lists and of parts, all together; what is beyond is an error and not shown. */
export const mostRepeats = 20_000;

/** The text of an expression on a page; what it says for that, or nothing, where it has no value. */
export function evaluate({ path, format, otherwise }: Expression, scope: Scope): string {
	const value = lookUp(path, scope);
	const text = format ? formatted(value, format, scope.site.settings.lang) : textOf(value);
	return text === undefined || text === '' ? (otherwise ?? '') : text;
}

/** A template with its tags replaced by what they come to, not escaped. */
export function evaluateText(template: Template, scope: Scope): string {
	const { nodes } = nestBlocks(template, partBook(scope.site.parts));
	return evaluateBody(nodes, scope, (text) => text);
}

/**
 * The text of a body where only text can be. `place` turns each value into what can stand there, given
 * what is written so far.
 */
export function evaluateBody(
	body: Body,
	scope: Scope,
	place: (value: string, written: string) => string,
	before = ''
): string {
	let written = before;
	for (const node of body) {
		if (node.kind === 'literal') written += node.text;
		else if (node.kind === 'value') written += place(evaluate(node, scope), written);
		else {
			for (const { index, scope: inner } of choose(node, scope)) {
				written = evaluateBody(bodyAt(node, index), inner, place, written);
			}
		}
	}
	return written;
}

function bodyAt(node: BlockNode, index: number): Body {
	if (node.kind === 'for') return index === 0 ? node.each : node.otherwise;
	if (node.kind === 'if') return index === 0 ? node.then : node.otherwise;
	return [];
}

/** Whether a value is as a condition has it; of a list each member counts, a text has parts. */
function passes({ against }: Test, value: unknown): boolean {
	if (!against) return isThere(value);
	const { how, text } = against;
	if (how === 'contains' && Array.isArray(value)) {
		return value.some((member: unknown) => textOf(member) === text);
	}
	const said = textOf(value) ?? '';
	switch (how) {
		case 'is':
			return said === text;
		case 'is not':
			return said !== text;
		case 'contains':
			return said.includes(text);
		case 'starts':
			return said.startsWith(text);
		case 'ends':
			return said.endsWith(text);
	}
}

/** Which body of a list or condition is written, how often, and with which values. */
export function choose(
	node: BlockNode,
	scope: Scope
): { readonly index: number; readonly scope: Scope }[] {
	if (node.kind === 'if') {
		const holds = node.tag.tests.every((test) => passes(test, lookUp(test.value.path, scope)));
		return [{ index: holds ? 0 : 1, scope }];
	}
	if (node.kind !== 'for') return [];
	const list = lookUp(node.tag.list.path, scope);
	if (!Array.isArray(list) || list.length === 0) return [{ index: 1, scope }];
	const members: readonly unknown[] = list;
	const shown = members.slice(0, Math.max(0, scope.repeats.left));
	scope.repeats.left -= shown.length;
	return shown.map((member) => {
		const names = new Map(scope.names).set(node.tag.name.text, member);
		return { index: 0, scope: { ...scope, names } };
	});
}

/** What the markup of a part can refer to: the site and the page, and what it is given. */
export function scopeOfPart(part: Part, { given }: Pick<UseTag, 'given'>, scope: Scope): Scope {
	scope.repeats.left--;
	const names = new Map<string, unknown>();
	for (const { name, values } of part.parameters) {
		const said = given.find((one) => one.name.text === name.text)?.value;
		if (said?.kind === 'text') names.set(name.text, evaluateText(said.template, scope));
		else if (said?.kind === 'path') names.set(name.text, lookUp(said.value.path, scope));
		else names.set(name.text, values[0]?.text ?? '');
	}
	return { ...scope, names };
}

/** Whether there is something: no text, no members, zero, "false" and nothing at all are not. */
function isThere(value: unknown): boolean {
	if (Array.isArray(value)) return value.length > 0;
	return value !== undefined && value !== null && value !== '' && value !== false && value !== 0;
}

/** The value at a path on a page; undefined where it leads nowhere. */
export function lookUp(path: readonly string[], scope: Scope): unknown {
	const [root = '', ...rest] = path;
	const { site, instance, names } = scope;
	if (names?.has(root)) return valueAt(names.get(root), rest);
	switch (root) {
		case 'site':
			return valueAt({ name: site.settings.name.text, lang: site.settings.lang }, rest);
		case 'page': {
			const { title, description } = scope;
			return valueAt({ title, description, address: instance.address }, rest);
		}
		case 'route':
			return instance.parameters.get(rest.join('.'));
		case 'item':
			return valueAt(instance.item, rest);
		case 'data':
			return dataAt(site, rest);
		case 'year':
			return rest.length === 0 ? scope.year : undefined;
		default:
			return undefined;
	}
}

/** A value as text; undefined for what has none. */
export function textOf(value: unknown): string | undefined {
	if (typeof value === 'string') return value;
	if (typeof value === 'number' || typeof value === 'boolean') return String(value);
	return undefined;
}

/**
 * What is written of a value in a format: a number, or the ms since 1970 of a date; undefined for what is none. It
 * takes no format to know: making one takes long.
 */
export function formattable(value: unknown, format: ValueFormat): number | undefined {
	if (format === 'date') return typeof value === 'string' ? isoMs(value) : undefined;
	const number = typeof value === 'string' && value.trim() !== '' ? Number(value) : value;
	return typeof number === 'number' && Number.isFinite(number) ? number : undefined;
}

/**
 * A date or number as it is written in a language (ECMA-402); undefined for what is none. Dates are those
 * of UTC, so that a page says the same wherever it is written.
 */
function formatted(value: unknown, format: ValueFormat, lang: string): string | undefined {
	const what = formattable(value, format);
	return what === undefined ? undefined : formatsOf(lang)[format].format(what);
}

interface Formats {
	readonly number: Intl.NumberFormat;
	readonly date: Intl.DateTimeFormat;
}

/** Formats of languages that were asked for: each takes a while to make. */
const formats = new Map<string, Formats>();
const mostFormats = 100;

function formatsOf(lang: string): Formats {
	let known = formats.get(lang);
	if (!known) {
		const locale = localeOf(lang);
		let number: Intl.NumberFormat | undefined;
		let date: Intl.DateTimeFormat | undefined;
		known = {
			get number() {
				return (number ??= new Intl.NumberFormat(locale));
			},
			get date() {
				return (date ??= new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }));
			}
		};
		// A language may be typed letter by letter.
		if (formats.size >= mostFormats) formats.clear();
		formats.set(lang, known);
	}
	return known;
}

/** The language of a site, where it is one that BCP 47 knows; else English. */
function localeOf(lang: string): string {
	try {
		return Intl.getCanonicalLocales(lang)[0] ?? 'en';
	} catch {
		return 'en';
	}
}

/** What a value is, in words, where a text or list was wanted. */
export function kindOfValue(value: unknown): string {
	if (Array.isArray(value)) return 'a list';
	if (isRecord(value)) return 'a group of values';
	return value === null
		? 'empty'
		: `the ${typeof value === 'string' ? 'text' : typeof value} "${String(value)}"`;
}
