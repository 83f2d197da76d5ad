import { layersOf } from '../../model/site.ts';
import { valueFormats } from '../../model/template.ts';
import { isRecord } from '../../resolve/instance.ts';
import { partBook } from '../../resolve/content/parts.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { lookUp, textOf, type Scope } from '../../resolve/content/values.ts';
import { scopeIn, type TagOwner } from './scope-in.ts';
import type { Completion } from '../../source/complete.ts';

/** What can be written at a place in a tag, and where in the text before it the word begins. */
export interface TagCompletion {
	/** Characters before the place. */
	readonly back: number;
	readonly options: readonly Completion[];
}

/** Longer examples are cut. */
const longestExample = 40;

/** The layer or part whose text an offset lies in. */
export function ownerAt(
	{ site }: ResolvedSite,
	file: string,
	offset: number
): TagOwner | undefined {
	return [...layersOf(site), ...site.parts].find(
		({ span }) => span.file === file && span.from <= offset && offset <= span.to
	);
}

/**
 * What can stand at the end of `before`, where that is in a tag: names in scope, each with a value that it
 * has on some page. `before` is the text of the markup up to the place.
 */
export function completeTag(
	before: string,
	owner: TagOwner,
	resolved: ResolvedSite,
	year: number
): TagCompletion | undefined {
	const inner = /(?:^|[^\\])\{([^{}\n]*)$/.exec(before)?.[1];
	if (inner === undefined) return undefined;
	const word = /[\w.-]*$/.exec(inner)?.[0] ?? '';
	const lead = inner.slice(0, inner.length - word.length);
	const scope = scopeIn(before, owner, resolved, year);
	const options = optionsFor(lead, word, scope, owner, resolved);
	const typed = word.slice(word.lastIndexOf('.') + 1);
	return options.length > 0 ? { back: typed.length, options } : undefined;
}

function optionsFor(
	lead: string,
	word: string,
	scope: Scope | undefined,
	owner: TagOwner,
	resolved: ResolvedSite
): Completion[] {
	const book = partBook(resolved.site.parts);
	if (/^\s*use\s+$/.test(lead)) {
		return book.names.map((name) => named(name, 'a part of the site'));
	}
	const used = /^\s*use\s+([a-z0-9-]+)\s(?:.*\s)?$/.exec(lead)?.[1];
	if (used !== undefined) {
		return (book.get(used)?.parameters ?? []).map(({ name, values }) =>
			named(
				name.text,
				values.length === 0 ? 'must be given' : values.map(({ text }) => text).join(' | ')
			)
		);
	}
	if (/\sas\s+$/.test(lead))
		return valueFormats.map((name) => named(name, 'in the language of the site'));
	if (/^\s*for\s+$/.test(lead) || /^\s*for\s+\S+\s+$/.test(lead)) {
		return lead.trim() === 'for' ? [] : [keyword('in', 'then the list')];
	}
	const way = word.split('.').slice(0, -1);
	if (way.length > 0) return scope ? childrenOf(lookUp(way, scope)) : [];
	const isStart = lead.trim() === '';
	return [...rootsOf(scope, owner), ...(isStart ? words(owner) : [])];
}

function words(owner: TagOwner): Completion[] {
	return [
		keyword('for', 'once for each member of a list: {for x in path} … {end}'),
		keyword('if', 'only where it is there: {if path} … {else} … {end}'),
		keyword('use', 'a part: {use name key="value"}'),
		keyword('else', 'what shows otherwise'),
		keyword('end', 'ends a list, a condition, or what a part wraps'),
		...(owner.kind === 'part' ? [keyword('content', 'what the part wraps')] : [])
	];
}

/** The names with which a path can begin here, each with what it is on some page. */
function rootsOf(scope: Scope | undefined, owner: TagOwner): Completion[] {
	if (!scope) return [];
	const local = [...(scope.names?.keys() ?? [])];
	const ofPage = owner.kind === 'part' ? [] : ['item', 'route'];
	const roots = ['data', 'site.name', 'site.lang', 'page.title', 'page.address', 'year'];
	return [...local, ...ofPage, ...roots].flatMap((name): Completion[] => {
		const path = name.split('.');
		if (name === 'route') {
			return [...scope.instance.parameters].map(([key, value]) => named(`route.${key}`, value));
		}
		if (name === 'data') {
			return scope.site.data.map((source) =>
				named(`data.${source.name.text}`, example(scope.site.values.get(source.name.text)))
			);
		}
		const value = lookUp(path, scope);
		return value === undefined ? [] : [named(name, example(value))];
	});
}

function childrenOf(value: unknown): Completion[] {
	if (Array.isArray(value)) {
		return value.length > 0
			? [named('0', `the first of ${value.length}: ${example(value[0])}`)]
			: [];
	}
	if (!isRecord(value)) return [];
	return Object.entries(value).map(([name, inner]) => named(name, example(inner)));
}

export function example(value: unknown): string {
	const text = textOf(value);
	if (text !== undefined)
		return text.length > longestExample ? `${text.slice(0, longestExample)}…` : text;
	if (Array.isArray(value)) return `a list of ${value.length}`;
	return isRecord(value) ? Object.keys(value).join(', ').slice(0, longestExample) : '';
}

function named(word: string, says: string): Completion {
	return { word, says, kind: 'name' };
}

function keyword(word: string, says: string): Completion {
	return { word, says, kind: 'keyword' };
}
