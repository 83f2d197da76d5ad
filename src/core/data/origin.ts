import { fingerprint } from '../lib/fingerprint.ts';
import { encodeUtf8 } from '../lib/utf8.ts';
import { httpDate, httpDateMs } from '../lib/utc.ts';
import type { SourceResponse } from './copy.ts';

/** What stands at a source: its JSON as text, and since when. */
export interface Standing {
	readonly text: string;
	/** ms since 1970 in UTC. */
	readonly changed: number;
}

/** What a source answers to whoever asks for its JSON (RFC 9110, section 13; RFC 9111). */
export function originAnswer(
	{ text, changed }: Standing,
	headers: SourceResponse['headers'],
	cacheControl: string,
	now: number
): SourceResponse {
	const etag = `"${fingerprint(encodeUtf8(text))}"`;
	const own = {
		date: httpDate(now),
		etag,
		'last-modified': httpDate(changed),
		'cache-control': cacheControl
	};
	const tags = headers['if-none-match']?.split(',').map((one) => one.trim());
	const since = httpDateMs(headers['if-modified-since'] ?? '');
	const isKnown = tags
		? tags.includes(etag) || tags.includes('*')
		: since !== undefined && Math.floor(changed / 1000) * 1000 <= since;
	if (isKnown) return { status: 304, headers: own, body: undefined };
	const type = { 'content-type': 'application/json; charset=utf-8' };
	return { status: 200, headers: { ...own, ...type }, body: text };
}
