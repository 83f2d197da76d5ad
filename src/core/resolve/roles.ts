import { Memory } from '../lib/memory.ts';
import { compareSpecificity, matchPattern } from '../model/pattern.ts';
import {
	layerPattern,
	type Fill,
	type Layer,
	type Layout,
	type Page,
	type Piece,
	type Route
} from '../model/site.ts';
import type { Named } from '../model/span.ts';
import { piecesIn } from './content/pieces.ts';
import type { Structure } from './structure.ts';

/**
 * Who sees what. The first role of a site is whoever has not signed in; without a role (`undefined`) all
 * of a site is seen, as its author sees it.
 */

/** The roles that a layer itself names. */
export function rolesOf(layer: Layer): readonly Named[] {
	return layer.kind === 'state' ? [] : layer.admit;
}

/** What of a site says who is let in. */
interface Admission {
	/** Whether anything does: most sites are for everyone. */
	readonly any: boolean;
	/** Routes that do, by their keys. */
	readonly routes: ReadonlyMap<string, Route>;
}

const admissions = new Memory<Structure, Admission>();

function admissionOf(structure: Structure): Admission {
	return admissions.get(structure, [], () => {
		const { layouts, routes } = structure.site;
		const saying = routes.filter(({ admit }) => admit.length > 0);
		return {
			any: saying.length > 0 || layouts.some(({ admit }) => admit.length > 0),
			routes: new Map(saying.map((one) => [one.pattern.key, one]))
		};
	});
}

/** Whether anyone is kept out of anything. */
export function hasAdmission(structure: Structure): boolean {
	return admissionOf(structure).any;
}

/** Nobody is kept out: one list for all, since thousands of pages ask. */
const nobody: readonly Layer[] = [];

/**
 * The layers that say who is let in to a layer, outermost first: the layouts it sits under, and whatever
 * stands above it in the route tree, also where a page sits under something else or under nothing. So a
 * branch that is closed is closed for each of its pages. A state is drawn for whoever comes to it.
 */
export function admittingLayers(layer: Layer, structure: Structure): readonly Layer[] {
	const { any, routes } = admissionOf(structure);
	if (!any || layer.kind === 'state') return nobody;
	const { covering, chainOf } = structure;
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

/** The roles that a layer lets in: each layer that says so can only narrow it. None: everyone. */
export function admittedRoles(layer: Layer, structure: Structure): string[] {
	const saying = admittingLayers(layer, structure);
	const [first, ...inner] = saying.map((one) => rolesOf(one).map((role) => role.text));
	if (!first) return [];
	return first.filter((role) => inner.every((roles) => roles.includes(role)));
}

/** The outermost layer that keeps a role out of another; undefined where it is let in. */
export function keptOutBy(
	layer: Layer,
	role: string | undefined,
	structure: Structure
): Layer | undefined {
	if (role === undefined) return undefined;
	return admittingLayers(layer, structure).find(
		(one) => !rolesOf(one).some(({ text }) => text === role)
	);
}

/** A layer that closes the branch which begins where it stands. */
export type ClosedBranch = Layout | Route;

const branches = new Memory<Structure, readonly ClosedBranch[]>();

/** What closes branches of a site, the innermost first; of those as deep, the more specific first. */
export function closedBranches(structure: Structure): readonly ClosedBranch[] {
	return branches.get(structure, [], () => {
		const { layouts, routes } = structure.site;
		const saying = [...layouts.filter(({ onRequest }) => !onRequest), ...routes].filter(
			(layer) => rolesOf(layer).length > 0
		);
		const depth = (layer: Layer): number => layerPattern(layer).segments.length;
		return saying.sort(
			(a, b) => depth(b) - depth(a) || compareSpecificity(layerPattern(a), layerPattern(b))
		);
	});
}

/**
 * What closes an address at which there is no page, so that whoever is kept out of a branch learns nothing of what
 * is in it; undefined where it is open.
 */
export function closedAt(address: string, structure: Structure): ClosedBranch | undefined {
	const words = address.split('/').filter((word) => word !== '');
	const above = words.map((_, index) => '/' + words.slice(0, index + 1).join('/'));
	return closedBranches(structure).find((layer) =>
		['/', ...above].some((branch) => matchPattern(layerPattern(layer), branch) !== undefined)
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

const forSome = new Memory<Layer, boolean>();

/** Whether anything in a layer says for whom it is. */
export function hasSeenBy(layer: Layer): boolean {
	return forSome.get(layer, [], () =>
		[...layer.fills, ...piecesIn(layer)].some(({ seenBy }) => seenBy.length > 0)
	);
}
