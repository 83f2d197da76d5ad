import { events } from '../../../../server/events.ts';
import { deviceSchema, deviceScript } from '../../../../server/previews/device.ts';
import { previews } from '../../../../server/previews/previews.ts';
import { problem, RateLimit } from '../../../../server/problem.ts';
import type { RequestHandler } from './$types';

/**
 * Previewed pages are strangers: they have an origin that is no one's, so they reach neither what the
 * application keeps nor its cookies, and load nothing from elsewhere (CSP 3; HTML, section 7.1.5).
 */
const stranger = {
	'content-security-policy': [
		'sandbox allow-scripts allow-popups allow-popups-to-escape-sandbox',
		"default-src 'self' 'unsafe-inline' data:",
		"object-src 'none'",
		"frame-ancestors 'none'"
	].join('; '),
	'cross-origin-resource-policy': 'cross-origin',
	'cross-origin-opener-policy': 'unsafe-none',
	'access-control-allow-origin': '*',
	'referrer-policy': 'no-referrer',
	'x-robots-tag': 'noindex'
};

/** Pages lie in folders, and the site itself says where each is. */
export const trailingSlash = 'ignore';

const limit = new RateLimit(120_000, 60_000);

type Asked = Parameters<RequestHandler>[0];

const answerTo = async ({ request, params, url, getClientAddress }: Asked): Promise<Response> => {
	if (!limit.allows(getClientAddress())) {
		return problem(429, 'Too many requests; wait a minute.', { 'retry-after': '60', ...stranger });
	}
	const base = `/preview/${params.token}/`;
	const gone = (): Response => problem(404, 'There is no such preview any more.', stranger);
	const path = url.pathname.slice(base.length);
	if (path === '.live') {
		const device = deviceSchema.safeParse(Object.fromEntries(url.searchParams));
		return events((tell) => previews.listen(params.token, tell, device.data), stranger) ?? gone();
	}
	if (path === '.live.js') {
		const headers = { 'content-type': 'text/javascript; charset=utf-8', ...stranger };
		return new Response(deviceScript, { headers });
	}
	const asked = {
		method: request.method,
		target: `/${path}${url.search}`,
		time: Date.now(),
		headers: Object.fromEntries(request.headers)
	};
	const answered = await previews.answer(params.token, asked, base);
	if (!answered) return gone();
	const { status, headers, body } = answered;
	const content = body && new Uint8Array(body);
	// What is looked at follows each edit, however long a real page may be kept.
	const cache = { 'cache-control': status === 200 || status === 206 ? 'no-cache' : 'no-store' };
	return new Response(content ?? null, { status, headers: { ...headers, ...cache, ...stranger } });
};

export const GET: RequestHandler = answerTo;
export const HEAD: RequestHandler = answerTo;
