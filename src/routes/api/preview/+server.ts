import { networkInterfaces } from 'node:os';
import { mostBytes } from '$core/source/limits.ts';
import { isName } from '$core/model/name.ts';
import { previews, PreviewRefused } from '../../../server/previews/previews.ts';
import { BodyRefused, isOwn, problem, RateLimit, readBody } from '../../../server/problem.ts';
import type { RequestHandler } from './$types';

const limit = new RateLimit(240, 60_000);

/** Hands a site over, as a zip of its source, to be looked at on other devices. */
export const POST: RequestHandler = async ({ request, url, getClientAddress }) => {
	if (!isOwn(request)) return problem(403, 'Only the application itself hands sites over.');
	if (!limit.allows(getClientAddress())) {
		return problem(429, 'Too many sites were handed over; wait a minute.', { 'retry-after': '60' });
	}
	const role = url.searchParams.get('as') ?? undefined;
	if (role !== undefined && !isName(role)) return problem(422, 'This is no role.');
	try {
		const token = await previews.add(await readBody(request, mostBytes), role);
		return Response.json({ token, addresses: addressesOf(url, token) }, { status: 201 });
	} catch (failure) {
		if (failure instanceof BodyRefused) return problem(failure.status, failure.message);
		if (failure instanceof PreviewRefused) return problem(422, failure.message);
		throw failure;
	}
};

/** Where a preview is to be found: in the network that this machine is in, where it listens there, and here. */
function addressesOf(url: URL, token: string): string[] {
	const host = process.env['HOST'] ?? '127.0.0.1';
	const isOpen = host === '0.0.0.0' || host === '::';
	const near = Object.values(networkInterfaces())
		.flatMap((list) => list ?? [])
		.filter(({ family, internal }) => family === 'IPv4' && !internal)
		.map(({ address }) => `${url.protocol}//${address}${url.port === '' ? '' : `:${url.port}`}`);
	return [...(isOpen ? near : []), url.origin].map((origin) => `${origin}/preview/${token}/`);
}
