import { scopeSelectors } from '../emit/css/author/scope-selectors.ts';
import type { StyleScope } from '../emit/style-scope.ts';
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
	const key = JSON.stringify([rule.selectors, rule.within, rule.scopes]);
	let found = onPage.get(key);
	if (!found) onPage.set(key, (found = findReached(rule, tree)));
	return found;
}

function findReached({ selectors, within, scopes }: AuthorRule, tree: PageTree): Reached[] {
	const belonging = within ? elementsIn(within, tree) : everything(tree);
	const root = within && scopeSelectors(within).root;
	const [first] = scopes;
	const [outermost] = named(':root', tree.document);
	if (!outermost) return [];
	const inScopes = first === undefined ? undefined : scopesFrom(outermost, scopes, root);
	return subjectsOf(selectors).flatMap(({ selector, pseudo, passing }) => {
		const found: readonly Element[] | undefined = inScopes
			? inScopes.flatMap((scope) => namedInScope(scope, selector) ?? elementsFrom(scope.root))
			: namedFrom(outermost, withRoot(selector, root));
		const there = (found ?? elementsFrom(outermost)).filter((one) => belonging.has(one));
		return [...new Set(there)].map((element) => ({ element, pseudo, passing }));
	});
}

/** What `:scope` means in the style of a layer; in a global one it is the page itself. */
function withRoot(selector: string, root: string | undefined): string {
	return selector.replaceAll(/:scope\b/gi, root ?? ':root');
}

const scopesKnown = new WeakMap<PageTree, Map<string, ReadonlySet<Element>>>();

function everything(tree: PageTree): ReadonlySet<Element> {
	return remembered('', tree, () => named(':root', tree.document).flatMap(elementsFrom));
}

/** The elements of a page that belong to a layer or part. */
function elementsIn(scope: StyleScope, tree: PageTree): ReadonlySet<Element> {
	return remembered(JSON.stringify(scope), tree, () =>
		scope.flatMap(({ starts, limits }) => {
			const begin = starts.flatMap((one) => named(one, tree.document));
			const end = limits.flatMap((one) => named(one, tree.document));
			const beyond = new Set(end.flatMap(elementsFrom));
			return begin.flatMap(elementsFrom).filter((element) => !beyond.has(element));
		})
	);
}

function remembered(key: string, tree: PageTree, find: () => Element[]): ReadonlySet<Element> {
	const onPage = scopesKnown.get(tree) ?? new Map<string, ReadonlySet<Element>>();
	scopesKnown.set(tree, onPage);
	let found = onPage.get(key);
	if (!found) onPage.set(key, (found = new Set(find())));
	return found;
}

/** A scope that an author wrote: where it begins on a page, with what lies beyond its limits. */
interface OwnScope {
	readonly root: Element;
	readonly beyond: ReadonlySet<Element>;
}

function scopesFrom(
	page: Element,
	scopes: readonly Scope[],
	root: string | undefined
): readonly OwnScope[] {
	const whole: OwnScope = { root: page, beyond: new Set() };
	return scopes.reduce<readonly OwnScope[]>(
		(outer, { starts, limits }, depth) =>
			outer.flatMap((around) => {
				const begin =
					depth === 0 ? namedFrom(page, withRoot(starts, root)) : namedInScope(around, starts);
				return (begin ?? []).map((element) => {
					const ends = limits === undefined ? [] : (namedFrom(element, limits, element) ?? []);
					const beyond = ends.filter((end) => end !== element).flatMap(elementsFrom);
					return { root: element, beyond: new Set([...around.beyond, ...beyond]) };
				});
			}),
		[whole]
	);
}

/**
 * CSS Cascade 6, section 2.5.3: a selector without `:scope` names what is in the scope's root, not the root, and all
 * that it names stands there.
 */
function namedInScope({ root, beyond }: OwnScope, selector: string): Element[] | undefined {
	const isOwn = /:scope\b/i.test(selector);
	const found = namedFrom(root, isOwn ? selector : `:scope ${selector}`, root);
	return found?.filter((element) => !beyond.has(element));
}
