import { canonicalPath } from '../../model/address.ts';
import { Memory } from '../../lib/memory.ts';
import type { Route, Site } from '../../model/site.ts';
import { routeFor, type PageInstance } from '../../resolve/instance.ts';
import { leadFrom } from '../../resolve/moved.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { assetPath, trimSlash } from '../../emit/paths.ts';

/** A place of the site that a link means. */
export interface LinkTarget {
	/** The address of a page, or the path of a file; as it is written, without what is behind # or ?. */
	readonly path: string;
	/** The id behind #; undefined where there is none. */
	readonly id: string | undefined;
}

/** What of the site a link on a page means; undefined where it leads elsewhere (RFC 3986, section 4.2). */
export function linkTarget(href: string | undefined, from: string): LinkTarget | undefined {
	const [, path = '', hash = ''] =
		/^([^?#]*)(?:\?[^#]*)?(?:#(.*))?$/s.exec(href?.trim() ?? ':') ?? [];
	if (/^([a-z][a-z0-9+.-]*:|\/\/)/i.test(path)) return undefined;
	const id = hash === '' ? undefined : assetPath(hash);
	return { path: path === '' ? from : placeOf(path), id };
}

/** The same few links stand on every page. */
const places = new Map<string, string>();
const mostPlaces = 20_000;

function placeOf(path: string): string {
	let place = places.get(path);
	if (place === undefined) {
		if (places.size >= mostPlaces) places.clear();
		place = path.startsWith('/') ? canonicalPath(trimSlash(path)) : assetPath(path);
		places.set(path, place);
	}
	return place;
}

/** What there is at the addresses of a site. */
export class Addresses {
	private readonly pages = new Map<string, PageInstance>();
	private readonly files: ReadonlySet<string>;

	private constructor(private readonly resolved: ResolvedSite) {
		this.files = new Set(resolved.site.assets);
		for (const route of resolved.site.routes) {
			for (const instance of resolved.instances(route)) this.pages.set(instance.address, instance);
		}
	}

	static of(resolved: ResolvedSite): Addresses {
		return known.get(resolved.site, [], () => new Addresses(resolved));
	}

	/** The addresses of all pages. */
	get all(): readonly string[] {
		return [...this.pages.keys()];
	}

	/** The route that has a page at an address; one for all addresses of its kind, or one of its members. */
	routeAt(path: string): Route | undefined {
		const page = this.pages.get(path)?.page;
		if (page?.kind === 'route') return page;
		const route = path.startsWith('/') ? routeFor(this.resolved.site.routes, path) : undefined;
		return route?.pages.kind === 'one' ? route : undefined;
	}

	/** Where a page is now that was at an address once; undefined where there was none. */
	movedTo(path: string): string | undefined {
		const now = leadFrom(this.resolved.site.routes, path)?.address;
		return now !== undefined && this.routeAt(now) ? now : undefined;
	}

	hasFile(path: string): boolean {
		return this.files.has(path.startsWith('/') ? assetPath(path.slice(1)) : path);
	}
}

const known = new Memory<Site, Addresses>();
