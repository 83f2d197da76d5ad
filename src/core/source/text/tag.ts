import { error, type Problem } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import { isName } from '../../model/name.ts';
import type { Named, Span } from '../../model/span.ts';
import {
	comparisons,
	valueFormats,
	type Given,
	type Tag,
	type Test,
	type Template,
	type ValuePath
} from '../../model/template.ts';

const pathText = '[a-z][a-zA-Z0-9-]*(?:\\.[a-zA-Z0-9_-]+)*';
/** Text in quotes; a quote or backslash in it stands behind a backslash. */
const quoted = '"(?:[^"\\\\\\n]|\\\\.)*"';
const shapes = {
	value: new RegExp(`^(${pathText})(?:\\s+as\\s+([a-z-]+))?(?:\\s*\\?\\?\\s*(${quoted}))?$`),
	for: new RegExp(`^for\\s+([a-zA-Z0-9_-]+)\\s+in\\s+(${pathText})$`),
	test: new RegExp(
		`(\\s+)(${pathText})(?:\\s+(is\\s+not|${comparisons.filter((one) => one !== 'is not').join('|')})\\s+(${quoted}))?(?=\\s+and\\s|\\s*$)`,
		'y'
	),
	use: /^use\s+([a-zA-Z0-9_-]+)(?=\s|$)/,
	place: /^(region|slot)(?:\s+([a-zA-Z0-9_-]+))?$/,
	given: new RegExp(`\\s+([a-zA-Z0-9_-]+)\\s*=\\s*(?:(${quoted})|(${pathText}))`, 'y')
};

/** How each kind of tag is written, for the sentence where one cannot be read. */
const forms: ReadonlyMap<string, string> = new Map(
	Object.entries<string>({
		for: 'a list is written {for name in path} … {end}',
		if: `a condition is written {if path} or {if path is "text"} (or ${listWords(comparisons.slice(1), 'or')} "text"), several with "and" between them, then … {end}`,
		use: 'a part is written {use name key="value"}',
		region: 'the place of a region is written {region name} … {end}',
		slot: 'the place of what lands in a layout is written {slot} or {slot name}'
	})
);

/** Words that begin a tag, and so are no path by themselves. */
const words = new Set([
	'for',
	'if',
	'use',
	'else',
	'end',
	'content',
	'region',
	'slot',
	'as',
	'is',
	'in',
	'and'
]);
/** What values already begin with; a name in a list cannot be one of these. */
export const valueRoots: readonly string[] = ['site', 'page', 'route', 'item', 'data', 'year'];

/** What a tag is read with: its text between the braces, its place, and how places in it lie in the file. */
export interface TagPlace {
	readonly inner: string;
	/** With the braces. */
	readonly span: Span;
	/** The place in the file of an offset into `inner`. */
	toFile(offset: number): number;
	/** Text in quotes in the tag, from its first quote at an offset into `inner`. */
	readText(quoted: string, from: number): Template;
	readonly problems: Problem[];
}

/** Reads what stands between braces; undefined, with a problem, where it means nothing. */
export function readTag(place: TagPlace): Tag | undefined {
	const text = place.inner.trim();
	const { span, problems } = place;
	const [word = ''] = /^[a-z]+/.exec(text) ?? [];
	if (text === 'content') return { kind: text, span, text };
	if (text === 'else') return { kind: text, span, text };
	if (text === 'end') return { kind: text, span, text };
	if (word === 'for' && /^for\s/.test(text)) return readFor(text, place);
	if (word === 'if' && /^if\s/.test(text)) return readIf(text, place);
	if (word === 'use' && /^use(\s|$)/.test(text)) return readUse(text, place);
	if (/^(region|slot)(\s|$)/.test(text)) return readPlace(text, place);
	const [, path, format, otherwise] = shapes.value.exec(text) ?? [];
	if (path === undefined || words.has(path)) {
		const form = forms.get(word);
		problems.push(
			form === undefined
				? error('expression-invalid', span, text)
				: error('tag-invalid', span, text, form)
		);
		return undefined;
	}
	const known = valueFormats.find((one) => one === format);
	if (format !== undefined && known === undefined) {
		problems.push(error('format-unknown', span, format, valueFormats.join(' and ')));
		return undefined;
	}
	return {
		kind: 'value',
		path: path.split('.'),
		span,
		format: known,
		otherwise: otherwise === undefined ? undefined : unquoted(otherwise),
		text
	};
}

