import { counted } from '../../messages/wording.ts';
import { basePath } from '../../emit/paths.ts';
import { decodeSegment } from '../../model/address.ts';
import { routeFor } from '../../resolve/instance.ts';
import { leadFrom } from '../../resolve/moved.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { CommandRefused } from '../proposal.ts';
import type { Surgery } from '../surgery.ts';
import { listedAddresses } from './listed-addresses.ts';
import { routeLines } from './routes.ts';

/** More than one writes by hand, and less than a site can bear. */
const mostAtOnce = 2000;

/**
 * Writes a route for each address of a sitemap or a list that the site has not yet, behind all others. Throws a
 * CommandRefused with what is wrong in the list; then nothing of it is taken.
 */
export function addRoutes(resolved: ResolvedSite, surgery: Surgery, text: string): string[] {
	const { routes, layouts, settings } = resolved.site;
	const listed = listedAddresses(text, basePath(settings));
	if ('refused' in listed) throw new CommandRefused(listed.refused);
	const fresh = listed.paths.filter((path) => !routeFor(routes, path) && !leadFrom(routes, path));
	const there = listed.paths.length - fresh.length;
	if (fresh.length === 0)
		throw new CommandRefused('The site has a page at each of these addresses already.');
	if (fresh.length > mostAtOnce) {
		throw new CommandRefused(
			`There are ${fresh.length} addresses in the list that the site has not, and ${mostAtOnce} is the most at once: write one route with a parameter for those that are alike, such as /news/:id, then take the list again.`
		);
	}
	const behind = routes.at(-1) ?? layouts.at(-1);
	if (!behind) throw new CommandRefused('The site has nothing that the routes could stand behind.');
	const lines = fresh.flatMap((path, index) => [
		...(index === 0 ? [] : ['']),
		...routeLines(path, titleOf(path, settings.name.text))
	]);
	surgery.insertAfter(behind.span, lines);
	const known = there === 1 ? 'one address is' : `${there} addresses are`;
	return [
		`${counted(fresh.length, 'route')} would be written${there > 0 ? `; ${known} there already` : ''}.`
	];
}

/** What a page is called by its address until someone says it better. */
function titleOf(path: string, site: string): string {
	const last = decodeSegment(path.split('/').at(-1) ?? '').replace(/\.html?$/i, '');
	const words = last.replaceAll(/[-_+]+/g, ' ').trim();
	return words === '' ? site : words[0]?.toUpperCase() + words.slice(1);
}
