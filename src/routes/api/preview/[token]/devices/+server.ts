import { events } from '../../../../../service/events.ts';
import { previews } from '../../../../../service/previews/previews.ts';
import { isOwn, problem } from '../../../../../service/problem.ts';
import type { RequestHandler } from './$types';

/** The devices that show a preview, told again whenever one comes or turns. */
export const GET: RequestHandler = ({ request, params }) => {
	if (!isOwn(request)) return problem(403, 'Only the application itself asks this.');
	const open = events((tell) => previews.watch(params.token, tell));
	return open ?? problem(404, 'There is no such preview any more.');
};
