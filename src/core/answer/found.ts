import { fingerprint } from '../lib/fingerprint.ts';
import { Memory } from '../lib/memory.ts';
import { httpDate, httpDateMs } from '../lib/utc.ts';
import type { SiteAnswer, SiteRequest } from './exchange.ts';

/** Something that was found and can be sent. */
export interface Representation {
	readonly status: 200;
	readonly body: Uint8Array;
	readonly type: string;
	/** The value of `Cache-Control`. */
	readonly cache: string;
	/** ms; when it was changed last. */
	readonly changed: number;
	/** Parts of it can be asked for. */
	readonly ranges?: true;
	/** The value of `Vary`. */
	readonly vary: string | undefined;
}

const tags = new Memory<Uint8Array, string>();

/**
 * Sends what was found, or less: 304 where whoever asks has it already (RFC 9110, section 13), a part of it
 * (206) or that there is no such part (416, section 14).
 */
export function found(what: Representation, { headers, method }: SiteRequest): SiteAnswer {
	const tag = `"${tags.get(what.body, [], () => fingerprint(what.body))}"`;
	const validators = {
		etag: tag,
		'last-modified': httpDate(what.changed),
		'cache-control': what.cache,
		...(what.vary !== undefined && { vary: what.vary })
	};
	if (isKnown(headers, tag, what.changed)) {
		return { status: 304, headers: validators, body: undefined };
	}
	const own = {
		...validators,
		'content-type': what.type,
		'accept-ranges': what.ranges ? 'bytes' : 'none'
	};
	const range = what.ranges && method === 'GET' ? readRange(headers, what, tag) : undefined;
	if (range === 'beyond') {
		const size = `bytes */${what.body.length}`;
		return { status: 416, headers: { ...own, 'content-range': size }, body: undefined };
	}
	if (range) {
		const body = what.body.subarray(range.from, range.to + 1);
		const place = `bytes ${range.from}-${range.to}/${what.body.length}`;
		const sizes = { 'content-range': place, 'content-length': String(body.length) };
		return { status: 206, headers: { ...own, ...sizes }, body };
	}
	const size = { 'content-length': String(what.body.length) };
	return { status: what.status, headers: { ...own, ...size }, body: what.body };
}

/** RFC 9110, section 13.2.2: a tag is looked at first, and the date only where there is none. */
function isKnown(headers: SiteRequest['headers'], tag: string, changed: number): boolean {
	const tagsKnown = headers['if-none-match'];
	if (tagsKnown !== undefined) {
		const known = tagsKnown.split(',').map((one) => one.trim().replace(/^W\//, ''));
		return known.includes('*') || known.includes(tag);
	}
	const since = httpDateMs(headers['if-modified-since'] ?? '');
	return since !== undefined && Math.floor(changed / 1000) * 1000 <= since;
}

interface ByteRange {
	readonly from: number;
	/** Inclusive. */
	readonly to: number;
}

/**
 * The part that is asked for; undefined where all of it is sent: no range, one that cannot be read, several
 * of them, or one of another state of the file (section 14.2).
 */
function readRange(
	headers: SiteRequest['headers'],
	{ body, changed }: Representation,
	tag: string
): ByteRange | 'beyond' | undefined {
	const [, first = '', last = ''] =
		/^bytes=(\d*)-(\d*)$/.exec(headers['range']?.trim() ?? '') ?? [];
	if (first === '' && last === '') return undefined;
	const condition = headers['if-range'];
	if (condition !== undefined && condition !== tag) {
		const date = httpDateMs(condition);
		if (date === undefined || date !== Math.floor(changed / 1000) * 1000) return undefined;
	}
	const { length } = body;
	if (first === '') {
		const count = Number(last);
		return count === 0 || length === 0
			? 'beyond'
			: { from: Math.max(0, length - count), to: length - 1 };
	}
	const from = Number(first);
	const to = last === '' ? length - 1 : Math.min(Number(last), length - 1);
	if (last !== '' && Number(last) < from) return undefined;
	return from >= length ? 'beyond' : { from, to };
}
