import { mostBytes } from '$core/source/limits.ts';
import { isName } from '$core/model/name.ts';
import { previews, PreviewRefused, tokenSchema } from '../../../../server/previews/previews.ts';
import { BodyRefused, isOwn, problem, RateLimit, readBody } from '../../../../server/problem.ts';
import type { RequestHandler } from './$types';

const limit = new RateLimit(600, 60_000);

/** Changes what a preview shows. */
export const PUT: RequestHandler = async ({ request, url, params, getClientAddress }) => {
	if (!isOwn(request)) return problem(403, 'Only the application itself changes this.');
	if (!limit.allows(getClientAddress())) {
		return problem(429, 'Too many changes; wait a minute.', { 'retry-after': '60' });
	}
	const role = url.searchParams.get('as') ?? undefined;
	if (role !== undefined && !isName(role)) return problem(422, 'This is no role.');
	if (!tokenSchema.safeParse(params.token).success)
		return problem(404, 'There is no such preview.');
	try {
		const changed = await previews.change(params.token, await readBody(request, mostBytes), role);
		return changed
			? new Response(null, { status: 204 })
			: problem(404, 'There is no such preview any more.');
	} catch (failure) {
		if (failure instanceof BodyRefused) return problem(failure.status, failure.message);
		if (failure instanceof PreviewRefused) return problem(422, failure.message);
		throw failure;
	}
};

/** Ends a preview. */
export const DELETE: RequestHandler = ({ request, params }) => {
	if (!isOwn(request)) return problem(403, 'Only the application itself changes this.');
	previews.remove(params.token);
	return new Response(null, { status: 204 });
};
