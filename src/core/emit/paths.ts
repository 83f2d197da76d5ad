import { canonicalPath, decodeSegment, encodePath } from '../model/address.ts';
import { hasParameters } from '../model/pattern.ts';
import type { Route, SiteSettings } from '../model/site.ts';
import { keptOutBy } from '../resolve/roles.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import type { PageInstance } from '../resolve/instance.ts';
import { leadFrom } from '../resolve/moved.ts';
import { routeFor } from '../resolve/instance.ts';

/** Where everything of a delivery lies, and how pages refer to each other. */
export interface PathPlan {
	/** Every page that is delivered, by the path of its file. */
	readonly pages: ReadonlyMap<string, PageInstance>;
	/**
	 * From a page's file to the root of the delivery. A state is served in the place of pages, at whatever
	 * address was asked for, so it starts from the root of the server.
	 */
	up(fromFile: string): string;
	/**
	 * A URL as written in markup or a style, made relative to a file, so that it works without a server. Where it leads to
	 * a file of the site, that is put into `linked`.
	 */
	link(url: string, fromFile: string, linked?: Set<string>): string;
}

/** What a URL leads to, from the root. */
interface Target {
	readonly url: string;
	/** The file of the site that it is, where it is one. */
	readonly file?: string;
}

function fileTarget(file: string, tail: string): Target {
	return { url: encodePath(file) + tail, file };
}

/** Plans where pages lie: `/visit` becomes `visit/index.html`, or `visit.html`. */
export function planPaths(resolved: ResolvedSite): PathPlan {
	const { urls } = resolved.site.settings;
	const base = basePath(resolved.site.settings);
	const toFolders = leadsToFolders(resolved.site.settings);
	const pages = new Map<string, PageInstance>();
	const byAddress = new Map<string, string>();
	for (const route of resolved.routes) {
		for (const instance of resolved.instances(route)) {
			const file = pageFile(instance, urls);
			if (pages.has(file) || !isDelivered(instance, resolved)) continue;
			pages.set(file, instance);
			byAddress.set(instance.address, file);
		}
	}
	/** What is served in the place of pages, at whatever address was asked for. */
	const standing = new Set<string>();
	for (const state of resolved.site.states) {
		for (const instance of resolved.instances(state)) {
			const file = pageFile(instance, urls);
			pages.set(file, instance);
			standing.add(file);
		}
	}
	const up = (file: string): string =>
		standing.has(file) ? base : '../'.repeat(file.split('/').length - 1);
	const assets = new Set(resolved.site.assets);
	/** Those of fixed segments alone are pages by their addresses. */
	const open = resolved.site.routes.filter(({ pattern }) => hasParameters(pattern));
	const fileAt = (path: string | undefined): string | undefined =>
		path === undefined
			? undefined
			: (byAddress.get(canonicalPath(trimSlash(path))) ?? onlyPageFor(path, open, resolved));
	/** What a URL leads to, from the root; undefined where it leads to nothing of the site. */
	const targetOf = (url: string): Target | undefined => {
		const [, path = '', tail = ''] = /^([^?#]*)(.*)$/s.exec(url) ?? [];
		const asset = assetPath(path);
		if (path.startsWith('/') && !path.startsWith('//')) {
			const target = fileAt(path) ?? fileAt(leadFrom(resolved.site.routes, path)?.address);
			if (target !== undefined)
				return { url: (toFolders ? folderOf(target) : encodePath(target)) + tail };
			if (assets.has(asset.slice(1))) return fileTarget(asset.slice(1), tail);
		} else if (assets.has(asset)) {
			return fileTarget(asset, tail);
		}
		return undefined;
	};
	// The same few links stand on every page.
	const targets = new Map<string, Target | undefined>();
	const link = (url: string, fromFile: string, linked?: Set<string>): string => {
		if (!targets.has(url)) targets.set(url, targetOf(url));
		const found = targets.get(url);
		if (found === undefined) return url;
		const { url: target, file } = found;
		if (file !== undefined) linked?.add(file);
		const way = up(fromFile);
		// A page in the same folder has no way to it, and no name there.
		return way === '' && /^([?#]|$)/.test(target) ? `./${target}` : way + target;
	};
	return { pages, up, link };
}

/**
 * Whether links lead to folders, as a server that the site is for has them; else they lead to files, so that pages
 * work from a folder on a disk, too.
 */
export function leadsToFolders({ address, urls }: SiteSettings): boolean {
	return address !== undefined && urls === 'folders';
}

/** The path below which the site will be, where it says its address. */
export function basePath({ address }: Pick<SiteSettings, 'address'>): string {
	return address?.replace(/^[a-z]+:\/\/[^/]*/i, '') ?? '/';
}

/** The folder of a page's file, as a server has it. */
export function folderOf(file: string): string {
	return encodePath(file).replace(/(^|\/)index\.html$/, '$1');
}

/** The path of a file of the site that a URL means, as it is written in markup. */
export function assetPath(url: string): string {
	return url.split('/').map(decodeSegment).join('/');
}

/** A route without samples is delivered as one page, which serves all its addresses. */
function onlyPageFor(
	path: string,
	routes: readonly Route[],
	resolved: ResolvedSite
): string | undefined {
	const route = routeFor(routes, trimSlash(path));
	if (route?.pages.kind !== 'one') return undefined;
	const [instance] = resolved.instances(route);
	if (!instance || !isDelivered(instance, resolved)) return undefined;
	return pageFile(instance, resolved.site.settings.urls);
}

/** The path of a page without a slash at its end. */
export function trimSlash(path: string): string {
	return path.length > 1 && path.endsWith('/') ? path.slice(0, -1) : path;
}

/** A route that names a file of HTML is that file, so that a page can stay where it always was. */
const namesFile = /\.html?$/i;

/** The file of a page. The missing page at `/` is `404.html`, as static servers expect. */
export function pageFile(
	{ page, address }: Pick<PageInstance, 'page' | 'address'>,
	urls: SiteSettings['urls']
): string {
	const name = assetPath(address.slice(1));
	const folder = address === '/' ? '' : `${name}/`;
	if (page.kind === 'route') {
		if (namesFile.test(name)) return name;
		return urls === 'files' && address !== '/' ? `${name}.html` : `${folder}index.html`;
	}
	if (page.state.text === 'not-found' && address === '/') return '404.html';
	return `${folder}${page.state.text}.html`;
}

/** The whole URL of a page, where it is said where the site will be; states are at no address of their own. */
export function canonicalUrl(
	instance: PageInstance,
	{ address, urls }: SiteSettings
): string | undefined {
	if (address === undefined || instance.page.kind !== 'route') return undefined;
	return address + folderOf(pageFile(instance, urls));
}

/** Whether a page is a part of what is delivered: to a role, only what it may open. */
export function isDelivered(
	{ page }: Pick<PageInstance, 'page'>,
	{ structure, role }: ResolvedSite
): boolean {
	return keptOutBy(page, role, structure) === undefined;
}
