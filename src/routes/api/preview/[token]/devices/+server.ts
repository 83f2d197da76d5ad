import { events } from '../../../../../server/events.ts';
import { previews } from '../../../../../server/previews/previews.ts';
import { isOwn, problem } from '../../../../../server/problem.ts';
import type { RequestHandler } from './$types';

/** The devices that show a preview, told again whenever one comes or turns. */
export const GET: RequestHandler = ({ request, params }) => {
	if (!isOwn(request)) return problem(403, 'Only the application itself asks this.');
	const open = events((tell) => previews.watch(params.token, tell));
	return open ?? problem(404, 'There is no such preview any more.');
};
