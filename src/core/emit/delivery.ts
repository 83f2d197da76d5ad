import { Zip, ZipDeflate, zipSync } from 'fflate';
import type { SiteFiles } from '../model/files.ts';
import { copyPath, type Layout, type Page, pagesOf } from '../model/site.ts';
import { encodePath } from '../model/address.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { writtenFor } from '../resolve/roles.ts';
import { layoutsInOrder } from '../resolve/structure.ts';
import { hasSheet, sheetsOfPage } from './css/page-sheets.ts';
import { layoutSheet, pageSheet } from './css/sheets.ts';
import { baseSheet, baseSheetPath, siteSheet, siteSheetPath } from './css/site-sheet.ts';
import type { StyleSheet } from './css/style-sheet.ts';
import { partSheet } from './css/author/part-styles.ts';
import { leadPage } from './html/lead-page.ts';
import { pageHtml } from './html/page.ts';
import { tracedPage, type MarkMode, type TracedPage } from './html/marks.ts';
import { accessFile, accessPath } from './access-file.ts';
import { knownLeads } from './leads.ts';
import { searchFiles } from './search-files.ts';
import { canonicalUrl, isDelivered, planPaths, type PathPlan } from './paths.ts';
import { pageHead } from './html/words.ts';
import { withUrls } from './css/author/style-urls.ts';
import { escapeHtml } from './html/escape.ts';

/** Where a file of a delivery lies, and what kind it is. */
export interface Place {
	readonly path: string;
	/** `moved`: it only leads on to a page, from where that was once. */
	readonly kind: 'page' | 'style' | 'moved' | 'asset';
}

/** One file that is handed over. */
export interface DeliveredFile extends Place {
	readonly content: string | Uint8Array;
	/** Files of the site that a page links to. */
	readonly links?: readonly string[];
}

/** What a page links to that was written before and comes out the same; undefined where it has to be written. */
export type KnownLinks = (path: string, page: Page) => readonly string[] | undefined;

/**
 * All files of the static site: pages, style sheets, and the site's other files, one after the other. Of a
 * site as a role sees it (`publicView`), what that role may not open is left out; pages that are known too.
 */
export function* deliverEach(
	resolved: ResolvedSite,
	year: number,
	marks: MarkMode = 'none',
	known: KnownLinks = () => undefined
): Generator<DeliveredFile> {
	const delivery = new Delivery(resolved, year, marks);
	yield* delivery.pages(known);
	yield* delivery.leads();
	yield* delivery.styles();
	yield* delivery.assets();
}

/** Style sheets and the site's other files, for pages that others write. */
export function* deliverShared(resolved: ResolvedSite, year: number): Generator<DeliveredFile> {
	const delivery = new Delivery(resolved, year);
	yield* delivery.styles();
	yield* delivery.assets();
}

export function deliver(
	resolved: ResolvedSite,
	year: number,
	marks: MarkMode = 'none'
): DeliveredFile[] {
	return [...deliverEach(resolved, year, marks)];
}

/** Where each file of the static site will be, before any is written. */
export function deliveredPlaces(resolved: ResolvedSite, year: number): Place[] {
	return new Delivery(resolved, year).places();
}

/** One page of the delivery as its file will be, with the way to what made its elements. */
export function deliverPage(
	instance: PageInstance,
	resolved: ResolvedSite,
	year: number
): TracedPage {
	return tracedPage(new Delivery(resolved, year, 'traced').page(instance));
}

/** The style sheets a page brings in, outermost layer first. */
export function sheetsOf(page: Page, resolved: ResolvedSite): StyleSheet[] {
	return sheetsOfPage(page, resolved.structure).flatMap((sheet) => sheet.write() ?? []);
}

class Delivery {
	private readonly plan: PathPlan;
	private readonly sheetPaths = new Map<Page, readonly string[]>();
	/** Each layout's sheet is written once, however many pages bring it in. */
	private readonly layoutSheets = new Map<Layout, StyleSheet>();
	/** Files of the site that something links to. */
	private readonly linked = new Set<string>();
	private used: ReadonlySet<Layout> | undefined;

	constructor(
		private readonly resolved: ResolvedSite,
		private readonly year: number,
		private readonly marks: MarkMode = 'none'
	) {
		this.plan = planPaths(resolved);
	}

	/** Where each file will be, before any is written. */
	places(): Place[] {
		return [
			...[...this.plan.pages.keys()].map((path): Place => ({ path, kind: 'page' })),
			...knownLeads(this.resolved).map(({ file }): Place => ({ path: file, kind: 'moved' })),
			...[...this.styles()].map(({ path, kind }): Place => ({ path, kind })),
			...this.resolved.site.assets.map((path): Place => ({ path, kind: 'asset' })),
			...searchFiles(this.resolved).map(({ path }): Place => ({ path, kind: 'asset' })),
			...(accessFile(this.resolved) ? [{ path: accessPath, kind: 'asset' as const }] : [])
		];
	}

	*pages(known: KnownLinks): Generator<DeliveredFile> {
		for (const [path, instance] of this.plan.pages) {
			const links = known(path, instance.page);
			for (const file of links ?? []) this.linked.add(file);
			if (links) continue;
			const own = new Set<string>();
			const content = this.write(path, instance, own);
			for (const file of own) this.linked.add(file);
			yield { path, kind: 'page', content, links: [...own] };
		}
	}

