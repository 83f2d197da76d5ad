import { joinBytes } from '../core/lib/bytes.ts';

/** What went wrong, as JSON that any client can read (RFC 9457). */
export function problem(
	status: number,
	title: string,
	headers: Record<string, string> = {}
): Response {
	return new Response(JSON.stringify({ type: 'about:blank', status, title }), {
		status,
		headers: {
			'content-type': 'application/problem+json',
			'cache-control': 'no-store',
			...headers
		}
	});
}

/** A body could not be taken; `message` is a sentence, `status` what is answered. */
export class BodyRefused extends Error {
	override readonly name = 'BodyRefused';

	constructor(
		readonly status: 408 | 413,
		message: string
	) {
		super(message);
	}
}

/** So many times what may be sent is read and thrown away, so that whoever sends it gets to hear that it is too much. */
const heardOut = 4;

/** Reads the body of a request within bounds of size (bytes) and time (ms). Throws a BodyRefused. */
export async function readBody(request: Request, most: number, wait = 20_000): Promise<Uint8Array> {
	const reader = request.body?.getReader();
	if (!reader) return new Uint8Array();
	const parts: Uint8Array[] = [];
	let size = 0;
	const ends = Date.now() + wait;
	for (;;) {
		const left = ends - Date.now();
		const late = new Promise<'late'>((resolve) =>
			setTimeout(() => resolve('late'), Math.max(0, left)).unref()
		);
		const part = await Promise.race([reader.read(), late]);
		if (part === 'late') {
			await reader.cancel();
			throw new BodyRefused(408, `The body did not come in ${wait / 1000} s.`);
		}
		if (part.done) break;
		size += part.value.length;
		if (size > most * heardOut) {
			await reader.cancel();
			break;
		}
		if (size <= most) parts.push(part.value);
	}
	if (size > most) throw new BodyRefused(413, `The body is larger than ${most} bytes.`);
	return joinBytes(parts, size);
}

/** So many requests in so many ms from each sender; what is above is refused until some time has gone by. */
export class RateLimit {
	private readonly sent = new Map<string, { count: number; since: number }>();

	constructor(
		private readonly most: number,
		private readonly span: number
	) {}

	/** Whether one more is let through. */
	allows(sender: string, now = Date.now()): boolean {
		const known = this.sent.get(sender);
		if (!known || now - known.since > this.span) {
			if (this.sent.size > 10_000) this.sent.clear();
			this.sent.set(sender, { count: 1, since: now });
			return true;
		}
		known.count++;
		return known.count <= this.most;
	}
}

/** Whether a request that changes something comes from the application itself (Fetch Metadata). */
export function isOwn(request: Request): boolean {
	const site = request.headers.get('sec-fetch-site');
	return site === null || site === 'same-origin';
}
