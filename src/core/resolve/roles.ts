import { Memory } from '../model/memory.ts';
import {
	layerPattern,
	type Fill,
	type Layer,
	type Page,
	type Piece,
	type Route
} from '../model/site.ts';
import type { Named } from '../model/span.ts';
import type { Structure } from './structure.ts';

/**
 * Who sees what. The first role of a site is whoever has not signed in; without a role (`undefined`) all
 * of a site is seen, as its author sees it.
 */

/** The roles that a layer itself names. */
export function rolesOf(layer: Layer): readonly Named[] {
	return layer.kind === 'state' ? [] : layer.admit;
}

const byKey = new Memory<readonly Route[], ReadonlyMap<string, Route>>();

/**
 * The layers that say who is let in to a layer, outermost first: the layouts it sits under, and whatever
 * stands above it in the route tree, also where a page sits under something else or under nothing. So a
 * branch that is closed is closed for each of its pages. A state is drawn for whoever comes to it.
 */
export function admittingLayers(layer: Layer, structure: Structure): Layer[] {
	if (layer.kind === 'state') return [];
	const { covering, chainOf, site } = structure;
	const routes = byKey.get(site.routes, [], () => {
		return new Map(
			site.routes.filter(({ admit }) => admit.length > 0).map((one) => [one.pattern.key, one])
		);
	});
	const saying = new Set<Layer>();
	const add = (one: Layer | undefined): void => {
		if (one && one !== layer && rolesOf(one).length > 0) saying.add(one);
	};
	const { upward, key: own } = layerPattern(layer);
	for (const key of upward) {
		// A layout is around the route that stands where it does, not in it.
		if (layer.kind === 'route' || key !== own) add(routes.get(key));
		add(covering.get(key));
	}
	for (const layout of chainOf(layer)) add(layout);
	const depth = (one: Layer): number => layerPattern(one).segments.length;
	const outer = [...saying].reverse().sort((a, b) => depth(a) - depth(b));
	return rolesOf(layer).length > 0 ? [...outer, layer] : outer;
}

/** The roles that a page lets in: each layer that says so can only narrow it. None: everyone. */
export function admittedRoles(page: Page, structure: Structure): string[] {
	const saying = admittingLayers(page, structure);
	const [first, ...inner] = saying.map((layer) => rolesOf(layer).map((role) => role.text));
	if (!first) return [];
	return first.filter((role) => inner.every((roles) => roles.includes(role)));
}

/** The outermost layer that keeps a role out of a page; undefined where it is let in. */
export function keptOutBy(
	page: Page,
	role: string | undefined,
	structure: Structure
): Layer | undefined {
	if (role === undefined) return undefined;
	return admittingLayers(page, structure).find(
		(layer) => !rolesOf(layer).some(({ text }) => text === role)
	);
}

/**
 * The role for whom a page is written where it is one file for all who may open it: the first that is let
 * in, so that nothing is in it that another of them should not see. Undefined where the site has no roles.
 */
export function writtenFor(page: Page, structure: Structure): string | undefined {
	const roles = structure.site.settings.roles.map(({ text }) => text);
	return roles.find((role) => keptOutBy(page, role, structure) === undefined) ?? roles[0];
}

/** Whether a role sees a piece or what a fill brings; both may say for whom they are. */
export function isSeenBy(
	{ seenBy }: Pick<Piece | Fill, 'seenBy'>,
	role: string | undefined
): boolean {
	return role === undefined || seenBy.length === 0 || seenBy.some(({ text }) => text === role);
}
