import { Memory } from '../../lib/memory.ts';
import { hasParameters, isWithin, type Pattern } from '../../model/pattern.ts';
import type { NavPiece, Route, Site } from '../../model/site.ts';
import { keptOutBy } from '../roles.ts';
import type { Structure } from '../structure.ts';

/** A site as some visitor sees it. */
export interface Seeing {
	readonly site: Site;
	readonly structure: Structure;
	/** Undefined: all of it. */
	readonly role: string | undefined;
}

/** A link of a list made from routes, with the links below it. */
export interface NavLink {
	readonly route: Route;
	readonly links: readonly NavLink[];
}

/**
 * The links of a `nav from` piece: the routes below `from`, as deep as the piece says, in the order
 * of the text, and before them the page at `from` where the piece says so. Routes with parameters are no single page, so they are not listed; nor are those that keep
 * the visitor out.
 */
export function navLinks(piece: NavPiece, { site, structure, role }: Seeing): readonly NavLink[] {
	const links = knownLinks.get(piece, [site.routes], () => findLinks(piece, site));
	return role === undefined ? links : openLinks(links, role, structure);
}

/** What lies below a route that is left out is left out too, since it has no place in the list. */
function openLinks(links: readonly NavLink[], role: string, structure: Structure): NavLink[] {
	return links
		.filter(({ route }) => keptOutBy(route, role, structure) === undefined)
		.map(({ route, links: inner }) => ({ route, links: openLinks(inner, role, structure) }));
}

const knownLinks = new Memory<NavPiece, readonly NavLink[]>();

function findLinks(piece: NavPiece, site: Site): readonly NavLink[] {
	const depth = piece.from.segments.length;
	const below = site.routes.filter((route) => {
		const levels = route.pattern.segments.length - depth;
		if (levels < 1 || levels > piece.depth) return false;
		return !hasParameters(route.pattern) && isWithin(route.pattern, piece.from);
	});
	const start = piece.withStart && startOf(piece, site);
	return [...(start ? [{ route: start, links: [] }] : []), ...nest(below)];
}

/** The page that a list of links is made from; undefined where there is none, or no single one. */
export function startOf({ from }: NavPiece, { routes }: Site): Route | undefined {
	if (hasParameters(from)) return undefined;
	return routes.find((route) => route.pattern.key === from.key);
}

function nest(routes: readonly Route[]): NavLink[] {
	const tops = routes.filter((route) => !routes.some((other) => isBelow(route, other)));
	return tops.map((route) => ({
		route,
		links: nest(routes.filter((other) => isBelow(other, route)))
	}));
}

function isBelow(route: Route, other: Route): boolean {
	return route !== other && isWithin(route.pattern, other.pattern);
}

/**
 * All routes in the order of the route tree: each followed by what lies below it, siblings in the
 * order in which the text first names their branch.
 */
export function treeOrder(routes: readonly Route[]): Route[] {
	const [first] = routes;
	if (!first) return [];
	const patterns = routes.map((route) => route.pattern);
	const places = orders.get(first.pattern, patterns, () => {
		const order = sortByTree(routes);
		const places = new Map(routes.map((route, index) => [route, index]));
		return order.flatMap((route) => places.get(route) ?? []);
	});
	return places.flatMap((place) => routes[place] ?? []);
}

/** Places of routes in the order of the tree: it follows from their patterns alone. */
const orders = new Memory<Pattern, readonly number[]>();

function sortByTree(routes: readonly Route[]): Route[] {
	interface Node {
		route: Route | undefined;
		readonly children: Map<string, Node>;
	}
	const root: Node = { route: undefined, children: new Map() };
	for (const route of routes) {
		let node = root;
		// Its key has those of its segments, written once.
		for (const key of route.pattern.key.split('/').filter(Boolean)) {
			let child = node.children.get(key);
			if (!child) node.children.set(key, (child = { route: undefined, children: new Map() }));
			node = child;
		}
		node.route = route;
	}
	const ordered: Route[] = [];
	const visit = (node: Node): void => {
		if (node.route) ordered.push(node.route);
		for (const child of node.children.values()) visit(child);
	};
	visit(root);
	return ordered;
}
