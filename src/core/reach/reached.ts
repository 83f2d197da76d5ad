import type { AuthorRule, Scope } from './author-rules.ts';
import {
	elementsFrom,
	named,
	namedFrom,
	subjectsOf,
	type Element,
	type PageTree
} from './page-tree.ts';

/** An element that a rule reaches, by one of its selectors. */
export interface Reached {
	readonly element: Element;
	/** The box that the style makes itself, such as `before`; undefined where it is the element. */
	readonly pseudo: string | undefined;
	/** It does so only in some state, such as while one points at it. */
	readonly passing: boolean;
}

/** What rules reach on a page, by what they say: several ask the same of one page. */
const known = new WeakMap<PageTree, Map<string, readonly Reached[]>>();

/** Elements of a page that a rule reaches; where a selector cannot be read, all that it might. */
export function reached(rule: AuthorRule, tree: PageTree): readonly Reached[] {
	const onPage = known.get(tree) ?? new Map<string, readonly Reached[]>();
	known.set(tree, onPage);
	const key = JSON.stringify([rule.selectors, rule.scopes]);
	let found = onPage.get(key);
	if (!found) onPage.set(key, (found = findReached(rule, tree)));
	return found;
}

function findReached({ selectors, scopes }: AuthorRule, { document }: PageTree): Reached[] {
	const tops = named(':root', document);
	const roots = scopes.reduce<readonly ScopeRoot[]>(
		(outer, scope) => outer.flatMap((root) => rootsIn(root, scope)),
		tops.map((element) => ({ element, beyond: new Set() }))
	);
	return subjectsOf(selectors).flatMap(({ selector, pseudo, passing }) => {
		const found = roots.flatMap(({ element: root, beyond }) => {
			const there = namedFrom(root, selector) ?? elementsFrom(root);
			return there.filter((element) => !beyond.has(element));
		});
		return [...new Set(found)].map((element) => ({ element, pseudo, passing }));
	});
}

/** Where a scope begins, with what lies beyond its limits. */
interface ScopeRoot {
	readonly element: Element;
	readonly beyond: ReadonlySet<Element>;
}

function rootsIn({ element, beyond }: ScopeRoot, { starts, limits }: Scope): ScopeRoot[] {
	const roots = (namedFrom(element, starts) ?? []).filter((root) => !beyond.has(root));
	return roots.map((root) => {
		const ends = limits === undefined ? [] : (namedFrom(root, limits) ?? []);
		const outside = ends.filter((end) => end !== root).flatMap((end) => elementsFrom(end));
		return { element: root, beyond: new Set([...beyond, ...outside]) };
	});
}
