import { layerName, pagesOf } from '../core/model/site.ts';
import { leadFrom } from '../core/resolve/moved.ts';
import { explain, explanationText } from '../core/resolve/explain.ts';
import { hasErrors } from '../core/messages/problem.ts';
import { openSite } from './files/open-site.ts';
import type { Streams } from './streams.ts';

/** Prints where everything on a page comes from, as text or as JSON. */
export async function explainCommand(
	path: string,
	route: string,
	{ json, as }: { readonly json: boolean; readonly as: string | undefined },
	streams: Streams
): Promise<number> {
	const opened = await openSite(path, streams);
	if (typeof opened === 'number') return opened;
	const moved = leadFrom(opened.site.routes, route);
	const page = pagesOf(opened.site).find((one) => layerName(one) === route) ?? moved?.route;
	if (!page) {
		const known = opened.routes.map((one) => one.pattern.text).join(', ');
		streams.errors(`There is no route ${route}. There is ${known}.\n`);
		return 2;
	}
	if (page === moved?.route) streams.errors(`${route} has moved to ${layerName(page)}.\n`);
	const explanation = explain(page, opened.as(as));
	const text = json ? JSON.stringify(explanation, null, 2) : explanationText(explanation);
	streams.out(text + '\n');
	return hasErrors(opened.problems) ? 1 : 0;
}
