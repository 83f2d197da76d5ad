import * as z from 'zod';
import { originAnswer, type Standing } from '../core/data/origin.ts';

/** A stand-in for a content service: it answers as a real one does, and fails in the ways in which those do. */

const failures = ['none', 'error', 'no-json', 'too-large', 'redirects', 'silent'] as const;

/** How it behaves. */
export const behaviourSchema = z.object({
	/** ms before it answers. */
	delay: z.number().int().min(0).max(30_000),
	failure: z.enum(failures),
	/** What it says of how long its answer is fresh. */
	cacheControl: z
		.string()
		.max(200)
		.regex(/^[\x20-\x7e]*$/)
});
export type Behaviour = z.infer<typeof behaviourSchema>;

const asAtFirst: Behaviour = { delay: 0, failure: 'none', cacheControl: 'max-age=0' };

interface StandIn {
	standing: Standing | undefined;
	behaviour: Behaviour;
}

/** bytes of what one holds. */
export const mostHeld = 1024 * 1024;
/** Sources that are kept; the oldest makes room. */
const mostSources = 500;
const sources = new Map<string, StandIn>();

/** The stand-in for a source of one user's site. */
export function standIn(of: string, name: string): StandIn {
	const key = `${of} ${name}`;
	let source = sources.get(key);
	if (!source) {
		source = { standing: undefined, behaviour: asAtFirst };
		const [oldest] = sources.keys();
		if (sources.size >= mostSources && oldest !== undefined) sources.delete(oldest);
		sources.set(key, source);
	}
	return source;
}

/** What a stand-in answers, failures among it. */
export async function standInAnswer(
	{ standing, behaviour }: StandIn,
	request: Request
): Promise<Response> {
	await new Promise((resolve) => setTimeout(resolve, behaviour.delay));
	switch (behaviour.failure) {
		case 'error':
			return new Response('{"error": "out of order"}', { status: 500 });
		case 'no-json':
			return new Response('<p>Not what you asked for</p>', {
				headers: { 'content-type': 'text/html' }
			});
		case 'too-large':
			return new Response(endless());
		case 'redirects':
			return new Response(null, { status: 302, headers: { location: request.url } });
		case 'silent':
			return new Response(new ReadableStream({}));
		case 'none': {
			if (!standing) return new Response('{"error": "nothing here yet"}', { status: 404 });
			const given = Object.fromEntries(request.headers);
			const { status, headers, body } = originAnswer(
				standing,
				given,
				behaviour.cacheControl,
				Date.now()
			);
			const own = Object.entries(headers).flatMap(([name, value]): [string, string][] =>
				value === undefined ? [] : [[name, value]]
			);
			return new Response(request.method === 'HEAD' ? null : (body ?? null), {
				status,
				headers: own
			});
		}
	}
}

/** 100 MB of one text, a part at a time, for as long as someone reads it. */
function endless(): ReadableStream<Uint8Array> {
	const part = new Uint8Array(64 * 1024).fill(0x61);
	let left = (100 * 1024 * 1024) / part.length;
	return new ReadableStream({
		pull(controller) {
			if (left-- > 0) controller.enqueue(part);
			else controller.close();
		}
	});
}
