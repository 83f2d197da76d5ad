import type { Freshness } from '../model/site.ts';
import { httpDateMs } from '../lib/utc.ts';

/** What a source answered, with its header fields by their names in small letters. */
export interface SourceResponse {
	readonly status: number;
	readonly headers: Readonly<Record<string, string | undefined>>;
	/** The text of the body; undefined where there is none. */
	readonly body: string | undefined;
}

/** When something was asked for and when the answer came: ms since 1970 in UTC. */
export interface AskedAt {
	readonly requested: number;
	readonly received: number;
}

/** What a source gave, kept to be used again (RFC 9111). */
export interface Copy extends AskedAt {
	readonly value: unknown;
	readonly headers: SourceResponse['headers'];
}

/** What to do about a value that is wanted now. */
export type Decision =
	/** The copy is good enough. */
	| { readonly kind: 'use' }
	/** The source has to be asked, with these header fields. */
	| { readonly kind: 'ask'; readonly headers: Readonly<Record<string, string>> };

/** What became of an answer. `copy` is what is kept from now on. */
export type Taken =
	| { readonly kind: 'new'; readonly copy: Copy }
	/** 304: the copy holds on. */
	| { readonly kind: 'holds'; readonly copy: Copy }
	| { readonly kind: 'failed'; readonly why: string };

/** The directives of a `Cache-Control` field (RFC 9111, section 5.2), by their names in small letters. */
function directives(field = ''): ReadonlyMap<string, string> {
	return new Map(
		field.split(',').flatMap((one): [string, string][] => {
			const [name = '', value = ''] = one.trim().split('=');
			return name === '' ? [] : [[name.toLowerCase(), value.replace(/^"|"$/g, '')]];
		})
	);
}

function seconds(text: string | undefined): number | undefined {
	return text !== undefined && /^\d+$/.test(text) ? Number(text) : undefined;
}

/** How old a copy is, in s (RFC 9111, section 4.2.3). */
export function currentAge({ headers, requested, received }: Copy, now: number): number {
	const date = httpDateMs(headers['date'] ?? '') ?? received;
	const apparent = Math.max(0, (received - date) / 1000);
	const corrected = (seconds(headers['age']) ?? 0) + (received - requested) / 1000;
	return Math.max(apparent, corrected) + Math.max(0, (now - received) / 1000);
}

/** How long its source says that a copy is fresh, in s (section 4.2.1); zero where it says nothing. */
export function freshnessLifetime({ headers, received }: Copy): number {
	const said = directives(headers['cache-control']);
	const most = seconds(said.get('max-age'));
	if (most !== undefined) return most;
	const expires = headers['expires'];
	if (expires === undefined) return 0;
	const date = httpDateMs(headers['date'] ?? '') ?? received;
	return Math.max(0, ((httpDateMs(expires) ?? date) - date) / 1000);
}

/**
 * Whether a copy may be used at a moment. The site says how old it may be, which stands for `max-age` and
 * `max-stale` of a request (section 5.2.1): within that, a copy is used although its source would call it
 * stale, unless the source forbids just that (`no-cache`, `must-revalidate`, section 5.2.2). With
 * `fresh notice` it is young until its source says that something changed: `noticed`, the last time it did so.
 */
export function decide(
	copy: Copy | undefined,
	fresh: Freshness,
	now: number,
	noticed?: number
): Decision {
	if (!copy) return { kind: 'ask', headers: {} };
	const said = directives(copy.headers['cache-control']);
	const age = currentAge(copy, now);
	const isStale = age >= freshnessLifetime(copy);
	const mustAsk = said.has('no-cache') || said.has('no-store');
	if (fresh.kind === 'build') return { kind: 'use' };
	const isYoung =
		(fresh.kind === 'for' && age < fresh.seconds) ||
		// What was asked for in the same millisecond may have been read before the change.
		(fresh.kind === 'notice' && (noticed === undefined || noticed < copy.requested));
	if (isYoung && !mustAsk && !(isStale && said.has('must-revalidate'))) return { kind: 'use' };
	return { kind: 'ask', headers: conditions(copy, fresh) };
}

/** Header fields that let the source answer that nothing changed (section 4.3.1). */
function conditions({ headers }: Copy, fresh: Freshness): Record<string, string> {
	const { etag, 'last-modified': modified } = headers;
	return {
		'cache-control': fresh.kind === 'for' ? `max-age=${fresh.seconds}` : 'no-cache',
		...(etag !== undefined && { 'if-none-match': etag }),
		...(modified !== undefined && { 'if-modified-since': modified })
	};
}

/** Takes what a source answered. A failure keeps the copy that there is. */
export function take(copy: Copy | undefined, response: SourceResponse, at: AskedAt): Taken {
	const { status, headers, body } = response;
	if (status === 304) {
		if (!copy) return { kind: 'failed', why: 'it says that nothing changed, but there is no copy' };
		// Section 4.3.4: what the answer says of the copy holds from now on.
		return {
			kind: 'holds',
			copy: { ...copy, ...at, headers: { ...copy.headers, ...said(headers) } }
		};
	}
	if (status < 200 || status > 299) return { kind: 'failed', why: `it answers ${status}` };
	try {
		const value: unknown = JSON.parse(body ?? '');
		return { kind: 'new', copy: { value, headers: said(headers), ...at } };
	} catch {
		return { kind: 'failed', why: 'what it answers is not JSON' };
	}
}

const kept = ['age', 'cache-control', 'date', 'etag', 'expires', 'last-modified'] as const;

/** The fields that matter to keeping a copy. */
function said(headers: SourceResponse['headers']): SourceResponse['headers'] {
	return Object.fromEntries(
		kept.flatMap((name) => (headers[name] === undefined ? [] : [[name, headers[name]]]))
	);
}
