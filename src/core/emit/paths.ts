import { hasParameters } from '../model/pattern.ts';
import type { Page } from '../model/site.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { PageInstance } from '../resolve/instance.ts';
import { routeFor } from '../resolve/instance.ts';

/** Where everything of a delivery lies, and how pages refer to each other. */
export interface PathPlan {
	/** Every page that is delivered, by the path of its file. */
	readonly pages: ReadonlyMap<string, PageInstance>;
	/** A URL as written in markup, made relative to a page's file, so that it works without a server. */
	link(url: string, fromFile: string): string;
}

/** Plans where pages lie: `/visit` becomes `visit/index.html`. A fixed route wins over a parameter's value. */
export function planPaths(resolved: ResolvedSite): PathPlan {
	const pages = new Map<string, PageInstance>();
	const byAddress = new Map<string, string>();
	const fixedFirst = [...resolved.site.routes].sort(
		(a, b) => Number(hasParameters(a.pattern)) - Number(hasParameters(b.pattern))
	);
	const placed = new Map<Page, PageInstance[]>();
	for (const route of fixedFirst) {
		for (const instance of resolved.instances(route)) {
			if (byAddress.has(instance.address)) continue;
			byAddress.set(instance.address, pageFile(instance));
			placed.set(route, [...(placed.get(route) ?? []), instance]);
		}
	}
	for (const route of resolved.routes) {
		for (const instance of placed.get(route) ?? []) pages.set(pageFile(instance), instance);
	}
	for (const state of resolved.site.states) {
		for (const instance of resolved.instances(state)) pages.set(pageFile(instance), instance);
	}
	const assets = new Set(resolved.site.assets);
	const link = (url: string, fromFile: string): string => {
		const [, path = '', tail = ''] = /^([^?#]*)(.*)$/s.exec(url) ?? [];
		const up = '../'.repeat(fromFile.split('/').length - 1);
		if (path.startsWith('/') && !path.startsWith('//')) {
			const target = byAddress.get(trimSlash(path)) ?? onlyPageFor(path, resolved);
			if (target !== undefined) return up + target + tail;
			if (assets.has(path.slice(1))) return up + path.slice(1) + tail;
		} else if (assets.has(path)) {
			return up + path + tail;
		}
		return url;
	};
	return { pages, link };
}

/** A route without samples is delivered as one page, which serves all its addresses. */
function onlyPageFor(path: string, resolved: ResolvedSite): string | undefined {
	const route = routeFor(resolved.site.routes, trimSlash(path));
	if (route?.pages.kind !== 'one') return undefined;
	const [instance] = resolved.instances(route);
	return instance && pageFile(instance);
}

function trimSlash(path: string): string {
	return path.length > 1 && path.endsWith('/') ? path.slice(0, -1) : path;
}

/** The file of a page. The missing page at `/` is `404.html`, as static servers expect. */
export function pageFile(instance: PageInstance): string {
	const { page, address } = instance;
	const folder = address === '/' ? '' : decodeURI(address.slice(1)) + '/';
	if (page.kind === 'route') return `${folder}index.html`;
	if (page.state.text === 'not-found' && address === '/') return '404.html';
	return `${folder}${page.state.text}.html`;
}
