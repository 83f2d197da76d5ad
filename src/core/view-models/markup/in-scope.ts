import { isRecord } from '../../resolve/instance.ts';
import { lookUp, textOf, type Scope } from '../../resolve/content/values.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { example } from './complete-tag.ts';
import { scopeIn, type TagOwner } from './scope-in.ts';

/** Lists and values that have a name at a place of some markup, with what they are on some page. */
export interface InScope {
	readonly lists: readonly ListInScope[];
	readonly values: readonly ValueInScope[];
}

/** A value that can stand in text there. */
export interface ValueInScope {
	readonly path: string;
	/** What it is now. */
	readonly says: string;
}

/** A list that an element can be repeated over. */
export interface ListInScope {
	readonly path: string;
	readonly count: number;
	/** What its first member says. */
	readonly says: string;
	/** What a member would be called: a name that nothing has there. */
	readonly name: string;
	/** Values of each member, as text goes: by a member's name, or its own text where it has no names. */
	readonly members: readonly (readonly ValueInScope[])[];
}

/** Members that are held against the words of an element; more are seldom typed by hand. */
const mostMembers = 100;
/** How deep in shared data lists and values are offered. */
const deepest = 4;
/** Values that are offered for one place. */
const mostValues = 200;

/** What is in scope at the end of `before`, the text of the markup up to a place. */
export function inScope(
	before: string,
	owner: TagOwner,
	resolved: ResolvedSite,
	year: number
): InScope {
	const scope = scopeIn(before, owner, resolved, year);
	if (!scope) return { lists: [], values: [] };
	return { lists: [...listsIn(scope)], values: [...valuesIn(scope)].slice(0, mostValues) };
}

/** Everything that has a name in scope, with the paths to what it holds. */
function* pathsIn(scope: Scope): Generator<readonly [readonly string[], unknown]> {
	const roots = [
		...(scope.names?.keys() ?? []),
		'item',
		...scope.site.data.map(({ name }) => `data.${name.text}`)
	];
	for (const root of roots) {
		const path = root.split('.');
		const value = lookUp(path, scope);
		if (value !== undefined) yield* within(path, value, deepest);
	}
}

function* within(
	path: readonly string[],
	value: unknown,
	depth: number
): Generator<readonly [readonly string[], unknown]> {
	yield [path, value];
	if (depth === 0 || !isRecord(value)) return;
	for (const [key, inner] of Object.entries(value)) yield* within([...path, key], inner, depth - 1);
}

function* listsIn(scope: Scope): Generator<ListInScope> {
	for (const [path, value] of pathsIn(scope)) {
		if (!Array.isArray(value)) continue;
		const members: readonly unknown[] = value;
		const name = freeName(path, scope);
		yield {
			path: path.join('.'),
			count: members.length,
			says: example(members[0]),
			name,
			members: members.slice(0, mostMembers).map((member) =>
				[...within([name], member, 2)].flatMap(([way, inner]): ValueInScope[] => {
					const text = textOf(inner);
					return text === undefined ? [] : [{ path: way.join('.'), says: text }];
				})
			)
		};
	}
}

function* valuesIn(scope: Scope): Generator<ValueInScope> {
	for (const path of [['site', 'name'], ['page', 'title'], ['page', 'address'], ['year']]) {
		const text = textOf(lookUp(path, scope));
		if (text !== undefined) yield { path: path.join('.'), says: text };
	}
	for (const [key, value] of scope.instance.parameters) yield { path: `route.${key}`, says: value };
	for (const [path, value] of pathsIn(scope)) {
		const text = textOf(value);
		if (text !== undefined) yield { path: path.join('.'), says: text };
	}
}

/** What a member of a list is called: the list's own name without the s of several, where nothing has that name. */
function freeName(path: readonly string[], scope: Scope): string {
	const last = path.at(-1) ?? '';
	const base = /^[a-z][a-z0-9-]*[^s]s$/.test(last)
		? last.replace(/ies$/, 'ys').slice(0, -1)
		: 'one';
	const taken = new Set(['site', 'page', 'route', 'item', 'data', 'year', 'content', ...(scope.names?.keys() ?? [])]); // prettier-ignore
	for (let number = 1; ; number++) {
		const tried = number === 1 ? base : `${base}-${number}`;
		if (!taken.has(tried)) return tried;
	}
}