function readPlace(text: string, { span, problems, ...place }: TagPlace): Tag | undefined {
	const [, word, name] = shapes.place.exec(text) ?? [];
	const kind = word === 'slot' ? 'slot' : 'region';
	if (word === undefined || (kind === 'region' && name === undefined)) {
		problems.push(error('tag-invalid', span, text, forms.get(kind) ?? ''));
		return undefined;
	}
	if (name === undefined) return { kind, name, span, text };
	const named = nameIn(name, place, span);
	if (isName(name)) return { kind, name: named, span, text };
	problems.push(error('name-invalid', named.span, name));
	return undefined;
}

function readFor(text: string, { span, problems, ...place }: TagPlace): Tag | undefined {
	const [, name = '', path] = shapes.for.exec(text) ?? [];
	if (path === undefined) {
		problems.push(error('tag-invalid', span, text, forms.get('for') ?? ''));
		return undefined;
	}
	const named = nameIn(name, place, span);
	if (!isName(name)) {
		problems.push(error('name-invalid', named.span, name));
		return undefined;
	}
	if (valueRoots.includes(name) || words.has(name)) {
		problems.push(error('loop-name-taken', named.span, name));
		return undefined;
	}
	return { kind: 'for', name: named, list: pathIn(path, span), span, text };
}

function readIf(text: string, place: TagPlace): Tag | undefined {
	const { span, problems } = place;
	const lead = place.inner.length - place.inner.trimStart().length;
	const tests: Test[] = [];
	let at = 'if'.length;
	for (;;) {
		shapes.test.lastIndex = at;
		const found = shapes.test.exec(text);
		if (!found) break;
		const [whole, gap = '', path = '', written, said] = found;
		const from = lead + at + gap.length;
		const value = pathIn(path, stretch(place, from, from + path.length));
		const how = comparisons.find((one) => one === written?.replace(/\s+/, ' '));
		const end = lead + at + whole.length;
		const against =
			how === undefined || said === undefined
				? undefined
				: { how, text: unquoted(said), span: stretch(place, end - said.length, end) };
		tests.push({ value, against });
		at += whole.length;
		const and = /^\s+and(?=\s)/.exec(text.slice(at));
		if (!and) break;
		at += and[0].length;
	}
	if (tests.length > 0 && at === text.length) return { kind: 'if', tests, span, text };
	problems.push(error('tag-invalid', span, text, forms.get('if') ?? ''));
	return undefined;
}

function readUse(text: string, place: TagPlace): Tag | undefined {
	const { span, problems } = place;
	const head = shapes.use.exec(text);
	if (!head) {
		problems.push(error('tag-invalid', span, text, forms.get('use') ?? ''));
		return undefined;
	}
	const lead = place.inner.length - place.inner.trimStart().length;
	const given: Given[] = [];
	shapes.given.lastIndex = head[0].length;
	let at = shapes.given.lastIndex;
	for (let match; (match = shapes.given.exec(text)); at = shapes.given.lastIndex) {
		const [whole, key = '', value, path] = match;
		const start = lead + match.index + (whole.length - whole.trimStart().length);
		const name: Named = { text: key, span: stretch(place, start, start + key.length) };
		if (given.some((one) => one.name.text === key)) {
			problems.push(error('listed-twice', name.span, 'The parameter', key));
		} else if (value === undefined) {
			const from = lead + match.index + whole.length - (path ?? '').length;
			const at = stretch(place, from, from + (path ?? '').length);
			given.push({ name, value: { kind: 'path', value: pathIn(path ?? '', at) } });
		} else {
			const from = lead + match.index + whole.length - value.length;
			const template = place.readText(value, from);
			given.push({ name, value: { kind: 'text', template } });
		}
	}
	if (text.slice(at).trim() !== '') {
		problems.push(error('tag-invalid', span, text, forms.get('use') ?? ''));
		return undefined;
	}
	const [, part = ''] = head;
	return { kind: 'use', part: nameIn(part, place, span), given, span, text };
}

function stretch(
	{ span, toFile }: Pick<TagPlace, 'span' | 'toFile'>,
	from: number,
	to: number
): Span {
	return { file: span.file, from: toFile(from), to: toFile(to) };
}

/** A name that stands in a tag behind its first word. */
function nameIn(name: string, place: Pick<TagPlace, 'inner' | 'toFile'>, span: Span): Named {
	const at = place.inner.indexOf(name, /^\s*[a-z]+\s+/.exec(place.inner)?.[0].length ?? 0);
	return { text: name, span: stretch({ span, toFile: place.toFile }, at, at + name.length) };
}

function pathIn(path: string, span: Span): ValuePath {
	return { path: path.split('.'), span };
}

function unquoted(text: string): string {
	return text.slice(1, -1).replace(/\\(.)/g, '$1');
}
