import { Memory } from '../model/memory.ts';
import type { Problem } from '../messages/problem.ts';
import type { Page, Route, Site } from '../model/site.ts';
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
	/** Whom it is seen by; undefined: all of it, as its author sees it. */
	readonly role: string | undefined;
	/** The same site as a visitor of some role sees it. */
	as(role: string | undefined): ResolvedSite;
	page(page: Page): ResolvedPage;
	/** The pages that a route or state is delivered as. */
	instances(page: Page): readonly PageInstance[];
}

/** What was worked out for pages, kept from edit to edit for as long as their chain is the same. */
const pages = new Map<string | undefined, Memory<Page, ResolvedPage>>();

function pagesFor(role: string | undefined): Memory<Page, ResolvedPage> {
	let memory = pages.get(role);
	if (!memory) pages.set(role, (memory = new Memory()));
	return memory;
}

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
	const routes = treeOrder(site.routes);
	const as = (role: string | undefined): ResolvedSite => ({
		reading,
		site,
		structure,
		routes,
		unresolved,
		role,
		as,
		page: (page) =>
			pagesFor(role).get(page, structure.chainOf(page), () => resolvePage(page, structure, role)),
		instances: (page) => instances.get(page)?.pages ?? [onlyPage(page)]
	});
	return as(undefined);
}

function onlyPage(page: Page): PageInstance {
	const address = page.kind === 'state' ? page.at.text : '/';
	return { page, address, parameters: {}, item: undefined };
}
