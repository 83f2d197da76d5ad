import { randomBytes } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import { hasToken } from '../token.ts';

/** What sources call, once they have changed: `POST /.notice/NAME` with the token. */

const prefix = '/.notice/';

/** What became of a call: its status (RFC 9110, section 15), and a sentence where it had no effect. */
export interface NoticeAnswer {
	readonly status: 204 | 403 | 404 | 405 | 409;
	readonly says: string;
}

/** Sources of a site that can be told of. */
export interface Noticed {
	/** Takes it that a source has changed; gives whether there is such a source, and whether it waits for that. */
	notice(name: string): 'taken' | 'unknown' | 'does not wait';
}

/** The address for notices, open to whoever knows its token. */
export class Notices {
	/** `token` is the user's own, or one that nobody can guess. */
	constructor(private readonly token: string = randomBytes(16).toString('hex')) {}

	/** Where a source gives notice. */
	addressOf(name: string, origin: string): string {
		return `${origin}${prefix.slice(1)}${name}?token=${encodeURIComponent(this.token)}`;
	}

	/** Whether a request is for this address. */
	isFor(path: string): boolean {
		return path.startsWith(prefix);
	}

	/** The token comes first: whoever lacks it does not learn which sources there are. */
	answer({ method, url = '/', headers }: IncomingMessage, sources: Noticed): NoticeAnswer {
		const { pathname, searchParams } = new URL(url, 'http://site.invalid');
		if (!hasToken(headers, searchParams, this.token)) {
			return { status: 403, says: 'The token of this address is missing or wrong.' };
		}
		if (method !== 'POST') return { status: 405, says: 'Notices are given with POST.' };
		const name = pathname.slice(prefix.length);
		switch (sources.notice(name)) {
			case 'taken':
				return { status: 204, says: '' };
			case 'unknown':
				return { status: 404, says: `There is no data ${name} from a URL.` };
			case 'does not wait':
				return {
					status: 409,
					says: `data ${name} does not wait for notices: it is not "fresh notice".`
				};
		}
	}
}
