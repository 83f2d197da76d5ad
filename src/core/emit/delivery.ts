import { zipSync, type Zippable } from 'fflate';
import type { SiteFiles } from '../model/files.ts';
import type { Layout, Page } from '../model/site.ts';
import { encodePath } from '../model/address.ts';
import { encodeUtf8 } from '../model/utf8.ts';
import type { PageInstance } from '../resolve/instance.ts';
import type { Problem } from '../messages/problem.ts';
import { isSound, type ResolvedSite } from '../resolve/site.ts';
import { checkPaths } from './check-paths.ts';
import { layoutsInOrder } from '../resolve/structure.ts';
import { layoutSheet, pageSheet, siteSheet, siteSheetPath, type StyleSheet } from './css.ts';
import { pageHtml } from './page.ts';
import { planPaths, type PathPlan } from './paths.ts';
import { escapeHtml } from './escape.ts';

/** One file that is handed over. */
export interface DeliveredFile {
	readonly path: string;
	readonly kind: 'page' | 'style' | 'asset';
	readonly content: string | Uint8Array;
}

/** All files of the static site: pages, style sheets, and the site's other files. */
export function deliver(resolved: ResolvedSite, year: number): DeliveredFile[] {
	const delivery = new Delivery(resolved, year);
	return [...delivery.pages(), ...delivery.styles(), ...delivery.assets()];
}

/** The files of the static site, or what keeps it from being written. */
export function tryDeliver(
	resolved: ResolvedSite,
	year: number
): { readonly files: readonly DeliveredFile[]; readonly problems: readonly Problem[] } {
	if (!isSound(resolved)) return { files: [], problems: resolved.problems };
	const files = deliver(resolved, year);
	const problems = checkPaths(files, resolved);
	return { files: problems.length > 0 ? [] : files, problems };
}

/** One page of the delivery, as its file will be. */
export function deliverPage(instance: PageInstance, resolved: ResolvedSite, year: number): string {
	return new Delivery(resolved, year).page(instance);
}

/** The style sheets a page brings in, outermost layer first. */
export function sheetsOf(page: Page, resolved: ResolvedSite): StyleSheet[] {
	const { site, structure } = resolved;
	const own = pageSheet(page, site, structure);
	const chain = structure.chainOf(page).map((layout) => layoutSheet(layout, site, structure));
	return [siteSheet(site, structure), ...chain, ...(own ? [own] : [])];
}

class Delivery {
	private readonly plan: PathPlan;
	private readonly sheetPaths = new Map<Page, readonly string[]>();
	/** Each layout's sheet is written once, however many pages bring it in. */
	private readonly layoutSheets = new Map<Layout, StyleSheet>();

	constructor(
		private readonly resolved: ResolvedSite,
		private readonly year: number
	) {
		this.plan = planPaths(resolved);
	}

	*pages(): Generator<DeliveredFile> {
		for (const [path, instance] of this.plan.pages) {
			yield { path, kind: 'page', content: this.write(path, instance) };
		}
	}

	*styles(): Generator<DeliveredFile> {
		const { site, structure } = this.resolved;
		const sheets: (StyleSheet | undefined)[] = [
			siteSheet(site, structure),
			...layoutsInOrder(structure).map((layout) => this.layoutSheet(layout)),
			...[...site.routes, ...site.states].map((page) => pageSheet(page, site, structure))
		];
		for (const sheet of sheets) {
			if (sheet) yield { path: sheet.path, kind: 'style', content: sheet.css };
		}
	}

	*assets(): Generator<DeliveredFile> {
		for (const [path, content] of this.resolved.reading.files.assets) {
			yield { path, kind: 'asset', content };
		}
	}

	page(instance: PageInstance): string {
		for (const [path, other] of this.plan.pages) {
			if (other.address === instance.address && other.page === instance.page) {
				return this.write(path, other);
			}
		}
		return '';
	}

	/** The paths of the sheets a page brings in, outermost layer first. */
	private pathsOf(page: Page): string[] {
		const { site, structure } = this.resolved;
		const chain = structure.chainOf(page).map((layout) => this.layoutSheet(layout).path);
		const own = pageSheet(page, site, structure);
		return [siteSheetPath, ...chain, ...(own ? [own.path] : [])];
	}

	private layoutSheet(layout: Layout): StyleSheet {
		let sheet = this.layoutSheets.get(layout);
		if (!sheet) {
			sheet = layoutSheet(layout, this.resolved.site, this.resolved.structure);
			this.layoutSheets.set(layout, sheet);
		}
		return sheet;
	}

	private write(path: string, instance: PageInstance): string {
		const up = this.plan.up(path);
		let sheets = this.sheetPaths.get(instance.page);
		if (!sheets) {
			sheets = this.pathsOf(instance.page);
			this.sheetPaths.set(instance.page, sheets);
		}
		return pageHtml(instance, this.resolved, {
			link: (url) => this.plan.link(url, path),
			styleLines: sheets.map(
				(sheet) => `<link rel="stylesheet" href="${up}${escapeHtml(encodePath(sheet))}">`
			),
			year: this.year
		});
	}
}

/** A zip of files by path. The same files always give the same bytes. */
export function packZip(
	files: Iterable<readonly [string, string | Uint8Array]>
): Uint8Array<ArrayBuffer> {
	const entries: Zippable = {};
	for (const [path, content] of files) {
		entries[path] = typeof content === 'string' ? encodeUtf8(content) : content;
	}
	// The zip format counts dates from 1980 (APPNOTE, section 4.4.6); a fixed one keeps archives equal.
	return zipSync(entries, { level: 6, mtime: '1980-01-01T00:00:00' });
}

/** A site's own files as a zip: what "as source" hands over, and what opening a zip takes in. */
export function packSource(files: SiteFiles): Uint8Array<ArrayBuffer> {
	return packZip([...files.texts, ...files.assets]);
}
