import { compareSpecificity, fillPattern, hasParameters, type Pattern } from '../model/pattern.ts';
import type { Moved, Route, SiteSettings } from '../model/site.ts';
import { routeFor, type PageInstance } from '../resolve/instance.ts';
import { leadFrom } from '../resolve/moved.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { assetPath, isDelivered, pageFile } from './paths.ts';

/** An old address that is known in full, and the page that it leads to. */
export interface KnownLead {
	/** As addresses are written, without the name of a file. */
	readonly from: string;
	/** Where a delivery of files has a page that leads on. */
	readonly file: string;
	readonly to: PageInstance;
}

/** Whether old addresses of a route are as many as visitors think of: only a server can lead on from those. */
export function isOpenLead(route: Pick<Route, 'pages'>, moved: Moved): boolean {
	return route.pages.kind === 'one' && hasParameters(moved.pattern);
}

export function hasLeads({ site }: ResolvedSite): boolean {
	return site.routes.some(({ moved }) => moved.length > 0);
}

/** The patterns of such, those first that win over others. */
export function openLeads({ site }: ResolvedSite): { route: Route; pattern: Pattern }[] {
	return site.routes
		.flatMap((route) =>
			route.moved
				.filter((moved) => isOpenLead(route, moved))
				.map(({ pattern }) => ({ route, pattern }))
		)
		.sort((a, b) => compareSpecificity(a.pattern, b.pattern));
}

/** All old addresses that are known in full and lead somewhere; where a page or a file is today, nothing leads on. */
export function knownLeads(resolved: ResolvedSite): KnownLead[] {
	const { routes, assets, settings } = resolved.site;
	if (!hasLeads(resolved)) return [];
	const pages = routes.flatMap((route) => resolved.instances(route));
	const taken = new Set(pages.map(({ address }) => address));
	const files = new Set([...assets, ...pages.map((page) => pageFile(page, settings.urls))]);
	const leadsTo = (route: Route, moved: Moved, to: PageInstance): KnownLead[] => {
		if (!isDelivered(to, resolved)) return [];
		const from = fillPattern(moved.pattern, to.parameters);
		const file = fileOf(moved, from, route, settings.urls);
		// A page may have been a file by the name that its folder has now.
		const isServed = routeFor(routes, from)?.pages.kind === 'one';
		const isTaken = (taken.has(from) || isServed) && from !== to.address;
		const isFirst = leadFrom(routes, from)?.moved === moved;
		return isFirst && !isTaken && !files.has(file) ? [{ from, file, to }] : [];
	};
	return routes.flatMap((route) =>
		route.moved
			.filter((moved) => !isOpenLead(route, moved))
			.flatMap((moved) => resolved.instances(route).flatMap((to) => leadsTo(route, moved, to)))
	);
}

/** A file or a folder that was named stays the same; else it is where the page would be. */
function fileOf({ text }: Moved, from: string, route: Route, urls: SiteSettings['urls']): string {
	const named = /(\/index)?\.html$/.exec(text)?.[0] ?? (text.endsWith('/') ? '/index.html' : '');
	if (named === '') return pageFile({ page: route, address: from }, urls);
	return assetPath(`${from === '/' ? '' : from}${named}`.slice(1));
}
