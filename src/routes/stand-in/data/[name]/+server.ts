import { whyNotJson } from '$core/data/edit-json.ts';
import { isName } from '$core/model/name.ts';
import { BodyRefused, isOwn, problem, RateLimit, readBody } from '../../../../server/problem.ts';
import { behaviourSchema, mostHeld, standIn, standInAnswer } from '../../../../server/stand-in.ts';
import type { RequestHandler } from './$types';

const limit = new RateLimit(600, 60_000);

type Asked = Parameters<RequestHandler>[0];

/** The stand-in that is meant, or why there is none. `of` parts what different browsers try out. */
function meant({ params, url, getClientAddress }: Asked): ReturnType<typeof standIn> | Response {
	const of = url.searchParams.get('of') ?? '';
	if (!isName(params.name) || !/^[\w-]{0,64}$/.test(of))
		return problem(404, 'There is no such source.');
	if (!limit.allows(getClientAddress())) {
		return problem(429, 'Too many requests; wait a minute.', { 'retry-after': '60' });
	}
	return standIn(of, params.name);
}

const answerTo: RequestHandler = async (asked) => {
	const source = meant(asked);
	if (source instanceof Response) return source;
	// The application looks at what stands there, past every failure that is tried out.
	if (asked.url.searchParams.has('look')) {
		const headers = { 'content-type': 'application/json', 'cache-control': 'no-store' };
		return source.standing
			? new Response(source.standing.text, { headers })
			: new Response(null, { status: 204, headers });
	}
	return standInAnswer(source, asked.request);
};

export const GET = answerTo;
export const HEAD = answerTo;

/** Changes what the source says. */
export const PUT: RequestHandler = async (asked) => {
	const source = meant(asked);
	if (source instanceof Response) return source;
	if (!isOwn(asked.request)) return problem(403, 'Only the application itself changes this.');
	try {
		const text = new TextDecoder().decode(await readBody(asked.request, mostHeld));
		const wrong = whyNotJson(text);
		if (wrong) return problem(422, `This is not JSON: ${wrong.why}.`);
		if (source.standing?.text !== text) source.standing = { text, changed: Date.now() };
		return new Response(null, { status: 204 });
	} catch (failure) {
		if (failure instanceof BodyRefused) return problem(failure.status, failure.message);
		throw failure;
	}
};

/** Changes how it answers: its delay, its failures, what it says of freshness. */
export const PATCH: RequestHandler = async (asked) => {
	const source = meant(asked);
	if (source instanceof Response) return source;
	if (!isOwn(asked.request)) return problem(403, 'Only the application itself changes this.');
	const said: unknown = await asked.request.json().catch(() => undefined);
	const behaviour = behaviourSchema.partial().safeParse(said);
	if (!behaviour.success) return problem(422, 'This is no way to behave.');
	source.behaviour = behaviourSchema.parse({ ...source.behaviour, ...behaviour.data });
	return Response.json(source.behaviour);
};
