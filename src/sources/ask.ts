import type { SourceResponse } from '../core/data/copy.ts';
import { reasonOf } from '../core/messages/wording.ts';

/** ms to wait for a whole answer. */
const longestWait = 10_000;
/** bytes; no page shows as much. */
const mostAnswered = 8 * 1024 * 1024;

/** An answer, or why there is none, as the end of a sentence. */
export type Outcome =
	| { readonly kind: 'answered'; readonly response: SourceResponse }
	| { readonly kind: 'failed'; readonly why: string };

/**
 * Asks a source over HTTP, within bounds of time and size. Never throws: whatever goes wrong is a reason.
 */
export async function ask(
	url: string,
	headers: Readonly<Record<string, string>>,
	wait = longestWait
): Promise<Outcome> {
	const stop = new AbortController();
	const timer = setTimeout(() => stop.abort(), wait);
	try {
		// The copies are kept by rules of our own; what the browser keeps must not come between.
		const answered = await fetch(url, {
			headers: { accept: 'application/json', ...headers },
			signal: stop.signal,
			cache: 'no-store',
			credentials: 'omit'
		});
		const body = answered.status === 304 ? undefined : await readBody(answered, stop);
		if (body === 'too-large') {
			return { kind: 'failed', why: `it answers more than ${mostAnswered / 1024 / 1024} MB` };
		}
		const fields = Object.fromEntries(answered.headers);
		return { kind: 'answered', response: { status: answered.status, headers: fields, body } };
	} catch (failure) {
		if (stop.signal.aborted)
			return { kind: 'failed', why: `it did not answer in ${wait / 1000} s` };
		return { kind: 'failed', why: whyNot(failure) };
	} finally {
		clearTimeout(timer);
	}
}

async function readBody(
	answered: Response,
	stop: AbortController
): Promise<string | 'too-large' | undefined> {
	const reader = answered.body?.getReader();
	if (!reader) return undefined;
	const decoder = new TextDecoder();
	let [text, size] = ['', 0];
	for (;;) {
		const { done, value } = await reader.read();
		if (done) return text + decoder.decode();
		size += value.length;
		if (size > mostAnswered) {
			stop.abort();
			return 'too-large';
		}
		text += decoder.decode(value, { stream: true });
	}
}

/** What a platform says of a request that failed, in words of ours where it is known. */
function whyNot(failure: unknown): string {
	const cause = failure instanceof Error && failure.cause !== undefined ? failure.cause : failure;
	const reason = reasonOf(cause);
	if (/redirect/i.test(reason)) return 'it sends from one address to the next and never answers';
	if (/failed to fetch|load failed/i.test(reason)) {
		return 'it cannot be reached, or sends from one address to the next';
	}
	return `it cannot be reached (${reason})`;
}
