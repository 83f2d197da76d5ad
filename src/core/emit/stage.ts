import type { PageInstance } from '../resolve/instance.ts';
import type { ResolvedSite } from '../resolve/site.ts';
import { sheetsOf } from './delivery.ts';
import { assetPath } from './paths.ts';
import { pageHtml } from './html/page.ts';
import { withUrls } from './css/style-urls.ts';

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
	const sheets = sheetsOf(instance.page, resolved);
	const link = (url: string): string => assetUrls.get(assetPath(url.replace(/^\//, ''))) ?? url;
	return pageHtml(instance, resolved, {
		link,
		marks: 'all',
		headLines: sheets.map(({ path, css }) => {
			return `<style data-sheet="${path}">\n${withUrls(css, link).replaceAll('</', '<\\/')}</style>`;
		}),
		year
	});
}
