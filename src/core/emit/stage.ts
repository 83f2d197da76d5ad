import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { sheetsOf } from './delivery.ts';
import { assetPath } from './paths.ts';
import { pageHtml } from './html/page.ts';
import type { PageTarget } from './html/target.ts';
import { stagedHead } from './staged-head.ts';
import { triedCss, triedRoot } from './css/tried.ts';
import { withUrls } from './css/author/style-urls.ts';

/**
 * A page as the stage shows it: the delivered page with its sheets inside, links left as addresses
 * of the site, and the site's other files under the URLs they have in the application.
 */
export function stageHtml(
	instance: PageInstance,
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number
): string {
	return pageHtml(instance, resolved, stageTarget(instance, resolved, assetUrls, year));
}

/** What such a page is written for. */
export function stageTarget(
	instance: PageInstance,
	resolved: ResolvedSite,
	assetUrls: { get(path: string): string | undefined },
	year: number
): PageTarget {
	const { trial, tokens } = resolved.site.settings;
	const sheets = sheetsOf(instance.page, resolved);
	const root = triedRoot(trial);
	const link = (url: string): string => assetUrls.get(assetPath(url.replace(/^\//, ''))) ?? url;
	const { assets } = resolved.reading.files;
	const files = {
		bytes: (path: string) => assets.get(path),
		url: (path: string) => assetUrls.get(path)
	};
	return {
		link,
		marks: 'all',
		head: (said) => stagedHead(said, files, (css) => triedCss(css, trial, tokens)),
		headLines: [
			...(root === '' ? [] : [`<style data-sheet="tried">${root}</style>`]),
			...sheets.map(({ path, css }) => {
				const text = triedCss(withUrls(css, link), trial, tokens).replaceAll('</', '<\\/');
				return `<style data-sheet="${path}">\n${text}</style>`;
			})
		],
		year
	};
}
