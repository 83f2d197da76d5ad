import type { Problem } from '../messages/problem.ts';
import type { Layout, Page, Route, Site } from '../model/site.ts';
import type { SiteReading } from '../source/read.ts';
import { instancesOf, type Instances, type PageInstance } from './instance.ts';
import { treeOrder } from './nav.ts';
import { resolvePage, type ResolvedPage } from './page.ts';
import { resolveStructure, type Structure } from './structure.ts';

/** A site with its chains worked out; pages are resolved when they are asked for. */
export interface ResolvedSite {
	readonly reading: SiteReading;
	readonly site: Site;
	readonly structure: Structure;
	/** Routes in the order of the route tree. */
	readonly routes: readonly Route[];
	/** What could not be read or resolved. */
	readonly unresolved: readonly Problem[];
	page(page: Page): ResolvedPage;
	/** The pages that a route or state is delivered as. */
	instances(page: Page): readonly PageInstance[];
}

interface Known {
	readonly chain: readonly Layout[];
	readonly resolved: ResolvedPage;
}

/** What was worked out for pages, kept from edit to edit for as long as nothing it came from changed. */
const knownPages = new WeakMap<Page, Known>();

/**
 * Resolves a site: what sits under what, which pages there are. Only pages whose own text or chain
 * changed since they were last resolved are worked out again.
 */
export function resolveSite(reading: SiteReading): ResolvedSite {
	const { site } = reading;
	const structure = resolveStructure(site, reading.files.texts);
	const instances = new Map<Page, Instances>();
	const unresolved = [...reading.problems, ...structure.problems];
	for (const route of site.routes) {
		const found = instancesOf(route, site);
		instances.set(route, found);
		for (const problem of found.problems) unresolved.push(problem);
	}
	return {
		reading,
		site,
		structure,
		routes: treeOrder(site.routes),
		unresolved,
		page: (page) => resolveKnown(page, structure),
		instances: (page) =>
			instances.get(page)?.pages ?? [
				{
					page,
					address: page.kind === 'state' ? page.at.text : '/',
					parameters: {},
					item: undefined
				}
			]
	};
}

function resolveKnown(page: Page, structure: Structure): ResolvedPage {
	const chain = structure.chainOf(page);
	const known = knownPages.get(page);
	const holds =
		known?.chain.length === chain.length && known.chain.every((one, i) => one === chain[i]);
	if (known && holds) return known.resolved;
	const resolved = resolvePage(page, structure);
	knownPages.set(page, { chain, resolved });
	return resolved;
}