	/** Pages that lead on, for servers that know nothing of what moved. */
	*leads(): Generator<DeliveredFile> {
		const { settings } = this.resolved.site;
		for (const { file, to } of knownLeads(this.resolved)) {
			const content = leadPage({
				to: this.plan.link(to.address, file),
				canonical: canonicalUrl(to, settings),
				title: pageHead(to, this.resolved, this.year).title,
				lang: settings.lang
			});
			yield { path: file, kind: 'moved', content };
		}
	}

	*styles(): Generator<DeliveredFile> {
		const { site, structure } = this.resolved;
		const sheets: (StyleSheet | undefined)[] = [
			...this.sharedSheets(),
			partSheet(site),
			...layoutsInOrder(structure)
				.filter((layout) => hasSheet(layout) && this.isUsed(layout))
				.map((layout) => this.layoutSheet(layout)),
			...pagesOf(site)
				.filter((page) => isDelivered({ page }, this.resolved))
				.map((page) => pageSheet(page, site, structure))
		];
		for (const sheet of sheets) {
			if (!sheet) continue;
			const { path, css } = sheet;
			const content = withUrls(css, (url) => this.plan.link(url, path, this.linked));
			yield { path, kind: 'style', content };
		}
	}

	/** The site's other files, but for data that only feeds pages. Only after pages and styles. */
	*assets(): Generator<DeliveredFile> {
		const feeding = new Set(
			this.resolved.site.data.flatMap((source) => [copyPath(source), source.shape?.text])
		);
		for (const [path, content] of this.resolved.reading.files.assets) {
			if (feeding.has(path) && !this.linked.has(path)) continue;
			yield { path, kind: 'asset', content };
		}
		for (const file of searchFiles(this.resolved)) yield { ...file, kind: 'asset' };
		const access = accessFile(this.resolved);
		if (access) yield { path: accessPath, kind: 'asset', content: access };
	}

	/** A layout that stands only around what is not delivered is not delivered either. */
	private isUsed(layout: Layout): boolean {
		if (this.resolved.role === undefined) return true;
		this.used ??= new Set(
			[...this.plan.pages.values()].flatMap(({ page }) => this.resolved.structure.chainOf(page))
		);
		return this.used.has(layout);
	}

	page(instance: PageInstance): string {
		for (const [path, other] of this.plan.pages) {
			if (other.address === instance.address && other.page === instance.page) {
				return this.write(path, other);
			}
		}
		return '';
	}

	/** What pages have whatever they show: of each kind of page that there is. */
	private *sharedSheets(): Generator<StyleSheet> {
		const { site, structure } = this.resolved;
		if (site.layouts.every(({ frame }) => !frame)) {
			yield siteSheet(site, structure);
			return;
		}
		const pages = pagesOf(site).filter((page) => isDelivered({ page }, this.resolved));
		const first = new Set(pages.map((page) => sheetsOfPage(page, structure)[0]?.path));
		if (first.has(siteSheetPath)) yield siteSheet(site, structure);
		if (first.has(baseSheetPath)) yield baseSheet(site, structure);
	}

	private layoutSheet(layout: Layout): StyleSheet {
		let sheet = this.layoutSheets.get(layout);
		if (!sheet) {
			sheet = layoutSheet(layout, this.resolved.site, this.resolved.structure);
			this.layoutSheets.set(layout, sheet);
		}
		return sheet;
	}

	private write(path: string, instance: PageInstance, linked?: Set<string>): string {
		const up = this.plan.up(path);
		let sheets = this.sheetPaths.get(instance.page);
		if (!sheets) {
			sheets = sheetsOfPage(instance.page, this.resolved.structure).map(({ path }) => path);
			this.sheetPaths.set(instance.page, sheets);
		}
		const canonical = canonicalUrl(instance, this.resolved.site.settings);
		const { role, structure } = this.resolved;
		const seen =
			role === undefined ? this.resolved.as(writtenFor(instance.page, structure)) : this.resolved;
		return pageHtml(instance, seen, {
			link: (url) => this.plan.link(url, path, linked),
			marks: this.marks,
			headLines: [
				...(canonical === undefined
					? []
					: [`<link rel="canonical" href="${escapeHtml(canonical)}">`]),
				...sheets.map(
					(sheet) => `<link rel="stylesheet" href="${up}${escapeHtml(encodePath(sheet))}">`
				)
			],
			year: this.year
		});
	}
}

/**
 * A zip of files by path, in parts: what is packed need not be there as a whole. The same files always
 * give the same bytes.
 */
export function packZip(files: Iterable<readonly [string, string | Uint8Array]>): Uint8Array[] {
	const parts: Uint8Array[] = [];
	const zip = new Zip((failure, part) => {
		if (failure) throw failure;
		parts.push(part);
	});
	for (const [path, content] of files) {
		const file = new ZipDeflate(path, { level: 6 });
		// The zip format counts dates from 1980 (APPNOTE, section 4.4.6); a fixed one keeps archives equal.
		file.mtime = '1980-01-01T00:00:00';
		zip.add(file);
		file.push(typeof content === 'string' ? encodeUtf8(content) : content, true);
	}
	zip.end();
	return parts;
}

/**
 * A site's own files as a zip: what "as source" hands over, and what opening a zip takes in. Sizes stand in
 * front of each file, so that nothing in a file can be taken for its end (APPNOTE, section 4.3.9).
 */
export function packSource(files: SiteFiles): Uint8Array<ArrayBuffer> {
	const texts = [...files.texts].map(([path, text]): [string, Uint8Array] => [
		path,
		encodeUtf8(text)
	]);
	const packed = zipSync(Object.fromEntries([...texts, ...files.assets]), {
		level: 6,
		mtime: '1980-01-01T00:00:00'
	});
	return new Uint8Array(packed);
}
