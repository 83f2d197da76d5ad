import { encodeUtf8 } from '../lib/utf8.ts';
import type { SiteSettings } from '../model/site.ts';
import { admittedRoles } from '../resolve/roles.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { nearestState } from '../resolve/structure.ts';
import { pageFile } from './paths.ts';

/** Where a delivery says who may open what. */
export const accessPath = 'access.json';

/** A page that not everyone may open, for whoever serves the site. */
export interface ClosedPage {
	/** The path part of its URL. */
	readonly address: string;
	/** The file it is, from the root of the delivery. */
	readonly file: string;
	/** Roles that are let in. */
	readonly admit: readonly string[];
	/** The file to answer others with, at status 403; undefined where the site has none. */
	readonly denied: string | undefined;
}

/** The site as whoever has not signed in sees it: what a site that keeps no one out may show. */
export function publicView(resolved: ResolvedSite): ResolvedSite {
	const [first] = resolved.site.settings.roles;
	return first ? resolved.as(first.text) : resolved;
}

/** Every page that someone is kept out of. */
export function closedPages(resolved: ResolvedSite): ClosedPage[] {
	const { site, structure } = resolved;
	const { urls } = site.settings;
	return resolved.routes.flatMap((route): ClosedPage[] => {
		const admit = admittedRoles(route, structure);
		if (admit.length === 0) return [];
		return resolved.instances(route).map((instance) => ({
			address: instance.address,
			file: pageFile(instance, urls),
			admit,
			denied: deniedFile(instance, resolved, urls)
		}));
	});
}

function deniedFile(
	{ address }: PageInstance,
	{ site }: ResolvedSite,
	urls: SiteSettings['urls']
): string | undefined {
	const state = nearestState(site, address, 'denied');
	return state && pageFile({ page: state, address: state.at.text }, urls);
}

/** `access.json`; undefined where every page is open to everyone. */
export function accessFile(resolved: ResolvedSite): Uint8Array | undefined {
	const pages = closedPages(resolved);
	if (pages.length === 0) return undefined;
	const roles = resolved.site.settings.roles.map(({ text }) => text);
	const said = {
		roles,
		notSignedIn: roles[0],
		pages: pages.map(({ denied, ...page }) => ({
			...page,
			...(denied !== undefined && { denied })
		}))
	};
	return encodeUtf8(JSON.stringify(said, undefined, '\t') + '\n');
}
