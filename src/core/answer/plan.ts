import { canonicalPath, encodePath } from '../model/address.ts';
import { Memory } from '../lib/memory.ts';
import { hasParameters, matchPattern } from '../model/pattern.ts';
import { copyPath, type Layout, type Page, type Route, pagesOf } from '../model/site.ts';
import { layoutSheetPath, pageSheet, layoutSheet } from '../emit/css/sheets.ts';
import { sheetsOfPage } from '../emit/css/page-sheets.ts';
import { baseSheet, baseSheetPath, siteSheet, siteSheetPath } from '../emit/css/site-sheet.ts';
import { partSheet, partSheetPath } from '../emit/css/author/part-styles.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import { searchFiles } from '../emit/search-files.ts';
import { assetPath, folderOf, pageFile } from '../emit/paths.ts';
import { leadFrom } from '../resolve/moved.ts';
import { routeFor, type PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';

/** What lies at the addresses of a site; worked out once for each state of it. */
export interface AnswerPlan {
	/** The page at an address; a route that is one page serves all that match it. */
	pageAt(address: string): PageInstance | undefined;
	/** The route whose pattern an address has, also where none of its pages is there. */
	routeAt(address: string): Route | undefined;
	/** The page that was once at an address where there is none now. */
	movedTo(address: string): Pick<PageInstance, 'page' | 'address'> | undefined;
	/** The path of a page's one address, from the base: with a slash for folders, a file's name for files. */
	pathOf(instance: Pick<PageInstance, 'page' | 'address'>): string;
	/** A style sheet by its path. */
	sheetAt(path: string): string | undefined;
	/** Paths of the sheets that a page brings in. */
	sheetsOf(page: Page): readonly string[];
	/** Another file of the site, but for data that only feeds pages. */
	fileAt(path: string): Uint8Array | undefined;
	/** A URL as written in markup or a style, as it works from whatever page; base first. */
	link(url: string, base: string): string;
}

const plans = new Memory<ResolvedSite['reading'], AnswerPlan>();

export function answerPlan(resolved: ResolvedSite): AnswerPlan {
	return plans.get(resolved.reading, [], () => new Plan(resolved));
}

class Plan implements AnswerPlan {
	private readonly feeding: ReadonlySet<string>;
	private readonly byAddress = new Map<Route, ReadonlyMap<string, PageInstance>>();
	private readonly layouts: ReadonlyMap<string, Layout>;
	private readonly fixed: ReadonlyMap<string, Route>;
	private readonly others: readonly Route[];
	private pageSheets: ReadonlyMap<string, Page> | undefined;
	private readonly links = new Map<string, string | undefined>();

	constructor(private readonly resolved: ResolvedSite) {
		const { data, layouts, routes } = resolved.site;
		this.others = routes.filter(({ pattern }) => hasParameters(pattern));
		this.fixed = new Map(
			routes
				.filter(({ pattern }) => !hasParameters(pattern))
				.map((route) => [route.pattern.key, route])
		);
		this.feeding = new Set(
			data.flatMap((source) => [copyPath(source), ...(source.shape ? [source.shape.text] : [])])
		);
		this.layouts = new Map(layouts.map((layout) => [layoutSheetPath(layout), layout]));
	}

	routeAt(address: string): Route | undefined {
		// A route of fixed segments alone wins over every other.
		return this.fixed.get(canonicalPath(address)) ?? routeFor(this.others, address);
	}

	pageAt(address: string): PageInstance | undefined {
		const written = canonicalPath(address);
		const route = this.routeAt(address);
		if (!route) return undefined;
		if (route.pages.kind !== 'one') return this.instancesOf(route).get(written);
		const parameters = matchPattern(route.pattern, address) ?? new Map<string, string>();
		return { page: route, address: written, parameters, item: undefined };
	}

	movedTo(address: string): Pick<PageInstance, 'page' | 'address'> | undefined {
		const lead = leadFrom(this.resolved.site.routes, address);
		if (!lead) return undefined;
		const { route: page, address: now } = lead;
		// A page that serves all its addresses is at each of them, unless another is: that is seen there.
		const isThere = page.pages.kind === 'one' || this.instancesOf(page).has(now);
		return isThere ? { page, address: now } : undefined;
	}

	private instancesOf(route: Route): ReadonlyMap<string, PageInstance> {
		let known = this.byAddress.get(route);
		if (!known) {
			known = new Map(this.resolved.instances(route).map((one) => [one.address, one]));
			this.byAddress.set(route, known);
		}
		return known;
	}

	pathOf(instance: Pick<PageInstance, 'page' | 'address'>): string {
		const file = pageFile(instance, this.resolved.site.settings.urls);
		return folderOf(file);
	}

	sheetAt(path: string): string | undefined {
		const { site, structure } = this.resolved;
		if (path === siteSheetPath) return siteSheet(site, structure).css;
		if (path === baseSheetPath) return baseSheet(site, structure).css;
		if (path === partSheetPath) return partSheet(site)?.css;
		const layout = this.layouts.get(path);
		if (layout) return layoutSheet(layout, site, structure).css;
		this.pageSheets ??= new Map(
			pagesOf(site).flatMap((page): [string, Page][] => {
				const sheet = pageSheet(page, site, structure);
				return sheet ? [[sheet.path, page]] : [];
			})
		);
		const page = this.pageSheets.get(path);
		return page && pageSheet(page, site, structure)?.css;
	}

	sheetsOf(page: Page): readonly string[] {
		return sheetsOfPage(page, this.resolved.structure).map(({ path }) => path);
	}

	fileAt(path: string): Uint8Array | undefined {
		if (this.feeding.has(path)) return undefined;
		return this.resolved.reading.files.assets.get(path) ?? this.searchFile(path);
	}

	private searchFile(path: string): Uint8Array | undefined {
		if (!/^(robots\.txt|sitemap(-\d+)?\.xml)$/.test(path)) return undefined;
		const found = searchFiles(this.resolved).find((one) => one.path === path);
		return found && encodeUtf8(found.content);
	}

	link(url: string, base: string): string {
		if (!this.links.has(url)) this.links.set(url, this.targetOf(url));
		const target = this.links.get(url);
		return target === undefined ? url : base + target;
	}

	/** What a URL leads to, from the base; undefined where it leads to nothing of the site. */
	private targetOf(url: string): string | undefined {
		const [, path = '', tail = ''] = /^([^?#]*)(.*)$/s.exec(url) ?? [];
		const file = assetPath(path.replace(/^\//, ''));
		const isAddress = path.startsWith('/') && !path.startsWith('//');
		const page = isAddress ? (this.pageAt(path) ?? this.movedTo(path)) : undefined;
		if (page) return this.pathOf(page) + tail;
		if (file !== '' && this.resolved.reading.files.assets.has(file)) return encodePath(file) + tail;
		return isAddress ? path.slice(1) + tail : undefined;
	}
}
