import { createHash, timingSafeEqual } from 'node:crypto';
import type { IncomingHttpHeaders } from 'node:http';

/** Whether a request brings a token (RFC 6750, section 2.1), or has it in its address, where no header can be given. */
export function hasToken(
	{ authorization = '' }: IncomingHttpHeaders,
	query: URLSearchParams,
	token: string
): boolean {
	const bearer = /^Bearer +(\S+)$/i.exec(authorization)?.[1];
	return isSame(bearer ?? query.get('token') ?? '', token);
}

/** Compared by their digests, which are of one length, in a time that tells nothing of where they differ. */
function isSame(one: string, other: string): boolean {
	const digest = (text: string): Buffer => createHash('sha256').update(text).digest();
	return timingSafeEqual(digest(one), digest(other));
}
