import { hasParameters } from '../model/pattern.ts';
import { canonicalUrl, isDelivered } from './paths.ts';
import { publicView } from './access-file.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { escapeHtml } from './html/escape.ts';

/** A file by which search engines find the pages. */
export interface SearchFile {
	readonly path: string;
	readonly content: string;
}

/** Addresses in one sitemap (Sitemaps XML format, "Sitemap index files"). */
const mostInOne = 50_000;
const namespace = 'http://www.sitemaps.org/schemas/sitemap/0.9';

/**
 * `sitemap.xml` with every page that everyone may open, and `robots.txt` where the site has a host for itself: nobody
 * reads it elsewhere (RFC 9309, section 2.3). None without an address, since whole URLs stand in them; a file of the
 * site by that name comes first. Closed pages are in neither, so neither says where they are.
 */
export function searchFiles(resolved: ResolvedSite, most = mostInOne): SearchFile[] {
	const { address } = resolved.site.settings;
	if (address === undefined) return [];
	const urls = openUrls(resolved);
	const whole = (path: string): string => `${address}${path}`;
	const maps =
		urls.length <= most
			? [{ path: 'sitemap.xml', content: urlSet(urls) }]
			: indexed(urls, most, whole);
	const isHost = /^[a-z]+:\/\/[^/]+\/$/i.test(address);
	const robots = `User-agent: *\nAllow: /\n\nSitemap: ${whole('sitemap.xml')}\n`;
	const all = [...maps, ...(isHost ? [{ path: 'robots.txt', content: robots }] : [])];
	return all.filter(({ path }) => !resolved.site.assets.includes(path));
}

/** A route whose values are not known is no page of its own. */
function openUrls(resolved: ResolvedSite): string[] {
	const open = publicView(resolved);
	return resolved.routes
		.filter(({ pages, pattern }) => pages.kind !== 'one' || !hasParameters(pattern))
		.flatMap((route) => resolved.instances(route))
		.filter((instance) => isDelivered(instance, open))
		.flatMap((instance) => canonicalUrl(instance, resolved.site.settings) ?? []);
}

function indexed(
	urls: readonly string[],
	most: number,
	whole: (path: string) => string
): SearchFile[] {
	const parts: SearchFile[] = [];
	for (let from = 0; from < urls.length; from += most) {
		const path = `sitemap-${parts.length + 1}.xml`;
		parts.push({ path, content: urlSet(urls.slice(from, from + most)) });
	}
	const places = parts.map(
		({ path }) => `  <sitemap><loc>${escapeHtml(whole(path))}</loc></sitemap>`
	);
	return [{ path: 'sitemap.xml', content: document('sitemapindex', places) }, ...parts];
}

function urlSet(urls: readonly string[]): string {
	return document(
		'urlset',
		urls.map((url) => `  <url><loc>${escapeHtml(url)}</loc></url>`)
	);
}

function document(element: 'urlset' | 'sitemapindex', lines: readonly string[]): string {
	return [
		'<?xml version="1.0" encoding="UTF-8"?>',
		`<${element} xmlns="${namespace}">`,
		...lines,
		`</${element}>`,
		''
	].join('\n');
}
